package kumite.bringup;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.build.bringup.Repair;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is said of readings, and what a board is taken for once a meter has shown it. */
public class BringUpChecksTest {
  private static Build pad() {
    return Builds.wired(Builds.buttons(40, 40, 90, 40, 140, 40), "pad-unknown");
  }

  private static Build read(Build build, List<Entry> entries) {
    Round round = Round.begun(LocalDate.of(2026, 12, 1));
    for (Entry entry : entries) {
      round = round.with(entry);
    }
    return build.with(RoundBook.PART, new RoundBook(List.of(round)));
  }

  private static List<Finding> said(Build build) {
    return Bench.of(build, Catalogue.standard()).findings().stream()
        .filter(f -> f.station().equals(Station.BRING_UP))
        .toList();
  }

  private static Set<String> codes(Build build) {
    return said(build).stream().map(f -> f.code().text()).collect(Collectors.toSet());
  }

  private static Entry beep(String red, String black, boolean beeps) {
    return Entry.of(
        new Ask.Probe(Joint.parse(red), Joint.parse(black), Power.UNPOWERED, Held.NONE),
        new Answer.Beep(beeps));
  }

  /** The second sides of a pad, each against the first. */
  private static List<Entry> sides(Build build, int beeping) {
    List<Ask.Probe> asks = Commons.asks(new Bed(build).places.views().get(0));
    return java.util.stream.IntStream.range(0, asks.size())
        .mapToObj(i -> Entry.of(asks.get(i), new Answer.Beep(i < beeping)))
        .toList();
  }

  @DataProvider
  public static Object[][] pads() {
    return new Object[][] {{13, "BU-04", true}, {5, "BU-04", false}, {0, "BU-21", false}};
  }

  /** "Everything beeps to everything" is one common, not a bridge: common practice, no source. */
  @Test(dataProvider = "pads")
  public void aPadIsWhatItsSecondSidesSay(int beeping, String code, boolean shared) {
    Build build = read(pad(), sides(pad(), beeping));
    assertThat(codes(build)).contains(code).doesNotContain("BU-02");
    Finding finding =
        said(build).stream().filter(f -> f.code().text().equals(code)).findFirst().orElseThrow();
    assertThat(finding.title().contains("proven")).isEqualTo(shared);
    assertThat(finding.fix().isPresent()).isEqualTo(shared);
    if (shared) {
      Build proven = finding.fix().orElseThrow().edit().apply(build);
      var board = Catalogue.standard().with(proven).boardOf(proven).orElseThrow();
      assertThat(board.terminals(Terminal.Role.RETURN)).isEmpty();
      assertThat(board.terminals(Terminal.Role.GROUND)).hasSize(16);
      assertThat(codes(proven)).doesNotContain("BU-04");
    }
  }

  /** Before all of them are read nothing is said of what they share. */
  @Test
  public void aHalfReadPadIsNotProven() {
    List<Entry> some = sides(pad(), 13).subList(0, 6);
    assertThat(codes(read(pad(), some))).doesNotContain("BU-04", "BU-21");
  }

  @DataProvider
  public static Object[][] readings() {
    return new Object[][] {
      {beep("b1:NO", "board:GND", false), "BU-20"},
      {beep("b1:NO", "board:GND", true), "BU-02"},
      {beep("board:3V3", "board:GND", true), "BU-01"},
      {beep("ghost:NO", "board:GND", true), "BU-03"},
    };
  }

  @Test(dataProvider = "readings")
  public void eachReadingIsHeldAgainstTheWires(Entry entry, String code) {
    Build build = Builds.wired(Builds.buttons(40, 40, 90, 40), "native-3v3-26");
    assertThat(codes(build)).isEmpty();
    assertThat(codes(read(build, List.of(entry)))).containsExactly(code);
  }

  /** A skipped question is no reading, and nothing is called fine for it. */
  @Test
  public void whatWasSkippedIsNotFine() {
    Build build = Builds.wired(Builds.buttons(40, 40), "native-3v3-26");
    Entry skipped =
        new Entry(beep("b1:NO", "board:GND", true).ask(), java.util.Optional.empty(), "later");
    assertThat(codes(read(build, List.of(skipped)))).isEmpty();
  }

  /** Rounds stand in the file as they are: answers of every kind, notes, repairs. */
  @Test
  public void roundsAreReadBackAsTheyWereWritten() throws Exception {
    Held held = Held.parse("b1 b2=0.25");
    List<Entry> entries =
        List.of(
            beep("b1:NO", "board:GND", true),
            Entry.of(
                new Ask.Probe(Joint.parse("b1:NO"), Joint.board("GND"), Power.SUPPLY, held),
                new Answer.Volts(-2.4)),
            Entry.of(
                new Ask.Probe(Joint.parse("b1:NO"), Joint.board("GND"), Power.ABSENT, Held.NONE),
                new Answer.Ohms(2200)),
            Entry.of(new Ask.Press(held), new Answer.Shows(Held.parse("b1"))),
            Entry.of(new Ask.Press(held), new Answer.Shows(Held.NONE)),
            Entry.of(new Ask.Devices(), new Answer.Count(2)),
            Entry.of(new Ask.Try("Play, \"hard\"", Held.NONE), new Answer.Works(false)),
            new Entry(new Ask.Press(Held.NONE), java.util.Optional.empty(), "skipped, later"));
    Round round = new Round(LocalDate.of(2026, 11, 30), entries, List.of());
    round = round.mended(new Repair("New wire", Set.of(Joint.parse("b1:NO")), 3));
    Build build =
        Builds.wired(Builds.buttons(40, 40, 90, 40), "native-3v3-26")
            .with(RoundBook.PART, new RoundBook(List.of(round, Round.begun(LocalDate.EPOCH))));
    java.nio.file.Path file = java.nio.file.Files.createTempFile("rounds", ".kumite.json");
    java.nio.file.Files.writeString(file, BuildFile.text(build));
    Build again = BuildFile.read(file, Catalogue.standard());
    assertThat(again.get(RoundBook.PART)).isEqualTo(build.get(RoundBook.PART));
    assertThat(kumite.files.ReadingsFile.read(kumite.files.ReadingsFile.write(entries)))
        .extracting(Entry::ask)
        .containsExactlyElementsOf(entries.stream().map(Entry::ask).toList());
  }
}
