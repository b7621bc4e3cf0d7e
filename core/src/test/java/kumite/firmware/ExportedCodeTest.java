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
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.device.SelfTest;
import kumite.device.SimulatedDevice;
import kumite.hid.DescriptorReader;
import kumite.hid.InputField;
import kumite.kind.BoardKind;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The exported folders: clean, small, the same each time, and named after the build. */
public class ExportedCodeTest {
  private static final Firmware.Target SCRIPT = Firmware.Target.SCRIPT;
  private static final Firmware.Target SKETCH = Firmware.Target.SKETCH;
  private static final String SANITIZED =
      "gcc -std=c99 -O0 -g -fsanitize=undefined,address -fno-sanitize-recover=all"
          + " -ffp-contract=off -DSELF_TEST=1 -DSTAND_IN -Icore -Ihost -Iradio -Iheader -o sanitized"
          + " core/*.c host/*.c $(ls radio/service.c header/reader.c 2>/dev/null) -lm";

  @DataProvider(parallel = true)
  public Object[][] builds() {
    Map<String, Blueprint> all = new TreeMap<>(EightBitTest.demos());
    SplittableRandom random = new SplittableRandom(77);
    for (int i = 0; i < 2; i++) {
      all.put("odd-" + i, ProgrammableBuilds.draw(random));
    }
    for (Topology topology : Topology.CHOSEN) {
      Exported.blueprint(RandomBuilds.layered(RandomBuilds.sharing(topology, 11, random), random))
          .ifPresent(b -> all.put("shared-" + topology, b));
    }
    return all.entrySet().stream()
        .map(e -> new Object[] {e.getKey(), e.getValue()})
        .toArray(Object[][]::new);
  }

