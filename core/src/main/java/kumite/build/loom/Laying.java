package kumite.build.loom;

import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import kumite.kind.WireColour;
import kumite.measure.Range;

/**
 * How wires are laid and cut.
 *
 * @param shape how commons are laid
 * @param slackMm left over at each end of a strand for stripping and crimping; 0 to 500
 * @param serviceLoopMm added once to each strand so that the panel can be opened; 0 to 2000
 * @param gaugeAwg conductor size; 10 to 36
 * @param connector whether wires from lid to base are parted by a connector
 * @param stock the colours of wire at hand; empty for all of them
 * @param sorts the wire for single uses, where it is another one; what is not named is as usual
 */
public record Laying(
    CommonShape shape,
    double slackMm,
    double serviceLoopMm,
    int gaugeAwg,
    boolean connector,
    Set<WireColour.Hue> stock,
    Map<WireSort.Use, WireSort> sorts) {
  /** What is added to every wire. */
  public static final Range SLACK = Range.of(0, 500, "mm");

  /** What is added to open the case. */
  public static final Range SERVICE_LOOP = Range.of(0, 2000, "mm");

  /** Wire gauges. */
  public static final Range GAUGE = Range.of(10, 36, "AWG");

  /** How the shared side is laid from tab to tab. */
  public enum CommonShape {
    /** A ring above six contacts, a chain up to six: common practice. */
    AUTO("ring above six"),
    /** Tab to tab and one end at the board; one break silences all beyond it. */
    CHAIN("chain"),
    /** A chain with both ends at the board; survives one break. */
    RING("ring"),
    /** A wire of its own from the board to each control. */
    STAR("star"),
    /** A wire of its own from the board to each contact, beside its signal. */
    PAIRS("a pair each"),
    /**
     * A chain, but bare wire straight from tab to tab along each row of small soldered switches.
     */
    BUS("bare bus along rows");

    private final String words;

    CommonShape(String words) {
      this.words = words;
    }

    /** {@return the shape in words for people} */
    public String words() {
      return words;
    }
  }

  /** 30 mm at each end, a 120 mm service loop, 22 AWG stranded: common practice, no source. */
  public static final Laying USUAL =
      new Laying(CommonShape.AUTO, 30, 120, 22, false, Set.of(), Map.of());

  public Laying {
    Objects.requireNonNull(shape, "shape");
    SLACK.check(slackMm, "slack_mm");
    SERVICE_LOOP.check(serviceLoopMm, "service_loop_mm");
    GAUGE.check(gaugeAwg, "gauge_awg");
    stock = stock.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(stock));
    Map<WireSort.Use, WireSort> others = new EnumMap<>(WireSort.Use.class);
    others.putAll(sorts);
    others.values().removeIf(WireSort.USUAL::equals);
    sorts = Collections.unmodifiableMap(others);
  }

  /** {@return the same with commons laid otherwise} */
  public Laying withShape(CommonShape newShape) {
    return new Laying(newShape, slackMm, serviceLoopMm, gaugeAwg, connector, stock, sorts);
  }

  /** {@return the same with other allowances} */
  public Laying withAllowances(double newSlackMm, double newServiceLoopMm) {
    return new Laying(shape, newSlackMm, newServiceLoopMm, gaugeAwg, connector, stock, sorts);
  }

  /** {@return the same in another gauge} */
  public Laying withGauge(int newGaugeAwg) {
    return new Laying(shape, slackMm, serviceLoopMm, newGaugeAwg, connector, stock, sorts);
  }

  /** {@return the same with or without a connector between lid and base} */
  public Laying withConnector(boolean newConnector) {
    return new Laying(shape, slackMm, serviceLoopMm, gaugeAwg, newConnector, stock, sorts);
  }

  /** {@return the same with other colours at hand} */
  public Laying withStock(Set<WireColour.Hue> newStock) {
    return new Laying(shape, slackMm, serviceLoopMm, gaugeAwg, connector, newStock, sorts);
  }

  /** {@return the wire for a use} */
  public WireSort sort(WireSort.Use use) {
    return sorts.getOrDefault(use, WireSort.USUAL);
  }

  /** {@return the gauge for a use} */
  public int gaugeAwg(WireSort.Use use) {
    return sort(use).gaugeAwg().orElse(gaugeAwg);
  }

  /** {@return the same with other wire for a use} */
  public Laying withSort(WireSort.Use use, WireSort sort) {
    Map<WireSort.Use, WireSort> next = new EnumMap<>(WireSort.Use.class);
    next.putAll(sorts);
    next.put(use, sort);
    return new Laying(shape, slackMm, serviceLoopMm, gaugeAwg, connector, stock, next);
  }
}
