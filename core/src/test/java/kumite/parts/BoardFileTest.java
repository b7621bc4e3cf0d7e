package kumite.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BoardFileTest {
  private static final BoardFile.Traits TRAITS =
      new BoardFile.Traits("own-x", "X", 3.3, Common.GROUND, 12, BoardKind.Brain.PLAIN);

  @DataProvider
  Object[][] boards() {
    return Catalogue.standard().boards().stream()
        .map(b -> new Object[] {b})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "boards")
  public void everyBoardIsWrittenAndReadBack(BoardKind board) {
    assertThat(BoardFile.read(new kumite.json.Key("", BoardFile.write(board)))).isEqualTo(board);
  }

  @Test
  public void theCatalogueHoldsEachKindOfBrain() {
    List<BoardKind> all = Catalogue.standard().boards();
    assertThat(all).hasSizeGreaterThanOrEqualTo(12);
    for (BoardKind.Link link : BoardKind.Link.values()) {
      assertThat(all.stream().anyMatch(b -> b.brain().link() == link)).as("%s", link).isTrue();
    }
    assertThat(all.stream().map(BoardKind::common).distinct()).hasSize(2);
    BoardKind header = Catalogue.standard().board("header-40").orElseThrow();
    assertThat(header.terminals()).hasSize(40);
    assertThat(header.terminals(Terminal.Role.GROUND)).hasSize(8);
    assertThat(header.terminals(Terminal.Role.SUPPLY)).hasSize(4);
  }

  @Test
  public void aPastedTableBecomesABoard() {
    BoardFile.Imported made =
        BoardFile.readTable(
            TRAITS,
            "Terminal\tSide\tCan\tKeep\nGND\tleft\t\t\n1\tleft\tdigital pull_up drive\t\n"
                + "A0\tright\tdigital analog\t\nTX\tright\t\tserial\n3V3\tright\t\t\n");
    assertThat(made.problems()).isEmpty();
    BoardKind board = made.board().orElseThrow();
    assertThat(board.terminals(Terminal.Role.INPUT)).hasSize(3);
    assertThat(board.terminal("GND").orElseThrow().role()).isEqualTo(Terminal.Role.GROUND);
    assertThat(board.terminal("3V3").orElseThrow().volts()).isEqualTo(3.3);
    assertThat(board.terminal("TX").orElseThrow().keep()).contains(Terminal.Keep.SERIAL);
    assertThat(board.terminal("A0").orElseThrow().can(Terminal.Ability.ANALOG)).isTrue();
    assertThat(board.terminal("1").orElseThrow().at().xMm()).isNegative();
  }

  @DataProvider
  Object[][] bad() {
    return new Object[][] {
      {"", 1, "empty"},
      {"pin\n1\n", 1, "unknown column"},
      {"terminal,can\n1,digital\n1,digital\n", 3, "named twice"},
      {"terminal,side\n1,top\n", 2, "neither left nor right"},
      {"terminal,can\n1,digital fly\n", 2, "\"fly\" is unknown"},
      {"terminal,role\nX,supply\n", 2, "needs its volts"},
      {"terminal,role,volts\nX,supply,much\n", 2, "no quantity in V"},
      {"terminal,keep\nX,warm\n", 2, "\"warm\" is unknown"},
    };
  }

  @Test(dataProvider = "bad")
  public void aBadTableIsRefusedByRow(String csv, int row, String words) {
    BoardFile.Imported made = BoardFile.readTable(TRAITS, csv);
    assertThat(made.board()).isEmpty();
    assertThat(made.problems().get(0).row()).isEqualTo(row);
    assertThat(made.problems().get(0).words()).contains(words);
  }

  @Test
  public void badJsonIsRefusedByKey() throws Exception {
    ObjectMapper json = new ObjectMapper();
    assertThatThrownBy(
            () ->
                BoardFile.read(
                    new kumite.json.Key("", json.readTree("{\"id\": \"x\", \"size_mm\": 1}"))))
        .hasMessageContaining("size_mm: must be 2 numbers");
    assertThatThrownBy(
            () -> BoardFile.read(new kumite.json.Key("", json.readTree("{\"id\": \"x\"}"))))
        .hasMessageContaining("size_mm: is missing");
  }
}
