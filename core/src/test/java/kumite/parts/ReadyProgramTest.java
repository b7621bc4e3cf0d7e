package kumite.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.device.Holds;
import kumite.firmware.Blueprint;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.verdict.Bench;
import kumite.verdict.Works;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Boards that a program of somebody else is loaded on. */
public class ReadyProgramTest {
  @DataProvider
  public Object[][] ready() {
    return Catalogue.standard().readyBoards().stream()
        .map(board -> new Object[] {board})
        .toArray(Object[][]::new);
  }

  /**
   * What a terminal means can be read, each is what the bare board has, and it is written whole.
   */
  @Test(dataProvider = "ready")
  public void aReadyBoardIsItsBoardWithMeanings(BoardKind board) {
    assertThat(board.fixedMap()).isTrue();
    assertThat(board.brain().needsCode()).isFalse();
    assertThat(board.brain().load()).isPresent();
    assertThat(Blueprint.why(board).orElseThrow()).contains("ready-made program");
    List<Terminal> inputs = board.terminals(Terminal.Role.INPUT);
    assertThat(inputs).isNotEmpty();
    for (Terminal input : inputs) {
      String text = input.fixed().orElseThrow();
      assertThat(TargetText.of(TargetText.parse(text))).isEqualTo(text);
    }
    board
        .brain()
        .program()
        .orElseThrow()
        .combinations()
        .forEach(
            one ->
                assertThat(inputs.stream().map(t -> t.fixed().orElseThrow()))
                    .containsAll(one.hold()));
    assertThat(BoardFile.read(new Key("", BoardFile.write(board)))).isEqualTo(board);
  }

  private static Build wired(BoardKind board, List<Terminal> inputs) {
    Build build =
        Build.empty("Ready")
            .withBoard(Optional.of(new BoardChoice(board.id(), Placement.at(150, 80))));
    Mapping mapping = build.mapping();
    for (int i = 0; i < inputs.size(); i++) {
      String label = "B" + i;
      Placement at = Placement.at(30 + 36 * (i % 7), 30 + 40 * (i / 7));
      build = build.withControl(Control.of(build.freshId(label), label, "button-24", at));
      String means = inputs.get(i).fixed().orElseThrow();
      mapping =
          mapping.with(
              new ContactId(build.controls().get(i).id(), ""),
              new Mapping.Entry(TargetText.parse(means), ""));
    }
    return build.withMapping(mapping);
  }

  /** The plan puts each contact on the socket of its meaning, and a press tells the host that. */
  @Test(dataProvider = "ready")
  public void thePlanObeysTheProgram(BoardKind board) {
    List<Terminal> inputs = board.terminals(Terminal.Role.INPUT);
    Build build = wired(board, inputs);
    Bench bench = Bench.of(build, Catalogue.standard());
    for (int i = 0; i < inputs.size(); i++) {
      ContactId contact = new ContactId(build.controls().get(i).id(), "");
      assertThat(bench.loom().pinOf(contact).orElseThrow().terminal().name())
          .isEqualTo(inputs.get(i).name());
      var still = bench.device().steady(Holds.NONE);
      assertThat(bench.device().steady(Holds.NONE.with(contact, 1))).isNotEqualTo(still);
    }
    assertThat(bench.findings().stream().map(f -> f.code().text() + " " + f.severity()))
        .contains("MP-42 FINE")
        .doesNotContain("MP-42 LOOK");
    assertThat(bench.get(Works.PLAN).step("load").orElseThrow().details())
        .contains(board.brain().load().orElseThrow().words());
  }

  /** A combination that nobody can hold is told, and nothing is called fine about it. */
  @Test(dataProvider = "ready")
  public void aCombinationThatNobodyCanHoldIsTold(BoardKind board) {
    String held = board.brain().program().orElseThrow().combinations().get(0).hold().get(0);
    List<Terminal> less =
        board.terminals(Terminal.Role.INPUT).stream()
            .filter(t -> !t.fixed().equals(Optional.of(held)))
            .toList();
    Bench bench = Bench.of(wired(board, less), Catalogue.standard());
    assertThat(
            bench.findings().stream()
                .filter(f -> f.code().text().equals("MP-42"))
                .map(f -> f.severity() + " " + f.title()))
        .anyMatch(text -> text.startsWith("LOOK") && text.contains(held))
        .noneMatch(text -> text.startsWith("FINE"));
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"{\"id\":\"a\",\"board\":\"none\"}", "there is no board"},
      {
        "{\"id\":\"a\",\"board\":\"native-3v3-26\",\"terminals\":{\"Q9\":\"Button 1\"}}",
        "no input of native-3v3-26"
      },
    };
  }

  @Test(dataProvider = "wrong")
  public void aWrongProgramIsNamed(String program, String words) {
    assertThatThrownBy(
            () -> Catalogue.standard().ready(JsonText.read("{\"programs\":[" + program + "]}")))
        .hasMessageContaining("programs[0]")
        .hasMessageContaining(words);
  }
}
