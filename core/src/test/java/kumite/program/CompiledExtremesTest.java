package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.brief.Host;
import kumite.build.map.AxisName;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.firmware.Blueprint;
import kumite.firmware.Exported;
import kumite.hid.ReportLayout;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The compiled program at the ends of what can be chosen: where its whole numbers could run over.
 */
public class CompiledExtremesTest {
  private static final AxisName[] AXES = {AxisName.X, AxisName.Y, AxisName.Z, AxisName.RX};

  private static ContactId id(String text) {
    return ContactId.parse(text);
  }

  private static Mapping.Entry entry(Target target) {
    return new Mapping.Entry(target, "");
  }

  @DataProvider(parallel = true)
  public Object[][] converters() {
    return new Object[][] {{8}, {10}, {12}, {16}};
  }

  /** Every kind of tuning at codes from end to end, of converters up to sixteen bits. */
  @Test(dataProvider = "converters")
  public void everyCodeIsShapedAsByTheProgram(int bits) throws IOException {
    SplittableRandom random = new SplittableRandom(bits);
    int most = (1 << bits) - 1;
    Profile profile = Profile.empty("Axes", Host.COMPUTER);
    Tuning tuning = Tuning.NONE;
    Set<ContactId> contacts = new LinkedHashSet<>();
    for (int i = 0; i < AXES.length; i++) {
      ContactId slider = id("s" + i);
      contacts.add(slider);
      profile = profile.withBase(profile.base().with(slider, entry(new Target.Axis(AXES[i]))));
      if (i > 0) {
        tuning =
            tuning
                .withAxis(slider, java.util.Optional.of(RandomBuilds.tuned(random)))
                .withPress(slider, java.util.Optional.of(new PressAt(1000, random.nextInt(1000))));
      }
    }
    Timing timing = new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000);
    Blueprint blueprint =
        CompiledProgramTest.blueprint(
            CompiledProgramTest.board(bits), contacts, contacts, profile, tuning, timing);
    Path folder = CompiledProgramTest.compile("axes-" + bits, blueprint);
    List<ContactId> looked = CompiledProgramTest.looked(blueprint);
    ReportLayout layout = blueprint.layout(blueprint.profiles().get(0));
    Program program =
        Program.of(
            looked.stream().map(c -> Sense.travel(c.toString())).toList(),
            blueprint.profiles().get(0),
            tuning,
            timing,
            layout,
            most);
    CompiledProgramTest.Feed feed = new CompiledProgramTest.Feed();
    StringBuilder wanted = new StringBuilder();
    for (int step = 0; step <= 800; step++) {
      long us = 1000L * step;
      int[] codes = new int[looked.size()];
      for (int i = 0; i < codes.length; i++) {
        codes[i] = step <= 400 ? (int) ((long) most * step / 400) : random.nextInt(most + 1);
      }
      feed.look(us, new boolean[looked.size()], codes);
      feed.poll(us);
      program.look(us, new boolean[looked.size()], codes);
      program.poll((id, transfer) -> wanted.append(line(us, id, transfer)) != null);
    }
    assertThat(Exported.run(folder, feed.lines.toString(), "./looks")).isEqualTo(wanted.toString());
  }

  private static String line(long us, int id, byte[] transfer) {
    return us + " " + id + " " + HexFormat.of().withUpperCase().formatHex(transfer) + "\n";
  }

  @DataProvider(parallel = true)
  public Object[][] timings() {
    List<Object[]> all = new ArrayList<>();
    for (int waitUs : new int[] {0, 1, 999, 65_535, 65_536, 100_000}) {
      for (Timing.Debounce school : Timing.Debounce.values()) {
        all.add(new Object[] {50, school, waitUs, 1000});
        all.add(new Object[] {50_000, school, waitUs, 255_000});
      }
    }
    return all.toArray(Object[][]::new);
  }

  /** The shortest and the longest waits, looks and polls, bouncing levels, presses of hours. */
  @Test(dataProvider = "timings")
  public void everyTimingSettlesAsByTheProgram(
      int scanUs, Timing.Debounce school, int waitUs, int pollUs) throws IOException {
    Timing timing = new Timing(scanUs, school, waitUs, pollUs);
    Profile profile = Profile.empty("Times", Host.COMPUTER);
    Set<ContactId> contacts = new LinkedHashSet<>(List.of(id("a"), id("b")));
    profile = profile.withBase(Mapping.EMPTY.with(id("a"), entry(new Target.Button(1))));
    Blueprint blueprint =
        CompiledProgramTest.blueprint(
            CompiledProgramTest.board(8), contacts, Set.of(), profile, Tuning.NONE, timing);
    String name = "times-" + scanUs + "-" + school + "-" + waitUs;
    Path folder = CompiledProgramTest.compile(name, blueprint);
    Program program =
        Program.of(
            CompiledProgramTest.looked(blueprint).stream()
                .map(c -> Sense.press(c.toString()))
                .toList(),
            blueprint.profiles().get(0),
            Tuning.NONE,
            timing,
            blueprint.layout(blueprint.profiles().get(0)),
            255);
    SplittableRandom random = new SplittableRandom(waitUs + scanUs);
    CompiledProgramTest.Feed feed = new CompiledProgramTest.Feed();
    StringBuilder wanted = new StringBuilder();
    boolean[] pressed = new boolean[2];
    long us = 0;
    for (int look = 0; look < 4000; look++) {
      // Now and then the same level stays for more than an hour, and for one look only.
      us += look % 997 == 996 ? 4_000_000_000L : scanUs;
      boolean shaky = look / 50 % 2 == 0;
      pressed[0] = shaky ? random.nextBoolean() : look / 100 % 2 == 0;
      feed.look(us, pressed, new int[2]);
      program.look(us, pressed, new int[2]);
      long now = us;
      feed.poll(now);
      program.poll((id, transfer) -> wanted.append(line(now, id, transfer)) != null);
    }
    assertThat(Exported.run(folder, feed.lines.toString(), "./looks")).isEqualTo(wanted.toString());
  }

  /** Two toggles thrown seconds apart stay no chord, however many hours both stand. */
  @Test(dataProvider = "bases")
  public void anOldPressNeverBecomesPartOfAChord(long base) throws IOException {
    Set<ContactId> contacts = new LinkedHashSet<>(List.of(id("a"), id("b")));
    for (boolean waits : new boolean[] {true, false}) {
      Mapping both =
          Mapping.EMPTY
              .with(id("a"), entry(new Target.Button(1)))
              .with(id("b"), entry(new Target.Button(2)));
      Chord chord = new Chord(Layer.BASE, contacts, 50, waits, entry(new Target.Button(3)));
      Profile profile = Profile.empty("Two", Host.COMPUTER).withBase(both).withChord(chord);
      Timing timing = new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000);
      Blueprint blueprint =
          CompiledProgramTest.blueprint(
              CompiledProgramTest.board(8), contacts, Set.of(), profile, Tuning.NONE, timing);
      Path folder = CompiledProgramTest.compile("old-" + waits, blueprint);
      for (long apartUs : new long[] {100_000, 4_000_000, (1L << 32) - 20_000, 1L << 32}) {
        CompiledProgramTest.Feed feed = new CompiledProgramTest.Feed();
        feed.look(0, new boolean[2], new int[2]);
        feed.look(1000, new boolean[] {true, false}, new int[2]);
        for (long us = 60_000; us < apartUs; us += 900_000_000) {
          feed.look(us, new boolean[] {true, false}, new int[2]);
        }
        for (long us = apartUs + 1000; us < apartUs + 20_000_000_000L; us += 700_000_001) {
          feed.look(us, new boolean[] {true, true}, new int[2]);
          feed.look(us + 60_000, new boolean[] {true, true}, new int[2]);
          feed.poll(us + 60_000);
        }
        String told = Exported.run(folder, feed.lines.toString(), "./looks", Long.toString(base));
        assertThat(told.lines().map(line -> line.split(" ")[2]))
            .as("%s us apart, %s", apartUs, waits ? "waiting" : "at once")
            .containsExactly("03");
      }
    }
  }

  @DataProvider
  public Object[][] bases() {
    return new Object[][] {{0L}, {(1L << 32) - 5_000}, {(1L << 31) - 5_000}};
  }

  /**
   * The program's own time: a look each millisecond, one after a stall, wherever the counter is.
   */
  @Test(dataProvider = "bases")
  public void looksComeWhenTheyAreDue(long base) throws IOException {
    Blueprint blueprint = oneButton(new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000));
    Path folder = CompiledProgramTest.compile("ticks", blueprint);
    StringBuilder lines = new StringBuilder();
    List<Long> wanted = new ArrayList<>();
    IntStream.rangeClosed(0, 50).mapToLong(i -> 100L * i).forEach(us -> tick(lines, us));
    IntStream.rangeClosed(0, 5).forEach(ms -> wanted.add(1000L * ms));
    tick(lines, 12_300); // it was held up for seven milliseconds
    wanted.add(12_300L);
    IntStream.rangeClosed(124, 160).mapToLong(i -> 100L * i).forEach(us -> tick(lines, us));
    wanted.addAll(List.of(13_300L, 14_300L, 15_300L));
    List<Long> looks =
        Exported.run(folder, lines.toString(), "./looks", Long.toString(base))
            .lines()
            .filter(line -> line.startsWith("look"))
            .map(line -> Long.parseLong(line.split(" ")[1]))
            .toList();
    assertThat(looks).isEqualTo(wanted);
  }

  private static void tick(StringBuilder lines, long us) {
    lines.append("T ").append(us).append(" 0\n");
  }

  /** A profile that is begun again remembers nothing of what was held. */
  @Test
  public void aProgramBegunAgainRemembersNothing() throws IOException {
    Blueprint blueprint = oneButton(new Timing(1000, Timing.Debounce.EAGER, 5000, 1000));
    Path folder = CompiledProgramTest.compile("again", blueprint);
    String once = "L 0 0 0\nP 0\nL 1000 1 0\nP 1000\n";
    String told = Exported.run(folder, once, "./looks");
    assertThat(Exported.run(folder, once + "B 0\n" + once, "./looks")).isEqualTo(told + told);
    assertThat(Map.of("reports", told.lines().count())).containsEntry("reports", 2L);
  }

  private static Blueprint oneButton(Timing timing) {
    Mapping base = Mapping.EMPTY.with(id("a"), entry(new Target.Button(1)));
    return CompiledProgramTest.blueprint(
        CompiledProgramTest.board(8),
        Set.of(id("a")),
        Set.of(),
        Profile.empty("One", Host.COMPUTER).withBase(base),
        Tuning.NONE,
        timing);
  }
}
