package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import kumite.build.Build;
import kumite.build.lead.LeadBook;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.RingOut;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every field of the Leads station changes the lead as it says, and can be taken back. */
public class LeadsEditTest {
  private Window window;
  private Build fresh;

  @BeforeClass
  public void open() throws Exception {
    Path folder = Files.createTempDirectory("kumite-leads-edit");
    window = Window.open(folder.resolve("state"), "--demo", "quarter-turn");
    window.click("#station-leads");
    fresh = build();
  }

  @AfterClass(alwaysRun = true)
  public void close() {
    window.close();
  }

  @BeforeMethod
  public void again() {
    Window.onFx(
        () -> {
          window.workbench().open(fresh, Optional.empty());
          return null;
        });
    window.settle();
    window.click("#station-leads");
    window.choose("Pins");
    choose("lead", "Quarter left");
  }

  private Build build() {
    return Window.onFx(() -> window.workbench().build().get());
  }

  private LeadBook book() {
    return build().leads();
  }

  private Lead lead() {
    return book().lead("Quarter left").orElseThrow();
  }

  /** The drop-down list of that name, wherever it is. */
  @SuppressWarnings("unchecked")
  private ComboBox<Object> list(Node within, String name) {
    return Window.onFx(
        () ->
            (ComboBox<Object>)
                within.lookupAll(".combo-box").stream()
                    .filter(n -> name.equals(n.getAccessibleText()))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError("no list is called " + name)));
  }

  /** Chooses by words, as a hand does, but without the popup. */
  private void choose(String name, String words) {
    window.settle();
    choose(Window.onFx(() -> window.stage().getScene().getRoot()), name, words);
  }

  private void choose(Node within, String name, String words) {
    ComboBox<Object> list = list(within, name);
    Window.onFx(
        () -> {
          Object choice =
              list.getItems().stream()
                  .filter(item -> list.getConverter().toString(item).equals(words))
                  .findFirst()
                  .orElseThrow(() -> new AssertionError(words + " is none of " + name));
          list.setValue(choice);
          return null;
        });
    window.settle();
  }

  private void undo() {
    Window.onFx(
        () -> {
          window.workbench().undo();
          return null;
        });
    window.settle();
  }

  // ---- ends

  @DataProvider
  public Object[][] endChoices() {
    return new Object[][] {
      {"First end, pins or sockets", "sockets", "gender"},
      {"First end, plugs into", "console or computer", "beyond"},
      {"Other end, what the pins do", "Nine-pin with select", "pinout"},
      {"Other end, wires are put on by", "crimp", "wired"},
    };
  }

  @Test(dataProvider = "endChoices")
  public void whatAnEndIsCanBeChosen(String list, String words, String what) {
    Lead before = lead();
    choose(list, words);
    Where where = list.startsWith("First") ? Where.FROM : Where.TO;
    End.Plug plug = (End.Plug) lead().end(where);
    switch (what) {
      case "gender" -> assertThat(plug.gender()).isEqualTo(Gender.FEMALE);
      case "beyond" -> assertThat(plug.beyond().words()).isEqualTo(words);
      case "pinout" -> assertThat(plug.pinout()).contains("nine-pin-select");
      default -> assertThat(plug.wired()).contains(Wired.How.CRIMP);
    }
    assertThat(lead().cores()).isEqualTo(before.cores());
    undo();
    assertThat(lead()).isEqualTo(before);
  }

  /** Another shape keeps the cores that still have their pins, and no others. */
  @Test
  public void anotherShapeKeepsWhatFits() {
    choose("Other end, connector", "Header, 4 pins");
    assertThat(lead().cores()).extracting(Core::to).containsExactly("3", "4", "2", "1");
    choose("First end, connector", "Board of the build (first)");
    assertThat(lead().from()).isInstanceOf(End.OfBoard.class);
    assertThat(lead().cores()).isEmpty();
    assertThat(window.bench().findings()).anyMatch(f -> f.code().text().equals("LD-24"));
    undo();
    undo();
    assertThat(build().leads()).isEqualTo(fresh.leads());
  }

  @Test
  public void whatSlidesOnFirstIsTicked() {
    int before = lead().slips().size();
    CheckBox hood = (CheckBox) window.whole("#end-from .check-box");
    Window.onFx(
        () -> {
          hood.fire();
          return null;
        });
    window.settle();
    assertThat(lead().slips()).hasSize(before - 1);
    undo();
    assertThat(lead().slips()).hasSize(before);
  }

  // ---- parts

  @DataProvider
  public Object[][] parts() {
    Place one = new Place(Where.FROM, "1");
    return new Object[][] {
      {"resistor in a core", Map.of(), "4k7", new LeadPart.Series("1", "3", 4700)},
      {"resistor to ground", Map.of(), "10k", new LeadPart.ResistorToGround(one, 10_000)},
      {"capacitor to ground", Map.of(), "10n", new LeadPart.CapacitorToGround(one, 1e-8)},
      {"pull-up to supply", Map.of(), "2.2 kohm", new LeadPart.PullUp(one, 2200)},
      {"bridge to a pin", Map.of("other pin", "5"), "", new LeadPart.Bridge(one, "5")},
      {"diode in a core", Map.of("end", "other end"), "", new LeadPart.Diode("1", "3", Where.TO)},
      {
        "resistor between two pins",
        Map.of("end", "first end", "other pin", "3"),
        "1k",
        new LeadPart.ResistorAcross(one, new Place(Where.FROM, "3"), 1000)
      },
      {
        "capacitor between two pins",
        Map.of("end", "first end", "other pin", "8"),
        "100n",
        new LeadPart.CapacitorAcross(one, new Place(Where.FROM, "8"), 1e-7)
      },
    };
  }

  @Test(dataProvider = "parts")
  public void aPartIsPutInAndTakenOut(
      String kind, Map<String, String> choices, String value, LeadPart part) {
    choose("kind of part", kind);
    choices.keySet().stream().sorted().forEach(name -> choose(name, choices.get(name)));
    if (!value.isEmpty()) {
      window.fill("#part-value", value);
    }
    window.fire("#part-add");
    assertThat(lead().parts()).hasSize(1);
    assertThat(lead().parts().get(0).words()).isEqualTo(part.words());
    Button gone =
        Window.onFx(
            () ->
                (Button)
                    window.stage().getScene().getRoot().lookupAll(".button").stream()
                        .filter(n -> ("Take out " + part.words()).equals(n.getAccessibleText()))
                        .findFirst()
                        .orElseThrow());
    Window.onFx(
        () -> {
          gone.fire();
          return null;
        });
    window.settle();
    assertThat(lead().parts()).isEmpty();
  }

  @Test
  public void aPartThatIsNoneIsTold() {
    choose("kind of part", "capacitor to ground");
    for (String bad : List.of("10", "many", "-1n")) {
      window.fill("#part-value", bad);
      window.fire("#part-add");
      assertThat(lead().parts()).as(bad).isEmpty();
      assertThat(window.news()).isNotEmpty();
    }
  }

  /** A drain wire wants a shield, which is ticked; the shield takes its drain wire with it. */
  @Test
  public void aShieldHasItsDrainWire() {
    choose("kind of part", "shield's drain wire");
    choose("end", "first end");
    choose("pin", "8");
    window.fire("#part-add");
    assertThat(lead().parts()).isEmpty();
    assertThat(window.news()).contains("no shield");
    window.fire("#cable-shielded");
    window.fire("#part-add");
    assertThat(lead().parts()).containsExactly(new LeadPart.Drain(new Place(Where.FROM, "8")));
    window.fire("#cable-shielded");
    assertThat(lead().parts()).isEmpty();
    window.fire("#cable-bought");
    assertThat(lead().cable().bought()).isTrue();
    undo();
    undo();
    undo();
    undo();
    assertThat(lead().cable().shielded()).isFalse();
  }

  @Test
  public void aMouldedPlugIsChosenLikeAnyOtherWay() {
    choose("First end, wires are put on by", "moulded on");
    assertThat(((kumite.lead.End.Plug) lead().from()).wired())
        .contains(kumite.lead.Wired.How.MOULDED);
    undo();
  }

  // ---- cores

  /** The row of the first core, whichever of the list's cells it is. */
  private void row(String name, String words) {
    Core first = lead().cores().get(0);
    ListView<?> rows = (ListView<?>) window.whole("#lead-cores");
    Window.onFx(
        () -> {
          rows.scrollTo(0);
          return null;
        });
    window.settle();
    Node cell =
        Window.onFx(
            () ->
                window.whole("#lead-cores").lookupAll(".core-row").stream()
                    .filter(
                        row ->
                            row.lookupAll(".combo-box").stream()
                                .anyMatch(
                                    box ->
                                        "from pin".equals(box.getAccessibleText())
                                            && first.from().equals(((ComboBox<?>) box).getValue())))
                    .findFirst()
                    .orElseThrow());
    choose(cell, name, words);
  }

  @Test
  public void rowsChangeCores() {
    row("to pin", "9");
    assertThat(lead().cores().get(0).to()).isEqualTo("9");
    assertThat(window.bench().findings()).anyMatch(f -> f.code().text().equals("LD-11"));
    undo();
    row("colour", "VT violet");
    assertThat(lead().cores().get(0).colour().code()).isEqualTo("VT");
    row("colour", "BU blue");
    assertThat(window.bench().findings()).anyMatch(f -> f.code().text().equals("LD-16"));
  }

  /** The keyboard walks from pin to pin; the row and the other end light with it. */
  @Test
  public void keysLightPinAfterPin() {
    Node strands = window.whole("#lead-strands");
    Window.onFx(
        () -> {
          strands.requestFocus();
          return null;
        });
    window.settle();
    ListView<?> rows = (ListView<?>) window.whole("#lead-cores");
    for (int i = 0; i < 9; i++) {
      window.hands.push(KeyCode.DOWN);
      window.settle();
      int at = i;
      assertThat(Window.onFx(() -> rows.getSelectionModel().getSelectedIndex())).isEqualTo(at);
      Core core = lead().cores().get(i);
      assertThat(window.whole("#pin-to-" + core.to()).getStyleClass()).contains("lit");
    }
    window.hands.push(KeyCode.ESCAPE);
    window.settle();
    assertThat(window.whole("#pin-to-9").getStyleClass()).doesNotContain("lit");
  }

  // ---- all of it, by chance

  /** Whatever is done here, undo goes back through the same builds to where it began. */
  @Test
  public void undoIsTotal() {
    Random random = new Random(14);
    List<Build> passed = new ArrayList<>();
    passed.add(build());
    String[] fires = {"#turn-90", "#turn-180", "#turn-270", "#turn-mirror", "#turn-0"};
    for (int i = 0; i < 12; i++) {
      Build before = build();
      switch (random.nextInt(4)) {
        case 0 -> window.fire(fires[random.nextInt(fires.length)]);
        case 1 -> choose("lead", random.nextBoolean() ? "Half turn" : "Quarter left");
        case 2 -> choose("First end, pins or sockets", random.nextBoolean() ? "pins" : "sockets");
        default -> row("colour", random.nextBoolean() ? "GY grey" : "YE yellow");
      }
      if (!build().equals(before)) {
        passed.add(build());
      }
    }
    for (int i = passed.size() - 1; i >= 0; i--) {
      assertThat(build()).isEqualTo(passed.get(i));
      undo();
    }
    assertThat(build()).isEqualTo(fresh);
  }

  // ---- faces and ring-out

  /** On each face the pin that is lit is the one of its number, for every connector. */
  @Test
  public void facesLightTheSamePin() {
    for (String kind : List.of("Fifteen-pin D", "Six-pin round", "Eight-way modular")) {
      choose("First end, connector", kind);
      window.fire("#core-add");
      window.choose("Faces");
      List<Node> faces = window.nodes(".lead-face");
      assertThat(faces).hasSizeGreaterThanOrEqualTo(3);
      Window.onFx(
          () -> {
            faces.get(0).lookup(".face-pin").getOnMouseClicked().handle(null);
            return null;
          });
      List<Node> lit = window.nodes(".face-pin.lit");
      assertThat(lit).as(kind).hasSizeGreaterThanOrEqualTo(3);
      assertThat(lit.subList(0, 3)).allMatch(n -> n.getAccessibleText().startsWith("Pin 1"));
      Window.onFx(
          () -> {
            lit.get(0).getOnMouseClicked().handle(null); // and it goes out again
            return null;
          });
      assertThat(window.nodes(".face-pin.lit")).isEmpty();
      window.choose("Pins");
      undo();
      undo();
    }
    assertThat(lead().cores()).isEqualTo(fresh.leads().leads().get(0).cores());
  }

  @Test
  public void aRingOutCanBeTakenBackAndProbedOtherwise() {
    window.choose("Ring-out");
    RingOut begun = book().ringOuts().get(0);
    window.fire("#ringout-silent");
    assertThat(book().ringOuts().get(0).readings()).hasSize(begun.readings().size() + 1);
    window.fire("#ringout-back");
    assertThat(book().ringOuts().get(0)).isEqualTo(begun);
    window.choose("one by one");
    assertThat(book().ringOuts().get(0).way()).isEqualTo(RingOut.Way.ONE_BY_ONE);
    NextProbe next = NextProbe.of(Known.of(book().ringOuts().get(0))).orElseThrow();
    assertThat(next.other()).hasSize(1);
    choose("look for", "broken cores, and cores that touch");
    choose("thought likely", "as in Quarter left");
    Map<String, String> likely = book().ringOuts().get(0).likely();
    assertThat(likely).containsEntry("1", "BN").containsEntry("8", "BK");
    window.fill("#ringout-near", "1, 1, 2");
    TextInputControl near = (TextInputControl) window.whole("#ringout-near");
    Window.onFx(
        () -> {
          near.fireEvent(new javafx.event.ActionEvent());
          return null;
        });
    assertThat(window.news()).contains("called \"1\"");
  }
}
