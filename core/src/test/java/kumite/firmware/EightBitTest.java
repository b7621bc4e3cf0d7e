package kumite.firmware;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kumite.Builds;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import org.testng.SkipException;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * The same program, compiled for an 8-bit part and run on a simulator of it: its reports are those
 * of the simulated device. An optional check, for a machine that has the compiler and the
 * simulator.
 *
 * <p>With {@code -Dfirmware.write=true} it writes what it measured to {@code
 * firmware/measured.json}.
 */
public class EightBitTest {
  private static final Pattern SIZE =
      Pattern.compile("(\\d+)\\s+(\\d+)\\s+(\\d+)\\s+\\d+\\s+\\w+\\s");
  private static final Path MCU_HEADER = Path.of("/usr/include/simavr/avr/avr_mcu_section.h");
  private static final String FLAGS =
      "avr-gcc -std=gnu99 -Os -Wall -Icore -I. -I/usr/include/simavr/avr ";
  private static final int DRAWN = 12;

  private final Map<String, Integer> parts = new LinkedHashMap<>();
  private int around;

  @BeforeClass
  public void tools() {
    for (String tool : List.of("avr-gcc", "simavr")) {
      try {
        Exported.run(Path.of("."), "", "sh", "-c", "command -v " + tool);
      } catch (AssertionError | IOException e) {
        throw new SkipException(tool + " is not on this machine");
      }
    }
    if (!java.nio.file.Files.exists(MCU_HEADER)) {
      throw new SkipException(MCU_HEADER + ", of the part's simulator, is not on this machine");
    }
  }

  private static Map<String, Blueprint> blueprints() {
    Map<String, Blueprint> all = demos();
    SplittableRandom random = new SplittableRandom(8);
    for (int i = 0; i < DRAWN; i++) {
      Blueprint drawn = ProgrammableBuilds.draw(random);
      // What is noted of many looks would not go into the part, and it begins once: no hand may
      // short a supply.
      boolean lives = drawn.inputs().dead().isEmpty() && drawn.inputs().shorts().all().isEmpty();
      if (!drawn.header() && lives && drawn.timing().scanUs() > 500) {
        all.put("drawn-" + i, drawn);
      }
    }
    for (String kind : List.of("select-line-6", "packet")) {
      Build build = FramedBuilds.of(kind);
      build = build.withTiming(build.timing().withScanUs(4000));
      Exported.blueprint(build).ifPresent(framed -> all.put("drawn-" + kind, framed));
    }
    Build counted =
        Consoles.added(
            Builds.wired(Builds.buttons(60, 60), "native-5v-54"),
            PortFile.find(PortFile.standard(), "select-line-6").orElseThrow());
    Exported.blueprint(counted).ifPresent(answers -> all.put("drawn-counted", answers));
    return all;
  }

  /** {@return all boards of the demos that take a program} */
  static Map<String, Blueprint> demos() {
    Map<String, Blueprint> all = new LinkedHashMap<>();
    for (String name : Demo.names()) {
      Build build = demo(name);
      for (Seat seat : build.seats()) {
        Exported.blueprint(build.facing(Aspect.of(seat)))
            .ifPresent(blueprint -> all.put(name + "-" + seat.id(), blueprint));
      }
    }
    return all;
  }

