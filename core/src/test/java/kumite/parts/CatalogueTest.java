package kumite.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.map.TargetText;
import kumite.measure.Shape;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The shipped parts must be such as could exist. */
public class CatalogueTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] controls() {
    return CATALOGUE.controls().stream().map(k -> new Object[] {k}).toArray(Object[][]::new);
  }

  @DataProvider
  Object[][] boards() {
    return CATALOGUE.boards().stream().map(k -> new Object[] {k}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "controls")
  public void aControlCoversItsHoleAndHasAWayIn(ControlKind kind) {
    assertThat(kind.face().widthMm())
        .as("face covers the hole")
        .isGreaterThan(kind.cutout().widthMm());
    assertThat(kind.face().heightMm()).isGreaterThan(kind.cutout().heightMm());
    assertThat(kind.thickestMm()).isGreaterThan(kind.thinnestMm());
    assertThat(kind.bodyDepthMm()).isPositive();
    assertThat(kind.trait()).isNotBlank();
    assertThat(kind.contacts()).isNotEmpty();
    Set<String> names = new HashSet<>();
    kind.contacts().forEach(c -> assertThat(names.add(c.name())).isTrue());
    assertThat(kind.contacts().size() == 1)
        .as("only a lone contact goes without a name")
        .isEqualTo(names.contains(""));
    boolean analog = kind.contacts().stream().anyMatch(c -> c.type().analog());
    assertThat(kind.ohm() > 0).as("what is measured has a resistance").isEqualTo(analog);
    kind.screws()
        .forEach(
            hole ->
                assertThat(Math.abs(hole.at().yMm()))
                    .as("screws sit beside the hole")
                    .isGreaterThan(kind.cutout().heightMm() / 2));
  }

  /** TRADE section 1: a lever pushes the switch on the opposite side (common practice). */
  @Test
  public void aLeverClosesTheSwitchOnTheOppositeSide() {
    ControlKind lever = CATALOGUE.control("lever-8").orElseThrow();
    assertThat(lever.contacts().stream().map(c -> c.name() + ": " + c.place()))
        .containsExactly(
            "up: front switch", "down: back switch", "left: right switch", "right: left switch");
  }

  /** TRADE section 1: holes of 24 and 30 mm, and 28.6 mm for long threads (common practice). */
  @Test
  public void buttonsComeInTheUsualSizes() {
    assertThat(
            CATALOGUE.controls().stream()
                .filter(k -> k.family() == ControlKind.Family.BUTTON)
                .map(k -> k.cutout().widthMm()))
        .contains(24.0, 30.0, 28.6);
  }

  @Test(dataProvider = "boards")
  public void aBoardsTerminalsLieOnItAndCanDoWhatItsCommonNeeds(BoardKind board) {
    Set<String> names = new HashSet<>();
    for (Terminal terminal : board.terminals()) {
      assertThat(names.add(terminal.name())).as(terminal.name()).isTrue();
      assertThat(Math.abs(terminal.at().xMm())).isLessThanOrEqualTo(board.widthMm() / 2);
      assertThat(Math.abs(terminal.at().yMm())).isLessThanOrEqualTo(board.heightMm() / 2);
      terminal
          .fixed()
          .ifPresent(text -> assertThat(TargetText.of(TargetText.parse(text))).isEqualTo(text));
      // Terminals that only read may lack a pull; the plan takes them last for contacts.
      boolean readsOnly =
          terminal.can(Terminal.Ability.OHMS)
              || terminal.can(Terminal.Ability.ANALOG) && !terminal.can(Terminal.Ability.DRIVE);
      if (terminal.role() == Terminal.Role.INPUT && !readsOnly) {
        assertThat(
                terminal.can(
                    board.common() == Common.GROUND
                        ? Terminal.Ability.PULL_UP
                        : Terminal.Ability.PULL_DOWN))
            .as("%s holds its idle level", terminal.name())
            .isTrue();
      }
    }
    assertThat(board.lowVolts()).isLessThan(board.highVolts());
    assertThat(board.highVolts()).isLessThan(board.logicVolts());
    boolean measures = board.terminals().stream().anyMatch(t -> t.can(Terminal.Ability.ANALOG));
    assertThat(board.adcBits() > 0).isEqualTo(measures);
    assertThat(
            board.terminals(Terminal.Role.GROUND).size()
                + board.terminals(Terminal.Role.COMMON).size())
        .as("somewhere for the shared side")
        .isPositive();
  }

  @Test
  public void boardsHaveAsManyInputsAsTheirNamesSay() {
    for (Object[] row :
        new Object[][] {{"native-3v3-26", 26}, {"native-5v-18", 18}, {"encoder-12-rail", 12}}) {
      assertThat(CATALOGUE.board((String) row[0]).orElseThrow().terminals(Terminal.Role.INPUT))
          .as("%s", row[0])
          .hasSize((int) row[1]);
    }
  }

  @Test
  public void refusesTwoKindsOfOneId() {
    ControlKind kind = CATALOGUE.controls().get(0);
    assertThatThrownBy(() -> Catalogue.of(List.of(kind, kind), List.of()))
        .hasMessageContaining(kind.id());
  }

  @Test
  public void shapesCannotBeEmptyOrAbsurd() {
    assertThatThrownBy(() -> new Shape.Round(0)).hasMessageContaining("above 0");
    assertThatThrownBy(() -> new Shape.Round(Double.NaN)).hasMessageContaining("above 0");
    assertThatThrownBy(() -> new Shape.Rect(10, 10, 6)).hasMessageContaining("corner");
  }
}
