package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import kumite.build.BoardChoice;
import kumite.finding.Finding;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.SeatId;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A contact that shorts a supply, and two boards that share wires, in the window. */
public class ShortsWindowTest {
  private Path folder;
  private Window window;

  @BeforeMethod
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("kumite-shorts");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    window.close();
  }

  private void hold(ContactId contact, double travel) {
    Window.onFx(
        () -> {
          window.workbench().hold(contact, travel);
          return null;
        });
    window.settle();
  }

  private List<String> strip() {
    return Window.onFx(
        () ->
            window.stage().getScene().getRoot().lookupAll(".hop-value").stream()
                .map(node -> ((Labeled) node).getText())
                .toList());
  }

  private List<String> labels() {
    return Window.onFx(
        () ->
            window.stage().getScene().getRoot().lookupAll(".label").stream()
                .filter(Labeled.class::isInstance)
                .map(node -> ((Labeled) node).getText())
                .toList());
  }

  private Optional<Finding> found(String code) {
    return window.bench().findings().stream().filter(f -> f.code().text().equals(code)).findFirst();
  }

  /** From an empty panel: two buttons, a board, one wire too many; told, pressed, mended. */
  @Test
  public void aPressThatShortsASupplyIsToldPlayedAndMended() throws Exception {
    window = Window.open(folder.resolve("state"));
    window.click("#station-panel");
    window.add("button-30");
    window.add("button-30");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    ContactId first = window.bench().paths().get(0).id();
    window.choose("By hand");
    window.type("#hand-wire", first + ":NO - board:3V3");
    window.click("#hand-add");
    Finding stop = found("NT-22").orElseThrow();
    assertThat(stop.named()).contains(first.toString());
    assertThat(window.bench().findings())
        .filteredOn(f -> f.station() == kumite.finding.Station.LOOM)
        .noneMatch(f -> f.severity() == kumite.finding.Severity.FINE);
    window.click("#station-power");
    assertThat(labels())
        .as("no volts are told of a contact that shorts")
        .contains("no sure volts", "tied to it, pressed or not", "3.3 V");
    window.click("#station-loom");
    Window.onFx(
        () -> {
          window.workbench().select(first);
          return null;
        });
    hold(first, 1);
    assertThat(strip()).contains("board down");
    hold(first, 0);
    assertThat(strip()).doesNotContain("board down");
    window.click("#fix-NT-22");
    assertThat(found("NT-22")).isEmpty();
    hold(first, 1);
    assertThat(strip()).doesNotContain("board down");
    hold(first, 0);
  }

  /** A link is a wire of both looms, drawn and listed; what it shorts is told and taken out. */
  @Test
  public void aLinkIsAWireOfBothLooms() throws Exception {
    window = Window.open(folder.resolve("state"), "--demo", "ferry-bridge");
    window.hands.push(KeyCode.F9);
    window.settle();
    window.type("#seat-new", "deck");
    SeatId deck = new SeatId("deck");
    Window.onFx(
        () -> {
          window
              .workbench()
              .apply(
                  new kumite.build.Edit(
                      "A board for the deck",
                      b ->
                          b.withSeats(
                              b.seats().stream()
                                  .map(
                                      s ->
                                          s.id().equals(deck)
                                              ? s.withBoard(
                                                  Optional.of(
                                                      new BoardChoice(
                                                          "serial-5v-18", Placement.at(60, 60))))
                                              : s)
                                  .toList())));
          return null;
        });
    window.settle();
    assertThat(found("LM-46")).as("nobody hears it yet").isPresent();
    window.type("#link-new", "first:GND - deck:GND");
    window.type("#link-new", "first:D0 - deck:TX");
    assertThat(found("LM-46")).isEmpty();
    assertThat(window.bench().loom().strands()).extracting(s -> s.id()).contains("X01", "X02");
    assertThat(window.bench().lay().orElseThrow().wires())
        .extracting(w -> w.name())
        .contains("X01", "X02");
    window.type("#link-new", "first:GND.2 - deck:5V");
    assertThat(found("NT-01")).isPresent();
    window.click("#seats-done");
    window.click("#station-loom");
    window.click("#fix-NT-01");
    assertThat(found("NT-01")).isEmpty();
    assertThat(window.bench().build().links()).hasSize(2);
  }
}
