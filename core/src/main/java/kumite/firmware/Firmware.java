package kumite.firmware;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kumite.build.map.Script;
import kumite.kind.BoardKind;

/**
 * The code for a build.
 *
 * <pre>{@code
 * Firmware firmware = Firmware.of(Blueprint.of(build, board, loom, inputs));
 * firmware.files(Firmware.Target.PORTABLE, warnings); // name to text
 * }</pre>
 */
public final class Firmware {
  /** What kind of code. */
  public enum Target {
    PORTABLE(
        "portable",
        "Portable C",
        "plain C for any board, with a device that runs on this computer"),
    SKETCH(
        "sketch",
        "Sketch",
        "one folder with setup and loop, for boards with native USB or a serial wire to one"),
    SCRIPT(
        "script",
        "Script",
        "two text files, for boards that run scripts and have a USB HID module");

    private final String word;
    private final String title;
    private final String words;

    Target(String word, String title, String words) {
      this.word = word;
      this.title = title;
      this.words = words;
    }

    /** {@return its word on the command line} */
    public String word() {
      return word;
    }

    /** {@return its name for people} */
    public String title() {
      return title;
    }

    /** {@return what it is, for people} */
    public String words() {
      return words;
    }

    /** {@return the target of that word, if there is one} */
    public static Optional<Target> named(String word) {
      return Arrays.stream(values()).filter(t -> t.word.equals(word)).findFirst();
    }

    /** {@return all words, for messages} */
    public static String all() {
      return Arrays.stream(values()).map(Target::word).collect(Collectors.joining(", "));
    }
  }

  /**
   * The least that what runs scripts wants, with its USB module: from memory, such interpreters of
   * 2024.
   */
  private static final BoardKind.Memory INTERPRETER = new BoardKind.Memory(192 * 1024, 32 * 1024);

  /** What one step of a frame takes an interpreter: common practice, no source. */
  private static final long STEP_US = 30;

  private static final String SERIAL = "serial/";

  private static final Long BAUD = (long) SerialSource.BAUD;

  private static final Pattern COMMENT = Pattern.compile("(?s)/\\*.*?\\*/");

  private final Blueprint blueprint;
  private final Score score;

  private Firmware(Blueprint blueprint, Score score) {
    this.blueprint = blueprint;
    this.score = score;
  }

  /** {@return the code for a blueprint} */
  public static Firmware of(Blueprint blueprint) {
    return new Firmware(blueprint, Score.of(blueprint));
  }

  /** {@return labels that could not be their own name in code, each with the name it got} */
  public List<String> twins() {
    return score.twins();
  }

  /** {@return where each contact stands in the tables} */
  public List<Trail> trails() {
    return Trail.of(blueprint, score);
  }

  /** {@return what the program holds and what was left out of it, in words} */
  public Contents contents() {
    return Contents.of(blueprint, score);
  }

  /** {@return what the program takes on an 8-bit part} */
  public Footprint footprint() {
    return Footprint.of(score, fingerprint());
  }

  /**
   * {@return what the program takes, found out no closer than is needed to say whether it fits}
   *
   * @param memory what it has to fit into
   */
  public Footprint footprint(BoardKind.Memory memory) {
    Footprint most = Footprint.most(score);
    return most.fits(memory) ? most : footprint();
  }

