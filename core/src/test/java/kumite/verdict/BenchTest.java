package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.loom.Hookup;
import kumite.build.loom.Laying;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Material;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.kind.Common;
import kumite.kind.WireColour;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Faults are put into sound builds by hand; each must be found, and its fix must mend it. */
public class BenchTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE);
  }

  /** {@return the demo with its open findings mended} */
  private static Build sound() {
    Build build = Builds.ferryBridge();
    for (int round = 0; round < 10; round++) {
      Optional<Fix> fix =
          bench(build).findings().stream()
              .filter(f -> f.severity() != Severity.FINE)
              .flatMap(f -> f.fix().stream())
              .findFirst();
      if (fix.isEmpty()) {
        return build;
      }
      build = fix.get().edit().apply(build);
    }
    throw new AssertionError("the demo's fixes do not come to an end");
  }

  @Test
  public void theDemoHasTwoStopsAndALookAndItsFixesMendThemAll() {
    Bench demo = bench(Builds.ferryBridge());
    assertThat(
            demo.findings().stream()
                .filter(f -> f.severity() != Severity.FINE)
                .map(f -> f.code().text()))
        .containsExactly("PN-05", "PW-01", "PN-03");
    Bench mended = bench(sound());
    assertThat(mended.count(Severity.STOP)).isZero();
    assertThat(mended.count(Severity.LOOK)).isZero();
    assertThat(mended.coverage().covered()).isEqualTo(17);
  }

  @Test
  public void anEmptyBuildHasNothingToStopOrLookAt() {
    Bench empty = bench(Build.empty("x"));
    assertThat(empty.count(Severity.STOP) + empty.count(Severity.LOOK)).isZero();
    assertThat(empty.paths()).isEmpty();
  }

  private static UnaryOperator<Build> control(String id, UnaryOperator<Control> change) {
    return b -> b.withControl(new ControlId(id), change);
  }

  private static UnaryOperator<Build> place(String id, double x, double y) {
    return control(id, c -> c.withPlacement(Placement.at(x, y)));
  }

  private static UnaryOperator<Build> lock(String contact, String terminal) {
    return b -> b.withLoom(b.loom().withLock(ContactId.parse(contact), terminal));
  }

  /** Locked to the terminal that it has, which then turns out dead. */
  private static UnaryOperator<Build> dead(String contact) {
    return b -> {
      String terminal = Builds.terminal(b, contact);
      return lock(contact, terminal)
          .apply(b.withLoom(b.loom().withDead(java.util.Set.of(terminal))));
    };
  }

  private static UnaryOperator<Build> map(String contact, Target target) {
    return b ->
        b.withMapping(b.mapping().with(ContactId.parse(contact), new Mapping.Entry(target, "")));
  }

  private static UnaryOperator<Build> board(String kind) {
    return b ->
        b.withBoard(Optional.of(new BoardChoice(kind, b.board().orElseThrow().placement())));
  }

  private static UnaryOperator<Build> hand(UnaryOperator<kumite.build.brief.Hand> change) {
    return b -> b.withBrief(b.brief().withHand(change.apply(b.brief().hand())));
  }

  private static UnaryOperator<Build> block(double x, double y, double w, double h) {
    return b ->
        b.withPanel(
            b.panel()
                .withInside(
                    b.panel()
                        .inside()
                        .withBlocks(List.of(new kumite.build.panel.Block("bracket", x, y, w, h)))));
  }

  private static UnaryOperator<Build> inside(UnaryOperator<kumite.build.panel.CaseInside> change) {
    return b -> b.withPanel(b.panel().withInside(change.apply(b.panel().inside())));
  }

  private static UnaryOperator<Build> depth(double mm) {
    return inside(in -> in.withDepth(mm));
  }

  private static Build only(Build build, String... ids) {
    return build.withControls(
        java.util.Arrays.stream(ids)
            .map(id -> build.control(new ControlId(id)).orElseThrow())
            .toList());
  }

  private static UnaryOperator<Build> keys(double pitchMm) {
    return b -> {
      Build one =
          only(b, "rudder")
              .withControl(
                  Control.of(new ControlId("k1"), "K1", "keyswitch-14", Placement.at(200, 100)));
      return one.withControl(
          Control.of(new ControlId("k2"), "K2", "keyswitch-14", Placement.at(200 + pitchMm, 100)));
    };
  }

  private static UnaryOperator<Build> pile(int parts) {
    return b -> {
      Build piled = only(b, "rudder");
      for (int i = 0; i < parts; i++) {
        piled =
            piled.withControl(
                Control.of(
                    new ControlId("p" + i), "P " + i, "button-24", Placement.at(200 + i, 100)));
      }
      return piled;
    };
  }

  private static UnaryOperator<Build> ownPart(String control, String value, String pattern) {
    return b ->
        b.withOwn(own(b, control, "own-x", value, pattern))
            .withControl(new ControlId(control), c -> c.withKind("own-x"));
  }

  private static UnaryOperator<Build> boardAt(double x, double y) {
    return b -> b.withBoard(b.board().map(board -> board.at(Placement.at(x, y))));
  }

  private static UnaryOperator<Build> hookup(String id, UnaryOperator<Hookup> change) {
    return control(id, c -> c.withHookup(change));
  }

  private static UnaryOperator<Build> added(String wire) {
    return b -> b.withLoom(b.loom().withAdded(Jumper.parse(wire)));
  }

  /** The wires of two contacts put in at each other's terminals. */
  private static UnaryOperator<Build> crossed(String one, String other) {
    return b -> {
      String first = Builds.terminal(b, one);
      String second = Builds.terminal(b, other);
      return b.withLoom(
          b.loom()
              .withAdded(Jumper.parse(one + ":NO - board:" + second))
              .withAdded(Jumper.parse(other + ":NO - board:" + first)));
    };
  }

  private static UnaryOperator<Build> group(kumite.build.loom.Topology topology) {
    List<ContactId> some =
        java.util.stream.Stream.of("horn", "lamps", "bilge", "wiper")
            .map(ContactId::parse)
            .toList();
    return b -> b.withLoom(b.loom().withGroup(new ControlId("keys"), topology, some));
  }

  private static List<Jumper> planned(Build build, String part) {
    Bench worked = bench(build);
    return kumite.wiring.Wiring.planned(worked.board().orElseThrow(), worked.loom())
        .wires()
        .keySet()
        .stream()
        .filter(wire -> wire.toString().contains(part))
        .toList();
  }

  /** Both ends of the ring at the board left out: the whole common is on its own. */
  private static UnaryOperator<Build> groundCut() {
    return b -> {
      Build next = b;
      for (Jumper wire : planned(b, "board:GND")) {
        next = next.withLoom(next.loom().withLeftOut(wire));
      }
      return next;
    };
  }

  private static UnaryOperator<Build> signalCut(String id) {
    return b -> b.withLoom(b.loom().withLeftOut(planned(b, id + ":NO").get(0)));
  }

  private static kumite.kind.ControlKind potOf(Build build, double ohm) {
    return own(build, "port", "own-pot", "\"ohm\":" + ohm, "\"ohm\":[0-9.]+");
  }

  private static UnaryOperator<Build> ladderOf(int steps) {
    return b ->
        b.withOwn(own(b, "telegraph", "own-ladder", "\"steps\":" + steps, "\"steps\":[0-9]+"))
            .withControl(new ControlId("telegraph"), c -> c.withKind("own-ladder"));
  }

  /** A shipped kind with one value of its JSON put otherwise, as a builder's own part. */
  private static kumite.kind.ControlKind own(
      Build build, String control, String id, String value, String pattern) {
    kumite.kind.ControlKind kind =
        CATALOGUE.kindOf(build.control(new ControlId(control)).orElseThrow());
    String json =
        kumite.parts.PartFile.write(kind)
            .toString()
            .replaceFirst(pattern, value)
            .replaceFirst("\"id\":\"[^\"]+\"", "\"id\":\"" + id + "\"");
    return kumite.parts.PartFile.read(json, "x.json").kinds().get(0);
  }

  @DataProvider
  Object[][] faults() {
    Severity stop = Severity.STOP;
    Severity look = Severity.LOOK;
    return new Object[][] {
      // code, severity, mended by its fix, the fault
      {"BR-02", look, true, (UnaryOperator<Build>) b -> b.withBrief(b.brief().withSupplyVolts(9))},
      {
        "PN-01",
        look,
        true,
        // 12 mm plywood wants a web of 6 mm; 35.7 mm between centres leave 5.7
        place("wiper", 195.7, 96)
            .andThen(b -> b.withPanel(b.panel().withMaterial(Material.PLYWOOD).withThickness(12)))
      },
      {"PN-02", stop, true, place("hail", 389, 205)},
      {"PN-03", look, true, place("wiper", 194.6, 100)},
      {"PN-04", stop, true, place("bilge", 84, 118)},
      {"PN-05", stop, true, place("rudder", 38, 118)},
      {
        "PN-06",
        stop,
        true,
        (UnaryOperator<Build>) b -> b.withPanel(b.panel().withInside(new CaseInside(12, 45)))
      },
      {"PN-07", stop, true, (UnaryOperator<Build>) b -> b.withPanel(b.panel().withThickness(6))},
      // 66 mm deep: the horn's 54 mm and the board's 16 mm share 4 mm of it; at 72 mm 2 mm are left
      {"PN-08", stop, true, place("horn", 302, 160).andThen(depth(66))},
      {"PN-08", look, true, place("horn", 302, 160)},
      {"PN-09", stop, true, place("bilge", -40, 96)},
      // slider caps 12 mm wide, 17 mm apart: 5 mm for fingers that need 6
      {"PN-10", look, true, place("starboard", 351, 112)},
      {
        "PN-11",
        look,
        true,
        control("bilge", c -> c.withKind("button-30-screw").withPlacement(Placement.at(160.5, 96)))
            .andThen(place("wiper", 197.5, 96))
      },
      {"PN-12", stop, true, block(150, 80, 30, 10)},
      {"PN-13", stop, true, place("horn", 302, 188).andThen(depth(66))},
      {"PN-14", stop, true, boardAt(12, 176)},
      {"PN-15", look, true, boardAt(302, 170)},
      {"PN-16", stop, true, block(292, 140, 20, 10)},
      {"PN-23", look, true, block(500, 300, 30, 10)},
      {"PN-24", stop, true, inside(in -> in.withWall(110))},
      // ISO 10642 and ISO 273, from memory: an M4 head of 8.96 over a hole of 4.5 sinks 2.23 mm
      {"PN-25", look, false, (UnaryOperator<Build>) b -> b.withPanel(b.panel().withThickness(1.6))},
      {
        "PN-26", stop, false, ownPart("horn", "\"face_mm\":{\"round\":28}", "\"face_mm\":\\{[^}]*}")
      },
      {"PN-27", look, true, control("anchor", c -> c.withLabel("horn "))},
      {"PN-28", stop, true, pile(14)},
      // 206 mm from the hinge and 54 mm deep, the horn's far edge swings out by 7 mm; 2 are there
      {"PN-29", stop, true, place("horn", 226, 30)},
      {
        "PN-30",
        stop,
        true,
        (UnaryOperator<Build>)
            b ->
                control(
                        "horn",
                        c -> c.withKind("button-100-lamp").withPlacement(Placement.at(226, 45)))
                    .apply(only(b, "rudder", "horn"))
      },
      {"PN-31", stop, true, keys(17.7)},
      {"PN-31", look, true, keys(18.3)},
      {
        "PN-32",
        stop,
        true,
        (UnaryOperator<Build>)
            b ->
                control(
                        "horn",
                        c -> c.withKind("button-100-lamp").withPlacement(Placement.at(114, 170)))
                    .apply(only(b, "rudder", "horn"))
      },
      {
        "PN-17",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withControls(
                        b.controls().stream()
                            .filter(c -> c.id().text().equals("rudder"))
                            .map(c -> c.withPlacement(Placement.at(120, 118)))
                            .toList())
                    .withPanel(b.panel().withThickness(20).withMaterial(Material.PLYWOOD))
      },
      {"HD-01", look, true, hand(h -> h.withReach(185))},
      {"HD-02", look, true, hand(h -> h.withForce(2.5))},
      {"HD-03", look, true, hand(h -> h.withSpan(100))},
      {"HD-04", look, false, hand(h -> h.withWander(9))},
      {"HD-05", look, false, hand(h -> h.withWander(10))},
      {"LM-01", look, true, (UnaryOperator<Build>) b -> b.withBoard(Optional.empty())},
      {"LM-02", stop, true, board("encoder-12-rail")},
      {"LM-03", stop, true, lock("port", "D5")},
      {"LM-04", stop, true, lock("bilge", "D12")},
      {"LM-05", stop, true, control("bilge", c -> c.withCommon(Optional.of(Common.RAIL)))},
      {
        "LM-07",
        look,
        true,
        (UnaryOperator<Build>)
            b -> {
              Bench worked = Bench.of(b, CATALOGUE);
              ContactId first = worked.loom().bundles().values().iterator().next().get(0);
              ContactId second = worked.loom().bundles().values().iterator().next().get(1);
              WireColour colour = worked.loom().strandOf(first).orElseThrow().colour();
              return b.withLoom(b.loom().withColour(first, colour).withColour(second, colour));
            }
      },
      {"LM-08", stop, true, lock("bilge", "Q7")},
      {"LM-09", stop, true, lock("bilge", "D21").andThen(lock("hail", "D21"))},
      {
        "LM-10",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withLoom(
                    b.loom().withLaying(b.loom().laying().withShape(Laying.CommonShape.CHAIN)))
      },
      {"LM-12", stop, true, hookup("bilge", h -> h.withRestsClosed(true))},
      {"LM-13", stop, true, group(kumite.build.loom.Topology.BARE_MATRIX)},
      {
        "LM-14",
        stop,
        true,
        group(kumite.build.loom.Topology.LADDER)
            .andThen(
                b ->
                    b.withProfile(
                        p ->
                            p.withTogether(
                                List.of(new kumite.build.brief.Pair("Sound horn", "Deck lamps")))))
      },
      {
        "LM-15",
        stop,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withLoom(
                    b.loom()
                        .withGroup(
                            new ControlId("keys"),
                            kumite.build.loom.Topology.MATRIX,
                            List.of(ContactId.parse("bilge"), ContactId.parse("port"))))
      },
      {
        "LM-16",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                Builds.wired(
                    b.withControls(
                            List.of(
                                Control.of(
                                    new ControlId("dial"),
                                    "Dial",
                                    "encoder-spinner",
                                    Placement.at(60, 60))))
                        .withMapping(Mapping.EMPTY)
                        .withLoom(
                            kumite.build.loom.LoomSettings.USUAL.withDead(
                                java.util.Set.of("2", "3"))),
                    "native-5v-18")
      },
      {"NT-01", stop, true, added("bilge:COM - board:3V3")},
      {"NT-02", stop, true, groundCut()},
      {"NT-03", stop, true, added("board:3V3 - board:5V")},
      {"NT-04", stop, true, added("bilge:NO - wiper:NO")},
      {"NT-05", stop, true, added("bilge:NO - bilge:COM")},
      {"NT-06", stop, true, signalCut("bilge")},
      {"NT-07", stop, true, added("bilge:NO - board:5V")},
      {
        "NT-08",
        stop,
        true,
        group(kumite.build.loom.Topology.REGISTERS).andThen(added("keys:LOAD - keys:CLOCK"))
      },
      {
        "NT-09",
        stop,
        true,
        added("helper:TX - radio:TX")
            .andThen(added("helper:GND - board:GND"))
            .andThen(added("radio:GND - board:GND"))
      },
      {"NT-10", stop, true, added("board:D0 - helper:TX")},
      {"NT-11", look, true, added("bilge:XX - board:GND")},
      {
        "NT-12",
        stop,
        true,
        (UnaryOperator<Build>)
            b -> {
              Build next = b;
              for (Jumper wire : planned(b, "port:end 2")) {
                next = next.withLoom(next.loom().withLeftOut(wire));
              }
              return added("port:end 2 - board:5V").apply(next);
            }
      },
      {
        "NT-13",
        stop,
        true,
        signalCut("bilge").andThen(signalCut("wiper")).andThen(crossed("bilge", "wiper"))
      },
      {
        "NT-14", look, true, added("bilge:COM - anchor:COM").andThen(added("bilge:COM - radar:COM"))
      },
      {"NT-15", look, false, added("bilgee:NO - board:GND")},
      {
        "NT-16",
        look,
        true,
        (UnaryOperator<Build>)
            b -> b.withLoom(b.loom().withLeftOut(Jumper.parse("bilge:NO - board:D99")))
      },
      {"LM-17", look, true, board("pad-unknown")},
      {
        "PN-18",
        stop,
        true,
        (UnaryOperator<Build>)
            b ->
                Builds.wired(Builds.buttons(60, 40), "encoder-12-rail")
                    .withControls(List.of())
                    .withMapping(Mapping.EMPTY)
                    .withPanel(
                        b.panel()
                            .withInside(
                                b.panel().inside().deeperBy(12 - b.panel().inside().depthMm())))
      },
      {
        "PW-05",
        look,
        true,
        control("horn", c -> c.withKind("button-30-lamp").withLampOhm(OptionalDouble.of(900)))
      },
      {
        "PW-05",
        look,
        false,
        control("horn", c -> c.withKind("button-30-lamp-12v").withLampOhm(OptionalDouble.empty()))
      },
      {
        "PW-13",
        look,
        true,
        control("horn", c -> c.withKind("button-30-lamp-5v").withLampOhm(OptionalDouble.of(91)))
      },
      {
        "PW-14",
        stop,
        false,
        (UnaryOperator<Build>)
            b ->
                added("ball:VCC - board:XX")
                    .apply(
                        Builds.wired(
                            b.withControls(
                                    List.of(
                                        Control.of(
                                            new ControlId("ball"),
                                            "Ball",
                                            "trackball-38",
                                            Placement.at(90, 90))))
                                .withMapping(Mapping.EMPTY),
                            "encoder-12-ground"))
      },
      {
        "PW-15",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                Builds.wired(
                    b.withOwn(potOf(b, 220_000))
                        .withControls(
                            List.of(
                                Control.of(
                                    new ControlId("dial"),
                                    "Dial",
                                    "own-pot",
                                    Placement.at(60, 90))))
                        .withMapping(Mapping.EMPTY)
                        .withLoom(kumite.build.loom.LoomSettings.USUAL),
                    "game-port-15")
      },
      {
        "MP-07",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                lock("b1", "K3")
                    .apply(Builds.wired(Builds.buttons(60, 60, 110, 60), "encoder-12-ground"))
      },
      {"PW-01", stop, true, control("horn", c -> c.withLampOhm(OptionalDouble.empty()))},
      {
        "PW-02",
        stop,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withOwn(own(b, "horn", "own-lamp", "\"forward_v\":5.2", "\"forward_v\":[0-9.]+"))
                    .withControl(new ControlId("horn"), c -> c.withKind("own-lamp"))
      },
      {"PW-03", look, true, control("horn", c -> c.withLampOhm(OptionalDouble.of(47)))},
      {"PW-04", look, false, board("encoder-12-ground")},
      {
        "PW-06",
        stop,
        true,
        (UnaryOperator<Build>)
            b ->
                lock("b1", "I1")
                    .apply(Builds.wired(Builds.buttons(60, 60, 110, 60), "radio-3v3-21"))
      },
      {
        "PW-09",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withOwn(potOf(b, 100_000))
                    .withControl(new ControlId("port"), c -> c.withKind("own-pot"))
      },
      // A lamp of 600 mA is more than the 500 mA of USB 2.0, 7.2.1 (memory).
      {
        "PW-10",
        stop,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withOwn(
                        own(b, "horn", "own-lamp", "\"current_ma\":600", "\"current_ma\":[0-9.]+"))
                    .withControl(
                        new ControlId("horn"),
                        c ->
                            c.withKind("own-lamp")
                                .withLampOhm(OptionalDouble.empty())
                                .withHookup(h -> h.withLampFrom(Optional.of("5V"))))
      },
      // The same lamp on the thinnest wire: 36 AWG has 1.36 ohm/m (ASTM B258, IEC 60028).
      {
        "PW-12",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withOwn(
                        own(b, "horn", "own-lamp", "\"current_ma\":300", "\"current_ma\":[0-9.]+"))
                    .withControl(
                        new ControlId("horn"),
                        c -> c.withKind("own-lamp").withLampOhm(OptionalDouble.empty()))
                    .withLoom(b.loom().withLaying(b.loom().laying().withGauge(36)))
      },
      {
        "PW-11",
        stop,
        true,
        hookup(
            "horn",
            h -> h.withLampFrom(Optional.of("D2")).withLampOhm(java.util.OptionalDouble.of(47)))
      },
      {"LM-19", stop, true, dead("anchor")},
      {"NT-21", stop, true, added("nav:NC - board:3V3")},
      {"NT-22", stop, true, added("anchor:NO - board:3V3")},
      {"NT-22", stop, true, added("radar:NO - board:5V")},
      {
        "MP-01",
        look,
        true,
        (UnaryOperator<Build>) b -> b.withMapping(b.mapping().without(ContactId.parse("bilge")))
      },
      {
        "MP-02",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withProfile(
                    p ->
                        p.withFunctions(
                            List.of(new HostFunction("Fog bell", HostFunction.Wants.PRESS))))
      },
      {
        "MP-03",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withMapping(
                    b.mapping()
                        .with(
                            ContactId.parse("port"),
                            new Mapping.Entry(
                                new Target.Axis(kumite.build.map.AxisName.Z), "Sound horn")))
      },
      {"MP-04", look, true, map("bilge", new Target.Button(1))},
      {
        "MP-05",
        look,
        false,
        map("bilge", new Target.Button(17)).andThen(b -> b.withProfile(p -> p.withHost(Host.PHONE)))
      },
      {"MP-09", look, true, control("rudder", c -> c.withPlacement(c.placement().turnedTo(90)))},
      {
        "LM-18",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                inside(in -> in.withOpening(kumite.build.panel.Opening.LIFTS_OFF))
                    .apply(
                        b.withLoom(b.loom().withLaying(b.loom().laying().withAllowances(30, 10))))
      },
      {"MP-06", stop, true, map("bilge", new Target.Axis(kumite.build.map.AxisName.RX))},
      {
        "MP-08",
        look,
        true,
        (UnaryOperator<Build>)
            b -> b.withTiming(new Timing(1000, Timing.Debounce.EAGER, 2000, 1000))
      },
    };
  }

  @Test(dataProvider = "faults")
  @SuppressWarnings("unchecked")
  public void aFaultPutInIsFoundAndItsFixMendsIt(
      String code, Severity severity, boolean hasFix, Object fault) {
    Build sound = sound();
    assertThat(codes(sound)).as("before").doesNotContain(code);
    Build faulty = ((java.util.function.Function<Build, Build>) fault).apply(sound);
    Bench bench = bench(faulty);
    List<Finding> found =
        bench.findings().stream().filter(f -> f.code().text().equals(code)).toList();
    assertThat(found).as("%s among %s", code, codes(faulty)).isNotEmpty();
    assertThat(found.get(0).severity()).isEqualTo(severity);
    assertThat(found.get(0).detail()).isNotBlank();
    if (hasFix) {
      Build mended = faulty;
      for (int round = 0; round < 20; round++) {
        Optional<Fix> fix =
            bench(mended).findings().stream()
                .filter(f -> f.code().text().equals(code))
                .flatMap(f -> f.fix().stream())
                .findFirst();
        if (fix.isEmpty()) {
          break;
        }
        Build next = fix.get().edit().apply(mended);
        assertThat(next).as("%s does something", fix.get().label()).isNotEqualTo(mended);
        mended = next;
      }
      assertThat(codes(mended)).as("after the fix").doesNotContain(code);
    }
  }

  private static Set<String> codes(Build build) {
    Set<String> codes = new TreeSet<>();
    bench(build).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .forEach(f -> codes.add(f.code().text()));
    return codes;
  }

  @DataProvider
  Object[][] wrongWirings() {
    List<Object[]> rows = new ArrayList<>();
    for (String demo : Builds.demosWithBoards()) {
      boolean ferry = demo.equals("ferry-bridge");
      boolean hand = demo.equals("one-hand");
      boolean pads = demo.equals("attic-pads");
      String button = ferry ? "bilge" : hand ? "hop" : pads ? "pause" : "left-light";
      boolean ground = ferry || hand || pads;
      String com = ground ? button + ":COM - board:3V3" : button + ":COM - lamp-supply:0V";
      rows.add(
          new Object[] {
            demo,
            ground ? "NT-01" : "LM-05",
            ground ? added(com) : control(button, c -> c.withCommon(Optional.of(Common.GROUND)))
          });
      rows.add(new Object[] {demo, "LM-12", hookup(button, h -> h.withRestsClosed(true))});
      rows.add(new Object[] {demo, "NT-06", signalCut(button)});
      if (ferry) {
        rows.add(
            new Object[] {
              demo, "LM-05", control(button, c -> c.withCommon(Optional.of(Common.RAIL)))
            });
        rows.add(new Object[] {demo, "NT-02", groundCut()});
        rows.add(new Object[] {demo, "LM-04", lock(button, "D12")});
        rows.add(
            new Object[] {
              demo, "PW-01", control("horn", c -> c.withLampOhm(OptionalDouble.empty()))
            });
      }
      if (!hand) { // so many lie out of one hand's reach, and that is said first
        rows.add(new Object[] {demo, "LM-02", tooMany()});
      }
    }
    return rows.toArray(Object[][]::new);
  }

  /** Ten more buttons than there are inputs, each with room of its own on a far larger panel. */
  private static UnaryOperator<Build> tooMany() {
    return b -> {
      Build next = b.withPanel(b.panel().withSize(1200, 700));
      for (int i = 0; i < 20; i++) {
        next =
            next.withControl(
                Control.of(
                    new ControlId("more-" + i),
                    "More " + i,
                    b.panel().thicknessMm() > 6 ? "button-30-screw" : "button-30",
                    Placement.at(560 + 60 * (i % 10), 450 + 70 * (i / 10))));
      }
      return next;
    };
  }

  /** A wrong wiring put in by hand is what Kumite says first, and its repair mends it. */
  @Test(dataProvider = "wrongWirings")
  public void aWrongWiringIsNamedFirstWithTheRightRepair(String demo, String code, Object wrong)
      throws Exception {
    Build sound = demo.equals("ferry-bridge") ? sound() : kumite.files.Demo.open(demo, CATALOGUE);
    @SuppressWarnings("unchecked")
    Build faulty = ((java.util.function.Function<Build, Build>) wrong).apply(sound);
    Finding first =
        bench(faulty).findings().stream()
            .filter(f -> f.severity() != Severity.FINE)
            .findFirst()
            .orElseThrow();
    assertThat(first.code().text()).as("%s: %s", first.title(), codes(faulty)).isEqualTo(code);
    assertThat(first.detail()).isNotBlank();
    Build mended = first.fix().orElseThrow().edit().apply(faulty);
    for (int round = 0; round < 4; round++) {
      Optional<Fix> again =
          bench(mended).findings().stream()
              .filter(f -> f.code().text().equals(code))
              .flatMap(f -> f.fix().stream())
              .findFirst();
      mended = again.isPresent() ? again.get().edit().apply(mended) : mended;
    }
    assertThat(codes(mended)).as("after the repair").doesNotContain(code);
  }

  @Test
  public void boardsAreComparedAndWishesMoveThem() {
    Build build = Builds.ferryBridge();
    List<Brains.Candidate> plain = Brains.of(build, CATALOGUE, Set.of());
    assertThat(plain).hasSize(CATALOGUE.boards().size() + CATALOGUE.readyBoards().size());
    assertThat(plain.get(0).possible()).isTrue();
    assertThat(plain.get(plain.size() - 1).possible()).isFalse();
    List<Brains.Candidate> wireless = Brains.of(build, CATALOGUE, Set.of(Brains.Wish.WIRELESS));
    assertThat(wireless.get(0).board().brain().link()).isEqualTo(kumite.kind.BoardKind.Link.RADIO);
    Build lantern = Builds.wired(Builds.buttons(40, 40, 90, 40, 140, 40), "native-3v3-26");
    assertThat(
            Brains.of(lantern, CATALOGUE, Set.of(Brains.Wish.NO_CODE))
                .get(0)
                .board()
                .brain()
                .needsCode())
        .isFalse();
    // No candidate that cannot take all wires stands before one that can.
    assertThat(plain.stream().map(Brains.Candidate::possible).toList())
        .isSortedAccordingTo(java.util.Comparator.reverseOrder());
  }

  @Test
  public void everyWayOfWiringIsTriedAndUsedInOneStep() {
    Build build = sound();
    List<ContactId> switches =
        bench(build).paths().stream()
            .filter(p -> !p.site().contact().type().analog())
            .map(p -> p.id())
            .toList();
    List<WhatIf> ways = WhatIf.of(build, CATALOGUE, switches);
    assertThat(ways).hasSize(2 + kumite.build.loom.Topology.CHOSEN.size());
    assertThat(ways.stream().filter(WhatIf::chosen).map(WhatIf::name))
        .containsExactly("direct to ground");
    for (WhatIf way : ways) {
      Bench after = bench(way.edit().edit().apply(build));
      if (way.fault().isEmpty()) {
        assertThat(after.paths()).as(way.name()).allMatch(p -> p.levels().isPresent());
        assertThat(after.loom().totalMetres()).isEqualTo(way.metres());
      }
    }
    WhatIf matrix = ways.get(2);
    assertThat(matrix.terminals()).isEqualTo(8); // 14 contacts: 3 rows and 5 columns
  }

  @Test
  public void regroupingOneContactLeavesTheOthersOfItsGroup() {
    Build build = group(kumite.build.loom.Topology.MATRIX).apply(sound());
    ContactId horn = ContactId.parse("horn");
    WhatIf registers =
        WhatIf.of(build, CATALOGUE, List.of(horn)).stream()
            .filter(way -> way.name().equals(kumite.build.loom.Topology.REGISTERS.words()))
            .findFirst()
            .orElseThrow();
    Build after = registers.edit().edit().apply(build);
    assertThat(after.loom().groupOf(horn).orElseThrow().topology())
        .isEqualTo(kumite.build.loom.Topology.REGISTERS);
    assertThat(after.loom().groupOf(ContactId.parse("bilge")).orElseThrow().contacts()).hasSize(3);
    assertThat(bench(after).loom().totalMetres()).isEqualTo(registers.metres());
  }

  /**
   * A short hides what else is wrong, and a repair that brings that out is no worse for it; one
   * that does harm of its own is not offered.
   */
  @Test
  public void aRepairThatBringsOutWhatWasHiddenIsOffered() {
    Build sound = sound();
    kumite.name.Jumper wire =
        bench(sound).loom().strandOf(ContactId.parse("radar")).orElseThrow().wire();
    for (String shorted : List.of("board:3V3 - board:GND", "anchor:NO - board:3V3")) {
      Build faulty = added(shorted).apply(sound.withLoom(sound.loom().withLeftOut(wire)));
      String code = shorted.startsWith("board") ? "NT-01" : "NT-22";
      Finding stop =
          bench(faulty).findings().stream()
              .filter(f -> f.code().text().equals(code))
              .findFirst()
              .orElseThrow();
      Build mended = stop.fix().orElseThrow().edit().apply(faulty);
      assertThat(codes(mended)).doesNotContain(code).contains("PW-06");
      assertThat(mended.loom().leftOut()).as("nothing else is touched").contains(wire);
    }
  }

  @Test
  public void renamingAControlChangesNoFinding() {
    Build build = Builds.ferryBridge();
    Build renamed = build.withControl(new ControlId("bilge"), control -> control.withLabel("Pump"));
    assertThat(bench(renamed).findings().stream().map(f -> f.code().text()).toList())
        .isEqualTo(bench(build).findings().stream().map(f -> f.code().text()).toList());
  }

  @Test
  public void theRailOfAnEncoderIsTheSharedSide() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60), "encoder-12-rail");
    Bench bench = bench(build);
    assertThat(bench.paths())
        .allSatisfy(
            path -> {
              assertThat(path.site().common()).isEqualTo(Common.RAIL);
              assertThat(path.whole()).isTrue();
              assertThat(path.levels().orElseThrow().idleVolts()).isZero();
            });
    assertThat(bench.findings().stream().map(f -> f.code().text())).contains("LM-11");
  }
}
