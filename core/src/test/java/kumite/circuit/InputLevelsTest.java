package kumite.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Lamp;
import kumite.kind.Terminal;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class InputLevelsTest {
  private static final BoardKind BOARD = board("native-3v3-26");
  private static final Lamp RED = new Lamp(2.0, 15, "red");

  private static BoardKind board(String id) {
    return Catalogue.standard().board(id).orElseThrow();
  }

  private static InputCircuit plain(BoardKind board, String terminal, Common common, double ohm) {
    return InputCircuit.plain(board, board.terminal(terminal).orElseThrow(), common, ohm);
  }

  private static InputCircuit shaped(InputCircuit.Shape shape, double wireOhm) {
    return InputCircuit.of(
        shape, BOARD, BOARD.terminal("D2").orElseThrow(), Common.GROUND, wireOhm);
  }

  /** By hand: 3.3 V x 1.0 / (35 000 + 1.0), the pull in the middle of its range. */
  @Test
  public void aPlainContactIsADivider() {
    InputLevels levels = plain(BOARD, "D2", Common.GROUND, 0.9).levels();
    assertThat(levels.heldVolts()).isCloseTo(3.3 / 35_001, within(1e-9));
    assertThat(levels.idleVolts()).isCloseTo(3.3, within(1e-9));
    assertThat(levels.readable()).isTrue();
    assertThat(levels.pull()).isEqualTo("pull-up");
    // The strongest pull and 5 % more supply leave the most volts on a held contact.
    assertThat(levels.heldRange().most()).isCloseTo(3.3 * 1.05 * 1.1 / 20_001.1, within(1e-6));
    // 1 uA of leakage under the weakest pull and 5 % less supply leave the least when idle.
    double idle = 3.3 * 0.95 * 3.3e6 / (3.3e6 + 50_000);
    assertThat(levels.idleRange().least()).isCloseTo(idle, within(1e-6));
  }

  /** Thresholds: JESD8C 0.8 and 2.0 V, JESD7A about 0.3 and 0.7 of the supply, from memory. */
  @Test
  public void readsByTheBoardsThresholds() {
    InputCircuit circuit = plain(BOARD, "D2", Common.GROUND, 0);
    assertThat(circuit.read(0.8)).isEqualTo(InputLevels.Reading.LOW);
    assertThat(circuit.read(1.4)).isEqualTo(InputLevels.Reading.UNDEFINED);
    assertThat(circuit.read(2.0)).isEqualTo(InputLevels.Reading.HIGH);
    assertThat(circuit.read(new Span(0.1, 0.5, 0.9))).isEqualTo(InputLevels.Reading.UNDEFINED);
    BoardKind five = board("native-5v-18");
    assertThat(five.lowVolts() / five.logicVolts()).isCloseTo(0.3, within(1e-9));
    assertThat(five.highVolts() / five.logicVolts()).isCloseTo(0.7, within(1e-9));
  }

  @Test
  public void aContactToTheRailOnAPullUpIsNeverSeen() {
    BoardKind five = board("native-5v-18"); // no pull-downs
    assertThat(plain(five, "2", Common.RAIL, 0).levels().readable()).isFalse();
    InputLevels down = plain(board("encoder-12-rail"), "K1", Common.RAIL, 0.5).levels();
    assertThat(down.idleVolts()).isZero();
    assertThat(down.heldVolts()).isCloseTo(5, within(0.01));
    assertThat(down.readable()).isTrue();
  }

  /**
   * Common practice, no source: a healthy lamp on a 3.3 V contact read about 2.4 V idle and a few
   * millivolts held. The lamp, not a pull, holds the terminal there; a meter of 10 Mohm loads it.
   */
  @Test
  public void aLampThatSharesItsSwitchIsSolved() {
    BoardKind radio = board("radio-3v3-21");
    Terminal readsOnly = radio.terminal("I1").orElseThrow();
    InputCircuit shared =
        InputCircuit.plain(radio, readsOnly, Common.GROUND, 0.1).lit(RED, 91, 3.3);
    Circuit metered = shared.circuit(false).with(new Element.Resistor("METER", "pin", "0", 1e7));
    assertThat(metered.operatingPoint().solved().at("pin")).isBetween(1.9, 2.6);
    double held = shared.circuit(true).operatingPoint().solved().at("pin");
    assertThat(held).isBetween(0.001, 0.006);
    // With a pull-up beside it the terminal is high for certain, and nothing flows in it.
    InputLevels pulled = plain(BOARD, "D2", Common.GROUND, 0.1).lit(RED, 91, 3.3).levels();
    assertThat(pulled.readable()).isTrue();
    assertThat(pulled.mostVolts()).isLessThan(3.3 * 1.05 + 0.01);
  }

  @Test
  public void aLampFedFromFiveVoltsPushesThemIntoTheTerminal() {
    InputLevels levels = plain(BOARD, "D2", Common.GROUND, 0.1).lit(RED, 220, 5).levels();
    assertThat(levels.idleVolts()).isGreaterThan(3.3);
    assertThat(levels.mostVolts()).isGreaterThan(3.6);
  }

  /** Without its resistor a red lamp takes over 100 mA from 5 V: Ohm's law on what is left. */
  @Test
  public void aLampWithoutResistorTakesWhatTheWireGives() {
    OperatingPoint.Solved point =
        plain(BOARD, "D2", Common.GROUND, 0.1)
            .lit(RED, 0, 5)
            .circuit(true)
            .operatingPoint()
            .solved();
    assertThat(point.through("DLAMP")).isGreaterThan(0.1);
  }

  @DataProvider
  Object[][] shapes() {
    return new Object[][] {
      {InputCircuit.Shape.MATRIX, true},
      {InputCircuit.Shape.BARE_MATRIX, true},
      {InputCircuit.Shape.REGISTER, true},
      {InputCircuit.Shape.MULTIPLEXER, true},
      {InputCircuit.Shape.TOUCH, true}
    };
  }

  @Test(dataProvider = "shapes")
  public void everyWayOfSharingReadsCleanlyAndItsRangeHoldsTheUsual(
      InputCircuit.Shape shape, boolean readable) {
    InputLevels levels = shaped(shape, 0.3).levels();
    assertThat(levels.readable()).as("%s idle %s", shape, levels.idleRange()).isEqualTo(readable);
    for (Span span : new Span[] {levels.idleRange(), levels.heldRange()}) {
      assertThat(span.usual()).isBetween(span.least(), span.most());
    }
    assertThat(levels.trouble()).isEmpty();
  }

  /** In a matrix the diode's drop stays on the held contact: 0.3 to 0.7 V, below 0.8. */
  @Test
  public void aMatrixDiodeLeavesItsDrop() {
    assertThat(shaped(InputCircuit.Shape.MATRIX, 0.3).levels().heldVolts()).isBetween(0.3, 0.7);
    assertThat(shaped(InputCircuit.Shape.BARE_MATRIX, 0.3).levels().heldVolts()).isLessThan(0.05);
  }

  @Test
  public void aTerminalWithNothingToHoldItFloats() {
    BoardKind radio = board("radio-3v3-21");
    InputLevels levels = plain(radio, "I1", Common.GROUND, 0.1).levels();
    assertThat(levels.readable()).isFalse();
    assertThat(levels.trouble().map(OperatingPoint.Unsolved::why))
        .isEqualTo(Optional.of(OperatingPoint.Why.FLOATING));
  }

  @Test
  public void wiredAtItsRestingTabTheLevelsChangePlaces() {
    InputLevels levels = plain(BOARD, "D2", Common.GROUND, 0.5).restingClosed(true).levels();
    assertThat(levels.idle()).isEqualTo(InputLevels.Reading.LOW);
    assertThat(levels.held()).isEqualTo(InputLevels.Reading.HIGH);
  }
}
