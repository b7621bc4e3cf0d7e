package kumite.ports;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import kumite.build.Build;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import kumite.signal.PortFile;
import kumite.signal.SignalLine;
import kumite.verdict.Bench;
import kumite.wiring.NetCode;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One wire too many at a pad's socket is one fault, told once, whichever end it is told of. */
public class ToldOnceTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** What a wire by itself does to the nets; what follows from it for presses is told beside. */
  private static final Set<NetCode> OF_WIRES =
      EnumSet.of(
          NetCode.SUPPLY_ON_GROUND,
          NetCode.SUPPLIES_MEET,
          NetCode.INPUTS_BRIDGED,
          NetCode.INPUT_TIED,
          NetCode.TOO_MANY_VOLTS,
          NetCode.DRIVERS_MEET,
          NetCode.LINES_MIXED,
          NetCode.BYPASSED);

  @DataProvider
  Object[][] pads() {
    List<Object[]> all = new ArrayList<>();
    for (String kind :
        List.of(
            "direct-9",
            "select-line-3",
            "select-line-6",
            "serial-latch-8",
            "packet",
            "one-wire-pulse",
            "keyboard-frame",
            "serial-bytes",
            "one-shot-15")) {
      for (String board : List.of("native-3v3-48", "native-5v-54")) {
        double logic = CATALOGUE.board(board).orElseThrow().logicVolts();
        var port = PortFile.find(PortFile.standard(), kind).orElseThrow();
        if (port.worksFromVolts() <= logic && logic <= port.volts()) {
          all.add(new Object[] {board, kind});
        }
      }
    }
    return all.toArray(Object[][]::new);
  }

  private static List<Code> told(Build build, Jumper wire) {
    Build wrong = build.withLoom(build.loom().withAdded(wire));
    return Bench.of(wrong, CATALOGUE).findings().stream()
        .map(Finding::code)
        .filter(code -> code instanceof NetCode net && OF_WIRES.contains(net))
        .toList();
  }

  @Test(dataProvider = "pads")
  public void aLineOnARailIsToldOnce(String board, String kind) {
    Build build = PortLawTest.pads(board, kind);
    BoardKind on = CATALOGUE.board(board).orElseThrow();
    List<Joint> rails = new ArrayList<>(List.of(Joint.board("GND")));
    on.terminals(Terminal.Role.SUPPLY).stream()
        .filter(terminal -> terminal.volts() == on.logicVolts())
        .findFirst()
        .ifPresent(terminal -> rails.add(Joint.board(terminal.name())));
    assertThat(rails).as("each such board gives its own logic volts").hasSize(2);
    Pad pad = Bench.of(build, CATALOGUE).loom().pads().get(0);
    for (SignalLine line : pad.kind().lines()) {
      for (Joint rail : rails) {
        assertThat(told(build, new Jumper(pad.pin(line.name()), rail)))
            .as("%s on %s", line.name(), rail)
            .hasSize(1);
      }
    }
  }

  @Test(dataProvider = "pads")
  public void twoLinesJoinedAreToldOnce(String board, String kind) {
    Build build = PortLawTest.pads(board, kind, kind);
    List<Pad> pads = Bench.of(build, CATALOGUE).loom().pads();
    List<SignalLine> lines = pads.get(0).kind().lines();
    for (SignalLine one : lines) {
      for (SignalLine other : lines) {
        boolean shared = one.from() == SignalLine.From.CONSOLE && one.equals(other);
        Jumper wire = new Jumper(pads.get(0).pin(one.name()), pads.get(1).pin(other.name()));
        assertThat(told(build, wire))
            .as("%s of one with %s of the other", one.name(), other.name())
            .hasSize(shared ? 0 : 1);
      }
    }
  }

  @DataProvider
  Object[][] consoles() {
    return new Object[][] {
      {"direct-9", "native-5v-54"},
      {"select-line-3", "native-5v-54"},
      {"serial-latch-8", "native-5v-54"},
      {"serial-latch-16", "native-5v-54"},
      {"select-line-3", "circuit-select-line-3"},
      {"serial-latch-8", "circuit-serial-latch-8"},
    };
  }

  @Test(dataProvider = "consoles")
  public void aConsolesLineOnARailIsToldOnce(String kind, String board) {
    Build build = ConsoleLawTest.answering(kind, board);
    Console console = Bench.of(build, CATALOGUE).loom().consoles().get(0);
    for (SignalLine line : console.kind().lines()) {
      for (String rail : List.of(Plugged.GROUND, Plugged.SUPPLY)) {
        if (rail.equals(Plugged.SUPPLY) && !console.fed()) {
          continue;
        }
        Jumper wire = new Jumper(console.pin(line.name()), console.pin(rail));
        assertThat(told(build, wire)).as("%s on its %s", line.name(), rail).hasSize(1);
      }
    }
  }

  @Test(dataProvider = "consoles")
  public void twoLinesOfAConsoleJoinedAreToldOnce(String kind, String board) {
    Build build = ConsoleLawTest.answering(kind, board);
    Console console = Bench.of(build, CATALOGUE).loom().consoles().get(0);
    List<SignalLine> lines = console.kind().lines();
    for (SignalLine one : lines) {
      for (SignalLine other : lines.subList(lines.indexOf(one) + 1, lines.size())) {
        Jumper wire = new Jumper(console.pin(one.name()), console.pin(other.name()));
        assertThat(told(build, wire)).as("%s with %s", one.name(), other.name()).hasSize(1);
      }
    }
  }
}
