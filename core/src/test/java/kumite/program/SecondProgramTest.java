package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.build.brief.Host;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Repeat;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.HostView;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.name.ContactId;
import kumite.name.ControlId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The program against a second one that was written from docs/semantics.md alone. */
public class SecondProgramTest {
  static final int CONTACTS = 7;

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 400).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  static ContactId id(int i) {
    return new ContactId(new ControlId("c" + i), "");
  }

  private static Target target(SplittableRandom random) {
    return switch (random.nextInt(4)) {
      case 0 -> new Target.Hat(Target.Direction.values()[random.nextInt(4)]);
      case 1 -> new Target.Key(random.nextInt(4, 30));
      default -> new Target.Button(random.nextInt(1, 20));
    };
  }

  private static Mapping mapping(SplittableRandom random) {
    Mapping mapping = Mapping.EMPTY;
    for (int i = 0; i < CONTACTS; i++) {
      if (random.nextInt(3) > 0) {
        mapping = mapping.with(id(i), new Mapping.Entry(target(random), ""));
      }
    }
    return mapping;
  }

  private static Set<ContactId> some(SplittableRandom random, int count) {
    Set<ContactId> some = new TreeSet<>();
    while (some.size() < count) {
      some.add(id(random.nextInt(CONTACTS)));
    }
    return some;
  }

  static Profile any(SplittableRandom random) {
    List<Layer> layers = new ArrayList<>();
    for (int l = random.nextInt(4); l > 0; l--) {
      layers.add(
          new Layer(
              "L" + l,
              Layer.Reach.values()[random.nextInt(2)],
              some(random, random.nextInt(1, 3)),
              mapping(random)));
    }
    Profile profile =
        Profile.empty("P", Host.COMPUTER).withBase(mapping(random)).withLayers(layers);
    for (int c = random.nextInt(5); c > 0; c--) {
      profile =
          profile.withChord(
              new Chord(
                  layers.isEmpty() || random.nextBoolean()
                      ? Layer.BASE
                      : layers.get(random.nextInt(layers.size())).name(),
                  some(random, random.nextInt(2, 4)),
                  random.nextInt(1, 60),
                  random.nextBoolean(),
                  new Mapping.Entry(target(random), "")));
    }
    for (boolean upright : new boolean[] {false, true}) {
      if (random.nextBoolean()) {
        profile =
            profile.withOpposites(
                new Opposed.HatPair(upright),
                Optional.of(OppositesRule.values()[random.nextInt(OppositesRule.values().length)]));
      }
    }
    return profile;
  }

  /** Any profile, any play: the same is told at every poll. */
  @Test(dataProvider = "seeds")
  public void bothProgramsTellTheSame(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Profile profile = any(random);
    Tuning tuning = Tuning.NONE;
    Map<ContactId, Repeat> repeats = new HashMap<>();
    if (random.nextInt(3) == 0) {
      ContactId rapid = id(random.nextInt(CONTACTS));
      repeats.put(rapid, new Repeat(random.nextInt(1, 30), random.nextInt(1, 30)));
      tuning = tuning.withRepeat(rapid, Optional.of(repeats.get(rapid)));
    }
    List<Sense> senses = IntStream.range(0, CONTACTS).mapToObj(i -> Sense.press("c" + i)).toList();
    boolean deferred = random.nextBoolean();
    int waitMs = random.nextInt(8);
    ReportLayout layout =
        ReportLayout.of(profile.entries().map(Mapping.Entry::target).toList(), Map.of(), 255);
    Program program =
        Program.of(
            senses,
            profile,
            tuning,
            new Timing(
                1000,
                deferred ? Timing.Debounce.DEFERRED : Timing.Debounce.EAGER,
                1000 * waitMs,
                1000),
            layout,
            255);
    PlainProgram plain = new PlainProgram(profile, deferred, 1000L * waitMs, repeats);
    boolean[] pressed = new boolean[CONTACTS];
    int busy = random.nextInt(3, 40);
    Map<Integer, byte[]> last = new HashMap<>();
    for (int ms = 0; ms < 600; ms++) {
      for (int i = 0; i < CONTACTS; i++) {
        pressed[i] ^= random.nextInt(busy * 4) == 0;
      }
      Map<ContactId, Boolean> read = new HashMap<>();
      for (int i = 0; i < CONTACTS; i++) {
        read.put(id(i), pressed[i]);
      }
      program.look(ms * 1000L, pressed, new int[CONTACTS]);
      plain.look(ms * 1000L, read);
      program.poll(
          (report, transfer) -> {
            last.put(report, transfer);
            return true;
          });
      agree("seed " + seed + " at " + ms + " ms", plain.told(), last, layout);
    }
  }

  /** The reports sent last tell what the second program tells. */
  static void agree(
      String where, Set<Target> wanted, Map<Integer, byte[]> last, ReportLayout layout) {
    Set<Usage> on = new HashSet<>();
    int[] hat = {ReportLayout.HAT_NULL};
    last.forEach(
        (report, transfer) -> {
          HostView seen = HostView.of(layout.fields(), transfer);
          on.addAll(seen.on());
          Optional.ofNullable(seen.values().get(Usage.HAT)).ifPresent(h -> hat[0] = h);
        });
    Set<Usage> expected = new HashSet<>();
    Set<Target.Direction> directions = new HashSet<>();
    for (Target target : wanted) {
      if (target instanceof Target.Hat one) {
        directions.add(one.direction());
      } else {
        expected.add(ReportLayout.usageOf(target));
      }
    }
    assertThat(on).as(where).isEqualTo(expected);
    assertThat(hat[0]).as("hat, " + where).isEqualTo(hat(directions));
  }

  /** Eight directions, by hand. */
  static int hat(Set<Target.Direction> held) {
    String word = "";
    for (Target.Direction direction : Target.Direction.values()) {
      Target.Direction opposite = Target.Direction.values()[(direction.ordinal() + 2) % 4];
      word += held.contains(direction) && !held.contains(opposite) ? direction : "";
    }
    return switch (word) {
      case "N" -> 0;
      case "NE" -> 1;
      case "E" -> 2;
      case "ES" -> 3;
      case "S" -> 4;
      case "SW" -> 5;
      case "W" -> 6;
      case "NW" -> 7;
      default -> ReportLayout.HAT_NULL;
    };
  }
}
