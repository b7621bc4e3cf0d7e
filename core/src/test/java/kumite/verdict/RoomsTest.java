package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.lead.RandomLeads;
import kumite.parts.Catalogue;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A station is declared once, and everything is made from the declaration. */
public class RoomsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Rooms MORE = Rooms.standard().with(new SparesRoom());

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE, MORE);
  }

  // ---- a station out of test sources alone

  @Test
  public void aNewRoomsPartIsInTheFileOnlyWhereSomethingWasDecided() throws Exception {
    Build build = Builds.ferryBridge();
    String plain = BuildFile.text(build);
    assertThat(BuildFile.text(build, MORE)).isEqualTo(plain);
    Build decided = SparesRoom.with(build, 7);
    String text = BuildFile.text(decided, MORE);
    assertThat(text).contains("\"shelf\": {\n    \"spares\": 7\n  }");
    assertThat(BuildFile.parse(text, "x", CATALOGUE, MORE)).isEqualTo(decided);
    assertThat(BuildFile.text(SparesRoom.with(decided, 0), MORE)).isEqualTo(plain);
    assertThatThrownBy(() -> BuildFile.parse(text, "x", CATALOGUE))
        .as("an application without that room does not know its key")
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining("shelf");
    assertThatThrownBy(
            () ->
                BuildFile.parse(
                    text.replace("\"spares\": 7", "\"spares\": 1001"), "x", CATALOGUE, MORE))
        .isInstanceOf(BuildFileException.class)
        .hasMessageContaining("shelf")
        .hasMessageContaining("1001");
  }

  @Test
  public void aNewRoomChecksMendsAndWrites() {
    Build build = Builds.ferryBridge();
    Bench bench = bench(build);
    Finding finding =
        bench.findings().stream()
            .filter(f -> f.code() == SparesRoom.Says.TOO_FEW)
            .findFirst()
            .orElseThrow();
    assertThat(finding.station()).isEqualTo(SparesRoom.STATION);
    assertThat(bench.count(SparesRoom.STATION, Severity.LOOK)).isEqualTo(1);
    Build mended = finding.fix().orElseThrow().edit().apply(build);
    assertThat(bench.next(mended).findings()).noneMatch(f -> f.code() == SparesRoom.Says.TOO_FEW);
    Map<String, byte[]> files = Export.everything(bench, Export.Choices.USUAL, (left, why) -> {});
    assertThat(new String(files.get("spares.txt"), StandardCharsets.UTF_8))
        .isEqualTo("spares " + (build.controls().size() + 9) / 10 + "\n");
    assertThat(MORE.export("spares")).isPresent();
    assertThat(Bench.of(build, CATALOGUE).findings())
        .as("the application itself has no such room")
        .noneMatch(f -> f.code() == SparesRoom.Says.TOO_FEW);
  }

  @Test
  public void whatTwoRoomsBothHaveIsRefused() {
    assertThatThrownBy(() -> MORE.with(new SparesRoom()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("station Spares");
  }

  // ---- what may be kept

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** For every check of every room: from the one before as afresh. */
  @Test(dataProvider = "seeds")
  public void everyCheckFromTheOneBeforeEqualsOneAfresh(int seed) {
    SplittableRandom random = new SplittableRandom(seed * 104_729L + 3);
    Build build = RandomBuilds.any(random);
    Bench bench = bench(build);
    for (int i = 0; i < 8; i++) {
      build = changed(build, random);
      bench = bench.next(build);
      Bench fresh = bench(build);
      for (Room room : MORE.all()) {
        for (Derivation<List<Finding>> check : room.checks()) {
          assertThat(bench.get(check)).as("%s, edit %d", check, i).isEqualTo(fresh.get(check));
        }
        assertThat(room.state(bench)).isEqualTo(room.state(fresh));
      }
      assertThat(bench.get(SparesRoom.WANTED)).isEqualTo(fresh.get(SparesRoom.WANTED));
    }
  }

  private static Build changed(Build build, SplittableRandom random) {
    return switch (random.nextInt(9)) {
      case 0 -> build.withLeads(RandomLeads.book(build, random));
      case 1 -> build.seats().size() < 2 ? RandomBuilds.seated(build, random) : build;
      case 2 -> build.withBrief(build.brief().withTitle("Title " + random.nextInt()));
      case 3 -> SparesRoom.with(build, random.nextInt(5));
      case 4 -> RandomBuilds.spoiled(build, random);
      default -> RandomBuilds.edited(build, random);
    };
  }

  /** Two builds that a sight does not tell apart give the same; what is not read is not there. */
  @Test(dataProvider = "seeds")
  public void aSightShowsWhatItNamesAndNothingElse(int seed) {
    SplittableRandom random = new SplittableRandom(seed + 77L);
    Build build = RandomBuilds.seated(RandomBuilds.any(random), random);
    Build other = RandomBuilds.edited(build, random).withLog(List.of());
    List<Facet> all =
        List.of(
            Facet.CONTROLS,
            Facet.LINKS,
            Facet.BOARDS,
            Facet.PROFILES,
            Facet.of(kumite.build.panel.Panel.PART),
            Facet.of(kumite.build.map.Tuning.PART));
    List<Facet> some = all.stream().filter(facet -> random.nextBoolean()).toList();
    Sight sight = new Sight(some);
    assertThat(sight.same(build, sight.only(build))).as("what is seen is all there").isTrue();
    assertThat(sight.only(sight.only(build))).isEqualTo(sight.only(build));
    if (sight.same(build, other)) {
      assertThat(sight.only(other)).isEqualTo(sight.only(build));
    } else {
      assertThat(sight.only(other)).isNotEqualTo(sight.only(build));
    }
  }

  @Test
  public void whatAnEditCannotTouchIsTheVerySame() {
    Bench bench = bench(Builds.ferryBridge());
    Bench titled = bench.next(bench.build().withBrief(bench.build().brief().withTitle("Other")));
    assertThat(titled.get(SparesRoom.WANTED)).isSameAs(bench.get(SparesRoom.WANTED));
    assertThat(titled.gaps()).isSameAs(bench.gaps());
    assertThat(titled.get(SparesRoom.FINDINGS)).isSameAs(bench.get(SparesRoom.FINDINGS));
    assertThat(titled.reach()).as("the hand is the brief's").isNotSameAs(bench.reach());
  }

  /**
   * What is only shown is worked out with the bench as well, so that nothing waits for it later.
   */
  @Test
  public void whatAViewShowsIsWorkedOutWithTheBench() {
    AtomicInteger worked = new AtomicInteger();
    Derivation<Integer> shown =
        Derivation.of("shown", Sight.of(Facet.CONTROLS), given -> worked.incrementAndGet());
    Derivation<Integer> aside = Derivation.of("aside", Sight.of(), given -> worked.addAndGet(1000));
    Room room =
        new Room() {
          @Override
          public Station station() {
            return new Station("Shown");
          }

          @Override
          public List<Derivation<?>> shown() {
            return List.of(shown);
          }
        };
    Bench bench = Bench.of(Builds.ferryBridge(), CATALOGUE, Rooms.standard().with(room));
    assertThat(worked.get()).isEqualTo(1);
    Bench titled = bench.next(bench.build().withBrief(bench.build().brief().withTitle("Other")));
    assertThat(worked.get()).as("an edit of something else").isEqualTo(1);
    Build less = bench.build().without(bench.build().controls().get(0).id());
    titled.next(less);
    assertThat(worked.get()).as("an edit of what it reads").isEqualTo(2);
    assertThat(bench.get(aside))
        .as("what is not shown waits until it is asked for")
        .isEqualTo(1002);
  }

  @Test
  public void aDerivationIsGivenNothingThatItDoesNotName() {
    Derivation<Integer> sly =
        Derivation.of("sly", Sight.of(), given -> given.get(SparesRoom.WANTED));
    Bench bench = bench(Builds.ferryBridge());
    assertThatThrownBy(() -> bench.get(sly))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("sly")
        .hasMessageContaining("spares wanted");
    Derivation<Integer> blind =
        Derivation.of("blind", Sight.of(), given -> given.build().controls().size());
    assertThat(bench.get(blind)).isZero();
  }

  // ---- the book of findings

  /** docs/findings.md says of each code what the constant says, and knows no other. */
  @Test
  public void theBookOfFindingsIsTheListOfCodes() throws Exception {
    Map<String, List<String>> book = new TreeMap<>();
    Matcher row =
        Pattern.compile("(?m)^\\| ?([A-Z]{2}-\\d\\d) \\| ([a-z, ]+?) \\|")
            .matcher(Files.readString(Path.of("../docs/findings.md")));
    while (row.find()) {
      assertThat(book.put(row.group(1), List.of(row.group(2).split(", ")))).isNull();
    }
    Map<String, List<String>> codes = new TreeMap<>();
    for (Code code : Rooms.standard().codes()) {
      codes.put(code.text(), code.severities().stream().map(Severity::word).toList());
      assertThat(code.text()).matches("[A-Z]{2}-\\d\\d");
      assertThat(Rooms.standard().order(code.station())).isNotNegative();
    }
    assertThat(codes).isEqualTo(book);
  }

  /** Every code that a finding carries is one that its own room declares. */
  @Test(dataProvider = "seeds")
  public void aRoomSaysOnlyWhatItDeclares(int seed) {
    SplittableRandom random = new SplittableRandom(seed + 1_000L);
    Build build = RandomBuilds.layered(RandomBuilds.any(random), random);
    build = build.withLeads(RandomLeads.book(build, random));
    Bench bench = bench(build);
    for (Room room : MORE.all()) {
      Set<Code> declared = new HashSet<>(room.codes());
      for (Derivation<List<Finding>> check : room.checks()) {
        for (Finding finding : bench.get(check)) {
          assertThat(declared).contains(finding.code());
          assertThat(finding.station()).isEqualTo(room.station());
        }
      }
    }
  }

  /** The schema is that of the declarations; the judge is a validator of another library. */
  @Test
  public void theSchemaSpeaksOfThePartsOfAllRooms() throws Exception {
    Rooms rooms = Rooms.standard().with(new SparesRoom());
    JsonSchema schema =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(BuildFile.schema(rooms));
    ObjectMapper json = new ObjectMapper();
    for (int spares : new int[] {0, 7, 1000}) {
      Build build = Builds.ferryBridge().with(SparesRoom.Shelf.PART, new SparesRoom.Shelf(spares));
      assertThat(schema.validate(json.readTree(BuildFile.text(build, rooms)))).isEmpty();
    }
    String text =
        BuildFile.text(
            Builds.ferryBridge().with(SparesRoom.Shelf.PART, new SparesRoom.Shelf(7)), rooms);
    for (String wrong : new String[] {"1001", "-1", "0.5", "\"many\"", "[]"}) {
      assertThat(
              schema.validate(json.readTree(text.replace("\"spares\": 7", "\"spares\": " + wrong))))
          .as(wrong)
          .isNotEmpty();
    }
  }
}
