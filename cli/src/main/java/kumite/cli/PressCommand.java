package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.map.Layer;
import kumite.build.map.Script;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.device.Holds;
import kumite.device.Hop;
import kumite.device.Noise;
import kumite.device.PowerUp;
import kumite.device.SignalPath;
import kumite.device.SimulatedDevice;
import kumite.device.Trace;
import kumite.files.BuildFileException;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.map.Chosen;
import kumite.name.ContactId;
import kumite.name.SeatId;
import kumite.verdict.Bench;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "press",
    description = {
      "Press contacts on the simulated device and show what the host receives.",
      "A contact is a path's id: horn, rudder.left. A slider or knob takes its travel after a sign:",
      "port=0.7 or port=70%%; a stepped control its step: telegraph=3. Alone they go to the end.",
      "With times it is a script: horn@0+80ms rudder.left@10ms. A script of the build goes by its",
      "name."
    },
    mixinStandardHelpOptions = true)
final class PressCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Parameters(
      index = "1..*",
      arity = "0..*",
      paramLabel = "CONTACT",
      description = "What is held, all from the same moment; none shows the device at rest.")
  private List<String> contacts = new ArrayList<>();

  @Option(
      names = "--seed",
      paramLabel = "N",
      defaultValue = "1",
      description = "Chooses the bounce; the same seed gives the same trace (default: 1).")
  private long seed;

  @Option(
      names = "--power-up",
      paramLabel = "CONTACT",
      description =
          "Held while it is switched on: chooses the profile. May be given several times.")
  private List<String> powerUp = new ArrayList<>();

  @Option(
      names = "--noise",
      paramLabel = "CODES",
      defaultValue = "0",
      description = "How many codes the converter is off at most, either way (default: 0).")
  private int noise;

  @Option(
      names = "--self-test",
      description = "Print what the board reads, as the self-test stream of its program tells it.")
  private boolean selfTest;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Build build = input.build();
    Bench bench = input.bench(build.facing(aspect(build)));
    PrintWriter out = spec.commandLine().getOut();
    Optional<Script> script = script(bench);
    if (selfTest) {
      Script moves =
          script.orElseGet(
              () ->
                  Script.parse(
                      "held",
                      contacts.stream().map(c -> c + "@0").collect(Collectors.joining(" "))));
      out.print(device(bench).selfTest(moves, seed).text());
      out.flush();
      return 0;
    }
    if (script.isPresent()) {
      play(bench, script.get(), out);
      return 0;
    }
    Holds holds = Holds.NONE;
    List<String> held = new ArrayList<>();
    for (String text : contacts) {
      int sign = text.indexOf('=');
      String id = sign < 0 ? text : text.substring(0, sign);
      SignalPath path = path(bench, id);
      double travel = sign < 0 ? 1 : travel(path, text.substring(sign + 1), text);
      holds = holds.with(path.id(), travel);
      held.add(text);
    }
    Trace trace = device(bench).move(Holds.NONE, holds, seed);
    if (json) {
      ObjectNode root = tree(held, trace);
      seen(root, bench, trace);
      Frames.of(bench, holds).ifPresent(frames -> frames.into(root));
      Strips.of(bench, trace).into(root);
      out.println(Json.print(root));
    } else {
      print(bench, holds, trace, out);
    }
    return 0;
  }

  private SimulatedDevice device(Bench bench) {
    try {
      return bench.device().with(new Noise(noise));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("--noise: " + e.getMessage(), e);
    }
  }

  /** {@return the profile asked for, or the one that contacts held at power-up choose} */
  private Aspect aspect(Build build) {
    Aspect aspect = input.aspect(build);
    if (input.profileNamed()) {
      return aspect;
    }
    Bench bench = input.bench(build.facing(aspect));
    Set<ContactId> held = new TreeSet<>();
    powerUp.forEach(text -> held.add(path(bench, text).id()));
    return new Aspect(
        aspect.seat(),
        bench
            .circuit()
            .filter(wired -> wired.inputs().dead().isEmpty())
            .map(
                wired ->
                    PowerUp.chosen(
                        bench.build().seat().profiles(),
                        wired.inputs(),
                        bench.build().tuning(),
                        held))
            .orElseGet(() -> Chosen.of(bench.build().seat(), held))
            .name());
  }

  private Optional<Script> script(Bench bench) {
    String text = String.join(" ", contacts);
    Optional<Script> kept =
        bench.build().scripts().stream().filter(s -> s.name().equals(text)).findFirst();
    return kept.isPresent() || !text.contains("@")
        ? kept
        : Optional.of(Script.parse("typed", text));
  }

  private void play(Bench bench, Script script, PrintWriter out) {
    Trace trace = device(bench).play(script, seed);
    if (json) {
      ObjectNode root = tree(List.of(script.text()), trace);
      ArrayNode changes = root.putArray("known");
      for (Trace.Change change : trace.changes()) {
        ObjectNode node = changes.addObject().put("time_ms", change.us() / 1000.0);
        node.put("layer", layer(bench, trace, change));
        ArrayNode pressed = node.putArray("pressed");
        change.settled().forEach(contact -> pressed.add(contact.toString()));
        ArrayNode chords = node.putArray("chords");
        change.chords().forEach(chords::add);
        ArrayNode unsure = node.putArray("undetermined");
        change.undetermined().forEach(contact -> unsure.add(contact.toString()));
        node.put("off", change.off());
      }
      seen(root, bench, trace);
      Strips.of(bench, trace).into(root);
      out.println(Json.print(root));
      return;
    }
    for (Trace.Change change : trace.changes()) {
      out.printf(
          Locale.ROOT,
          "%9.3f ms  known: %s, layer %s%s%s%n",
          change.us() / 1000.0,
          change.off()
              ? "nothing, a short holds the board down"
              : change.settled().isEmpty() ? "nothing held" : change.settled(),
          layer(bench, trace, change),
          change.chords().isEmpty() ? "" : ", chord " + String.join(", ", change.chords()),
          change.undetermined().isEmpty() ? "" : ", undetermined " + change.undetermined());
    }
    reports(bench, trace, out);
    Strips.of(bench, trace).print(out);
  }

  private static String layer(Bench bench, Trace trace, Trace.Change change) {
    String profile = trace.profile(change.us(), bench.build().profile().name());
    return change.layer() == 0
        ? Layer.BASE
        : bench.build().seat().profiles().stream()
            .filter(p -> p.name().equals(profile))
            .map(p -> p.layers().get(change.layer() - 1).name())
            .findFirst()
            .orElse(Layer.BASE);
  }

  static SignalPath path(Bench bench, String text) {
    Optional<SignalPath> path = Optional.empty();
    try {
      path = bench.path(ContactId.parse(text));
    } catch (IllegalArgumentException e) {
      // Told below, together with the contacts there are.
    }
    elsewhere(bench, text)
        .filter(seat -> bench.path(ContactId.parse(text)).isEmpty())
        .ifPresent(
            seat -> {
              throw new IllegalArgumentException(
                  "\"" + text + "\" is at seat " + seat + "; add --seat " + seat);
            });
    return path.orElseThrow(
        () ->
            new IllegalArgumentException(
                "the build has no contact \""
                    + text
                    + "\"; it has "
                    + String.join(
                        ", ", bench.paths().stream().map(p -> p.id().toString()).toList())));
  }

  /** The other seat at which a contact of that name is. */
  private static Optional<SeatId> elsewhere(Bench bench, String text) {
    return bench.build().hands().stream()
        .filter(control -> control.id().text().equals(text.replaceAll("\\..*", "")))
        .flatMap(control -> control.seat().stream())
        .filter(seat -> !seat.equals(bench.build().seat().id()))
        .findFirst();
  }

  private static double travel(SignalPath path, String text, String whole) {
    int steps = path.site().kind().steps();
    try {
      if (steps > 1) {
        int step = Integer.parseInt(text);
        if (step < 1 || step > steps) {
          throw new IllegalArgumentException(
              "\"" + whole + "\": " + path.id() + " has steps 1 to " + steps);
        }
        return (step - 1.0) / (steps - 1);
      }
      double value =
          text.endsWith("%")
              ? Double.parseDouble(text.substring(0, text.length() - 1)) / 100
              : Double.parseDouble(text);
      if (!(value >= 0 && value <= 1)) {
        throw new IllegalArgumentException(
            "\"" + whole + "\": travel must be between 0 and 1, or 0% and 100%");
      }
      return value;
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "\""
              + whole
              + "\": after the sign comes "
              + (steps > 1 ? "a step" : "a travel, such as 0.7"));
    }
  }

  private static ObjectNode tree(List<String> held, Trace trace) {
    ObjectNode root = Json.object();
    ArrayNode heldNode = root.putArray("held");
    held.forEach(heldNode::add);
    ArrayNode reports = root.putArray("reports");
    for (Trace.Report report : trace.reports()) {
      reports
          .addObject()
          .put("time_ms", report.us() / 1000.0)
          .put("id", report.id())
          .put("hex", report.hex());
    }
    if (!trace.turns().isEmpty()) {
      ArrayNode turns = root.putArray("profiles");
      trace
          .turns()
          .forEach(
              turn ->
                  turns
                      .addObject()
                      .put("time_ms", turn.us() / 1000.0)
                      .put("profile", turn.profile()));
    }
    return root;
  }

  /** What the board takes for pressed in the end, and what it may read either way. */
  private static void seen(ObjectNode root, Bench bench, Trace trace) {
    ArrayNode pressed = root.putArray("pressed");
    ArrayNode unsure = root.putArray("undetermined");
    trace
        .end()
        .ifPresent(
            end -> {
              end.settled().forEach(contact -> pressed.add(contact.toString()));
              end.undetermined().forEach(contact -> unsure.add(contact.toString()));
            });
    boolean dead = bench.circuit().filter(c -> c.inputs().dead().isPresent()).isPresent();
    root.put("shorted", dead || trace.end().filter(Trace.Change::off).isPresent());
  }

  private static void print(Bench bench, Holds holds, Trace trace, PrintWriter out) {
    holds
        .travel()
        .keySet()
        .forEach(
            id -> {
              SignalPath path = bench.path(id).orElseThrow();
              Trace.Hops hops = trace.hops().get(id);
              out.printf(Locale.ROOT, "%s: %s%n", id, words(bench, path, holds, trace, hops));
            });
    trace.end().ifPresent(end -> others(bench, holds, end, out));
    reports(bench, trace, out);
    Frames.of(bench, holds).ifPresent(frames -> frames.print(out));
    Strips.of(bench, trace).print(out);
  }

  /** Whatever the board sees beside what is held. */
  private static void others(Bench bench, Holds holds, Trace.Change end, PrintWriter out) {
    end.settled().stream()
        .filter(id -> !holds.on(id))
        .forEach(id -> out.printf(Locale.ROOT, "%s: seen pressed, and nobody holds it%n", id));
    end.undetermined().stream()
        .filter(id -> !holds.on(id))
        .forEach(id -> out.printf(Locale.ROOT, "%s: %s%n", id, undetermined(bench, holds, id)));
  }

  private static String undetermined(Bench bench, Holds holds, ContactId id) {
    Inputs inputs = bench.circuit().orElseThrow().inputs();
    double volts = inputs.see(id, holds.over(inputs::rest)).volts();
    InputLevels.Thresholds reads = bench.path(id).orElseThrow().levels().orElseThrow().thresholds();
    boolean between = volts > reads.lowVolts() && volts < reads.highVolts();
    return (between
            ? String.format(
                Locale.ROOT,
                "undetermined: %.2f V lies between low, up to %.2f V, and high, from %.2f V",
                volts,
                reads.lowVolts(),
                reads.highVolts())
            : "undetermined: nothing holds its level")
        + "; the board may read either, and is played here as released";
  }

  /** What became of one contact, as the path strip says it: its layer and its chord count. */
  private static String words(
      Bench bench, SignalPath path, Holds holds, Trace trace, Trace.Hops times) {
    List<Hop> hops = bench.hops(path, holds, Optional.of(trace));
    Hop map = hops.get(Hop.Stage.MAP.ordinal());
    Hop host = hops.get(Hop.Stage.HOST.ordinal());
    Optional<Trace.Change> end = trace.end();
    if (end.filter(Trace.Change::off).isPresent()) {
      return "does not reach the host: a short holds the board down";
    }
    if (end.filter(e -> e.undetermined().contains(path.id())).isPresent()) {
      return undetermined(bench, holds, path.id());
    }
    boolean lost = times == null || times.settledUs().isEmpty();
    if (lost && path.arrives() && !path.arrivesAs().isEmpty()) {
      return "arrives as "
          + path.arrivesAs().stream().map(ContactId::toString).collect(Collectors.joining(" and "));
    }
    if (lost && path.heard() && end.filter(e -> e.settled().contains(path.id())).isPresent()) {
      return "is seen pressed whether it is held or not";
    }
    if (!path.heard() && !lost) {
      return "settled, and does not reach the host: nobody hears this board";
    }
    if (map.broken() || lost) {
      return "does not reach the host: "
          + (path.missing().isEmpty() ? "the board sees no change" : path.missing());
    }
    String settled =
        String.format(
            Locale.ROOT,
            "contact rests %.1f ms, settled %.1f ms",
            times.bounceUs() / 1000.0,
            times.settledUs().getAsLong() / 1000.0);
    return times.reportedUs().isEmpty()
        ? settled + ", " + map.value()
        : String.format(
            Locale.ROOT,
            "%s, reported %.1f ms, %s",
            settled,
            times.reportedUs().getAsLong() / 1000.0,
            host.value());
  }

  private static void turned(Trace.Turn turn, PrintWriter out) {
    out.printf(
        Locale.ROOT,
        "%7.3f ms  profile %s: kept over power-off; the board leaves the host and begins anew%n",
        turn.us() / 1000.0,
        turn.profile());
  }

  /** Reports as the host reads them; from a turn on as those of the profile that was taken. */
  private static void reports(Bench bench, Trace trace, PrintWriter out) {
    Bench facing = bench;
    int turns = 0;
    for (Trace.Report report : trace.reports()) {
      while (turns < trace.turns().size() && trace.turns().get(turns).us() <= report.us()) {
        Trace.Turn turn = trace.turns().get(turns++);
        turned(turn, out);
        facing =
            bench.next(bench.build().facing(new Aspect(bench.build().seat().id(), turn.profile())));
      }
      HostView seen = HostView.of(facing.layout().fields(), report.toBytes());
      out.printf(
          Locale.ROOT,
          "%7.3f ms  report %d  %s  on: %s  values: %s%n",
          report.us() / 1000.0,
          report.id(),
          report.hex(),
          seen.on().isEmpty()
              ? "nothing"
              : String.join(" ", seen.on().stream().map(Usage::toString).toList()),
          seen.values());
    }
    trace.turns().stream().skip(turns).forEach(turn -> turned(turn, out));
    if (trace.reports().isEmpty()) {
      out.println(
          bench.board().isEmpty()
              ? "no board chosen: nothing is sent"
              : bench.ofHost()
                  ? bench.loom().consoles().isEmpty()
                      ? "the host reads this board itself: there is no report"
                      : "no report: the console takes it by frames"
                  : bench.hearing().filter(h -> !h.reaches()).isPresent()
                      ? bench.loom().consoles().isEmpty()
                          ? "nobody hears this board: nothing is sent"
                          : "no report: no host hears this board, the console takes frames"
                      : bench
                          .circuit()
                          .flatMap(c -> c.inputs().unfed())
                          .map(why -> why + ": nothing is sent")
                          .orElse("a supply is shorted: nothing is sent"));
    }
  }
}
