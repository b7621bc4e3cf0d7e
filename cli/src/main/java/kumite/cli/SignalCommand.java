package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.port.Port;
import kumite.circuit.PadPlay;
import kumite.circuit.Wired;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Tables;
import kumite.files.WholeFile;
import kumite.loom.Console;
import kumite.loom.Pad;
import kumite.name.ContactId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.ports.ConsolePlay;
import kumite.signal.Answer;
import kumite.signal.Held;
import kumite.signal.Play;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.SignalLine;
import kumite.signal.Tempo;
import kumite.signal.Timed;
import kumite.signal.Vcd;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "signal",
    description = "Mechanisms of old pads and consoles, and what their lines carry.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    subcommands = UsbPadCommand.class)
final class SignalCommand {
  private static final double NS_IN_US = 1000;

  private final Rooms rooms;

  @Spec private CommandSpec spec;

  SignalCommand(Rooms rooms) {
    this.rooms = rooms;
  }

  @Command(
      name = "list",
      description = "The mechanisms that there are.",
      mixinStandardHelpOptions = true)
  int list(@Option(names = "--json", description = "Print JSON.") boolean json) {
    PrintWriter out = spec.commandLine().getOut();
    if (!json) {
      for (PortKind kind : PortFile.standard()) {
        out.printf(Locale.ROOT, "%-16s %s%n", kind.id(), kind.what());
        out.printf(Locale.ROOT, "%-16s lines: %s%n", "", String.join(", ", names(kind)));
      }
      return 0;
    }
    ArrayNode kinds = JsonNodeFactory.instance.arrayNode();
    for (PortKind kind : PortFile.standard()) {
      ObjectNode node = kinds.addObject();
      node.put("id", kind.id()).put("what", kind.what());
      ArrayNode lines = node.putArray("lines");
      names(kind).forEach(lines::add);
      ArrayNode buttons = node.putArray("buttons");
      kind.buttons().forEach(buttons::add);
      ArrayNode axes = node.putArray("axes");
      kind.axes().forEach(axes::add);
      node.put("volts_v", kind.volts()).put("line_v", kind.lineVolts());
      node.put("pinout", kind.pinout());
      ArrayNode pins = node.putArray("pins");
      for (SignalLine line : kind.lines()) {
        ObjectNode pin = pins.addObject().put("line", line.name()).put("pin", line.pin());
        pin.put("from", line.from().name().toLowerCase(Locale.ROOT));
        pin.put("idle", line.idle().word());
        line.pull().ifPresent(ohm -> pin.put("pull_ohm", ohm));
      }
      ObjectNode times = node.putObject("times_us");
      kind.times()
          .forEach(
              (timed, limits) ->
                  times
                      .putArray(timed.word())
                      .add(limits.leastNs() / NS_IN_US)
                      .add(limits.usualNs() / NS_IN_US)
                      .add(limits.mostNs() / NS_IN_US));
      node.put("source", kind.source().inWords());
    }
    out.println(Json.print(kinds));
    return 0;
  }

  private static List<String> names(PortKind kind) {
    return kind.lines().stream().map(SignalLine::name).toList();
  }

  @Command(
      name = "simulate",
      description = "Let both sides of a mechanism talk, and write what the lines carry.",
      mixinStandardHelpOptions = true)
  int simulate(
      @Parameters(
              paramLabel = "NAME",
              arity = "0..1",
              description = "One of those that list names; of a port of a build its own.")
          String name,
      @Option(
              names = "--press",
              split = ",",
              paramLabel = "BUTTON",
              description = "What is held: A,Up; an axis as X=0.25, from 0 to 1.")
          List<String> press,
      @Option(
              names = "--frames",
              defaultValue = "1",
              paramLabel = "N",
              description = "How often the console asks (default: 1).")
          int frames,
      @Option(
              names = "--seed",
              paramLabel = "N",
              description = "Draw each time between its limits; without it all are as usual.")
          Long seed,
      @Option(
              names = "--time",
              paramLabel = "NAME=US",
              description = "Another usual time in us, such as latch=14; list --json names them.")
          Map<String, Double> times,
      @Option(
              names = "--without-pull",
              split = ",",
              paramLabel = "LINE",
              description = "Leave the pull-up of a line out.")
          List<String> unpulled,
      @Option(
              names = "--build",
              paramLabel = "FILE",
              description = "Over the wires of a build as they are.")
          Path build,
      @Option(names = "--port", paramLabel = "ID", description = "Which port of the build.")
          String port,
      @Option(names = "--no-pad", description = "Nothing is plugged in.") boolean empty,
      @Option(
              names = "--out",
              paramLabel = "FILE",
              description = "Where to: NAME.vcd (IEEE 1364), or NAME.csv.")
          Path out,
      @Option(names = "--json", description = "Print JSON.") boolean json)
      throws BuildFileException {
    if (build != null || port != null) {
      return ofBuild(build, port, name, press, frames, seed, out, json, times, unpulled, empty);
    }
    if (name == null) {
      throw new IllegalArgumentException(
          "name a mechanism, or a build with --build and its port with --port; mechanisms are "
              + PortFile.words(PortFile.standard()));
    }
    PortKind kind = timed(kind(name), times == null ? Map.of() : times);
    Held held = Held.of(kind, press == null ? List.of() : press);
    Tempo tempo = Tempo.of(kind, seed == null ? OptionalLong.empty() : OptionalLong.of(seed));
    Play.Over over = Play.Over.straight().without(lines(kind, unpulled));
    Play play =
        Play.over(
            kind,
            pad -> pad == 1 ? held : Held.NOTHING,
            frames,
            tempo,
            empty ? over.empty() : over);
    if (out != null) {
      WholeFile.write(out, text(kind, play, out).getBytes(StandardCharsets.UTF_8));
    }
    print(kind, play, json);
    return 0;
  }

