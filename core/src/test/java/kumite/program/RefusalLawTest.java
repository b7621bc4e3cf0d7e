package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.brief.Host;
import kumite.build.map.AxisName;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.firmware.Blueprint;
import kumite.firmware.Exported;
import kumite.hid.KeyNames;
import kumite.hid.ReportLayout;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A host that does not take a report is told it later: nothing is lost, nothing is told twice. */
public class RefusalLawTest {
  private static final Timing TIMING = new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000);
  private static final List<ContactId> SWITCHES = ids("a", "b", "c", "d");
  private static final List<ContactId> TRAVELS = ids("s", "t");
  private static final int PLAYED_MS = 600;
  private static final int BUTTONS = 3;

  private static List<ContactId> ids(String... names) {
    return Arrays.stream(names).map(ContactId::parse).toList();
  }

  private static Mapping.Entry entry(Target target) {
    return new Mapping.Entry(target, "");
  }

  /** Buttons, keys, an axis and the mouse: three reports, one of which moves. */
  private static Profile profile() {
    Mapping base =
        Mapping.EMPTY
            .with(SWITCHES.get(0), entry(new Target.Button(1)))
            .with(SWITCHES.get(1), entry(new Target.Button(2)))
            .with(SWITCHES.get(2), entry(new Target.Key(KeyNames.usage("A").orElseThrow())))
            .with(SWITCHES.get(3), entry(new Target.MotionEnd(Target.MouseAxis.X, true)))
            .with(TRAVELS.get(0), entry(new Target.Axis(AxisName.X)))
            .with(TRAVELS.get(1), entry(new Target.Axis(AxisName.Y)));
    Set<ContactId> members = new LinkedHashSet<>(SWITCHES.subList(0, 2));
    Chord chord = new Chord(Layer.BASE, members, 30, true, entry(new Target.Button(3)));
    return Profile.empty("All", Host.COMPUTER).withBase(base).withChord(chord);
  }

  private static Program program(ReportLayout layout, List<ContactId> looked) {
    return Program.of(
        looked.stream()
            .map(c -> TRAVELS.contains(c) ? Sense.travel(c.toString()) : Sense.press(c.toString()))
            .toList(),
        profile(),
        Tuning.NONE,
        TIMING,
        layout,
        255);
  }

  private static ReportLayout layout() {
    return ReportLayout.of(profile().entries().map(Mapping.Entry::target).toList(), Map.of(), 255);
  }

  /** What a host has heard so far. */
  private static final class Ear {
    final Map<Integer, byte[]> last = new HashMap<>();
    final Map<Integer, Integer> rises = new HashMap<>();
    int dots;

    boolean take(ReportLayout layout, int id, byte[] transfer) {
      if (layout.part(id) == ReportLayout.Part.MOUSE) {
        dots +=
            transfer[
                layout.fieldOf(new Target.Motion(Target.MouseAxis.X)).orElseThrow().byteIndex()];
        return true;
      }
      byte[] before = last.getOrDefault(id, new byte[transfer.length]);
      for (int bit = 8; bit < 8 * transfer.length; bit++) {
        boolean button = layout.part(id) == ReportLayout.Part.GAMEPAD && bit < 8 + BUTTONS;
        if (button && on(transfer, bit) && !on(before, bit)) {
          rises.merge(bit, 1, Integer::sum);
        }
      }
      last.put(id, transfer);
      return true;
    }

    private static boolean on(byte[] transfer, int bit) {
      return (transfer[bit >> 3] >> (bit & 7) & 1) != 0;
    }
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /**
   * Whatever is refused, at the end the host knows what a host knows that took all; the mouse went
   * as far; and a tap that came and went while it slept is heard all the same.
   */
  @Test(dataProvider = "seeds")
  public void whatWasRefusedIsToldLater(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<ContactId> looked = new ArrayList<>(SWITCHES);
    looked.addAll(TRAVELS);
    ReportLayout layout = layout();
    Program refused = program(layout, looked);
    Program heard = program(layout, looked);
    Ear ear = new Ear();
    Ear all = new Ear();
    boolean[] pressed = new boolean[looked.size()];
    int[] codes = new int[looked.size()];
    boolean sleeps = false;
    for (int ms = 0; ms < PLAYED_MS + 300; ms++) {
      for (int i = 0; i < SWITCHES.size() && ms < PLAYED_MS; i++) {
        pressed[i] ^= random.nextInt(40) == 0;
        pressed[3] &= ms < PLAYED_MS - 100;
      }
      for (int i = SWITCHES.size(); i < codes.length && ms < PLAYED_MS; i++) {
        codes[i] = random.nextInt(30) == 0 ? random.nextInt(256) : codes[i];
      }
      sleeps = ms < PLAYED_MS && (random.nextInt(20) == 0) != sleeps;
      boolean away = sleeps;
      refused.look(1000L * ms, pressed, codes);
      heard.look(1000L * ms, pressed, codes);
      refused.poll((id, transfer) -> !away && ear.take(layout, id, transfer));
      heard.poll((id, transfer) -> all.take(layout, id, transfer));
    }
    for (int id : layout.reportIds()) {
      if (layout.part(id) != ReportLayout.Part.MOUSE) {
        assertThat(ear.last.get(id)).as("report %d", id).isEqualTo(all.last.get(id));
      }
    }
    assertThat(ear.dots).as("dots").isEqualTo(all.dots);
  }

  /** A tap told while the host sleeps stands until it wakes, and is told once. */
  @Test
  public void aTapWaitsForTheHost() {
    ReportLayout layout = layout();
    List<ContactId> looked = new ArrayList<>(SWITCHES);
    looked.addAll(TRAVELS);
    Program program = program(layout, looked);
    Ear ear = new Ear();
    boolean[] pressed = new boolean[looked.size()];
    for (int ms = 0; ms < 500; ms++) {
      pressed[0] = ms >= 100 && ms < 110; // a member of a chord, let go within its window
      program.look(1000L * ms, pressed, new int[looked.size()]);
      boolean away = ms >= 90 && ms < 400;
      program.poll((id, transfer) -> !away && ear.take(layout, id, transfer));
    }
    assertThat(ear.rises.values()).containsExactly(1);
  }

  /** The compiled program refuses, waits and forgets as the first one. */
  @Test
  public void theCompiledProgramDoesTheSame() throws IOException {
    Set<ContactId> contacts = new LinkedHashSet<>(SWITCHES);
    contacts.addAll(TRAVELS);
    Blueprint blueprint =
        CompiledProgramTest.blueprint(
            CompiledProgramTest.board(8),
            contacts,
            new LinkedHashSet<>(TRAVELS),
            profile(),
            Tuning.NONE,
            TIMING);
    Path folder = CompiledProgramTest.compile("refused", blueprint);
    List<ContactId> looked = CompiledProgramTest.looked(blueprint);
    ReportLayout layout = blueprint.layout(blueprint.profiles().get(0));
    for (int seed = 0; seed < 20; seed++) {
      SplittableRandom random = new SplittableRandom(seed);
      Program program = program(layout, looked);
      CompiledProgramTest.Feed feed = new CompiledProgramTest.Feed();
      StringBuilder wanted = new StringBuilder();
      boolean[] pressed = new boolean[looked.size()];
      int[] codes = new int[looked.size()];
      boolean sleeps = false;
      for (int ms = 0; ms < PLAYED_MS; ms++) {
        long us = 1000L * ms;
        for (int i = 0; i < pressed.length; i++) {
          boolean travels = TRAVELS.contains(looked.get(i));
          pressed[i] ^= !travels && random.nextInt(30) == 0;
          codes[i] = travels && random.nextInt(30) == 0 ? random.nextInt(256) : codes[i];
        }
        if (random.nextInt(25) == 0) {
          sleeps = !sleeps;
          feed.refuses(sleeps);
          if (!sleeps && random.nextBoolean()) {
            feed.forget();
            program.forget();
          }
        }
        boolean away = sleeps;
        feed.look(us, pressed, codes);
        feed.poll(us);
        program.look(us, pressed, codes);
        program.poll(
            (id, transfer) ->
                !away
                    && wanted
                            .append(us)
                            .append(' ')
                            .append(id)
                            .append(' ')
                            .append(HexFormat.of().withUpperCase().formatHex(transfer))
                            .append('\n')
                        != null);
      }
      assertThat(Exported.run(folder, feed.lines.toString(), "./looks"))
          .as("seed %d", seed)
          .isEqualTo(wanted.toString());
    }
  }

  // ---- noise

  @DataProvider
  public Object[][] converters() {
    return new Object[][] {{8, 0}, {10, 2}, {12, 2}, {16, 2}};
  }

  /**
   * An untouched slider says nothing: two codes of noise either way, anywhere on its way, are one
   * report. What is moved comes to both its ends and to its rest exactly.
   */
  @Test(dataProvider = "converters")
  public void noiseIsNoMovement(int bits, int noise) {
    SplittableRandom random = new SplittableRandom(bits);
    int most = (1 << bits) - 1;
    Mapping base = Mapping.EMPTY.with(TRAVELS.get(0), entry(new Target.Axis(AxisName.X)));
    Profile profile = Profile.empty("One", Host.COMPUTER).withBase(base);
    ReportLayout layout = ReportLayout.of(List.of(new Target.Axis(AxisName.X)), Map.of(), most);
    for (int place = 0; place <= 60; place++) {
      int at = (int) ((long) most * place / 60);
      for (double rest : new double[] {0, 0.5}) {
        Sense sense =
            new Sense(
                java.util.Optional.of(TRAVELS.get(0)), true, 0, rest, java.util.Optional.empty());
        Program program = Program.of(List.of(sense), profile, Tuning.NONE, TIMING, layout, most);
        List<byte[]> told = new ArrayList<>();
        for (int ms = 0; ms < 200; ms++) {
          int code = at + random.nextInt(-noise, noise + 1);
          program.look(1000L * ms, new boolean[1], new int[] {Math.max(0, Math.min(most, code))});
          program.poll((id, transfer) -> told.add(transfer));
        }
        // The first may be followed by one that says that it stands at its end or its rest.
        assertThat(told.size()).as("at %d of %d, rest %s", at, most, rest).isLessThan(3);
        for (int end : new int[] {0, most, most / 2}) {
          program.look(1_000_000L, new boolean[1], new int[] {end});
          program.poll((id, transfer) -> told.add(transfer));
          int value =
              layout
                  .fieldOf(new Target.Axis(AxisName.X))
                  .orElseThrow()
                  .read(told.get(told.size() - 1));
          int wanted = end == most / 2 ? rest > 0 ? (most + 1) / 2 : end : end;
          assertThat(value).as("from %d to %d", at, end).isBetween(wanted - 1, wanted + 1);
        }
      }
    }
  }
}
