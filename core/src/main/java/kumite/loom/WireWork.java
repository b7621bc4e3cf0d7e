package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import kumite.build.loom.LoomSettings;
import kumite.kind.Landing;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.Jumper;

/**
 * The wires of a loom one by one, in the order they are put on: shared sides first, as they are
 * laid from tab to tab, then each contact's own wire.
 *
 * <pre>{@code
 * WireWork work = WireWork.of(bench.loom(), build.loom());
 * work.next().ifPresent(step -> ...);
 * }</pre>
 *
 * @param steps one a wire
 */
public record WireWork(List<Step> steps) {

  /**
   * One wire.
   *
   * @param cut the wire, with what shares its ends
   * @param done whether it is on at both ends
   * @param leftOut whether the builder said that it is not there
   * @param bus the bare wire that it is a stretch of, if it is one
   * @param jumperMm the ready jumper that is taken for it; empty where wire is cut
   */
  public record Step(
      CutList.Cut cut,
      boolean done,
      boolean leftOut,
      Optional<CutList.Bus> bus,
      OptionalInt jumperMm) {
    /** {@return the wire} */
    public Strand strand() {
      return cut.strand();
    }

    /** {@return what goes on the wire, or is done to it, before its first joint} */
    public List<String> first(LengthUnit unit) {
      List<String> first = new ArrayList<>();
      if (leftOut) {
        first.add("Left out by hand so far, ticking it puts it back");
      }
      if (bus.isPresent()) {
        boolean begins = bus.get().strands().get(0).equals(strand().id());
        first.add(
            begins
                ? "Cut one bare wire of "
                    + Length.text(bus.get().lengthMm(), unit)
                    + ", which runs on through "
                    + bus.get().joints()
                    + " joints"
                : "On the bare wire that began as " + bus.get().strands().get(0) + ", cut nothing");
      } else {
        first.add(
            (jumperMm.isPresent()
                    ? "Take a ready jumper of " + Length.text(jumperMm.getAsInt(), unit)
                    : "Cut " + Length.text(strand().lengthMm(), unit))
                + ", a flag "
                + strand().id()
                + " on both ends");
      }
      if (tubed(strand().from()) || tubed(strand().to())) {
        first.add("Slide the tube on before the joint is made");
      }
      strand().way().ifPresent(way -> first.add("Through the connector, way " + way));
      cut.fromWith()
          .ifPresent(other -> first.add("Shares " + strand().from().words() + " with " + other));
      cut.toWith()
          .ifPresent(other -> first.add("Shares " + strand().to().words() + " with " + other));
      return List.copyOf(first);
    }

    private static boolean tubed(Strand.End end) {
      return end.landing().how() == Landing.How.LEAD;
    }

    /** {@return how one end is prepared and joined, in words} */
    public static String joint(Strand.End end, LengthUnit unit) {
      double strip = end.landing().stripMm();
      return (strip > 0 ? "strip " + Length.text(strip, unit) + ", " : "") + end.joint();
    }
  }

  public WireWork {
    steps = List.copyOf(steps);
  }

  /**
   * Puts the wires of a loom in order.
   *
   * @param settings with the wires that are on; those that the plan no longer has do not count
   */
  public static WireWork of(Loom loom, LoomSettings settings) {
    Map<String, Integer> order = new HashMap<>();
    for (Strand strand : loom.strands()) {
      order.put(strand.id(), order.size());
    }
    List<Step> steps = new ArrayList<>();
    CutList list = CutList.of(loom);
    for (CutList.Cut cut : list.cuts()) {
      Jumper wire = cut.strand().wire();
      Strand strand = cut.strand();
      steps.add(
          new Step(
              cut,
              settings.done().contains(wire),
              settings.leftOut().contains(wire),
              list.bus(strand),
              settings.laying().sort(strand.use()).jumper(strand.lengthMm())));
    }
    steps.sort(
        Comparator.comparing((Step step) -> step.strand().contact().isPresent())
            .thenComparingInt(step -> order.get(step.strand().id())));
    return new WireWork(steps);
  }

  /** {@return the first wire that is not on} */
  public Optional<Step> next() {
    return steps.stream().filter(step -> !step.done()).findFirst();
  }

  /** {@return how many are not on} */
  public int left() {
    return (int) steps.stream().filter(step -> !step.done()).count();
  }
}