  /** {@return a sum that is the same only for the same program} */
  String fingerprint() {
    Map<String, String> files = new LinkedHashMap<>();
    core(files, "");
    try {
      MessageDigest sum = MessageDigest.getInstance("SHA-256");
      files.forEach(
          (name, text) ->
              sum.update(
                  (name + COMMENT.matcher(text).replaceAll("")).getBytes(StandardCharsets.UTF_8)));
      return HexFormat.of().formatHex(sum.digest()).substring(0, 16);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }

  Score score() {
    return score;
  }

  Blueprint blueprint() {
    return blueprint;
  }

  /**
   * {@return all files of a target, by their names; the same for the same build}
   *
   * @param stops what is wrong with the build, so that the reader is warned first
   */
  public Map<String, String> files(Target target, List<String> stops) {
    why(target)
        .ifPresent(
            why -> {
              throw new IllegalArgumentException("no " + target.word + ": " + why);
            });
    Map<String, String> files = new LinkedHashMap<>();
    files.put("README.txt", Readme.of(this, target, stops));
    files.put("self-test.md", template("self-test.md"));
    switch (target) {
      case PORTABLE -> portable(files);
      case SKETCH -> sketch(files);
      case SCRIPT -> {
        ScriptSource source = new ScriptSource(blueprint, score);
        files.put("boot.py", source.program(template("script/boot.py")));
        files.put("code.py", source.program(template("script/code.py")));
      }
    }
    return files;
  }

  /** {@return why a target cannot be had for this board; empty where it can} */
  public Optional<String> why(Target target) {
    String name = "\"" + blueprint.board().name() + "\"";
    boolean usb = blueprint.board().brain().link() == BoardKind.Link.USB;
    if (blueprint.header() && target != Target.PORTABLE) {
      return Optional.of(
          name + " is the host itself: take portable, which reads its lines and gives it keys");
    }
    boolean radio = blueprint.board().brain().link() == BoardKind.Link.RADIO;
    Optional<String> large = radio ? RadioSource.why(blueprint) : Optional.empty();
    if (large.isPresent()) {
      return large;
    }
    Optional<String> unpassed = blueprint.tells() ? Heard.why(blueprint) : Optional.empty();
    if (unpassed.isPresent()) {
      return unpassed;
    }
    boolean serial = blueprint.tells() || blueprint.alone();
    if (!usb && target != Target.PORTABLE && !(serial && target == Target.SKETCH)) {
      return Optional.of(
          name + " has no USB of its own; take portable, whose report call you supply");
    }
    if (target == Target.SCRIPT && score.size("N_CONSOLES") > 0) {
      return Optional.of(
          name
              + " answers a console within microseconds, and an interpreter takes longer: take the"
              + " sketch or portable");
    }
    if (target == Target.SCRIPT && score.size("N_KEYBOARDS") > 0) {
      return Optional.of(
          "a keyboard clocks a bit each 60 to 100 us, and an interpreter catches no such edges: take"
              + " the sketch or portable");
    }
    if (target == Target.SCRIPT && score.size("N_TOLD_PADS") > 0) {
      return Optional.of(
          "what pads tell comes from the USB host or serial port that the board's own libraries"
              + " run, which an interpreter has no common call for: take the sketch or portable");
    }
    if (target == Target.SCRIPT && !blueprint.heard().isEmpty()) {
      return Optional.of(
          "it passes on what the board of seat "
              + blueprint.heard().get(0).seat()
              + " tells, which a script does not: take the sketch or portable");
    }
    if (target == Target.SKETCH && !onePort()) {
      return Optional.of(
          "a sketch has one serial port for one device each way, and this board has more on such"
              + " wires, or wires of other speeds: take portable");
    }
    long frameUs = score.table("step_how").map(Table::rows).map(List::size).orElse(0) * STEP_US;
    if (target == Target.SCRIPT && frameUs > blueprint.timing().scanUs()) {
      return Optional.of(
          "asking its pads takes an interpreter some "
              + frameUs / 1000
              + " ms, longer than a look: take the sketch or portable, or look each "
              + (frameUs / 1000 + 1)
              + " ms");
    }
    if (target == Target.SCRIPT && score.size("N_STRIPS") > 0) {
      return Optional.of(
          "a strip wants its bits within a part of a microsecond, and an interpreter keeps no such"
              + " time: take the sketch or portable, or feed the strip's data from elsewhere");
    }
    return blueprint
        .board()
        .brain()
        .memory()
        .filter(memory -> target == Target.SCRIPT && !INTERPRETER.within(memory))
        .map(
            memory ->
                name
                    + " has "
                    + memory.flashBytes()
                    + " bytes for programs and "
                    + memory.ramBytes()
                    + " of memory; what runs scripts wants "
                    + INTERPRETER.flashBytes()
                    + " and "
                    + INTERPRETER.ramBytes()
                    + ": take the sketch or portable");
  }

  /** Whether what is on serial wires goes over one port: one that is heard, one that is told. */
  private boolean onePort() {
    List<Long> in = new ArrayList<>(Collections.nCopies(blueprint.heard().size(), BAUD));
    ToldRows.pads(blueprint).forEach(pad -> ToldRows.baud(pad).ifPresent(in::add));
    List<Long> out = new ArrayList<>(Collections.nCopies(blueprint.tells() ? 1 : 0, BAUD));
    ConsoleRows.answered(blueprint).forEach(c -> ConsoleRows.baud(c).ifPresent(out::add));
    boolean alike = in.isEmpty() || out.isEmpty() || in.get(0).equals(out.get(0));
    return in.size() < 2 && out.size() < 2 && alike;
  }

  private void sketch(Map<String, String> files) {
    String folder = SketchSource.name(blueprint) + "/";
    core(files, folder);
    files.put(
        folder + SketchSource.name(blueprint) + ".ino",
        template("sketch/sketch.ino").replace("@TITLE@", Names.plain(blueprint.title())));
    files.put(folder + "pins.h", SketchSource.pins(blueprint, score));
    files.put(folder + "descriptor.h", SketchSource.descriptors(blueprint));
    if (score.size("N_CONSOLES") + score.size("N_KEYBOARDS") > 0) {
      files.put(folder + "edges.h", ConsoleRows.edges(blueprint, score));
    }
    if (score.size("N_STRIPS") > 0) {
      files.put(folder + "strip.h", template("sketch/strip.h"));
    }
    serial(files, folder);
  }

  /** The halves of a serial wire: of a board that tells, and of one that passes on. */
  private void serial(Map<String, String> files, String folder) {
    boolean tells = blueprint.tells();
    if (!tells && blueprint.heard().isEmpty()) {
      return;
    }
    List<Heard> heard = tells ? List.of(Heard.of(blueprint)) : blueprint.heard();
    files.put(folder + "heard.h", SerialSource.header(heard, tells));
    files.put(folder + "serial.h", template("serial/serial.h"));
    if (tells) {
      files.put(folder + "tells.c", template("serial/tells.c"));
    }
    if (!tells || folder.equals(SERIAL)) {
      // A board that tells has the other half too, for its own check.
      files.put(folder + "heard.c", SerialSource.tables(heard));
      files.put(folder + "hears.c", template("serial/hears.c"));
    }
  }

  private void portable(Map<String, String> files) {
    core(files, "core/");
    for (String name :
        List.of(
            "host.h",
            "world.h",
            "world.c",
            "wires.h",
            "ways.c",
            "solve.c",
            "session.c",
            "console.c",
            "pads.c",
            "keyboard.c",
            "told_pad.c",
            "script.c",
            "chance.c",
            "main.c")) {
      files.put("host/" + name, template("host/" + name));
    }
    if (blueprint.header()) {
      header(files);
    } else {
      files.put("host/board.c", template("host/board.c"));
      boolean radio = blueprint.board().brain().link() == BoardKind.Link.RADIO;
      files.put("host/send.c", template(radio ? "radio/send.c" : wire() + "send.c"));
      serial(files, SERIAL);
      if (!blueprint.heard().isEmpty()) {
        files.put("serial/descriptors.h", SerialSource.descriptors(blueprint.heard()));
      }
      if (radio) {
        files.put("radio/radio_config.h", RadioSource.config(blueprint));
        for (String name : List.of("radio.h", "service.c")) {
          files.put("radio/" + name, template("radio/" + name));
        }
      }
    }
    World world = new World(blueprint, score);
    files.put("host/world_tables.h", world.header());
    files.put("host/world_tables.c", world.source());
    List<CheckScripts.Check> checks = CheckScripts.of(blueprint);
    files.put(
        "check/scripts",
        checks.stream().map(CheckScripts.Check::line).collect(Collectors.joining()));
    files.put(
        "check/reports",
        checks.stream().map(CheckScripts.Check::reports).collect(Collectors.joining()));
    Names names = new Names("");
    for (Script script : blueprint.scripts()) {
      String name = names.of(script.name()).toLowerCase(Locale.ROOT);
      files.put("scripts/" + name + ".txt", script.text() + "\n");
    }
    String sources =
        CSource.parts(score).stream()
            .map(n -> "core/" + n.replace(".c", ".o "))
            .collect(Collectors.joining());
    files.put(
        "Makefile",
        template(blueprint.header() ? "header/Makefile" : "portable/Makefile")
            .replace("@CORE@", sources + "core/device_tables.o")
            .replace("@MORE@", more(files)));
  }

  /** Where its reports go: to a host, over a wire, or to nobody. */
  private String wire() {
    return blueprint.alone() ? "alone/" : blueprint.tells() ? SERIAL : "host/";
  }

  /** What else is linked to the program on this computer. */
  private String more(Map<String, String> files) {
    return files.containsKey("radio/service.c")
        ? "radio/service.o "
        : blueprint.tells() ? "serial/tells.o serial/hears.o serial/heard.o " : "";
  }

  private void header(Map<String, String> files) {
    HeaderSource source = new HeaderSource(blueprint, score);
    files.put("keys.txt", source.table());
    files.put("header/keys.h", source.header());
    for (String name : List.of("reader.h", "reader.c", "system.h", "main.c")) {
      files.put("header/" + name, template("header/" + name));
    }
    files.put("host/board.c", template("header/board.c"));
  }

  private void core(Map<String, String> files, String folder) {
    files.put(folder + "device_config.h", CSource.config(blueprint, score));
    files.put(folder + "device_tables.c", CSource.tables(blueprint, score));
    for (String name : List.of("device.h", "program.h", "device_tables.h")) {
      files.put(folder + name, template("core/" + name));
    }
    for (String name : CSource.parts(score)) {
      files.put(folder + name, template("core/" + name));
    }
  }

  /** {@return a file of the program that is the same for every build} */
  static String template(String name) {
    try (InputStream in = Firmware.class.getResourceAsStream("/kumite/firmware/" + name)) {
      if (in == null) {
        throw new IllegalStateException("the application ships no " + name);
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
