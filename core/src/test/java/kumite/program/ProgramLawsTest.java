package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.brief.Host;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.HostView;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.kind.ContactKind;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What holds for any profile and any play. */
public class ProgramLawsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 150).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /** A program over any profile, with any play. */
  private static final class Play {
    final List<Sense> senses = new ArrayList<>();
    final Profile profile;
    final ReportLayout layout;
    final Program program;
    final SplittableRandom random;
    final boolean[] pressed;
    final int[] codes;
    long us;

    Play(int seed, boolean toggles) {
      random = new SplittableRandom(seed);
      Build build = RandomBuilds.layered(RandomBuilds.any(random), random);
      Profile any = build.profile();
      profile =
          toggles
              ? any
              : any.withLayers(
                  any.layers().stream().map(l -> l.reached(Layer.Reach.HOLD, l.by())).toList());
      build
          .controls()
          .forEach(
              control -> {
                for (ContactKind contact : CATALOGUE.kindOf(control).contacts()) {
                  senses.add(
                      new Sense(
                          Optional.of(new ContactId(control.id(), contact.name())),
                          contact.type().analog(),
                          CATALOGUE.kindOf(control).steps(),
                          contact.rest(),
                          Optional.empty()));
                }
              });
      layout =
          ReportLayout.of(
              profile.entries().map(Mapping.Entry::target).toList(),
              Map.of(),
              4095,
              profile.keys());
      program =
          Program.of(
              senses,
              profile,
              build.tuning(),
              new Timing(1000, Timing.Debounce.DEFERRED, 3000, 2000),
              layout,
              4095);
      pressed = new boolean[senses.size()];
      codes = new int[senses.size()];
    }

    void hands() {
      for (int i = 0; i < pressed.length; i++) {
        if (random.nextInt(60) == 0) {
          pressed[i] = !senses.get(i).travels() && random.nextBoolean();
          codes[i] = senses.get(i).travels() ? random.nextInt(4096) : 0;
        }
      }
    }

    void release() {
      Arrays.fill(pressed, false);
      Arrays.fill(codes, 0);
    }

    Map<Integer, String> tick(Program program) {
      Map<Integer, String> told = new HashMap<>();
      program.look(us, pressed, codes);
      if (us % 2000 == 0) {
        program.poll(
            (id, transfer) -> {
              told.put(id, Arrays.toString(transfer));
              return true;
            });
      }
      return told;
    }
  }

  /** A copy goes on exactly as the original does: nothing of the state is forgotten or shared. */
  @Test(dataProvider = "seeds")
  public void aCopyGoesOnLikeTheOriginal(int seed) {
    Play play = new Play(seed, true);
    Program copy = play.program;
    for (int i = 0; i < 400; i++) {
      play.hands();
      Map<Integer, String> told = play.tick(play.program);
      if (copy != play.program) {
        assertThat(play.tick(copy)).as("look %d", i).isEqualTo(told);
      }
      if (i % 50 == 20) {
        copy = play.program.copy();
      }
      play.us += 1000;
    }
  }

  /** Whatever was played: with all let go, and no layer left toggled, the reports are at rest. */
  @Test(dataProvider = "seeds")
  public void lettingAllGoComesBackToRest(int seed) {
    Play play = new Play(seed, false);
    play.tick(play.program);
    Map<Integer, byte[]> rest = new HashMap<>();
    play.layout.reportIds().forEach(id -> rest.put(id, play.program.report(id)));
    for (int i = 0; i < 300; i++) {
      play.us += 1000;
      play.hands();
      play.tick(play.program);
    }
    play.release();
    for (int i = 0; i < 6000; i++) {
      play.us += 1000;
      play.tick(play.program);
    }
    assertThat(play.program.layer()).isZero();
    for (int id : play.layout.reportIds()) {
      HostView seen = HostView.of(play.layout.fields(), play.program.report(id));
      HostView fresh = HostView.of(play.layout.fields(), rest.get(id));
      assertThat(seen.on()).as("report %d of seed %d", id, seed).isEqualTo(fresh.on());
    }
    for (int i = 0; i < play.senses.size(); i++) {
      assertThat(play.program.stand(i)).isEqualTo(Chords.Stand.UP);
    }
  }

  /** A layer is in force just as long as it is held, whatever else is done. */
  @Test(dataProvider = "seeds")
  public void nothingIsOnThatNobodyAsksFor(int seed) {
    Play play = new Play(seed, true);
    for (int i = 0; i < 300; i++) {
      play.hands();
      play.tick(play.program);
      for (int c = 0; c < play.profile.chords().size(); c++) {
        if (play.program.chord(c)) {
          Set<ContactId> members = play.profile.chords().get(c).contacts();
          for (int s = 0; s < play.senses.size(); s++) {
            if (members.contains(play.senses.get(s).contact().orElseThrow())) {
              assertThat(play.program.settled(s)).isTrue();
              assertThat(play.program.stand(s)).isEqualTo(Chords.Stand.TAKEN);
            }
          }
        }
      }
      play.us += 1000;
    }
  }

  /**
   * One chord of two, by a model worked out on paper: the pair belongs together if its presses are
   * no more than the window apart and the first is still held; else each speaks for itself.
   */
  @Test(dataProvider = "seeds")
  public void twoPressesAreAChordIfTheyAreCloseEnough(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 31L);
    int windowMs = random.nextInt(1, 80);
    boolean waits = random.nextBoolean();
    int first = random.nextInt(5, 60);
    int second = random.nextInt(5, 160);
    int firstFor = random.nextInt(1, 150);
    int secondFor = random.nextInt(1, 150);
    ContactId a = ContactId.parse("a");
    ContactId b = ContactId.parse("b");
    Profile profile =
        Profile.empty("P", Host.COMPUTER)
            .withBase(
                Mapping.EMPTY
                    .with(a, new Mapping.Entry(new Target.Button(1), ""))
                    .with(b, new Mapping.Entry(new Target.Button(2), "")))
            .withChord(
                new Chord(
                    Layer.BASE,
                    Set.of(a, b),
                    windowMs,
                    waits,
                    new Mapping.Entry(new Target.Button(3), "")));
    ReportLayout layout = ReportLayout.of(List.of(new Target.Button(3)), Map.of(), 255);
    Program program =
        Program.of(
            List.of(Sense.press("a"), Sense.press("b")),
            profile,
            Tuning.NONE,
            new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000),
            layout,
            255);
    Set<Integer> told = new java.util.TreeSet<>();
    for (int ms = 0; ms < 500; ms++) {
      program.look(
          ms * 1000L,
          new boolean[] {
            ms >= first && ms < first + firstFor, ms >= second && ms < second + secondFor
          },
          new int[2]);
      program.poll(
          (id, transfer) -> {
            HostView.of(layout.fields(), transfer).on().stream()
                .filter(usage -> usage.page() == Usage.BUTTON)
                .forEach(usage -> told.add(usage.id()));
            return true;
          });
    }
    boolean overlap = Math.max(first, second) < Math.min(first + firstFor, second + secondFor);
    boolean close = Math.abs(first - second) <= windowMs;
    boolean chord = overlap && close;
    assertThat(told.contains(3)).as("chord").isEqualTo(chord);
    boolean alone = !chord || !waits && first != second;
    assertThat(told.contains(1) || told.contains(2)).as("own meanings").isEqualTo(alone);
    if (!chord) {
      assertThat(told).containsExactly(1, 2);
    }
  }

  /** Without layers, chords and rules, a button is on exactly while its contact is settled. */
  @Test(dataProvider = "seeds")
  public void aPlainMapIsPlain(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int n = random.nextInt(1, 40);
    Mapping base = Mapping.EMPTY;
    List<Sense> senses = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      ContactId id = new ContactId(new ControlId("c" + i), "");
      senses.add(Sense.press(id.toString()));
      base = base.with(id, new Mapping.Entry(new Target.Button(i + 1), ""));
    }
    Profile profile = Profile.empty("P", Host.COMPUTER).withBase(base);
    ReportLayout layout =
        ReportLayout.of(profile.entries().map(Mapping.Entry::target).toList(), Map.of(), 255);
    Timing timing =
        new Timing(
            500, seed % 2 == 0 ? Timing.Debounce.EAGER : Timing.Debounce.DEFERRED, 2000, 1000);
    Program program = Program.of(senses, profile, Tuning.NONE, timing, layout, 255);
    boolean[] pressed = new boolean[n];
    for (int look = 0; look < 500; look++) {
      pressed[random.nextInt(n)] = random.nextBoolean();
      program.look(look * 500L, pressed, new int[n]);
      Set<Usage> on = HostView.of(layout.fields(), program.report(0)).on();
      for (int i = 0; i < n; i++) {
        assertThat(on.contains(new Usage(Usage.BUTTON, i + 1))).isEqualTo(program.settled(i));
      }
    }
  }
}
