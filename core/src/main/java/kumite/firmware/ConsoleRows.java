package kumite.firmware;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.Talk;
import kumite.program.Meanings;
import kumite.signal.Level;
import kumite.signal.Mechanism;
import kumite.signal.Packet;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SerialLatch;
import kumite.signal.SignalLine;
import kumite.signal.Timed;

/** The tables of consoles that a board answers: their lines, and what each tells. */
final class ConsoleRows {
  private static final long NS_IN_US = 1000;
  private static final long MOST_WORD = 65_535;

  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final LookRows looks;
  private final List<Console> consoles;

  ConsoleRows(Blueprint blueprint, Score.Sheet sheet, LookRows looks) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.looks = looks;
    this.consoles = answered(blueprint);
  }

  /** {@return the consoles that a program answers: those whose lines all have terminals} */
  static List<Console> answered(Blueprint blueprint) {
    return blueprint.loom().answered(blueprint.board());
  }

  static Optional<Terminal> terminal(Blueprint blueprint, Console console, SignalLine line) {
    return blueprint.loom().pinOf(console, line, blueprint.board());
  }

  private static Optional<Terminal> terminal(
      Blueprint blueprint, Console console, Optional<SignalLine> line) {
    return line.flatMap(l -> terminal(blueprint, console, l));
  }

  /** {@return the line whose edges ask: its latch, or its select line} */
  static Optional<SignalLine> control(Console console) {
    return console.kind().mechanism() instanceof Phased phased
        ? phased.select().map(console.kind()::line)
        : console.kind().find("latch").or(() -> console.kind().find("select"));
  }

  /** {@return the line that clocks bits out} */
  static Optional<SignalLine> clock(Console console) {
    return console.kind().find("clock");
  }

  /** {@return whether a console takes a bit before its clock falls} */
  static boolean early(Console console) {
    return console.kind().mechanism() instanceof SerialLatch latch
        && latch.take() == SerialLatch.Take.BEFORE_FALL;
  }

  /** {@return bits in a second on the wire of a console that takes bytes; empty of others} */
  static Optional<Long> baud(Console console) {
    return console.kind().mechanism() instanceof SerialBytes serial
        ? Optional.of(serial.baud(console.kind()))
        : Optional.empty();
  }

  void write() {
    sheet.size("N_CONSOLES", consoles.size());
    int answers = 0;
    for (Console console : consoles) {
      String name = console.port().label();
      sheet.bytes("console_kind").code(code(console), name);
      sheet.number("console_control", number(console, control(console)), "");
      sheet.number("console_clock", number(console, clock(console)), "");
      boolean falls =
          console.kind().mechanism() instanceof SerialLatch latch
              && latch.shift() == SerialLatch.Shift.FALL;
      sheet.bytes("console_falls").add(falls ? 1 : 0);
      counted(console);
      bytes(console);
      sheet.numbers("console_lines_at").add(sheet.numbers("console_line").size());
      for (SignalLine line : told(console)) {
        Terminal terminal = terminal(blueprint, console, line).orElseThrow();
        sheet
            .numbers("console_line")
            .add(
                looks.use(terminal, console.bytes() ? "USE_OF_PORT" : "USE_OF_OUTPUT"),
                "",
                terminal.name());
        sheet.bytes("console_open").add(line.from() == SignalLine.From.PAD_LOW ? 1 : 0);
      }
      sheet.words("console_answers_at").add(answers);
      answers += rows(console).size();
    }
    if (!consoles.isEmpty()) {
      sheet.numbers("console_lines_at").add(sheet.numbers("console_line").size());
      sheet.words("console_answers_at").add(answers);
      sheet.words("console_says_at").add(sheet.bytes("console_says").size());
      for (Console console : consoles) {
        rows(console).forEach(row -> sheet.bytes("answer_low").add(row.low() ? 1 : 0));
      }
      blueprint.profiles().forEach(this::answers);
    }
    sheet.size("N_ANSWERS", answers);
  }

  /** Where its select line is counted, how far, and when that begins anew. */
  private void counted(Console console) {
    int phases = console.kind().mechanism() instanceof Phased p ? p.phases().size() : 0;
    boolean counts = phases > 2;
    long forgetUs = counts ? console.kind().time(Timed.FORGET).usualNs() / NS_IN_US : 0;
    sheet.uses("USE_COUNTED", counts);
    sheet.bytes("console_phases").add(phases);
    sheet.words("console_forget_us").add((int) Math.min(MOST_WORD, forgetUs));
  }

  private static String code(Console console) {
    Mechanism mechanism = console.kind().mechanism();
    return mechanism instanceof SerialLatch
        ? "CONSOLE_SHIFT"
        : mechanism instanceof Packet
            ? "CONSOLE_PACKET"
            : console.bytes() ? "CONSOLE_BYTES" : "CONSOLE_PHASED";
  }

  /**
   * What of bytes is always the same, what they are asked with, and how often they come unasked.
   */
  private void bytes(Console console) {
    PortKind kind = console.kind();
    List<Integer> says = List.of();
    List<Integer> asks = List.of();
    int every = 0;
    if (kind.mechanism() instanceof Packet packet) {
      says = packet.identity();
      asks = packet.question();
      sheet.uses("USE_PACKETS", true);
    } else if (kind.mechanism() instanceof SerialBytes serial) {
      says = List.of(serial.begin());
      asks = List.of(0);
      every = (int) Math.min(MOST_WORD, kind.time(Timed.FRAME).usualNs() / NS_IN_US);
      sheet.uses("USE_BYTES", true);
    }
    sheet.words("console_says_at").add(sheet.bytes("console_says").size());
    says.forEach(b -> sheet.bytes("console_says").add(b));
    asks.forEach(b -> sheet.bytes("console_asks").add(b));
    int axes = says.isEmpty() ? 0 : kind.axes().size();
    int whole = says.isEmpty() ? 0 : says.size() + (kind.order().size() + 7) / 8 + axes + 1;
    sheet.size("LONGEST_SAID", Math.max(sheet.get("LONGEST_SAID"), whole));
    sheet.bytes("console_axes").add(axes);
    sheet.words("console_every_us").add(every);
    sheet.number("console_command", number(console, kind.find(Packet.COMMAND)), "");
  }

  private int number(Console console, Optional<SignalLine> line) {
    return line.flatMap(l -> terminal(blueprint, console, l))
        .map(terminal -> looks.use(terminal, "USE_OF_OPEN"))
        .orElse(-1);
  }

  /** What the pad's side says, in the order of its kind; of packets data, then the acknowledge. */
  private static List<SignalLine> told(Console console) {
    if (console.kind().mechanism() instanceof Packet) {
      return List.of(console.kind().line("data"), console.kind().line("acknowledge"));
    }
    return console.kind().lines().stream().filter(line -> line.from().byPad()).toList();
  }

  /**
   * One bit of a frame.
   *
   * @param button what it tells; empty where it is always the same
   * @param low whether it is always low
   */
  private record Bit(Optional<String> button, boolean low) {}

  private static List<Bit> rows(Console console) {
    if (console.kind().mechanism() instanceof Phased phased) {
      return phased.phases().stream()
          .flatMap(
              phase ->
                  told(console).stream()
                      .map(line -> bit(Optional.ofNullable(phase.get(line.name())))))
          .toList();
    }
    return console.kind().order().stream()
        .map(name -> new Bit(Optional.of(name).filter(n -> !n.isEmpty()), false))
        .toList();
  }

  private static Bit bit(Optional<Phased.Says> says) {
    if (says.isPresent() && says.get() instanceof Phased.Says.Button button) {
      return new Bit(Optional.of(button.name()), false);
    }
    boolean low =
        says.isPresent()
            && says.get() instanceof Phased.Says.Always always
            && always.level() == Level.LOW;
    return new Bit(Optional.empty(), low);
  }

  private void answers(Profile profile) {
    List<Target> targets = Meanings.of(profile, looks.senses()).targets();
    for (Console console : consoles) {
      for (Bit bit : rows(console)) {
        Optional<String> against = bit.button().flatMap(console.chart()::against);
        String note = bit.button().orElse("");
        sheet.number("answer_target", place(targets, console, bit.button()), note);
        sheet.number("answer_against", place(targets, console, against), "");
      }
    }
  }

  private static int place(List<Target> targets, Console console, Optional<String> button) {
    return button.map(name -> targets.indexOf(console.chart().target(name))).orElse(-1);
  }

  /** {@return what a console takes of a device that tells this: high and low, bit by bit} */
  static String frame(Console console, java.util.Set<Target> told) {
    var held = console.chart().held(told);
    String bits =
        rows(console).stream()
            .map(bit -> bit.low() || bit.button().filter(held::holds).isPresent() ? "0" : "1")
            .collect(Collectors.joining());
    Mechanism mechanism = console.kind().mechanism();
    if (mechanism instanceof Packet packet) {
      return hex(packet.answer(console.kind(), held));
    }
    if (mechanism instanceof SerialBytes serial) {
      return hex(serial.frame(console.kind(), held));
    }
    return mechanism instanceof SerialLatch ? bits + "0" : bits;
  }

  private static String hex(List<Integer> bytes) {
    return bytes.stream().map(b -> String.format("%02x", b)).collect(Collectors.joining());
  }

  /** {@return which edges are listened to, in C for the platform of a sketch} */
  static String edges(Blueprint blueprint, Score score) {
    StringBuilder calls = new StringBuilder();
    StringBuilder listen = new StringBuilder();
    List<Console> consoles = answered(blueprint);
    for (int c = 0; c < consoles.size(); c++) {
      Map<String, Optional<SignalLine>> lines =
          new java.util.TreeMap<>(
              Map.of("control", control(consoles.get(c)), "clock", clock(consoles.get(c))));
      for (Map.Entry<String, Optional<SignalLine>> line : lines.entrySet()) {
        Optional<Terminal> terminal = terminal(blueprint, consoles.get(c), line.getValue());
        if (terminal.isPresent()) {
          int at = score.terminals().indexOf(terminal.get().name());
          String pin = "pins[" + score.terminalNames().get(at) + "]";
          String call = line.getKey() + "_" + (c + 1);
          calls.append("static void " + call + "(void) {\n");
          calls.append(
              "  device_edge(" + c + ", " + line.getKey().equals("clock") + ", digitalRead(");
          calls.append(pin + ") == HIGH);\n}\n\n");
          listen.append("  attachInterrupt(digitalPinToInterrupt(" + pin + "), " + call);
          listen.append(", CHANGE);\n");
        }
      }
    }
    List<Talk> keyboards = KeyboardRows.keyboards(blueprint);
    for (int k = 0; k < keyboards.size(); k++) {
      Terminal clock = keyboards.get(k).lines().get("clock");
      if (clock != null) {
        int at = score.terminals().indexOf(clock.name());
        String pin = "pins[" + score.terminalNames().get(at) + "]";
        String call = "key_" + (k + 1);
        calls.append("static void " + call + "(void) {\n  device_key_clock(" + k + ");\n}\n\n");
        listen.append("  attachInterrupt(digitalPinToInterrupt(" + pin + "), " + call);
        listen.append(", FALLING);\n");
      }
    }
    return "/* Which terminal tells which edge of a console or keyboard. */\n#ifndef EDGES_H\n#define EDGES_H\n\n"
        + calls
        + "static void listen(void) {\n"
        + listen
        + "}\n\n#endif\n";
  }
}
