package kumite.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.lead.BoardCable;
import kumite.build.lead.LeadBook;
import kumite.kind.WireColour;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.ringout.Reading;
import kumite.ringout.RingOut;
import kumite.working.Source;

/** Leads that nobody thought of. All are invented; the same seed gives the same lead. */
public final class RandomLeads {
  private static final Plugs PLUGS = Plugs.standard();

  private RandomLeads() {}

  /** {@return any connector that is shipped} */
  public static ConnectorKind connector(SplittableRandom random) {
    return switch (random.nextInt(4)) {
      case 0 -> PLUGS.needed("header-" + random.nextInt(2, 41));
      case 1 -> PLUGS.needed("strip-" + random.nextInt(1, 25));
      case 2 -> PLUGS.needed("bare-" + random.nextInt(1, 65));
      default -> PLUGS.connectors().get(random.nextInt(PLUGS.connectors().size()));
    };
  }

  static End.Plug plug(ConnectorKind kind, SplittableRandom random) {
    List<Pinout> pinouts = PLUGS.of(kind);
    return new End.Plug(
        kind.id(),
        pick(Gender.values(), random),
        pick(Beyond.values(), random),
        pinouts.isEmpty() || random.nextBoolean()
            ? Optional.empty()
            : Optional.of(pinouts.get(random.nextInt(pinouts.size())).id()),
        random.nextBoolean() ? Optional.empty() : Optional.of(pick(Wired.How.values(), random)));
  }

  /** {@return a lead between two connectors, with pins shared, left out and bridged} */
  public static Lead between(ConnectorKind from, ConnectorKind to, SplittableRandom random) {
    List<Core> cores = new ArrayList<>();
    Set<List<String>> seen = new HashSet<>();
    for (int i = random.nextInt(12); i > 0; i--) {
      String one = from.names().get(random.nextInt(from.pins().size()));
      String other = to.names().get(random.nextInt(to.pins().size()));
      if (seen.add(List.of(one, other))) {
        cores.add(
            new Core(
                one,
                other,
                WireColour.of(pick(WireColour.Hue.values(), random)),
                random.nextInt(4) == 0 ? Optional.of("own " + i) : Optional.empty(),
                random.nextInt(6) == 0));
      }
    }
    Lead lead =
        new Lead(
            "Lead " + random.nextInt(),
            plug(from, random),
            plug(to, random),
            cores,
            List.of(),
            new Cable(
                random.nextInt(1, 20),
                random.nextInt(16, 37),
                random.nextDouble(20, 9000),
                random.nextBoolean() ? 0 : 6.5,
                random.nextInt(4) == 0,
                random.nextInt(3) == 0),
            random.nextBoolean()
                ? List.of()
                : List.of(
                    new Slip(pick(Where.values(), random), pick(Slip.Kind.values(), random))));
    return lead.withParts(parts(lead, from, to, random));
  }

  private static List<LeadPart> parts(
      Lead lead, ConnectorKind from, ConnectorKind to, SplittableRandom random) {
    List<LeadPart> parts = new ArrayList<>();
    for (int i = random.nextInt(4); i > 0; i--) {
      Where where = pick(Where.values(), random);
      ConnectorKind kind = where == Where.FROM ? from : to;
      LeadPart.Place at =
          new LeadPart.Place(where, kind.names().get(random.nextInt(kind.pins().size())));
      String other = kind.names().get(random.nextInt(kind.pins().size()));
      switch (random.nextInt(9)) {
        case 0 -> parts.add(new LeadPart.ResistorToGround(at, 4700));
        case 1 -> parts.add(new LeadPart.CapacitorToGround(at, 1e-8));
        case 2 -> parts.add(new LeadPart.PullUp(at, 10_000));
        case 3 -> {
          if (!other.equals(at.pin())) {
            parts.add(new LeadPart.Bridge(at, other));
          }
        }
        case 4 -> {
          Where there = pick(Where.values(), random);
          ConnectorKind far = there == Where.FROM ? from : to;
          LeadPart.Place second =
              new LeadPart.Place(there, far.names().get(random.nextInt(far.pins().size())));
          if (!second.equals(at)) {
            parts.add(new LeadPart.ResistorAcross(at, second, 1000));
          }
        }
        case 5 -> {
          if (!other.equals(at.pin())) {
            parts.add(new LeadPart.CapacitorAcross(at, new LeadPart.Place(where, other), 1e-7));
          }
        }
        case 6 -> {
          if (lead.cable().shielded()) {
            parts.add(new LeadPart.Drain(at));
          }
        }
        default -> {
          if (!lead.cores().isEmpty()) {
            Core core = lead.cores().get(random.nextInt(lead.cores().size()));
            parts.add(
                random.nextBoolean()
                    ? new LeadPart.Series(core.from(), core.to(), 220)
                    : new LeadPart.Diode(core.from(), core.to(), pick(Where.values(), random)));
          }
        }
      }
    }
    return parts;
  }