  /** The same over the wires of a build, which say what is pulled, fed and joined. */
  private int ofBuild(
      Path file,
      String port,
      String name,
      List<String> press,
      int frames,
      Long seed,
      Path out,
      boolean json,
      Map<String, Double> times,
      List<String> unpulled,
      boolean empty)
      throws BuildFileException {
    if (file == null || port == null) {
      throw new IllegalArgumentException("--build FILE and --port ID belong together; give both");
    }
    if (times != null || unpulled != null || empty) {
      throw new IllegalArgumentException(
          "--time, --without-pull and --no-pad are for a straight lead; a build has its own wires");
    }
    Build build = BuildFile.read(file, Catalogue.standard(), rooms);
    List<String> ids = build.ports().ports().stream().map(p -> p.id().text()).toList();
    Port found =
        build.ports().ports().stream()
            .filter(p -> p.id().text().equals(port))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "the build has no port \""
                            + port
                            + "\"; "
                            + (ids.isEmpty() ? "it has none" : "use " + String.join(", ", ids))));
    if (name != null && !name.equals(found.kind())) {
      throw new IllegalArgumentException(
          "port \"" + port + "\" is of kind " + found.kind() + ", not " + name);
    }
    SeatId seat = found.seat().orElse(build.seats().get(0).id());
    Bench bench = Bench.of(build.facing(new Aspect(seat, "")), Catalogue.standard(), rooms);
    Wired wired =
        bench
            .circuit()
            .orElseThrow(
                () -> new IllegalArgumentException("seat " + seat + " has no board; choose one"));
    PortKind kind = build.ports().kindOf(found).orElseThrow();
    Held held = Held.of(kind, press == null ? List.of() : press);
    Tempo tempo = Tempo.of(kind, seed == null ? OptionalLong.empty() : OptionalLong.of(seed));
    Play play =
        found.reads()
            ? read(bench, wired, found, held, frames, tempo)
            : answered(bench, wired, found, held, frames, tempo);
    if (out != null) {
      WholeFile.write(out, text(kind, play, out).getBytes(StandardCharsets.UTF_8));
    }
    print(kind, play, json);
    return 0;
  }

  private static Play read(
      Bench bench, Wired wired, Port port, Held held, int frames, Tempo tempo) {
    Pad pad =
        bench.loom().pads().stream()
            .filter(p -> p.port().equals(port))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "port \""
                            + port.id()
                            + "\" takes a device that wants a USB host or pots that are timed: it has no wires here; leave"
                            + " --build out"));
    Map<ContactId, Double> hands = new HashMap<>();
    for (PortKind.Bit bit : pad.kind().contacts()) {
      hands.put(new ContactId(port.id(), bit.contact()), held.holds(bit.button()) ? 1.0 : 0.0);
    }
    for (PortKind.Bit bit : pad.kind().axisContacts()) {
      hands.put(new ContactId(port.id(), bit.contact()), held.at(bit.button()));
    }
    return new PadPlay(wired.inputs().looks(), wired.asBuilt(), bench.loom().talks(pad))
        .play(contact -> hands.getOrDefault(contact, wired.inputs().rest(contact)), frames, tempo);
  }

  /** Of a console the buttons are held by the contacts that mean them. */
  private static Play answered(
      Bench bench, Wired wired, Port port, Held held, int frames, Tempo tempo) {
    Console console =
        bench.loom().consoles().stream()
            .filter(c -> c.port().equals(port))
            .findFirst()
            .orElseThrow();
    Set<ContactId> contacts = new HashSet<>();
    for (String button : held.buttons()) {
      List<ContactId> givers = bench.givers(console, button);
      if (givers.isEmpty()) {
        throw new IllegalArgumentException(
            "no contact gives " + port.id() + " its " + button + "; map one to it");
      }
      contacts.add(givers.get(0));
    }
    return ConsolePlay.of(
            bench.loom(), wired.asBuilt(), console, contacts::contains, held, frames, tempo)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "nothing answers port \""
                        + port.id()
                        + "\": its board has neither chips nor a program for it"));
  }

  private static PortKind kind(String name) {
    List<PortKind> kinds = PortFile.standard();
    return PortFile.find(kinds, name)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no mechanism \"" + name + "\"; use one of " + PortFile.words(kinds)));
  }

  /** Times of the command line must make a kind that holds together, as those of a file must. */
  private static PortKind timed(PortKind kind, Map<String, Double> times) {
    PortKind next = kind;
    for (Map.Entry<String, Double> entry : times.entrySet()) {
      Timed timed = Timed.named(entry.getKey());
      if (!kind.times().containsKey(timed)) {
        throw new IllegalArgumentException(
            kind.id()
                + " has no time \""
                + entry.getKey()
                + "\"; it has "
                + String.join(", ", kind.times().keySet().stream().map(Timed::word).toList()));
      }
      next = next.with(timed, kind.time(timed).usually(entry.getValue()));
    }
    return PortKind.checked(next);
  }

  private static Set<String> lines(PortKind kind, List<String> named) {
    Set<String> lines = new HashSet<>(named == null ? List.of() : named);
    for (String line : lines) {
      if (kind.find(line).isEmpty()) {
        throw new IllegalArgumentException(
            kind.id() + " has no line \"" + line + "\"; it has " + String.join(", ", names(kind)));
      }
    }
    return lines;
  }

  private static String text(PortKind kind, Play play, Path out) {
    String name = out.toString().toLowerCase(Locale.ROOT);
    if (name.endsWith(".vcd")) {
      return Vcd.write(play.waveform(), kind.id());
    }
    if (name.endsWith(".csv")) {
      return Tables.waveform(play.waveform());
    }
    throw new IllegalArgumentException(
        "--out " + out + " is neither .vcd nor .csv; end its name with one of them");
  }

  private void print(PortKind kind, Play play, boolean json) {
    PrintWriter out = spec.commandLine().getOut();
    if (!json) {
      int number = 0;
      for (Reading reading : play.readings()) {
        out.println(
            "reading "
                + ++number
                + ": "
                + (reading.held().isEmpty() ? "nothing held" : String.join(", ", reading.held()))
                + unclear(reading)
                + axes(reading)
                + ", "
                + presence(reading.presence())
                + String.format(Locale.ROOT, ", known at %.3f us", reading.endNs() / NS_IN_US));
      }
      if (number == 0) {
        out.println("nothing was read");
      }
      return;
    }
    ObjectNode node = Json.object();
    node.put("id", kind.id());
    node.put("end_us", play.waveform().endNs() / NS_IN_US);
    ArrayNode readings = node.putArray("readings");
    for (Reading reading : play.readings()) {
      ObjectNode item = readings.addObject();
      item.put("time_us", reading.endNs() / NS_IN_US);
      ArrayNode held = item.putArray("held");
      reading.held().forEach(held::add);
      ArrayNode unclear = item.putArray("unclear");
      reading.buttons().entrySet().stream()
          .filter(entry -> entry.getValue() == Answer.UNCLEAR)
          .forEach(entry -> unclear.add(entry.getKey()));
      ObjectNode axes = item.putObject("axes");
      reading.axes().forEach((axis, at) -> axes.put(axis, Math.rint(at * 1e6) / 1e6));
      item.put("presence", presence(reading.presence()));
    }
    out.println(Json.print(node));
  }

  private static String unclear(Reading reading) {
    long count = reading.buttons().values().stream().filter(a -> a == Answer.UNCLEAR).count();
    return count == 0 ? "" : ", " + count + " unclear";
  }

  private static String axes(Reading reading) {
    StringBuilder words = new StringBuilder();
    reading
        .axes()
        .forEach((axis, at) -> words.append(String.format(Locale.ROOT, ", %s %.3f", axis, at)));
    return words.toString();
  }

  private static String presence(Answer presence) {
    return switch (presence) {
      case YES -> "a pad is there";
      case NO -> "no pad";
      case UNCLEAR -> "whether a pad is there is not told";
    };
  }
}
