package kumite.lead;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import kumite.kind.WireColour;
import kumite.lead.LeadPart.Place;
import kumite.working.Quantity;

/**
 * Everything that making a lead takes to the bench.
 *
 * @param rows a row a core, in order of the first end's pins
 * @param cuts what is cut to which length
 * @param tests what must beep and what must not, once it is made
 * @param steps the work in its order
 */
public record Chart(List<Row> rows, List<Cut> cuts, List<Test> tests, List<String> steps) {

  /** The jacket is taken off so far at a plug: common practice, no source. */
  static final double FAN_MM = 25;

  /** So much is cut more at either end, for a joint made twice: common practice, no source. */
  static final double AGAIN_MM = 10;

  /** Tube over a soldered joint: common practice, no source. */
  static final double TUBE_MM = 12;

  /**
   * A core.
   *
   * @param number 1 upward
   * @param from its pin at the first end
   * @param to its pin at the other end
   * @param role what it is for; empty where that is not known
   * @param colour of its insulation
   * @param stripFromMm insulation taken off at the first end, in mm; 0 for none
   * @param stripToMm and at the other end
   * @param fromWords how it is put on at the first end
   * @param toWords and at the other end
   */
  public record Row(
      int number,
      String from,
      String to,
      String role,
      WireColour colour,
      double stripFromMm,
      double stripToMm,
      String fromWords,
      String toWords) {}

  /**
   * Something that is cut.
   *
   * @param what it
   * @param count how many
   * @param lengthMm each, in mm
   */
  public record Cut(String what, int count, double lengthMm) {}

  /**
   * A test with the meter.
   *
   * @param one where the one probe goes
   * @param other where the other goes
   * @param joined whether current goes through
   * @param ohm what a part on the way has, so that the meter shows ohms and does not beep; 0 for
   *     none
   * @param diode whether a diode is on the way, so that current goes from the first place to the
   *     other only
   */
  public record Test(String one, String other, boolean joined, double ohm, boolean diode) {
    /** {@return whether the meter must beep} */
    public boolean beep() {
      return joined && !diode && ohm < BEEPS_OHM;
    }

    /** {@return what the meter must say, in words} */
    public String words() {
      return !joined
          ? "silent"
          : beep()
              ? "beep"
              : diode
                  ? "diode range, red at the first: 0.4 to 0.8 V; changed over: nothing"
                  : Quantity.OHM.words(ohm);
    }
  }

  /** Meters beep below this: common practice, no source. */
  private static final double BEEPS_OHM = 30;

  /** A whisker joins pins that are so many times the least distance apart. */
  private static final double WHISKER = 1.5;

  public Chart {
    rows = List.copyOf(rows);
    cuts = List.copyOf(cuts);
    tests = List.copyOf(tests);
    steps = List.copyOf(steps);
  }

  /** {@return the chart of a lead} */
  public static Chart of(Lead lead, Plugs plugs) {
    return new Chart(rows(lead, plugs), cuts(lead, plugs), tests(lead, plugs), steps(lead, plugs));
  }

  private static Optional<Wired> wired(End end, Plugs plugs) {
    return end instanceof End.Plug plug
        ? plugs.connector(plug).map(kind -> kind.wired(plug.wired()))
        : Optional.empty();
  }

  private static String words(End end, String pin, Plugs plugs) {
    Optional<Wired> wired = wired(end, plugs);
    if (wired.isEmpty()) {
      return "board " + pin;
    }
    return wired.get().how() == Wired.How.SCREW ? "screw " + pin : wired.get().how().words();
  }

  private static double strip(End end, Plugs plugs) {
    return wired(end, plugs).map(Wired::stripMm).orElse(4.0);
  }

  private static boolean moulded(Lead lead, Where where, Plugs plugs) {
    return wired(lead.end(where), plugs).filter(w -> w.how() == Wired.How.MOULDED).isPresent();
  }

  /** How much cable is cut: at an end that is made, so much more for a joint made twice. */
  private static double lengthMm(Lead lead, Plugs plugs) {
    long made = Stream.of(Where.values()).filter(w -> !moulded(lead, w, plugs)).count();
    return lead.cable().lengthMm() + made * AGAIN_MM;
  }

  private static List<Row> rows(Lead lead, Plugs plugs) {
    List<Row> rows = new ArrayList<>();
    for (Core core : plugs.inOrder(lead)) {
      rows.add(
          new Row(
              rows.size() + 1,
              core.from(),
              core.to(),
              plugs.role(lead, core),
              core.colour(),
              strip(lead.from(), plugs),
              strip(lead.to(), plugs),
              words(lead.from(), core.from(), plugs),
              words(lead.to(), core.to(), plugs)));
    }
    return rows;
  }

