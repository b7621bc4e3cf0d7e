package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.port.Port;
import kumite.hid.DescriptorReader;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A board without USB tells another its reports over a serial wire, and that one passes them on:
 * what comes out there are the reports of the simulation, byte for byte, whatever the wire loses.
 */
public class SerialTest {
  private static final Pattern NUMBER = Pattern.compile("0x([0-9A-F]{2})");

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 8).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build on(String board, Build build) {
    return build.withBoard(Optional.of(new BoardChoice(board, Placement.at(40, 40))));
  }

  private static Build onSerial(Build build) {
    Build next = build;
    for (Port port : build.ports().ports()) {
      next = next.without(port.id());
    }
    return on("serial-5v-18", next);
  }

  private static Blueprint drawn(SplittableRandom random) {
    Optional<Blueprint> blueprint = Optional.empty();
    while (blueprint.isEmpty()) {
      blueprint =
          Exported.blueprint(onSerial(RandomBuilds.layered(RandomBuilds.any(random), random)))
              .filter(b -> b.inputs().dead().isEmpty())
              .filter(b -> Heard.why(b).isEmpty());
    }
    return blueprint.get();
  }

  @Test(dataProvider = "seeds")
  public void whatIsPassedOnAreTheReportsOfTheSimulation(int seed) throws IOException {
    SplittableRandom random = new SplittableRandom(9_000 + seed);
    Blueprint blueprint = drawn(random);
    Firmware firmware = Firmware.of(blueprint);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(files).containsKeys("serial/tells.c", "serial/hears.c", "serial/heard.c");
    assertThat(files.get("README.txt")).contains("Over the serial wire", "serial_write");
    Path folder = Exported.write("serial-" + seed, files);
    List<Exported.Play> plays = Exported.plays(blueprint, 25, random);
    String given = Targets.portable(folder, lines(plays), seed < 2);
    assertThat(Exported.difference(plays, given)).isEmpty();
    if (seed % 2 == 0) {
      List<Exported.Play> few = plays.subList(0, 5);
      String sketch = Targets.sketch(firmware, folder, lines(few));
      assertThat(Exported.difference(few, sketch)).isEmpty();
    }
    assertThatThrownBy(() -> firmware.files(Firmware.Target.SCRIPT, List.of()))
        .hasMessageContaining("no USB of its own");
  }

  /**
   * A console that takes bytes has the board's one sending terminal, and no report goes anywhere.
   */
  @Test
  public void aConsoleCanBeItsOnlyHost() throws IOException {
    Build build = onSerial(pressing(List.of(new Target.Button(1), new Target.Button(2))));
    PortKind bytes = PortFile.find(PortFile.standard(), "serial-bytes").orElseThrow();
    Blueprint blueprint = Exported.blueprint(Consoles.added(build, bytes)).orElseThrow();
    assertThat(blueprint.tells()).isFalse();
    Firmware firmware = Firmware.of(blueprint);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(files.keySet()).noneMatch(name -> name.startsWith("serial/"));
    assertThat(files.get("README.txt")).contains("hw_serial", "its only host is the console");
    Path folder = Exported.write("alone", files);
    List<Exported.Play> plays = Exported.plays(blueprint, 8, new SplittableRandom(3));
    String given = Targets.portable(folder, lines(plays), true);
    assertThat(Exported.difference(plays, given)).isEmpty();
    assertThat(given).contains(" console 1 a5").doesNotContainPattern("(?m)^\\d+ 0 ");
    assertThat(Exported.difference(plays, Targets.sketch(firmware, folder, lines(plays))))
        .isEmpty();
  }

  private static String lines(List<Exported.Play> plays) {
    return plays.stream().map(Exported.Play::line).collect(Collectors.joining());
  }

  /** All that such a board can tell: a gamepad or two, keys, media keys, a mouse, or one alone. */
  private static Build pressing(List<Target> targets) {
    double[] places = new double[2 * targets.size()];
    Mapping mapping = Mapping.EMPTY;
    for (int i = 0; i < targets.size(); i++) {
      places[2 * i] = 30 + 40 * i;
      places[2 * i + 1] = 30;
      mapping =
          mapping.with(
              new ContactId(new kumite.name.ControlId("b" + (i + 1)), ""),
              new Mapping.Entry(targets.get(i), ""));
    }
    Mapping base = mapping;
    return Builds.buttons(places).withProfile(p -> p.withBase(base));
  }

  private static Blueprint telling(List<Target> targets) {
    return Exported.blueprint(onSerial(pressing(targets))).orElseThrow();
  }

  @DataProvider
  public Object[][] told() {
    return new Object[][] {
      {List.of(new Target.Button(1), new Target.Button(9))},
      {
        List.of(
            new Target.Button(1),
            new Target.OnPad(2, new Target.Button(20)),
            new Target.Key(4),
            new Target.Media(0xE9),
            new Target.MotionEnd(Target.MouseAxis.X, true),
            new Target.MouseButton(1))
      },
      {List.of(new Target.Key(4), new Target.MotionEnd(Target.MouseAxis.WHEEL, false))},
    };
  }

  /** The driver has its own chance: bytes lost and turned over, hosts that sleep, boards pulled. */
  @Test(dataProvider = "told")
  public void whatAWireLosesComesLateAndNothingComesTwice(List<Target> targets) throws IOException {
    Blueprint blueprint = telling(targets);
    Path folder =
        Exported.write(
            "wire-" + targets.size(),
            Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.standIn(folder, "wire", "wire.c");
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        "gcc -std=c99 -O1 -Wall -Wextra -Wpedantic -Wconversion -Werror -fsanitize=undefined"
            + " -Icore -Iserial -o over-wire wire/wire.c core/device_tables.c serial/*.c");
    boolean lost = false;
    for (int seed = 1; seed <= 12; seed++) {
      String said = Exported.run(folder, "", "./over-wire", Integer.toString(seed));
      assertThat(said).as("seed %d", seed).startsWith("tried, ");
      lost |= !said.contains(" 0 bytes");
    }
    assertThat(lost).isTrue();
  }

  /**
   * The check of a frame is that of ITU-T V.41 begun with ones, whose published value for the
   * digits 1 to 9 is 29B1 hex.
   */
  @Test
  public void theCheckIsThePublishedOne() throws IOException {
    Map<String, String> files =
        Firmware.of(telling(List.of(new Target.Button(1))))
            .files(Firmware.Target.PORTABLE, List.of());
    Path folder = Exported.write("check-value", files);
    Exported.writeOver(
        "check-value",
        Map.of(
            "value.c",
            "#include <stdio.h>\n#include \"serial.h\"\nint main(void) {\n"
                + "  printf(\"%04X\", frame_check((const uint8_t *)\"123456789\", 9));\n"
                + "  return 0;\n}\n"));
    Exported.run(folder, "", "sh", "-c", Exported.QUICK + " -Icore -Iserial -o value value.c");
    assertThat(Exported.run(folder, "", "./value")).isEqualTo("29B1");
  }

  /**
   * The host is told once what there is: profiles of other shapes are refused, with the way out.
   */
  @Test
  public void profilesOfOtherShapesAreRefused() {
    Build plain = onSerial(pressing(List.of(new Target.Button(1))));
    Mapping key =
        Mapping.EMPTY.with(ContactId.parse("b1"), new Mapping.Entry(new Target.Key(4), ""));
    Profile typing = Profile.empty("Typing", plain.profile().host()).withBase(key);
    Build both = plain.withSeat(seat -> seat.withProfiles(List.of(plain.profile(), typing)));
    Blueprint two = Exported.blueprint(both).orElseThrow();
    assertThatThrownBy(() -> Firmware.of(two).files(Firmware.Target.PORTABLE, List.of()))
        .hasMessageContaining("another shape")
        .hasMessageContaining("Typing");
    assertThat(Heard.why(two)).isPresent();
    assertThat(Heard.why(telling(List.of(new Target.Button(1))))).isEmpty();
  }

  /** Its reports stand beside those of the board that passes them on, under ids of their own. */
  @Test
  public void theHostSeesBothBoards() {
    Blueprint tells =
        telling(List.of(new Target.Button(3), new Target.Key(4), new Target.MouseButton(1)));
    for (List<Target> own :
        List.of(
            List.<Target>of(new Target.Button(1)),
            List.<Target>of(new Target.Button(1), new Target.Key(5)))) {
      Blueprint passes =
          Exported.blueprint(on("native-5v-54", pressing(own)))
              .orElseThrow()
              .passing(List.of(Heard.of(tells)));
      ReportLayout layout = passes.layout(passes.profiles().get(0));
      Map<String, String> files = Firmware.of(passes).files(Firmware.Target.SKETCH, List.of());
      String header =
          files.entrySet().stream()
              .filter(f -> f.getKey().endsWith("descriptor.h"))
              .map(Map.Entry::getValue)
              .findFirst()
              .orElseThrow();
      List<Integer> bytes = new ArrayList<>();
      Matcher numbers = NUMBER.matcher(header);
      while (numbers.find()) {
        bytes.add(Integer.parseInt(numbers.group(1), 16));
      }
      byte[] all = new byte[bytes.size()];
      IntStream.range(0, all.length).forEach(i -> all[i] = (byte) (int) bytes.get(i));
      List<InputField> fields = DescriptorReader.inputFields(all);
      int last = Math.max(1, layout.reportIds().stream().mapToInt(id -> id).max().orElseThrow());
      int others = tells.layout(tells.profiles().get(0)).fields().size();
      assertThat(fields).hasSize(layout.fields().size() + others);
      assertThat(fields.stream().map(InputField::reportId).distinct().sorted().toList())
          .isEqualTo(IntStream.rangeClosed(1, last + 3).boxed().toList());
      assertThat(files.get("README.txt"))
          .contains("Boards whose reports it passes on", "falls silent");
    }
  }
}
