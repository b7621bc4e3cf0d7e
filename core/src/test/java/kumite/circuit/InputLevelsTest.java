package kumite.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.wiring.Wiring;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Levels are solved from the wires. Checked by hand with Ohm's law and facts of the trade. */
public class InputLevelsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  static Inputs inputs(Build build) {
    Loom loom = Loom.of(build, CATALOGUE);
    BoardKind board = CATALOGUE.boardOf(build).orElseThrow();
    return Inputs.of(Wiring.asBuilt(build, board, loom), Looks.of(board, loom), new Solves());
  }

  private static InputLevels of(Build build, String contact) {
    return inputs(build).levels().get(ContactId.parse(contact));
  }

  private static Build one(String kind, String board) {
    return Builds.wired(
        Build.empty("One")
            .withControl(Control.of(new ControlId("b1"), "B1", kind, Placement.at(60, 60))),
        board);
  }

  private static Build lamp(String board, boolean shares, OptionalDouble ohm, String from) {
    return one("button-30-lamp", board)
        .withControl(
            new ControlId("b1"),
            c ->
                c.withLampOhm(ohm)
                    .withHookup(h -> h.withLampShares(shares).withLampFrom(Optional.of(from))));
  }

  /** By hand: 3.3 V x 0.1 / (35 000 + 0.1), the pull in the middle of its range. */
  @Test
  public void aPlainContactIsADivider() {
    InputLevels levels = of(one("button-30", "native-3v3-26"), "b1");
    assertThat(levels.heldVolts()).isCloseTo(3.3 * 0.1 / 35_000.1, within(1e-9));
    assertThat(levels.idleVolts()).isCloseTo(3.3, within(1e-9));
    assertThat(levels.readable()).isTrue();
    assertThat(levels.pull()).isEqualTo(Looks.Pull.UP);
    // The strongest pull and 5 % more supply leave the most volts on a held contact.
    assertThat(levels.heldRange().most()).isCloseTo(3.3 * 1.05 * 0.1 / 20_000.1, within(1e-7));
    // 1 uA of leakage under the weakest pull and 5 % less supply leave the least when idle.
    double idle = 3.3 * 0.95 * 3.3e6 / (3.3e6 + 50_000);
    assertThat(levels.idleRange().least()).isCloseTo(idle, within(1e-6));
  }

  /** Thresholds: JESD8C 0.8 and 2.0 V, JESD7A about 0.3 and 0.7 of the supply, from memory. */
  @Test
  public void readsByTheBoardsThresholds() {
    InputLevels.Thresholds reads = of(one("button-30", "native-3v3-26"), "b1").thresholds();
    assertThat(reads.read(Span.at(0.8))).isEqualTo(InputLevels.Reading.LOW);
    assertThat(reads.read(Span.at(1.4))).isEqualTo(InputLevels.Reading.UNDEFINED);
    assertThat(reads.read(Span.at(2.0))).isEqualTo(InputLevels.Reading.HIGH);
    assertThat(reads.read(new Span(0.1, 0.5, 0.9))).isEqualTo(InputLevels.Reading.UNDEFINED);
    BoardKind five = CATALOGUE.board("native-5v-18").orElseThrow();
    assertThat(five.lowVolts() / five.logicVolts()).isCloseTo(0.3, within(1e-9));
    assertThat(five.highVolts() / five.logicVolts()).isCloseTo(0.7, within(1e-9));
  }

  @Test
  public void aContactToTheRailOnAPullUpIsNeverSeen() {
    Build five =
        one("button-30", "native-5v-18") // no pull-downs
            .withControl(new ControlId("b1"), c -> c.withCommon(Optional.of(Common.RAIL)));
    assertThat(of(five, "b1").readable()).isFalse();
    InputLevels down = of(one("button-30", "encoder-12-rail"), "b1");
    assertThat(down.idleVolts()).isZero();
    assertThat(down.heldVolts()).isCloseTo(5, within(0.01));
    assertThat(down.readable()).isTrue();
  }

  /**
   * Common practice, no source: with a 5 V lamp feed and nothing but a meter of 10 Mohm on the
   * joint about 2.4 V stood there idle and a few millivolts held; a white lamp drops about 2.4 to
   * 2.6 V at less than a microampere. The terminal only reads and has no pull inside.
   */
  @Test
  public void aLampThatSharesItsSwitchIsSolvedAndItsFloatingTold() {
    Build radio =
        lamp("radio-3v3-21", true, OptionalDouble.of(150), "5V")
            .withControl(new ControlId("b1"), c -> c.withKind("button-100-lamp"));
    double white =
        CATALOGUE.control("button-100-lamp").orElseThrow().lamp().orElseThrow().forwardVolts();
    Build metered = radio.withLoom(radio.loom().withLock(ContactId.parse("b1"), "I1"));
    InputLevels levels = of(metered, "b1");
    assertThat(levels.readable()).isFalse();
    double drop = 5 - levels.floating().orElseThrow().meterVolts();
    assertThat(drop).isBetween(0.70 * white, 0.85 * white);
    assertThat(levels.heldVolts()).isBetween(0.0005, 0.006);
    // With a pull-up beside it and a feed of 3.3 V the terminal is high for certain.
    InputLevels pulled = of(lamp("native-3v3-26", true, OptionalDouble.of(91), "3V3"), "b1");
    assertThat(pulled.readable()).isTrue();
    assertThat(pulled.mostVolts()).isLessThan(3.3 * 1.05 + 0.01);
  }

  /** TRADE section 5: a white lamp leaves the joint near 3.3 V, a red one lifts it above. */
  @Test
  public void aLampFedFromFiveVoltsPushesThemIntoTheTerminal() {
    InputLevels red = of(lamp("native-3v3-26", true, OptionalDouble.of(220), "5V"), "b1");
    assertThat(red.idleVolts()).isGreaterThan(3.35);
    assertThat(red.mostVolts()).isGreaterThan(3.6);
  }

  /** Without its resistor a red lamp takes over 100 mA from 5 V: Ohm's law on what is left. */
  @Test
  public void aLampWithoutResistorTakesWhatTheWireGives() {
    LampCurrent bare =
        inputs(lamp("native-3v3-26", false, OptionalDouble.empty(), "5V")).lamps().get(0);
    assertThat(bare.litMilliamps()).isGreaterThan(100);
    LampCurrent right =
        inputs(lamp("native-3v3-26", false, OptionalDouble.of(200), "5V")).lamps().get(0);
    assertThat(right.litMilliamps()).isCloseTo(15, within(0.2)); // (5 - 2.0) / 200
    LampCurrent made = inputs(one("button-30-lamp-5v", "native-3v3-26")).lamps().get(0);
    assertThat(made.litMilliamps()).isCloseTo(15, within(0.2)); // as rated at 5 V
    // 12 V lamps on 5 V: (5 - 3) / 450 ohm is 4.4 mA of 20.
    LampCurrent dim = inputs(one("button-30-lamp-12v", "native-3v3-26")).lamps().get(0);
    assertThat(dim.litMilliamps()).isBetween(3.5, 5.5);
  }

  @DataProvider
  Object[][] sharings() {
    return new Object[][] {
      {Topology.MATRIX, 12},
      {Topology.BARE_MATRIX, 12},
      {Topology.REGISTERS, 12},
      {Topology.MULTIPLEXER, 12},
      {Topology.LADDER, 6},
    };
  }

  @Test(dataProvider = "sharings")
  public void everyWayOfSharingReadsCleanlyAndItsRangeHoldsTheUsual(
      Topology topology, int contacts) {
    Build build = RandomBuilds.sharing(topology, contacts, new SplittableRandom(1));
    Inputs inputs = inputs(build);
    assertThat(inputs.levels()).hasSize(contacts);
    inputs
        .levels()
        .forEach(
            (contact, levels) -> {
              assertThat(levels.readable())
                  .as("%s idle %s held %s", contact, levels.idleRange(), levels.heldRange())
                  .isTrue();
              for (Span span : List.of(levels.idleRange(), levels.heldRange())) {
                assertThat(span.usual()).isBetween(span.least(), span.most());
              }
            });
  }

  /** In a matrix the diode's drop stays on the held contact: 0.3 to 0.7 V, below 0.8. */
  @Test
  public void aMatrixDiodeLeavesItsDrop() {
    SplittableRandom random = new SplittableRandom(2);
    Build diodes = RandomBuilds.sharing(Topology.MATRIX, 9, random);
    assertThat(of(diodes, "b1").heldVolts()).isBetween(0.3, 0.7);
    Build bare = RandomBuilds.sharing(Topology.BARE_MATRIX, 9, random);
    assertThat(of(bare, "b1").heldVolts()).isLessThan(0.05);
  }

  /** Skin of 0.1 to 1 Mohm under 10 to 22 Mohm: at most 3.3 x 1 / 11 V; under 35 kohm nothing. */
  @Test
  public void aFingerIsSeenByWhatSensesTouchOnly() {
    InputLevels touch = of(one("pad-disc", "native-3v3-48"), "b1");
    assertThat(touch.readable()).isTrue();
    assertThat(touch.heldRange().most()).isCloseTo(3.3 * 1.05 / 11, within(0.02));
    Build plain = one("pad-disc", "native-3v3-26");
    assertThat(Loom.of(plain, CATALOGUE).plan().unplaced()).hasSize(1);
    Build forced = plain.withLoom(plain.loom().withLock(ContactId.parse("b1"), "D2"));
    assertThat(of(forced, "b1").readable()).isFalse();
  }

  @Test
  public void aTerminalWithNothingToHoldItFloatsFromRailToRail() {
    Build build = one("button-30", "radio-3v3-21");
    InputLevels levels =
        of(build.withLoom(build.loom().withLock(ContactId.parse("b1"), "I1")), "b1");
    assertThat(levels.readable()).isFalse();
    InputLevels.Floating floating = levels.floating().orElseThrow();
    assertThat(floating.held()).isFalse();
    assertThat(floating.downVolts()).isCloseTo(0, within(0.01));
    assertThat(floating.upVolts()).isCloseTo(3.3, within(0.01));
  }

  @Test
  public void wiredAtItsRestingTabTheLevelsChangePlaces() {
    Build build = one("button-30", "native-3v3-26");
    InputLevels levels =
        of(
            build.withControl(new ControlId("b1"), c -> c.withHookup(h -> h.withRestsClosed(true))),
            "b1");
    assertThat(levels.idle()).isEqualTo(InputLevels.Reading.LOW);
    assertThat(levels.held()).isEqualTo(InputLevels.Reading.HIGH);
    assertThat(levels.upsideDown()).isTrue();
  }

  /** A fed part gives volts only with both its supply and its ground. */
  @Test
  public void aFedPartIsDeadWithoutItsSupplyOrGround() {
    Build ball = one("trackball-38", "native-3v3-26");
    for (InputLevels levels : inputs(ball).levels().values()) {
      assertThat(levels.readable()).isTrue();
    }
    for (String wire : new String[] {"VCC", "GND"}) {
      Build cut = ball;
      for (Jumper each :
          Wiring.planned(CATALOGUE.boardOf(ball).orElseThrow(), Loom.of(ball, CATALOGUE))
              .wires()
              .keySet()) {
        if (each.toString().contains("b1:" + wire)) {
          cut = cut.withLoom(cut.loom().withLeftOut(each));
        }
      }
      assertThat(cut).isNotEqualTo(ball);
      assertThat(inputs(cut).levels().values())
          .as("without %s", wire)
          .noneMatch(InputLevels::readable);
    }
  }

  /**
   * The fifteen-pin port times 24.2 us + 0.011 us/ohm x R (technical reference of the first game
   * control adapter, from memory); two wires a pot, no ground. 100 kohm is its last code, half of
   * it the middle.
   */
  @Test
  public void thePortTakesAPotByTwoWiresAndItsOhms() {
    Build knob = one("knob-9", "game-port-15");
    knob =
        knob.withOwn(
                CATALOGUE
                    .control("knob-9")
                    .map(
                        k -> {
                          var node =
                              (com.fasterxml.jackson.databind.node.ObjectNode)
                                  kumite.parts.PartFile.write(k);
                          return kumite.parts.PartFile.read(
                              new kumite.json.Key(
                                  "", node.put("id", "own-pot").put("ohm", 100_000)));
                        })
                    .orElseThrow())
            .withControl(new ControlId("b1"), c -> c.withKind("own-pot"));
    Catalogue own = CATALOGUE.with(knob);
    Loom loom = Loom.of(knob, own);
    BoardKind board = own.boardOf(knob).orElseThrow();
    assertThat(loom.strands().stream().map(s -> s.from().place().tab()))
        .containsExactlyInAnyOrder("W", "end 2");
    Inputs inputs = Inputs.of(Wiring.planned(board, loom), Looks.of(board, loom), new Solves());
    ContactId id = ContactId.parse("b1");
    for (double travel : new double[] {0, 0.25, 0.5, 0.75, 1}) {
      Seen seen = inputs.see(id, c -> travel);
      // The wiper nears the supply's end: ohms fall from 100 000 to none.
      assertThat(seen.code()).as("%s", travel).isCloseTo((int) (255 * (1 - travel)), within(1));
    }
  }

  /** Nobody has proven that the contacts share a side: each has a wire back to its own place. */
  @Test
  public void anUnprovenCommonIsWiredInPairs() {
    Build pad = Builds.wired(Builds.buttons(40, 40, 90, 40, 140, 40), "pad-unknown");
    Loom loom = Loom.of(pad, CATALOGUE);
    for (ContactId id : List.of(ContactId.parse("b1"), ContactId.parse("b2"))) {
      String terminal = loom.pinOf(id).orElseThrow().terminal().name();
      assertThat(loom.strands())
          .anyMatch(
              s ->
                  s.from().place().toString().equals(id + ":COM")
                      && s.to().place().tab().equals(terminal + "-"));
      assertThat(of(pad, id.toString()).readable()).isTrue();
    }
    assertThat(loom.runs()).isEmpty();
  }

  /** A bare bus joins what a chain joins, with less wire and none of it cut to slack. */
  @Test
  public void aBareBusJoinsWhatAChainJoins() {
    double[] row = {40, 40, 60, 40, 80, 40, 100, 40, 40, 70, 60, 70, 80, 70, 100, 70};
    Build build = Builds.wired(Builds.buttons(row), "native-3v3-26");
    for (Control control : build.controls()) {
      build = build.withControl(control.id(), c -> c.withKind("tact-12"));
    }
    var laying = build.loom().laying();
    Loom chain =
        Loom.of(
            build.withLoom(
                build
                    .loom()
                    .withLaying(laying.withShape(kumite.build.loom.Laying.CommonShape.CHAIN))),
            CATALOGUE);
    Loom bus =
        Loom.of(
            build.withLoom(
                build
                    .loom()
                    .withLaying(laying.withShape(kumite.build.loom.Laying.CommonShape.BUS))),
            CATALOGUE);
    BoardKind board = CATALOGUE.boardOf(build).orElseThrow();
    assertThat(Wiring.planned(board, bus).nets().all().stream().map(n -> n.places()).toList())
        .isEqualTo(
            Wiring.planned(board, chain).nets().all().stream().map(n -> n.places()).toList());
    assertThat(bus.totalMetres()).isLessThan(chain.totalMetres());
    long bare =
        bus.strands().stream()
            .filter(s -> s.from().landing().how() == kumite.kind.Landing.How.BUS)
            .count();
    assertThat(bare).isEqualTo(7); // two rows of four, and the step between them lies in line too
  }
}