  private static List<Cut> cuts(Lead lead, Plugs plugs) {
    List<Cut> cuts = new ArrayList<>();
    double whole = lengthMm(lead, plugs);
    String kind = lead.cable().shielded() ? "-core shielded cable, " : "-core cable, ";
    if (!lead.cable().bought()) {
      cuts.add(new Cut(lead.cable().cores() + kind + lead.cable().gaugeAwg() + " AWG", 1, whole));
    }
    for (Where where : Where.values()) {
      int joints =
          (int) lead.cores().stream().map(core -> Lead.pin(core, where)).distinct().count();
      if (moulded(lead, where, plugs)) {
        continue;
      }
      if (joints > 0) {
        cuts.add(new Cut("jacket taken off at the " + where.words(), 1, FAN_MM + AGAIN_MM));
      }
      boolean soldered = wired(lead.end(where), plugs).filter(w -> w.how().soldered()).isPresent();
      if (soldered && joints > 0) {
        cuts.add(new Cut("thin tube for the joints of the " + where.words(), joints, TUBE_MM));
      }
    }
    for (LeadPart part : lead.parts()) {
      cuts.add(new Cut("tube over " + part.words(), 1, 2 * TUBE_MM));
    }
    return cuts;
  }

  private static List<Test> tests(Lead lead, Plugs plugs) {
    LeadNets nets = LeadNets.of(lead);
    List<Test> tests = new ArrayList<>();
    List<Set<Place>> groups = new ArrayList<>();
    for (Core core : plugs.inOrder(lead)) {
      Set<Place> net = nets.of(new Place(Where.FROM, core.from()));
      if (groups.contains(net)) {
        continue;
      }
      groups.add(net);
      List<Place> places = List.copyOf(net);
      Place first =
          places.stream().filter(p -> p.end() == Where.FROM).findFirst().orElse(places.get(0));
      places.stream()
          .filter(place -> !place.equals(first))
          .forEach(place -> tests.add(joined(lead, first, place)));
    }
    Set<Set<Integer>> apart = new LinkedHashSet<>();
    for (Where where : Where.values()) {
      whiskers(lead.end(where), plugs)
          .forEach(
              pair -> {
                int one = net(groups, new Place(where, pair.get(0)));
                int other = net(groups, new Place(where, pair.get(1)));
                if (one >= 0 && other >= 0 && one != other) {
                  apart.add(Set.of(one, other));
                }
              });
    }
    for (int i = 1; i < groups.size(); i++) {
      apart.add(Set.of(i - 1, i));
    }
    for (Set<Integer> pair : apart) {
      List<Integer> two = pair.stream().sorted().toList();
      tests.add(apart(lead, groups.get(two.get(0)), groups.get(two.get(1))));
    }
    return tests;
  }

  private static Test joined(Lead lead, Place first, Place other) {
    Optional<LeadPart.Diode> diode =
        lead.parts().stream()
            .filter(LeadPart.Diode.class::isInstance)
            .map(LeadPart.Diode.class::cast)
            .filter(part -> part.places().equals(Set.of(first, other)))
            .findFirst();
    double ohm = ohm(lead, first, other);
    if (diode.isEmpty()) {
      return new Test(first.words(), other.words(), true, ohm, false);
    }
    boolean there = diode.get().band() == other.end();
    return there
        ? new Test(first.words(), other.words(), true, ohm, true)
        : new Test(other.words(), first.words(), true, ohm, true);
  }

  /** Two that nothing joins; a resistor between them shows its ohms all the same. */
  private static Test apart(Lead lead, Set<Place> one, Set<Place> other) {
    double siemens =
        lead.parts().stream()
            .filter(LeadPart.ResistorAcross.class::isInstance)
            .map(LeadPart.ResistorAcross.class::cast)
            .filter(
                part ->
                    part.places().stream().anyMatch(one::contains)
                        && part.places().stream().anyMatch(other::contains))
            .mapToDouble(part -> 1 / part.ohm())
            .sum();
    return new Test(
        one.iterator().next().words(),
        other.iterator().next().words(),
        siemens > 0,
        siemens > 0 ? 1 / siemens : 0,
        false);
  }

  private static int net(List<Set<Place>> groups, Place place) {
    for (int i = 0; i < groups.size(); i++) {
      if (groups.get(i).contains(place)) {
        return i;
      }
    }
    return -1;
  }