  /** {@return any lead} */
  public static Lead any(SplittableRandom random) {
    return between(connector(random), connector(random), random);
  }

  /** {@return a connector of the builder's own, with pins anywhere} */
  static ConnectorKind own(SplittableRandom random) {
    List<ConnectorKind.Pin> pins = new ArrayList<>();
    for (int i = random.nextInt(1, 9); i > 0; i--) {
      pins.add(
          new ConnectorKind.Pin(
              "P" + i, new Point(random.nextDouble(-20, 20), random.nextDouble(-9, 9))));
    }
    return new ConnectorKind(
        "own-" + random.nextInt(1000),
        "Own",
        "found in a drawer",
        pins,
        List.of(new Point(-22, 10), new Point(22, 10), new Point(0, -12)),
        List.of(),
        List.of(),
        "as printed",
        List.of(new Wired(Wired.How.CRIMP, 3, 22, 28, "pliers")),
        2,
        pick(Gender.values(), random),
        Source.given("measured"));
  }

  /** {@return all a build may keep of leads} */
  public static LeadBook book(Build build, SplittableRandom random) {
    List<Lead> leads = new ArrayList<>();
    for (int i = random.nextInt(4); i > 0; i--) {
      leads.add(any(random).named("Lead " + i));
    }
    ConnectorKind own = own(random);
    Pinout pinout =
        new Pinout(
            own.id(),
            "Own",
            own.id(),
            3.3,
            0.01,
            List.of(
                new Pinout.Pin(
                    own.names().get(0),
                    new Function.Own("Bell"),
                    pick(Flow.values(), random),
                    random.nextBoolean())),
            Set.of(),
            Source.given("read off the board"));
    List<BoardCable> cables = new ArrayList<>();
    if (random.nextBoolean()) {
      Set<ControlId> through = new TreeSet<>();
      build.controls().stream().limit(random.nextInt(3)).forEach(c -> through.add(c.id()));
      cables.add(
          new BoardCable(
              "To the board",
              build.seats().get(0).id(),
              through,
              plug(connector(random), random),
              Cable.forCores(random.nextInt(1, 30)),
              Map.of()));
    }
    return new LeadBook(
        List.of(own), List.of(pinout), leads, cables, List.of(ringOut(random, "Found cable")));
  }

  /** {@return a ring-out with any answers, true or not} */
  static RingOut ringOut(SplittableRandom random, String name) {
    RingOut ringOut = RingOut.of(name, connector(random), connector(random));
    List<Reading> readings = new ArrayList<>();
    for (int i = random.nextInt(5); i > 0; i--) {
      LeadPart.Place near =
          new LeadPart.Place(Where.FROM, ringOut.near().get(random.nextInt(ringOut.near().size())));
      LeadPart.Place far =
          new LeadPart.Place(Where.TO, ringOut.far().get(random.nextInt(ringOut.far().size())));
      readings.add(new Reading(Set.of(near), Set.of(far), random.nextBoolean()));
    }
    Map<String, String> likely = new LinkedHashMap<>();
    likely.put(ringOut.near().get(0), ringOut.far().get(0));
    return ringOut
        .withReadings(readings)
        .withLikely(likely)
        .probed(pick(RingOut.Way.values(), random), pick(RingOut.Faults.values(), random));
  }

  static <T> T pick(T[] values, SplittableRandom random) {
    return values[random.nextInt(values.length)];
  }
}
