package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.map.Script;
import kumite.build.supply.Rgb;
import kumite.build.supply.Shows;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.device.Holds;
import kumite.device.Trace;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.firmware.Blueprint;
import kumite.firmware.Firmware;
import kumite.kind.BoardKind;
import kumite.loom.Supplied;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.supply.SupplyTree;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Strips that the board's program tells their colours: what they show follows what is given. */
public class StripLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Rgb DIM = new Rgb(16, 32, 48);
  private static final Rgb RED = new Rgb(255, 0, 0);

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static SupplyPart strip(String id, int count, Shows shows) {
    return SupplyPart.of(
            new ControlId(id), id, "strip-60", Placement.at(200, 150), Optional.empty())
        .withCount(count)
        .showing(shows);
  }

  private static Build build(String board, SupplyPart... parts) {
    return Builds.wired(Builds.buttons(30, 30, 75, 30, 120, 30), board)
        .with(SupplyBook.PART, new SupplyBook(List.of(parts), Map.of()));
  }

  private static List<String> codes(Bench bench) {
    return bench.findings().stream().map(Finding::code).map(c -> c.text()).toList();
  }

  /**
   * Whatever is played, a strip with two colours changes after each poll at which the first thing
   * is given or the last is no more; one with a single colour is told it once.
   */
  @Test(dataProvider = "seeds")
  public void whatIsShownFollowsWhatIsGiven(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Shows two = new Shows(DIM, Map.of(), Optional.of(RED));
    Bench bench =
        Bench.of(
            build(
                "native-3v3-26",
                strip("two", 12, two),
                strip("one", 5, new Shows(DIM, Map.of(), Optional.empty()))),
            CATALOGUE);
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < 8; i++) {
      text.append(bench.paths().get(random.nextInt(3)).id())
          .append('@')
          .append(random.nextInt(400))
          .append("ms+")
          .append(random.nextInt(5, 120))
          .append("ms ");
    }
    Trace trace = bench.device().play(Script.parse("drawn", text.toString()), seed);
    // A plain gamepad without id: its buttons are the bits of its one byte.
    List<Boolean> changes = new ArrayList<>();
    List<Long> times = new ArrayList<>();
    for (Trace.Report report : trace.reports()) {
      boolean given = report.bytes().get(0) != 0;
      if (changes.isEmpty() || changes.get(changes.size() - 1) != given) {
        changes.add(given);
        times.add(report.us());
      }
    }
    assertThat(trace.lit().stream().map(Trace.Lit::gives).toList()).isEqualTo(changes);
    assertThat(trace.lit().stream().map(Trace.Lit::us).toList()).isEqualTo(times);
    assertThat(told(trace, two)).hasSameSizeAs(changes);
    assertThat(told(trace, new Shows(DIM, Map.of(), Optional.empty()))).containsExactly(DIM);
  }

  private static List<Rgb> told(Trace trace, Shows shows) {
    return trace.lit().stream().flatMap(lit -> lit.colour(shows, "default").stream()).toList();
  }

  /** Each profile has its colour, and the one of another seat's name is told. */
  @Test
  public void aProfileHasItsColour() {
    Shows shows = new Shows(DIM, Map.of("Travel", RED), Optional.empty());
    assertThat(shows.at("default", true)).isEqualTo(DIM);
    assertThat(shows.at("Travel", true)).isEqualTo(RED);
    Build build = build("native-3v3-26", strip("s", 10, shows));
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(codes(bench)).contains("SU-15");
    Finding finding =
        bench.findings().stream().filter(f -> f.code().text().equals("SU-15")).findFirst().get();
    Build mended = finding.fix().orElseThrow().edit().apply(build);
    assertThat(codes(Bench.of(mended, CATALOGUE))).doesNotContain("SU-15");
  }

  /** Of two boards each tells the strip of its own seat, and no other. */
  @Test
  public void eachBoardTellsItsOwnStrip() throws Exception {
    String two =
        BuildFile.text(kumite.files.Demo.open("lantern-duel", CATALOGUE))
            .replace("encoder-12-rail", "native-3v3-26");
    Build build = BuildFile.parse(two, "two", CATALOGUE);
    List<SupplyPart> parts =
        build.seats().stream()
            .map(
                seat ->
                    strip("strip-" + seat.id(), 4, Shows.USUAL).withSeat(Optional.of(seat.id())))
            .toList();
    Build lit = build.with(SupplyBook.PART, new SupplyBook(parts, Map.of()));
    for (var seat : lit.seats()) {
      Bench bench = Bench.of(lit.facing(kumite.build.Aspect.of(seat)), CATALOGUE);
      assertThat(bench.loom().strips(bench.board().orElseThrow()))
          .extracting(supplied -> supplied.part().id().text())
          .containsExactly("strip-" + seat.id());
    }
    assertThat(codes(Bench.of(lit, CATALOGUE))).doesNotContain("SU-14");
  }

  /** Only boards whose program is written tell a strip; on each other one it is said. */
  @Test
  public void everyBoardTellsOrSaysThatItDoesNot() {
    for (BoardKind board : CATALOGUE.boards()) {
      Bench bench =
          Bench.of(
              build(board.id(), strip("s", 8, new Shows(DIM, Map.of(), Optional.of(RED)))),
              CATALOGUE);
      List<Supplied> told = bench.loom().strips(board);
      boolean says = codes(bench).contains("SU-14");
      assertThat(says).as(board.id()).isEqualTo(!board.tellsStrips());
      assertThat(told.isEmpty() && !says && codes(bench).stream().noneMatch(c -> c.equals("LM-02")))
          .as(board.id() + " is silent")
          .isFalse();
      Trace trace = bench.device().move(Holds.NONE, Holds.NONE, 1);
      assertThat(trace.lit().isEmpty())
          .as(board.id())
          .isEqualTo(told.isEmpty() || bench.device().steady(Holds.NONE).isEmpty());
    }
  }

  /** 30 us a lamp (24 bits of 1.25 us): some 134 lamps take 4 ms, but only where colours change. */
  @Test
  public void aLongStripHoldsPressesUpWhereItChanges() {
    Shows still = new Shows(DIM, Map.of(), Optional.empty());
    Shows turns = new Shows(DIM, Map.of(), Optional.of(RED));
    assertThat(codes(Bench.of(build("native-3v3-26", strip("s", 300, still)), CATALOGUE)))
        .doesNotContain("SU-16");
    assertThat(codes(Bench.of(build("native-3v3-26", strip("s", 133, turns)), CATALOGUE)))
        .doesNotContain("SU-16");
    assertThat(codes(Bench.of(build("native-3v3-26", strip("s", 134, turns)), CATALOGUE)))
        .contains("SU-16");
  }

  /** Of each lamp's 60 mA of full white the colours take their part, above what it takes dark. */
  @Test(dataProvider = "seeds")
  public void coloursSayWhatItUsuallyTakes(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int count = random.nextInt(1, 100);
    Rgb rgb = new Rgb(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    SupplyPart jack =
        SupplyPart.of(
            new ControlId("jack"), "Jack", "jack-5v", Placement.at(100, 150), Optional.empty());
    SupplyPart strip =
        strip(
                "s",
                count,
                new Shows(rgb, Map.of("Nowhere", new Rgb(255, 255, 255)), Optional.empty()))
            .withFrom(Optional.of(jack.id()));
    SupplyTree tree = Bench.of(build("native-3v3-26", jack, strip), CATALOGUE).get(Supplies.TREE);
    double white = (rgb.red() + rgb.green() + rgb.blue()) / 765.0;
    SupplyTree.Branch branch = tree.of(strip).orElseThrow();
    assertThat(branch.usualMilliamps()).isCloseTo(count * (1 + 59 * white), within(1e-6));
    assertThat(branch.worstMilliamps()).isEqualTo(60.0 * count);
  }

  /** What it shows is kept in the file; what is no colour is refused by place. */
  @Test(dataProvider = "seeds")
  public void coloursAreKeptInTheFile(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    Rgb rgb = new Rgb(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    Build build =
        build(
            "native-3v3-26",
            strip(
                "s",
                random.nextInt(50),
                new Shows(
                    rgb,
                    random.nextBoolean() ? Map.of("default", RED) : Map.of(),
                    random.nextBoolean() ? Optional.of(DIM) : Optional.empty())));
    String text = BuildFile.text(build);
    assertThat(BuildFile.parse(text, "lit.kumite.json", CATALOGUE)).isEqualTo(build);
    for (String bad : List.of("red", "#12345", "#1234567", "#12345g", "")) {
      String broken =
          text.replaceFirst("\"usual\"\\s*:\\s*\"#[0-9a-f]+\"", "\"usual\": \"" + bad + "\"");
      assertThatThrownBy(() -> BuildFile.parse(broken, "lit.kumite.json", CATALOGUE))
          .hasMessageContaining("supply.parts[0].shows.usual")
          .hasMessageContaining("#20c0ff");
    }
  }

  /** The folder says what is shown; a script, which cannot keep such times, is refused. */
  @Test
  public void theExportServesIt() {
    Bench bench =
        Bench.of(
            build("native-3v3-26", strip("halo", 12, new Shows(DIM, Map.of(), Optional.of(RED)))),
            CATALOGUE);
    Firmware firmware =
        Firmware.of(
            Blueprint.of(
                bench.build(),
                bench.board().orElseThrow(),
                bench.loom(),
                bench.circuit().orElseThrow().inputs()));
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(files.get("README.txt"))
        .contains("12 lamps, #102030, #ff0000 while anything is held");
    assertThat(files).containsKey("core/strips.c");
    assertThat(files.get("check/reports").lines().collect(Collectors.toList()))
        .contains("0 strip 1 102030")
        .anyMatch(line -> line.endsWith("strip 1 FF0000"));
    assertThat(firmware.why(Firmware.Target.SCRIPT)).isPresent();
    assertThat(firmware.files(Firmware.Target.SKETCH, List.of()).keySet())
        .anyMatch(name -> name.endsWith("strip.h"));
  }
}
