package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kumite.circuit.Wired;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.loom.Console;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.measure.Paper;
import kumite.ports.PortLines;
import kumite.signal.Taken;
import kumite.verdict.Bench;

/** Ports to be wired from: each pin of each plug, what is told when, and each pin of each chip. */
public final class PortPaper {
  private static final double NS_IN_US = 1000;

  private final Bench bench;
  private final BoardKind board;
  private final Wired wired;
  private final Flow flow;

  private PortPaper(Bench bench, BoardKind board, Wired wired, Pen pen) {
    this.bench = bench;
    this.board = board;
    this.wired = wired;
    this.flow = new Flow(pen, bench.build().brief().title(), "Ports");
  }

  /** {@return the sheet of all ports of the seat looked at, as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    return Pen.pdf(
        bench.build().brief().title() + ", ports",
        paper,
        pen -> {
          Optional<Wired> wired = bench.circuit();
          if (wired.isEmpty() || all(bench).findAny().isEmpty()) {
            Flow flow = new Flow(pen, bench.build().brief().title(), "Ports");
            flow.newPage();
            flow.paragraph(
                "No port is wired: nothing plugs in, no board is chosen, or its program does not"
                    + " read what does.");
          } else {
            new PortPaper(bench, bench.board().orElseThrow(), wired.get(), pen).draw();
          }
        });
  }

  private static Stream<Plugged> all(Bench bench) {
    return Stream.concat(bench.loom().pads().stream(), bench.loom().consoles().stream());
  }

  private void draw() throws IOException {
    for (Plugged plugged : all(bench).toList()) {
      flow.newPage();
      flow.heading(plugged.port().label() + ": " + plugged.port().does().words());
      flow.fact("Mechanism", plugged.kind().title());
      flow.fact("Board", board.name());
      flow.paragraph(
          "Pins are numbered from the mating face of the socket. Measure supply and ground at the"
              + " plug before anything is plugged in; a console or pad that is wired wrongly can be"
              + " damaged.");
      lines(plugged);
      told(plugged);
      if (plugged instanceof Console console && console.byCircuit(board)) {
        circuit(board.circuit().orElseThrow());
      }
    }
  }

  private void lines(Plugged plugged) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (PortLines.Line line :
        PortLines.of(bench.loom(), wired.inputs().looks(), wired.asBuilt(), board, plugged)) {
      rows.add(
          new String[] {
            "",
            line.pin(),
            line.name(),
            line.strand().orElse("none"),
            line.colour().map(Object::toString).orElse(""),
            line.terminal().isEmpty() ? "nothing" : String.join(" ", line.terminal()),
            line.level(),
            line.shares().isEmpty() ? "" : "with " + String.join(", ", line.shares())
          });
    }
    flow.table(
        "From the plug to the board",
        List.of(
            Flow.Column.tick("", 8),
            Flow.Column.mono("pin", 10),
            Flow.Column.of("carries", 26),
            Flow.Column.mono("wire", 16),
            Flow.Column.mono("colour", 16),
            Flow.Column.mono("terminal", 24),
            Flow.Column.of("level", 50),
            Flow.Column.of("shared", 34)),
        rows,
        "");
  }

  private void told(Plugged plugged) throws IOException {
    List<String[]> rows = new ArrayList<>();
    for (Taken taken : plugged.kind().mechanism().taken(plugged.kind())) {
      rows.add(
          new String[] {
            String.format(java.util.Locale.ROOT, "%.1f", taken.afterNs() / NS_IN_US),
            taken.line().replace('_', ' '),
            taken.where(),
            taken
                .button()
                .map(name -> name + ", " + taken.held().word() + " for held")
                .orElse("always the same"),
            taken.button().map(name -> givers(plugged, name)).orElse("")
          });
    }
    flow.table(
        "What is taken in one frame",
        List.of(
            Flow.Column.mono("us", 16),
            Flow.Column.of("line", 26),
            Flow.Column.of("when", 34),
            Flow.Column.of("tells", 48),
            Flow.Column.of(plugged instanceof Pad ? "contact" : "given by", 60)),
        rows,
        "It talks in bytes both ways; kumite signal simulate shows them.");
  }

  private String givers(Plugged plugged, String button) {
    if (plugged instanceof Console console) {
      return bench.givers(console, button).stream()
          .map(c -> bench.path(c).map(path -> path.site().label()).orElse(c.toString()))
          .collect(Collectors.joining(", "));
    }
    return plugged.kind().contacts().stream()
        .filter(bit -> bit.button().equals(button))
        .map(bit -> plugged.port().id() + "." + bit.contact())
        .findFirst()
        .orElse("");
  }

  private void circuit(Circuit circuit) throws IOException {
    if (!circuit.bare()) {
      flow.newPage();
      flow.paragraph(
          "Terminals of the board are named as in the wiring chart: contacts and lines land there."
              + " From each contact's terminal 10 kohm to VCC, beside each chip 100 nF from VCC to"
              + " GND. Compare the pins with the data sheet of the chip that you have.");
    }
    String copper =
        circuit.ways().stream()
            .filter(Circuit.Straight.class::isInstance)
            .map(Circuit.Straight.class::cast)
            .map(way -> way.in() + " to " + way.out())
            .collect(Collectors.joining(", "));
    if (!copper.isEmpty()) {
      flow.fact("Copper alone", copper);
    }
    for (Circuit.Chip chip : circuit.chips()) {
      legs(chip);
    }
  }

  private void legs(Circuit.Chip chip) throws IOException {
    flow.table(
        chip.name() + ": " + chip.what(),
        List.of(
            Flow.Column.tick("", 8),
            Flow.Column.mono("pin", 14),
            Flow.Column.of("function", 50),
            Flow.Column.mono("joined to", 50)),
        chip.legs().stream()
            .map(leg -> new String[] {"", "" + leg.number(), leg.function(), leg.to()})
            .toList(),
        "");
  }
}