  /** The compiler's sanitizers are silent, its analyser too, and the folder proves itself. */
  @Test(dataProvider = "builds")
  public void theFolderIsCleanAndProvesItself(String name, Blueprint blueprint) throws IOException {
    Firmware firmware = Firmware.of(blueprint);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of())).isEqualTo(files);
    Path folder = Exported.write("clean-" + name, files);
    if (blueprint.inputs().dead().isPresent()) {
      throw new SkipException("a short holds this board down");
    }
    Exported.run(folder, "", "sh", "-c", SANITIZED);
    String given = Exported.run(folder, files.get("check/scripts"), "./sanitized", "--each-line");
    assertThat(given).isEqualTo(files.get("check/reports"));
    String analysed =
        Exported.run(
            folder, "", "sh", "-c", "cd core && gcc -std=c99 -O1 -fanalyzer -Wall -Wextra -c *.c");
    assertThat(analysed).isEmpty();
  }

  /** A plainer build over a richer one: what is left of it is no code any more. */
  @Test
  public void whatIsLeftOfAnOlderExportDoesNoHarm() throws IOException {
    Blueprint rich = EightBitTest.demos().get("one-hand-first");
    Build plain = Builds.wired(Builds.buttons(30, 30, 75, 30), "native-5v-18");
    Exported.write("over", Firmware.of(rich).files(Firmware.Target.PORTABLE, List.of()));
    Path folder =
        Exported.writeOver(
            "over",
            Firmware.of(Exported.blueprint(plain).orElseThrow())
                .files(Firmware.Target.PORTABLE, List.of()));
    assertThat(folder.resolve("core/chords.c")).exists();
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        "gcc -std=gnu11 -Wall -Wextra -Werror -Icore -Ihost -o over core/*.c host/*.c -lm");
    assertThat(Exported.run(folder, "b1@0+20ms", "./over")).contains("0 0 ");
  }

  /** The self-test stream of the program is that of the simulated board, character by character. */
  @Test(dataProvider = "builds")
  public void theSelfTestStreamIsTheSame(String name, Blueprint blueprint) throws IOException {
    if (blueprint.inputs().dead().isPresent()) {
      throw new SkipException("a short holds this board down");
    }
    Path folder =
        Exported.write(
            "clean-" + name, Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.quick(folder);
    String script = CheckScripts.drawn(blueprint.loom().sites(), new SplittableRandom(3), 9, 90);
    String told = Exported.run(folder, script, "./device-host", "--seed", "5", "--self-test");
    Profile taken =
        kumite.device.PowerUp.chosen(
            blueprint.profiles(), blueprint.inputs(), blueprint.tuning(), List.of());
    SimulatedDevice device = blueprint.device(taken);
    SelfTest test = device.selfTest(kumite.build.map.Script.parse("s", script), 5);
    assertThat(told).isEqualTo(test.text());
    assertThat(SelfTest.read(told, blueprint.looks().all().size())).isEqualTo(test);
  }

  /**
   * By hand, for two buttons on a board of 8-bit codes of their own: each look is a kind, a
   * terminal, its place in the order (1 byte each); two terminals are set up; two meanings on the
   * base; two targets of kind, report, bit (1 + 1 + 2); one report of id, bytes, place (1 + 2 + 2);
   * one profile of 21 words; and the descriptor.
   */
  @Test
  public void tablesAreAsLargeAsCountedByHand() {
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30), "native-5v-18");
    Blueprint blueprint = Exported.blueprint(build).orElseThrow();
    Score score = Firmware.of(blueprint).score();
    int descriptor = blueprint.layout(blueprint.profiles().get(0)).descriptor().length;
    assertThat(score.tableBytes())
        .isEqualTo(2 * 3 + 2 + 2 + 2 * (1 + 1 + 2) + (1 + 2 + 2) + 21 * 2 + descriptor);
    assertThat(score.sizes()).containsEntry("N_LOOKS", 2).containsEntry("N_LAYERS", 0);
    assertThat(CSource.parts(score))
        .containsExactly("device.c", "sample.c", "settle.c", "compose.c", "self_test.c");
  }

  /** What a build does not use is in no table and no file. */
  @Test(dataProvider = "builds")
  public void nothingUnusedIsWritten(String name, Blueprint blueprint) {
    Firmware firmware = Firmware.of(blueprint);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    boolean layers = blueprint.profiles().stream().anyMatch(p -> !p.layers().isEmpty());
    boolean chords = blueprint.profiles().stream().anyMatch(p -> !p.chords().isEmpty());
    assertThat(files.containsKey("core/layers.c")).isEqualTo(layers);
    assertThat(files.containsKey("core/chords.c")).isEqualTo(chords);
    assertThat(files.get("core/device_tables.c").contains("layer_keys")).isEqualTo(layers);
    String script =
        firmware.why(Firmware.Target.SCRIPT).isPresent()
            ? ""
            : firmware.files(Firmware.Target.SCRIPT, List.of()).get("code.py");
    assertThat(script.contains("def patience")).isEqualTo(chords && !script.isEmpty());
    assertThat(script).doesNotContain("# if", "# end", "@TABLES@");
    // No floating point and no allocation in the program itself.
    files.forEach(
        (file, text) -> {
          if (file.startsWith("core/")) {
            assertThat(text.replaceAll("(?s)/\\*.*?\\*/", ""))
                .as(file)
                .doesNotContainPattern("\\b(float|double|malloc|free)\\b");
          }
        });
  }

  /** The platform's reports all have an id: the fields are those of the build, one byte on. */
  @Test(dataProvider = "builds")
  public void theSketchTellsTheHostTheSameFields(String name, Blueprint blueprint) {
    for (Profile profile : blueprint.profiles()) {
      var layout = blueprint.layout(profile);
      boolean plain = layout.reportIds().equals(List.of(0));
      List<InputField> wanted =
          layout.fields().stream()
              .map(
                  f ->
                      new InputField(
                          plain ? SketchSource.ONLY_ID : f.reportId(),
                          f.bitOffset() + (plain ? 8 : 0),
                          f.bits(),
                          f.usage(),
                          f.lastUsage(),
                          f.array(),
                          f.logicalMinimum(),
                          f.logicalMaximum(),
                          f.nullState(),
                          f.relative(),
                          f.application()))
              .toList();
      assertThat(DescriptorReader.inputFields(SketchSource.withIds(layout, 0))).isEqualTo(wanted);
    }
  }

  @DataProvider
  public Object[][] labels() {
    return new Object[][] {
      {"Horn", "CONTACT_HORN"},
      {"class", "CONTACT_CLASS"},
      {"int", "CONTACT_INT"},
      {"2 left", "CONTACT_2_LEFT"},
      {"Größe ↑", "CONTACT_GROSSE"},
      {"Ένα", "CONTACT_ENA"},
      {"*/ #error \"x\" /*", "CONTACT_ERROR_X"},
      {"a\\", "CONTACT_A"},
      {"??/", "CONTACT_UNNAMED"},
      {"\u202Egnip", "CONTACT_GNIP"},
      {"", "CONTACT_UNNAMED"},
    };
  }

  @Test(dataProvider = "labels")
  public void everyLabelBecomesAName(String label, String name) {
    assertThat(new Names("CONTACT_").of(label)).isEqualTo(name);
    assertThat(Names.plain(label)).doesNotContain("*/", "\\", "?").matches("[ -~]*");
  }

  /** Whatever the labels are, names are different, and the code compiles. */
  @Test
  public void labelsOfAllKindsCompile() throws IOException {
    Object[][] labels = labels();
    double[] places = new double[2 * (labels.length + 2)];
    for (int i = 0; i < labels.length + 2; i++) {
      places[2 * i] = 30 + 40 * (i % 6);
      places[2 * i + 1] = 30 + 40 * (i / 6);
    }
    Build build = Builds.wired(Builds.buttons(places), "native-3v3-26");
    List<kumite.build.Control> named = new ArrayList<>();
    for (int i = 0; i < build.controls().size(); i++) {
      String label = i < labels.length ? (String) labels[i][0] : "Horn";
      named.add(build.controls().get(i).withLabel(label.isEmpty() ? "?" : label));
    }
    Blueprint blueprint = Exported.blueprint(build.withControls(named)).orElseThrow();
    Firmware firmware = Firmware.of(blueprint);
    assertThat(firmware.score().contacts()).doesNotHaveDuplicates();
    assertThat(firmware.score().twins()).hasSizeGreaterThanOrEqualTo(3);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(files.get("README.txt")).contains("Horn (CONTACT_HORN_2)", "Horn (CONTACT_HORN_3)");
    assertThat(
            kumite.sheet.Exports.FIRMWARE.notes(
                Bench.of(build.withControls(named), Catalogue.standard())))
        .anyMatch(note -> note.contains("Horn (CONTACT_HORN_2)"));
    Path folder = Exported.write("labels", files);
    Exported.run(folder, "", "make", "-s", "-j2", "OPTIMISE=-O0");
    assertThat(Exported.run(folder, "", "make", "-s", "check")).contains("workbench showed");
  }

  @DataProvider
  public Object[][] boards() {
    return Catalogue.standard().boards().stream()
        .map(b -> new Object[] {b})
        .toArray(Object[][]::new);
  }

  /** A board takes a program or says why not; by radio only the portable one. */
  @Test(dataProvider = "boards")
  public void aBoardTakesAProgramOrSaysWhyNot(BoardKind board) {
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30), board.id());
    Bench bench = Bench.of(build, Catalogue.standard());
    boolean can =
        board.brain().needsCode()
            && !board.fixedMap()
            && (board.brain().link() == BoardKind.Link.USB
                || board.brain().link() == BoardKind.Link.HEADER
                || board.brain().link() == BoardKind.Link.SERIAL
                || board.brain().link() == BoardKind.Link.RADIO);
    assertThat(Blueprint.why(board).isEmpty()).isEqualTo(can);
    if (!can) {
      assertThatThrownBy(bench::firmware)
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageStartingWith("no firmware: ")
          .hasMessageContaining(board.name());
      return;
    }
    Firmware firmware = bench.firmware();
    for (Firmware.Target target : Firmware.Target.values()) {
      boolean usb = board.brain().link() == BoardKind.Link.USB;
      // What runs scripts wants some hundred kilobytes; 8-bit parts have tens.
      boolean small = board.brain().memory().filter(m -> m.flashBytes() < 100_000).isPresent();
      boolean tells = board.brain().link() == BoardKind.Link.SERIAL && target == SKETCH;
      if (target == Firmware.Target.PORTABLE || tells || usb && !(small && target == SCRIPT)) {
        assertThat(firmware.files(target, List.of())).containsKeys("README.txt", "self-test.md");
      } else if (usb) {
        assertThatThrownBy(() -> firmware.files(target, List.of()))
            .hasMessageContaining("what runs scripts wants");
      } else {
        assertThatThrownBy(() -> firmware.files(target, List.of()))
            .hasMessageContaining(
                board.brain().link() == BoardKind.Link.HEADER
                    ? "is the host itself"
                    : "no USB of its own");
      }
    }
  }

  /** A reader is warned before anything else, and told each terminal, profile and caution. */
  @Test
  public void theReadmeSaysWhatToDo() {
    Blueprint blueprint = EightBitTest.demos().get("ferry-bridge-first");
    for (Firmware.Target target : Firmware.Target.values()) {
      String text =
          Firmware.of(blueprint).files(target, List.of("NT-01 A short")).get("README.txt");
      List<String> heads =
          IntStream.range(1, text.split("\n").length)
              .filter(i -> text.split("\n")[i].matches("-{4,}"))
              .mapToObj(i -> text.split("\n")[i - 1])
              .toList();
      assertThat(heads)
          .contains("What to wire", "What to check first", "What it takes", "Cautions", "Profiles");
      assertThat(heads.get(1)).startsWith("Warning");
      assertThat(text).contains("NT-01 A short", "hold anchor and radar", "D6: Horn", "Unplug");
      assertThat(text.lines()).allMatch(line -> line.length() <= 96);
    }
  }

  /** A board without a program for it is told so in words, an empty one too. */
  @Test
  public void whatIsMissingIsNamed() {
    Bench none = Bench.of(Builds.buttons(30, 30), Catalogue.standard());
    assertThatThrownBy(none::firmware).hasMessageContaining("choose a board");
    Build bare = Builds.wired(Build.empty("Bare"), "native-5v-18");
    assertThatThrownBy(Bench.of(bare, Catalogue.standard())::firmware)
        .hasMessageContaining("reads no contact yet");
    assertThat(Optional.of(Firmware.Target.all())).contains("portable, sketch, script");
  }

  /** More contacts than one byte numbers: on registers, all pressed one by one. */
  @Test
  public void hundredsOfContactsAreNumberedInTwoBytes() throws IOException {
    List<kumite.build.Control> controls = new ArrayList<>();
    List<ContactId> contacts = new ArrayList<>();
    Mapping mapping = Mapping.EMPTY;
    for (int i = 0; i < 300; i++) {
      ControlId id = new ControlId("b" + i);
      controls.add(
          kumite.build.Control.of(
              id, "B " + i, "button-24", Placement.at(30 + 32 * (i % 20), 30 + 32 * (i / 20))));
      contacts.add(new ContactId(id, ""));
      mapping = mapping.with(contacts.get(i), entry(i % 128 + 1));
    }
    Build bare = Build.empty("Hundreds");
    Build build =
        bare.withControls(controls)
            .withMapping(mapping)
            .withBoard(
                Optional.of(new kumite.build.BoardChoice("native-3v3-48", Placement.at(40, 40))))
            .withLoom(bare.loom().withGroup(new ControlId("keys"), Topology.REGISTERS, contacts));
    Blueprint blueprint = Exported.blueprint(build).orElseThrow();
    Firmware firmware = Firmware.of(blueprint);
    assertThat(firmware.score().small()).isFalse();
    assertThat(firmware.score().size("N_BITS")).isEqualTo(304);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    Path folder = Exported.write("hundreds", files);
    Targets.quick(folder);
    String line = files.get("check/scripts").lines().findFirst().orElseThrow() + "\n";
    String wanted = files.get("check/reports").split("\n\n")[0];
    assertThat(Exported.run(folder, line, "./device-host", "--each-line").strip())
        .isEqualTo(wanted);
  }

  private static Mapping.Entry entry(int button) {
    return new Mapping.Entry(new Target.Button(button), "");
  }

  /** A play that the build keeps is in the folder, and gives what it gives here. */
  @Test
  public void keptPlaysAreInTheFolder() throws IOException {
    Build plain = Builds.wired(Builds.buttons(30, 30, 75, 30), "native-5v-18");
    Script kept = Script.parse("Two at once!", "b1@3+40ms b2@5+20ms");
    Blueprint blueprint = Exported.blueprint(plain.withScripts(List.of(kept))).orElseThrow();
    Path folder =
        Exported.write("kept", Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.quick(folder);
    String told =
        Exported.run(folder, "", "sh", "-c", "./device-host --seed 8 < scripts/two_at_once.txt");
    assertThat(told + "\n")
        .isEqualTo(
            CheckScripts.lines(
                blueprint,
                blueprint.profiles().get(0),
                blueprint.device(blueprint.profiles().get(0)).play(kept, 8)));
  }
}
