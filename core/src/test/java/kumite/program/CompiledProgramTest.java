package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.firmware.Blueprint;
import kumite.firmware.Exported;
import kumite.firmware.Firmware;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.loom.Look;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The exported C against the page it is written after: its examples, and the second program that
 * was written from the page alone. Without wires: each look is told what it reads.
 */
public class CompiledProgramTest {
  private static final int WRAPS = 60;

  /** A board of eight-bit codes, as the examples count. */
  static BoardKind board(int bits) {
    BoardKind b = Catalogue.standard().board("native-3v3-48").orElseThrow();
    return new BoardKind(
        "own-eight",
        b.name(),
        b.trait(),
        b.widthMm(),
        b.heightMm(),
        b.logicVolts(),
        b.fiveVoltTolerant(),
        b.common(),
        b.lowVolts(),
        b.highVolts(),
        b.levels(),
        b.pullLeastOhm(),
        b.pullMostOhm(),
        bits,
        b.fixedMap(),
        b.terminals(),
        b.seating(),
        b.brain(),
        b.current(),
        b.circuit());
  }

  /** A build with the controls that some contacts belong to, each on terminals of its own. */
  static Blueprint blueprint(
      BoardKind board,
      Set<ContactId> contacts,
      Set<ContactId> travels,
      Profile profile,
      Tuning tuning,
      Timing timing) {
    List<Control> controls = new ArrayList<>();
    Set<ControlId> made = new LinkedHashSet<>();
    for (ContactId contact : contacts) {
      if (made.add(contact.control())) {
        String kind =
            travels.contains(contact)
                ? "slider-60"
                : contact.contact().isEmpty()
                    ? "button-24"
                    : contact.contact().length() == 1 ? "encoder-7" : "lever-8";
        controls.add(
            Control.of(
                contact.control(),
                contact.control().text(),
                kind,
                Placement.at(40 + 60 * (controls.size() % 6), 40 + 60 * (controls.size() / 6))));
      }
    }
    Build build =
        Build.empty("Page")
            .withOwnBoard(board)
            .withControls(controls)
            .withBoard(Optional.of(new BoardChoice("own-eight", Placement.at(200, 200))))
            .withProfile(p -> profile)
            .withTuning(tuning)
            .withTiming(timing);
    return Exported.blueprint(build).orElseThrow();
  }

