package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.map.Choice;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Finding;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Profiles that are chosen while the board runs. How long a combination is held is common practice
 * and has no source.
 */
public class CombinationsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** Two buttons of three choose each profile; what they mean differs from one to the other. */
  private static Build build(int profiles) {
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30, 120, 30), "native-3v3-26");
    List<ContactId> contacts =
        Bench.of(build, CATALOGUE).loom().sites().stream().map(site -> site.id()).toList();
    List<Profile> all = new java.util.ArrayList<>();
    for (int p = 0; p < profiles; p++) {
      Mapping map = Mapping.EMPTY;
      for (ContactId contact : contacts) {
        int number = 1 + 10 * p + contacts.indexOf(contact);
        map = map.with(contact, new Mapping.Entry(TargetText.parse("Button " + number), ""));
      }
      Set<ContactId> wants = new TreeSet<>(contacts);
      wants.remove(contacts.get(p));
      all.add(build.profile().called("P" + p).withBase(map).chosen(new Choice.Running(wants)));
    }
    return build.withSeats(List.of(build.seat().withProfiles(all)));
  }

  @DataProvider
  Object[][] seeds() {
    return java.util.stream.IntStream.range(0, 60)
        .mapToObj(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  /**
   * Held so long or not, one after the other: the profile follows by the plainest model there is,
   * and what a contact means is that of the profile.
   */
  @Test(dataProvider = "seeds")
  public void itIsHeldThenLetGo(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = build(3);
    List<Profile> profiles = build.seat().profiles();
    StringBuilder text = new StringBuilder();
    int inForce = 0;
    List<String> expected = new java.util.ArrayList<>();
    int ms = 50;
    for (int round = 0; round < 4; round++) {
      int wanted = random.nextInt(3);
      boolean longEnough = random.nextBoolean();
      // Bounce and the settle wait are far below the tenth of a second that is left either way.
      int held = longEnough ? 2100 : 1850;
      for (ContactId contact : profiles.get(wanted).choice().contacts()) {
        text.append(contact).append('@').append(ms).append("ms+").append(held).append("ms ");
      }
      if (longEnough && wanted != inForce) {
        inForce = wanted;
        expected.add("P" + wanted);
      }
      ms += held + 200;
    }
    Bench bench = Bench.of(build, CATALOGUE);
    Trace trace = bench.device().play(Script.parse("x", text.toString()), seed);
    assertThat(trace.turns()).extracting(Trace.Turn::profile).isEqualTo(expected);
    assertThat(trace.profile(trace.endUs() + 1, "P0")).isEqualTo("P" + inForce);
  }

  /** A session goes on with the profile it took: the same contact is another button. */
  @Test
  public void whatIsPressedThenMeansOtherThings() {
    Build build = build(2);
    Bench bench = Bench.of(build, CATALOGUE);
    Session session = bench.device().begin(Holds.NONE, 1);
    Holds both = Holds.NONE;
    for (ContactId contact : build.seat().profiles().get(1).choice().contacts()) {
      both = both.with(contact, 1);
    }
    session.move(both);
    session.pass(2_200_000);
    assertThat(session.profile().name()).isEqualTo("P0");
    Trace trace = session.move(Holds.NONE);
    assertThat(trace.turns()).extracting(Trace.Turn::profile).containsExactly("P1");
    session.pass(100_000);
    assertThat(session.profile().name()).isEqualTo("P1");
    ContactId first = bench.loom().sites().get(0).id();
    Trace after = session.move(Holds.NONE.with(first, 1));
    Bench other = bench.next(build.facing(new kumite.build.Aspect(build.seat().id(), "P1")));
    assertThat(after.last(0).orElseThrow().bytes())
        .isEqualTo(other.device().steady(Holds.NONE.with(first, 1)).get(0).bytes());
    assertThat(after.last(0).orElseThrow().bytes())
        .isNotEqualTo(bench.device().steady(Holds.NONE.with(first, 1)).get(0).bytes());
  }

  private static List<String> titles(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.code().text().equals("MP-17"))
        .map(Finding::title)
        .toList();
  }

  private static Build chosen(Build build, int profile, Choice choice) {
    List<Profile> next = new java.util.ArrayList<>(build.seat().profiles());
    next.set(profile, next.get(profile).chosen(choice));
    return build.withSeats(List.of(build.seat().withProfiles(next)));
  }

  @Test
  public void whatChoosesBadlyIsSaid() {
    Build build = build(3);
    assertThat(titles(build)).isEmpty();
    Choice one = build.seat().profiles().get(0).choice();
    // Two alike lead to each other; a third is never reached.
    Build two = chosen(build, 1, one);
    assertThat(titles(two)).isEmpty();
    assertThat(titles(chosen(two, 2, one))).singleElement().asString().contains("chosen alike");
    ContactId single = one.contacts().iterator().next();
    assertThat(titles(chosen(build, 1, new Choice.Running(Set.of(single)))))
        .containsExactly("Play chooses profile P1");
    Build lever =
        build.withControl(
            kumite.build.Control.of(
                new kumite.name.ControlId("lever"),
                "Lever",
                "lever-8",
                kumite.measure.Placement.at(200, 100)));
    Choice sides =
        new Choice.Running(Set.of(ContactId.parse("lever.left"), ContactId.parse("lever.right")));
    assertThat(titles(chosen(lever, 1, sides))).containsExactly("No hand can choose profile P1");
    Build toggle =
        build.withControl(
            kumite.build.Control.of(
                new kumite.name.ControlId("toggle"),
                "Toggle",
                "toggle-12",
                kumite.measure.Placement.at(200, 100)));
    assertThat(
            titles(
                chosen(toggle, 1, new Choice.Running(Set.of(single, ContactId.parse("toggle"))))))
        .containsExactly("Profile P1 is not chosen by a hand alone");
  }

  @Test
  public void theFileKeepsIt() throws BuildFileException {
    Build build = build(3);
    String text = BuildFile.text(build);
    assertThat(text).contains("\"held_while_running\"");
    assertThat(BuildFile.parse(text, "x", CATALOGUE)).isEqualTo(build);
    String twice =
        text.replaceFirst(
            "\"held_while_running\"", "\"switch_open\": \"b1\", \"held_while_running\"");
    assertThatThrownBy(() -> BuildFile.parse(twice, "x", CATALOGUE))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining("beside another way to choose the profile");
    String contacts =
        build.seat().profiles().get(0).choice().contacts().stream()
            .map(ContactId::toString)
            .collect(Collectors.joining(" + "));
    assertThat(kumite.map.ChoiceText.of(build.seat().profiles().get(0).choice()))
        .isEqualTo(contacts + " running");
  }
}