  private static Build demo(String name) {
    try {
      return Demo.open(name, Catalogue.standard());
    } catch (BuildFileException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  public void theProgramTellsTheSameOnAnEightBitPart() throws IOException {
    ObjectMapper mapper = new ObjectMapper();
    ObjectNode measured = mapper.createObjectNode().put("day", LocalDate.now().toString());
    List<ObjectNode> builds = new ArrayList<>();
    for (Map.Entry<String, Blueprint> one : blueprints().entrySet()) {
      ObjectNode row = measured(one.getKey(), Firmware.of(one.getValue()));
      if (!one.getKey().startsWith("drawn")) {
        builds.add(row);
      }
    }
    // What a keyboard clocks in by interrupts is not noted: its code is measured alone.
    // What comes over a serial port is not noted either.
    size("told", Firmware.of(Exported.blueprint(FramedBuilds.of("serial-bytes")).orElseThrow()));
    size("keys", Firmware.of(Exported.blueprint(FramedBuilds.of("keyboard-frame")).orElseThrow()));
    size("bytes", Firmware.of(bytes()));
    measured.put("around", around);
    measured.set("parts", mapper.valueToTree(parts));
    measured.putArray("builds").addAll(builds);
    if (Boolean.getBoolean("firmware.write")) {
      Files.writeString(
          Path.of("..", "firmware", "measured.json"),
          mapper.writerWithDefaultPrettyPrinter().writeValueAsString(measured) + "\n");
    }
  }

  /** Consoles that take bytes: one that asks for packets, and one that bytes come to unasked. */
  private static Blueprint bytes() {
    Build build = Builds.wired(Builds.buttons(60, 60), "native-5v-54");
    for (String kind : List.of("packet", "serial-bytes")) {
      build = Consoles.added(build, PortFile.find(PortFile.standard(), kind).orElseThrow());
    }
    return Exported.blueprint(build).orElseThrow();
  }

  private void size(String name, Firmware firmware) throws IOException {
    Path folder =
        Exported.write("eight-" + name, firmware.files(Firmware.Target.PORTABLE, List.of()));
    Targets.standIn(folder, "eight", "bare.c");
    size(folder, name, firmware, FLAGS);
  }

  private ObjectNode measured(String name, Firmware firmware) throws IOException {
    Path folder =
        Exported.write("eight-" + name, firmware.files(Firmware.Target.PORTABLE, List.of()));
    Targets.standIn(folder, "eight", "board_record.c", "eight.c", "bare.c");
    List<CheckScripts.Check> checks = CheckScripts.of(firmware.blueprint());
    shell(
        folder,
        "gcc -std=c99 -O1 -Icore -Ihost -o recorder core/*.c eight/board_record.c "
            + Targets.HOST
            + " -lm");
    // The whole check is too long for the part's memory: the last script is the one drawn by
    // chance.
    CheckScripts.Check last = checks.get(checks.size() - 1);
    Exported.run(folder, last.line(), "./recorder", "--each-line");
    shell(
        folder,
        FLAGS
            + "-mmcu=atmega1284p -o eight.elf core/*.c eight/eight.c"
            + " -Wl,--undefined=_mmcu,--section-start=.mmcu=0x910000");
    String said =
        Exported.run(folder, "", "sh", "-c", "timeout 300 simavr eight.elf 2>&1 1>/dev/null");
    List<String> lines = said.lines().map(l -> l.replaceAll("\u001b\\[[0-9;]*m|^O:", "")).toList();
    String reports =
        lines.stream()
            .filter(l -> l.matches("\\d+ \\d+ [0-9A-F]*"))
            .map(l -> l + "\n")
            .collect(Collectors.joining());
    // What consoles and strips take is asked on the computer alone.
    String told =
        last.reports()
            .lines()
            .filter(l -> !l.contains(" console ") && !l.contains(" strip "))
            .map(l -> l + "\n")
            .collect(Collectors.joining());
    assertEquals(reports.strip(), told.strip(), name);
    String cycles = lines.stream().filter(l -> l.startsWith("cycles")).findFirst().orElseThrow();
    String[] three = cycles.split(" ");
    ObjectNode row = size(folder, name, firmware, FLAGS);
    row.putArray("cycles")
        .add(Integer.parseInt(three[1]))
        .add(Integer.parseInt(three[2]))
        .add(Integer.parseInt(three[3]));
    return row;
  }

  private ObjectNode size(Path folder, String name, Firmware firmware, String flags)
      throws IOException {
    String small = flags + "-mmcu=atmega1284p -ffunction-sections -fdata-sections ";
    shell(folder, small + "-Wl,--gc-sections -o bare.elf core/*.c eight/bare.c");
    int[] whole = sizes(folder, "bare.elf");
    int flash = whole[0] + whole[1];
    int ram = whole[1] + whole[2];
    int inParts = 0;
    for (String part : CSource.parts(firmware.score())) {
      shell(folder, small + "-c -o part.o core/" + part);
      int text = sizes(folder, "part.o")[0];
      inParts += text;
      parts.merge(part, text, Math::max);
    }
    around = Math.max(around, flash - inParts - firmware.score().tableBytes());
    Footprint told = firmware.footprint();
    assertTrue(
        Math.abs(told.ramBytes() - ram) <= 8, name + ": " + told.ramBytes() + " counted, " + ram);
    ObjectNode row = new ObjectMapper().createObjectNode().put("name", name);
    row.put("fingerprint", firmware.fingerprint()).put("flash", flash).put("ram", ram);
    return row;
  }

  private static void shell(Path folder, String command) throws IOException {
    Exported.run(folder, "", "sh", "-c", command);
  }

  private static int[] sizes(Path folder, String file) throws IOException {
    Matcher found = SIZE.matcher(Exported.run(folder, "", "avr-size", file));
    assertTrue(found.find());
    return new int[] {
      Integer.parseInt(found.group(1)),
      Integer.parseInt(found.group(2)),
      Integer.parseInt(found.group(3))
    };
  }
}