  static Path compile(String name, Blueprint blueprint) throws IOException {
    Path folder =
        Exported.write(name, Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Path main = folder.resolve("looks.c");
    try (var in = Firmware.class.getResourceAsStream("standin/looks/looks.c")) {
      Files.writeString(main, new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
    Exported.run(folder, "", "sh", "-c", Exported.QUICK + " -Icore -o looks core/*.c looks.c");
    return folder;
  }

  /** Notes looks and polls as the program without wires reads them. */
  static final class Feed implements Example.Board {
    final StringBuilder lines = new StringBuilder();

    @Override
    public void look(long us, boolean[] pressed, int[] codes) {
      lines.append("L ").append(us).append(' ');
      for (boolean one : pressed) {
        lines.append(one ? '1' : '0');
      }
      for (int code : codes) {
        lines.append(' ').append(code);
      }
      lines.append('\n');
    }

    @Override
    public void poll(long us) {
      lines.append("P ").append(us).append('\n');
    }

    @Override
    public void refuses(boolean is) {
      lines.append("R ").append(is ? 1 : 0).append('\n');
    }

    @Override
    public void forget() {
      lines.append("F\n");
    }
  }

  static List<ContactId> looked(Blueprint blueprint) {
    return blueprint.looks().all().stream().map(Look::contact).map(Optional::orElseThrow).toList();
  }

  @DataProvider(parallel = true)
  public Object[][] examples() throws Exception {
    return new SemanticsTest().examples();
  }

  /**
   * Every example of the page, by the compiled program; and the same once more while its counter of
   * microseconds runs over in the middle.
   */
  @Test(dataProvider = "examples")
  public void theExampleRunsAsWritten(String said, List<String> block) throws IOException {
    Example example = Example.parse(block);
    Set<ContactId> travels = new LinkedHashSet<>();
    example.contacts.stream().filter(example::travels).forEach(travels::add);
    Blueprint blueprint =
        blueprint(
            board(8),
            new LinkedHashSet<>(example.contacts),
            travels,
            example.profile,
            example.tuning,
            example.timing);
    Path folder = compile("page-" + Integer.toHexString(block.hashCode()), blueprint);
    Feed feed = new Feed();
    example.play(looked(blueprint), feed);
    String printed = Exported.run(folder, feed.lines.toString(), "./looks");
    ReportLayout layout = example.layout();
    List<Example.Sent> sent = new ArrayList<>();
    for (String line : printed.split("\n")) {
      String[] words = line.split(" ");
      sent.add(
          Example.read(
              layout, Long.parseLong(words[0]) / 1000.0, HexFormat.of().parseHex(words[2])));
    }
    SemanticsTest.toldAsWritten(said, example, sent);
    long over = (1L << 32) - WRAPS * 1000;
    assertThat(Exported.run(folder, feed.lines.toString(), "./looks", Long.toString(over)))
        .as("while the counter runs over")
        .isEqualTo(printed);
  }

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 16).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** Any profile, any play: the compiled program tells what the second program tells. */
  @Test(dataProvider = "seeds")
  public void theSecondProgramTellsTheSame(int seed) throws IOException {
    SplittableRandom random = new SplittableRandom(1000 + seed);
    Profile profile = SecondProgramTest.any(random);
    boolean deferred = random.nextBoolean();
    int waitMs = random.nextInt(8);
    Set<ContactId> contacts = new LinkedHashSet<>();
    for (int i = 0; i < SecondProgramTest.CONTACTS; i++) {
      contacts.add(SecondProgramTest.id(i));
    }
    Blueprint blueprint =
        blueprint(
            board(8),
            contacts,
            Set.of(),
            profile,
            Tuning.NONE,
            new Timing(
                1000,
                deferred ? Timing.Debounce.DEFERRED : Timing.Debounce.EAGER,
                1000 * waitMs,
                1000));
    Path folder = compile("second-" + seed, blueprint);
    PlainProgram plain = new PlainProgram(profile, deferred, 1000L * waitMs, Map.of());
    List<Set<Target>> wanted = new ArrayList<>();
    Feed feed = new Feed();
    List<ContactId> looked = looked(blueprint);
    boolean[] pressed = new boolean[looked.size()];
    int busy = random.nextInt(12, 160);
    for (int ms = 0; ms < 3000; ms++) {
      Map<ContactId, Boolean> read = new HashMap<>();
      for (int i = 0; i < pressed.length; i++) {
        pressed[i] ^= random.nextInt(busy) == 0;
        read.put(looked.get(i), pressed[i]);
      }
      feed.look(ms * 1000L, pressed, new int[pressed.length]);
      feed.poll(ms * 1000L);
      plain.look(ms * 1000L, read);
      wanted.add(plain.told());
    }
    Map<Integer, List<String[]>> sent = new HashMap<>();
    for (String line : Exported.run(folder, feed.lines.toString(), "./looks").split("\n")) {
      String[] words = line.split(" ");
      int ms = (int) (Long.parseLong(words[0]) / 1000);
      sent.computeIfAbsent(ms, at -> new ArrayList<>()).add(words);
    }
    ReportLayout layout =
        ReportLayout.of(profile.entries().map(Mapping.Entry::target).toList(), Map.of(), 255);
    Map<Integer, byte[]> last = new HashMap<>();
    for (int ms = 0; ms < wanted.size(); ms++) {
      for (String[] words : sent.getOrDefault(ms, List.of())) {
        last.put(Integer.parseInt(words[1]), HexFormat.of().parseHex(words[2]));
      }
      SecondProgramTest.agree("seed " + seed + " at " + ms + " ms", wanted.get(ms), last, layout);
    }
  }

  /** A lamp on a terminal that drives goes with its contact: as it settles, on and off again. */
  @Test
  public void lampsFollowTheirContacts() throws IOException {
    Build build = Build.empty("Lamps").withOwnBoard(board(8));
    List<Control> controls = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      String terminal = i == 0 ? "12" : "11";
      Control lit =
          Control.of(
              new ControlId("lit" + i),
              "Lit " + i,
              "button-24-lamp",
              Placement.at(40 + 60 * i, 40));
      controls.add(
          lit.withHookup(
              h -> h.withLampFrom(Optional.of(terminal)).withLampOhm(OptionalDouble.of(330))));
    }
    Blueprint blueprint =
        Exported.blueprint(
                build
                    .withControls(controls)
                    .withTiming(new Timing(1000, Timing.Debounce.DEFERRED, 5000, 1000))
                    .withBoard(Optional.of(new BoardChoice("own-eight", Placement.at(200, 200)))))
            .orElseThrow();
    assertThat(blueprint.looks().lamps().keySet()).containsExactlyInAnyOrder("11", "12");
    Path folder = compile("lamps", blueprint);
    Feed feed = new Feed();
    for (int ms = 0; ms < 60; ms++) {
      boolean[] pressed = {ms >= 10 && ms < 30, ms >= 20 && ms < 40, ms >= 25 && ms < 50};
      feed.look(ms * 1000L, pressed, new int[3]);
    }
    List<String> changes = new ArrayList<>();
    Map<String, String> before = new HashMap<>();
    for (String line : Exported.run(folder, feed.lines.toString(), "./looks").split("\n")) {
      String[] words = line.split(" ");
      if (!words[2].equals(before.getOrDefault(words[1], "0"))) {
        changes.add((words[2].equals("1") ? "on " : "off ") + words[4]);
      }
      before.put(words[1], words[2]);
    }
    // The first lamp alone from 15 ms to 35; the other is shared by two, from 25 ms to 55.
    assertThat(changes).containsExactly("on 15000", "on 25000", "off 35000", "off 55000");
  }
}
