package kumite.build;

import java.util.Collections;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * What the builder decided about the wiring; the rest is worked out.
 *
 * @param shape how commons are laid
 * @param slackMm left over at each end of a strand for stripping and crimping; 0 to 500
 * @param serviceLoopMm added once to each strand so that the panel can be opened; 0 to 2000
 * @param gaugeAwg conductor size; 10 to 36
 * @param locks contacts held at a named terminal
 * @param colours strands whose colour was chosen by hand
 */
public record LoomSettings(
    CommonShape shape,
    double slackMm,
    double serviceLoopMm,
    int gaugeAwg,
    Map<ContactId, String> locks,
    Map<ContactId, WireColour> colours) {

  /** How the shared side is laid from tab to tab. */
  public enum CommonShape {
    /** A ring above six contacts, a chain up to six: common practice. */
    AUTO("ring above six"),
    /** Tab to tab and one end at the board; one break silences all beyond it. */
    CHAIN("chain"),
    /** A chain with both ends at the board; survives one break. */
    RING("ring");

    private final String words;

    CommonShape(String words) {
      this.words = words;
    }

    /** {@return the shape in words for people} */
    public String words() {
      return words;
    }
  }

  public LoomSettings {
    Objects.requireNonNull(shape, "shape");
    Check.between(0, 500, slackMm, "slack_mm");
    Check.between(0, 2000, serviceLoopMm, "service_loop_mm");
    Check.between(10, 36, gaugeAwg, "gauge_awg");
    locks = Collections.unmodifiableMap(new TreeMap<>(locks));
    colours = Collections.unmodifiableMap(new TreeMap<>(colours));
  }

  /** 30 mm at each end, a 120 mm service loop, 22 AWG stranded: common practice, no source. */
  public static final LoomSettings USUAL =
      new LoomSettings(CommonShape.AUTO, 30, 120, 22, Map.of(), Map.of());

  /** {@return the same settings with commons laid otherwise} */
  public LoomSettings withShape(CommonShape newShape) {
    return new LoomSettings(newShape, slackMm, serviceLoopMm, gaugeAwg, locks, colours);
  }

  /** {@return the same settings with other allowances} */
  public LoomSettings withAllowances(double newSlackMm, double newServiceLoopMm) {
    return new LoomSettings(shape, newSlackMm, newServiceLoopMm, gaugeAwg, locks, colours);
  }

  /** {@return the same settings in another gauge} */
  public LoomSettings withGauge(int newGaugeAwg) {
    return new LoomSettings(shape, slackMm, serviceLoopMm, newGaugeAwg, locks, colours);
  }

  /** {@return the same settings with one contact held at a terminal} */
  public LoomSettings withLock(ContactId contact, String terminal) {
    Map<ContactId, String> next = new TreeMap<>(locks);
    next.put(contact, terminal);
    return new LoomSettings(shape, slackMm, serviceLoopMm, gaugeAwg, next, colours);
  }

  /** {@return the same settings with one contact let go} */
  public LoomSettings withoutLock(ContactId contact) {
    Map<ContactId, String> next = new TreeMap<>(locks);
    next.remove(contact);
    return new LoomSettings(shape, slackMm, serviceLoopMm, gaugeAwg, next, colours);
  }

  /** {@return the same settings with one strand's colour chosen} */
  public LoomSettings withColour(ContactId contact, WireColour colour) {
    Map<ContactId, WireColour> next = new TreeMap<>(colours);
    next.put(contact, colour);
    return new LoomSettings(shape, slackMm, serviceLoopMm, gaugeAwg, locks, next);
  }

  /** {@return the same settings with one strand's colour left to the plan} */
  public LoomSettings withoutColour(ContactId contact) {
    Map<ContactId, WireColour> next = new TreeMap<>(colours);
    next.remove(contact);
    return new LoomSettings(shape, slackMm, serviceLoopMm, gaugeAwg, locks, next);
  }

  /** {@return the same settings without the entries of one control} */
  public LoomSettings without(ControlId control) {
    Map<ContactId, String> nextLocks = new TreeMap<>(locks);
    nextLocks.keySet().removeIf(contact -> contact.control().equals(control));
    Map<ContactId, WireColour> nextColours = new TreeMap<>(colours);
    nextColours.keySet().removeIf(contact -> contact.control().equals(control));
    return new LoomSettings(shape, slackMm, serviceLoopMm, gaugeAwg, nextLocks, nextColours);
  }
}