  /** Pins of an end that a whisker of wire can join: beside each other, between rows too. */
  private static List<List<String>> whiskers(End end, Plugs plugs) {
    List<ConnectorKind.Pin> pins =
        plugs.connector(end).filter(k -> !k.bare()).map(ConnectorKind::pins).orElse(List.of());
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < pins.size(); i++) {
      for (int j = i + 1; j < pins.size(); j++) {
        least = Math.min(least, pins.get(i).at().distanceMm(pins.get(j).at()));
      }
    }
    List<List<String>> pairs = new ArrayList<>();
    for (int i = 0; i < pins.size(); i++) {
      for (int j = i + 1; j < pins.size(); j++) {
        if (pins.get(i).at().distanceMm(pins.get(j).at()) <= WHISKER * least) {
          pairs.add(List.of(pins.get(i).name(), pins.get(j).name()));
        }
      }
    }
    return pairs;
  }

  /** What lies in the core between two places; 0 for wire alone. */
  private static double ohm(Lead lead, Place one, Place other) {
    return lead.parts().stream()
        .filter(LeadPart.Series.class::isInstance)
        .map(LeadPart.Series.class::cast)
        .filter(part -> part.places().equals(Set.of(one, other)))
        .mapToDouble(LeadPart.Series::ohm)
        .sum();
  }

  private static List<String> steps(Lead lead, Plugs plugs) {
    List<String> steps = new ArrayList<>();
    boolean made = Stream.of(Where.values()).anyMatch(w -> !moulded(lead, w, plugs));
    boolean half = Stream.of(Where.values()).anyMatch(w -> moulded(lead, w, plugs));
    if (!made) {
      steps.add("Both plugs are moulded on, so nothing is made: the cable is used as it is");
      steps.add("Go through the list of tests with the meter");
      return steps;
    }
    steps.add(
        String.format(
            Locale.ROOT,
            "Cut the cable to %.0f mm%s: the length and %.0f mm at %s for a joint made twice",
            lengthMm(lead, plugs),
            half ? " from its moulded plug" : "",
            AGAIN_MM,
            half ? "the cut end" : "either end"));
    for (Where where : Where.values()) {
      List<String> slips =
          lead.slips().stream()
              .filter(slip -> slip.end() == where && !moulded(lead, where, plugs))
              .map(slip -> slip.kind().words())
              .toList();
      if (!slips.isEmpty()) {
        steps.add(
            "Slide on first, over the " + where.words() + ": " + String.join(", then ", slips));
      }
    }
    // What lies in a core is soldered while its ends are still free, and so is its tube.
    for (LeadPart part : lead.parts()) {
      if (part instanceof LeadPart.InCore) {
        steps.add("Cut that core and solder in " + part.words() + ", tube over it");
      }
    }
    for (Where where : Where.values()) {
      steps.addAll(end(lead, where, plugs));
    }
    for (LeadPart part : lead.parts()) {
      if (part instanceof LeadPart.Drain drain) {
        steps.add(
            "Put "
                + drain.words()
                + ", twisted and in tube; where it goes on no pin, cut the shield back and cover"
                + " it");
      } else if (!(part instanceof LeadPart.InCore)) {
        steps.add("Solder in " + part.words() + ", tube over it");
      }
    }
    steps.add("Dry fit: lay the printed face on the plug, and read each colour off it");
    boolean hoods =
        lead.slips().stream()
            .anyMatch(slip -> slip.kind() == Slip.Kind.HOOD && !moulded(lead, slip.end(), plugs));
    steps.add(
        "Go through the list of tests with the meter"
            + (hoods ? ", before any hood is closed" : ""));
    steps.add(
        (hoods ? "Close the hoods, pull" : "Pull")
            + " at the cable, and go through the list again");
    return steps;
  }

  private static List<String> end(Lead lead, Where where, Plugs plugs) {
    Optional<Wired> wired = wired(lead.end(where), plugs);
    List<String> steps = new ArrayList<>();
    String end = "the " + where.words();
    if (wired.isEmpty()) {
      steps.add("At " + end + ": bring each core to its terminal of the board, as the chart says");
      return steps;
    }
    Wired way = wired.get();
    if (way.how() == Wired.How.MOULDED) {
      steps.add("At " + end + ": leave the moulded plug as it is; it cannot be opened");
      return steps;
    }
    if (way.how() == Wired.How.BARE) {
      steps.add("At " + end + ": label each core by the chart and keep the ends apart");
      return steps;
    }
    steps.add(
        String.format(
            Locale.ROOT,
            "At %s: take %.0f mm off the jacket%s",
            end,
            FAN_MM,
            way.stripMm() > 0
                ? String.format(Locale.ROOT, ", strip each core %.0f mm", way.stripMm())
                : "; the cores keep their insulation"));
    if (way.how().soldered()) {
      steps.add("Push a piece of thin tube on each core, well back from the heat");
    }
    steps.add("Put each core on by the wire side of the drawing: " + way.tool());
    steps.add("Tug each core" + (way.how().soldered() ? ", then shrink its tube" : ""));
    return steps;
  }
}
