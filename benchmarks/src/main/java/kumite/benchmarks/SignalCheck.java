package kumite.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.kind.Circuit;
import kumite.parts.Catalogue;
import kumite.signal.Phased;
import kumite.signal.Play;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.SerialLatch;
import kumite.signal.SignalLine;
import kumite.signal.Timed;

/**
 * Pads of chips given to an event-driven simulator of logic that shares nothing with us: each chip
 * is a model of its own, joined pin by pin as the list of its legs says. What it dumps is written
 * to a folder, to be kept as test data.
 */
public final class SignalCheck {
  private static final List<String> KINDS =
      List.of("select-line-3", "serial-latch-8", "serial-latch-16");
  private static final int EACH = 4;

  private static final String CHIPS =
      """
      `timescale 1ns/1ns
      module quad(input s, e, a0, a1, b0, b1, c0, c1, d0, d1, output ya, yb, yc, yd);
        assign #25 ya = e ? 1'b0 : s ? a1 : a0;
        assign #25 yb = e ? 1'b0 : s ? b1 : b0;
        assign #25 yc = e ? 1'b0 : s ? c1 : c0;
        assign #25 yd = e ? 1'b0 : s ? d1 : d0;
      endmodule
      module parallel_in(input p1, p2, p3, p4, p5, p6, p7, p8, load, clk, si, output q8);
        reg [7:0] r;
        always @* if (load) r = {p8, p7, p6, p5, p4, p3, p2, p1};
        always @(posedge clk) if (!load) r <= {r[6:0], si};
        assign #300 q8 = r[7];
      endmodule
      """;

  private SignalCheck() {}

  /**
   * @param args where the dumps go
   */
  public static void main(String[] args) throws IOException, InterruptedException {
    Path out = Path.of(args.length > 0 ? args[0] : "target/outside-signals");
    Files.createDirectories(out);
    SplittableRandom random = new SplittableRandom(1364);
    for (String id : KINDS) {
      PortKind kind = PortFile.find(PortFile.standard(), id).orElseThrow();
      for (int i = 1; i <= EACH; i++) {
        Set<String> held = new TreeSet<>();
        int each = i;
        kind.buttons().stream().filter(b -> each > 1 && random.nextInt(3) == 0).forEach(held::add);
        Path source = Files.createTempFile("pad", ".v");
        Path dump = out.resolve(id + "-" + i + ".vcd").toAbsolutePath();
        Files.writeString(source, CHIPS + pad(kind, held, dump));
        run("iverilog", "-g2012", "-o", source + ".vvp", source.toString());
        run("vvp", "-n", source + ".vvp");
        String text =
            Files.readString(dump)
                .replaceFirst("(?s)\\$date.*?\\$end\\s*", "")
                .replaceFirst("(?s)\\$version.*?\\$end\\s*", "");
        Files.writeString(dump, "$comment held " + String.join(",", held) + " $end\n" + text);
        System.out.println(dump.getFileName() + " held " + held);
      }
    }
  }

  private static void run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (process.waitFor() != 0) {
      throw new IOException(String.join(" ", command) + ": " + said);
    }
  }

  /** {@return the pad of chips and its console, in the simulator's language} */
  private static String pad(PortKind kind, Set<String> held, Path dump) {
    Catalogue catalogue = Catalogue.standard();
    var board = catalogue.circuit(kind).orElseThrow();
    Circuit circuit = board.circuit().orElseThrow();
    StringBuilder v = new StringBuilder("module bench;\n  wire VCC = 1, GND = 0;\n");
    List<String> buttons = kind.buttons();
    List<String> inputs =
        board.terminals(kumite.kind.Terminal.Role.INPUT).stream().map(t -> t.name()).toList();
    for (int i = 0; i < inputs.size(); i++) {
      int high = held.contains(buttons.get(i)) ? 0 : 1; // a contact closes it to ground
      v.append("  wire ").append(inputs.get(i)).append(" = ").append(high).append(";\n");
    }
    Map<String, SignalLine> lines = new TreeMap<>();
    for (SignalLine line : kind.lines()) {
      String terminal = board.line(line.name()).orElseThrow().name();
      lines.put(terminal, line);
      boolean drives = line.from() == SignalLine.From.CONSOLE;
      v.append(drives ? "  reg " : "  wire ").append(line.name());
      v.append(drives ? " = " + (line.idle() == kumite.signal.Level.HIGH ? 1 : 0) : "");
      v.append(";\n  wire ").append(terminal).append(";\n");
      v.append(drives ? "  assign " + terminal + " = " + line.name() : "  assign " + line.name());
      v.append(drives ? ";\n" : " = " + terminal + ";\n");
    }
    for (Circuit.Way way : circuit.ways()) {
      if (way instanceof Circuit.Straight s) {
        v.append("  assign ").append(s.out()).append(" = ").append(s.in()).append(";\n");
      }
    }
    circuit.chips().forEach(chip -> v.append(chip(chip)));
    v.append("  initial begin\n    $dumpfile(\"").append(dump).append("\");\n");
    v.append("    $dumpvars(0");
    kind.lines().forEach(line -> v.append(", ").append(line.name()));
    v.append(");\n    #").append(Play.REST_NS).append(";\n");
    console(kind).forEach(step -> v.append("    ").append(step).append(";\n"));
    return v.append("    $finish;\n  end\nendmodule\n").toString();
  }

  /** A chip by the numbers of its pins alone. */
  private static String chip(Circuit.Chip chip) {
    Map<Integer, String> to = new TreeMap<>();
    for (Circuit.Leg leg : chip.legs()) {
      String at = leg.to();
      if (at.matches("U\\d Q8")) {
        at = at.replace(" ", "_"); // the serial input takes the next one's output
      } else if (at.matches("U\\d serial in")) {
        at = chip.name() + "_Q8";
      }
      to.put(leg.number(), at.equals("open") ? "" : at);
    }
    boolean quad = chip.what().contains("157");
    int[] order =
        quad
            ? new int[] {1, 15, 2, 3, 5, 6, 11, 10, 14, 13, 4, 7, 9, 12}
            : new int[] {7, 6, 5, 4, 13, 14, 15, 1, 9, 10, 11, 3};
    List<String> pins = new ArrayList<>();
    for (int pin : order) {
      pins.add(to.get(pin));
    }
    String wires = "";
    for (String pin : pins) {
      wires += pin.matches("U\\d_Q8") && pin.startsWith(chip.name()) ? "  wire " + pin + ";\n" : "";
    }
    return wires
        + (quad ? "  quad " : "  parallel_in ")
        + chip.name()
        + "("
        + String.join(", ", pins)
        + ");\n";
  }

  /** The console's side, with usual times. */
  private static List<String> console(PortKind kind) {
    List<String> steps = new ArrayList<>();
    if (kind.mechanism() instanceof Phased phased) {
      Optional<String> select = phased.select();
      long settle = kind.time(Timed.SETTLE).usualNs();
      steps.add("#" + settle);
      steps.add(select.orElseThrow() + " = 0; #" + settle);
      steps.add(select.orElseThrow() + " = 1; #" + settle);
    } else if (kind.mechanism() instanceof SerialLatch) {
      steps.add("latch = 1; #" + kind.time(Timed.LATCH).usualNs());
      steps.add("latch = 0; #" + kind.time(Timed.TO_CLOCK).usualNs());
      for (int i = 0; i < kind.order().size(); i++) {
        steps.add("clock = 0; #" + kind.time(Timed.CLOCK_LOW).usualNs());
        steps.add("clock = 1; #" + kind.time(Timed.CLOCK_HIGH).usualNs());
      }
    }
    return steps;
  }
}
