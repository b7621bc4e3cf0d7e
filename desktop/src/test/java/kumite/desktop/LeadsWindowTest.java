package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import kumite.build.lead.LeadBook;
import kumite.finding.Station;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Told;
import kumite.lead.Turn;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.RingOut;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The Leads station in a real window, from an empty build. */
public class LeadsWindowTest {
  private Window window;

  @BeforeMethod
  public void open() throws Exception {
    Path folder = Files.createTempDirectory("kumite-leads");
    window = Window.open(folder.resolve("state"));
    window.click("#station-leads");
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private LeadBook book() {
    return Window.onFx(() -> window.workbench().build().get().leads());
  }

  private Lead lead(String name) {
    return book().lead(name).orElseThrow();
  }

  private Told told(String name) {
    return Told.of(lead(name), book().plugs());
  }

  private List<String> pairs(String name) {
    return lead(name).cores().stream().map(c -> c.from() + ">" + c.to()).toList();
  }

  private String text(String query) {
    Label label = window.find(query);
    return Window.onFx(label::getText);
  }

  @Test
  public void everyTabOpensWhereThereIsNoLeadAndNoRingOut() {
    for (String tab : List.of("Ring-out", "Faces", "Join", "Pins", "Make")) {
      window.choose(tab);
      assertThat(book().ringOuts()).as(tab).isEmpty();
    }
  }

  private void drag(String from, String to) {
    double[] a = middle(window.find(from));
    double[] b = middle(window.find(to));
    window.hands.moveTo(a[0], a[1]).press(MouseButton.PRIMARY);
    window.hands.moveTo((a[0] + b[0]) / 2, (a[1] + b[1]) / 2).moveTo(b[0], b[1]);
    window.hands.release(MouseButton.PRIMARY);
    window.settle();
  }

  private static double[] middle(Node node) {
    Bounds bounds = Window.onFx(() -> node.localToScreen(node.getBoundsInLocal()));
    return new double[] {bounds.getCenterX(), bounds.getCenterY()};
  }

  /** A stick and a wish: the lead, its pins lit everywhere, turned, changed by hand, undone. */
  @Test
  public void aStickIsTurned() {
    window.click("#make-turn");
    assertThat(told("Quarter left").turn()).contains(new Turn(1, false));
    assertThat(window.bench().count(Station.LEADS, kumite.finding.Severity.STOP)).isZero();
    window.click("#turn-180");
    assertThat(pairs("Quarter left")).startsWith("1>2", "2>1", "3>4", "4>3");
    window.click("#turn-mirror");
    assertThat(told("Quarter left").turn()).contains(new Turn(0, true));
    window.click("#turn-90");

    // One pin lights on both ends and on every face.
    window.click("#pin-from-1");
    assertThat(window.find("#pin-to-3").getStyleClass()).contains("lit");
    assertThat(window.find("#pin-to-1").getStyleClass()).doesNotContain("lit");
    window.choose("Faces");
    assertThat(text("#lit-pin")).contains("Pin 1, up,").contains("goes to pin 3");
    assertThat(text("#lit-pin")).contains("closed to ground by the pad at 5.0 V");
    assertThat(window.nodes(".face-pin.lit")).hasSize(6);
    window.choose("Pins");

    // A core taken out by hand is told, and can be taken back.
    drag("#pin-from-8", "#pin-to-8");
    assertThat(pairs("Quarter left")).doesNotContain("8>8");
    assertThat(window.bench().findings()).anyMatch(f -> f.code().text().equals("LD-03"));
    Fx.await(20, "no fix", () -> window.nodes("#fix-LD-03").size() == 1);
    window.click("#fix-LD-03");
    assertThat(pairs("Quarter left")).contains("8>8");
    drag("#pin-from-1", "#pin-to-2");
    assertThat(window.bench().findings()).anyMatch(f -> f.code().text().equals("LD-11"));
    window.hands.push(KeyCode.CONTROL, KeyCode.Z);
    window.settle();
    assertThat(window.bench().findings()).noneMatch(f -> f.code().text().equals("LD-11"));
    assertThat(window.cutTexts()).isEmpty();
  }

  @Test
  public void aTableIsReadAndABadOneIsTold() {
    window.fill("#lead-table", "1>3 2>3");
    window.click("#make-table");
    assertThat(window.news()).contains("no permutation");
    assertThat(book().leads()).isEmpty();
    window.fill("#lead-table", "from,to,colour\nup,left,BN\n8,8,BK");
    window.click("#make-table");
    assertThat(pairs("Lead")).containsExactly("1>3", "8>8");

    // A resistor in the core, understood before it is put in.
    window.fill("#part-value", "2k2");
    window.fire("#part-add");
    assertThat(lead("Lead").parts()).containsExactly(new LeadPart.Series("1", "3", 2200));
    window.type("#lead-name", "Mine");
    assertThat(book().lead("Mine")).isPresent();
  }

  @Test
  public void leadsAreJoined() {
    window.click("#make-turn");
    window.choose("Make");
    window.click("#make-turn");
    window.choose("Join");
    assertThat(text("#join-result")).contains("by half").contains("1>2  2>1  3>4  4>3");
    assertThat(text("#undo-result")).contains("three quarters to the left");
    assertThat(text("#between-result")).contains("a plain extension");
    window.click("#join-take");
    assertThat(told("Quarter left + Quarter left 2").turn()).contains(new Turn(2, false));
    window.click("#lead-delete");
    assertThat(book().leads()).hasSize(2);
  }

  /** A cable with one broken and two crossed cores: one key an answer, within the promise. */
  @Test
  public void aCableIsRungOut() {
    window.click("#make-ringout");
    window.type("#ringout-far", "BN, BU, GN, OG, PK, TQ, RD, BK, WH");
    RingOut begun = book().ringOuts().get(0);
    assertThat(begun.far()).startsWith("BN", "BU").hasSize(9);
    Map<String, String> truth =
        Map.of(
            "1", "BN", "2", "GN", "3", "BU", "4", "OG", "5", "PK", "6", "TQ", "7", "RD", "8",
            "BK"); // 9 is broken
    Node key = window.find("#ringout-beep");
    Window.onFx(
        () -> {
          key.requestFocus();
          return null;
        });
    kumite.ringout.RingOutPlan plan = new kumite.ringout.RingOutPlan(9);
    int promised =
        plan.worstBroken(RingOut.Way.GROUPED, 1)
            + plan.lastRound(RingOut.Way.GROUPED, RingOut.Faults.BROKEN, 1);
    int asked = 0;
    while (NextProbe.of(Known.of(book().ringOuts().get(0))).isPresent()) {
      NextProbe next = NextProbe.of(Known.of(book().ringOuts().get(0))).get();
      Set<String> far = new HashSet<>();
      next.other().forEach(place -> far.add(place.pin()));
      boolean beep = next.one().stream().anyMatch(core -> far.contains(truth.get(core.pin())));
      window.hands.push(beep ? KeyCode.B : KeyCode.S);
      window.settle();
      assertThat(book().ringOuts().get(0).readings()).hasSize(++asked);
    }
    assertThat(asked).isLessThanOrEqualTo(promised);
    assertThat(window.bench().findings())
        .anyMatch(f -> f.code().text().equals("LD-31") && f.title().contains("9"));
    window.click("#ringout-take");
    Lead found = book().leads().get(0);
    assertThat(found.cores()).hasSize(8);
    for (Core core : found.cores()) {
      assertThat(core.colour().code()).isEqualTo(truth.get(core.from()));
    }
    assertThat(Window.onFx(() -> window.workbench().station().get())).isEqualTo(Station.LEADS);
  }

  @Test
  public void aConnectorOfOnesOwnIsTaken() {
    window.fill("#own-name", "Bell plug");
    window.fill("#own-table", "pin,x,y\nT,0,0\nR,0.2 in,0");
    window.fire("#own-connector");
    assertThat(book().connectors()).hasSize(1);
    assertThat(book().connectors().get(0).pins().get(1).at().xMm()).isBetween(2.53, 2.55);
    assertThat(window.news()).contains("1 connector");
  }

  @DataProvider
  public Object[][] sizes() {
    return new Object[][] {{1100, 700, 13}, {1280, 800, 16}};
  }

  /** Nothing is cut or pushed out of the window, in any tab, with a lead and a ring-out to show. */
  @Test(dataProvider = "sizes")
  public void everyTabFits(int width, int height, int font) throws Exception {
    window.close();
    Path state = Files.createTempDirectory("kumite-leads").resolve("state");
    window = Window.sized(state, width, height, font, "--demo", "quarter-turn");
    assertThat(Window.onFx(() -> window.workbench().station().get())).isEqualTo(Station.LEADS);
    for (String tab : List.of("Pins", "Faces", "Make", "Join", "Ring-out")) {
      window.choose(tab);
      assertThat(window.cutTexts()).as(tab).isEmpty();
      Node station = window.find("#station-brief");
      double top = Window.onFx(() -> station.localToScene(station.getBoundsInLocal()).getMinY());
      assertThat(top).as(tab + ": the top bar is still there").isGreaterThan(40);
    }
  }

  /** A cable to the board has the wires of the loom as its cores. */
  @Test
  public void aCableOfTheBuildIsLaid() {
    window.click("#station-panel");
    window.click("#add-first");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-5v-18");
    window.click("#station-leads");
    window.fire("#make-cable");
    List<Lead> leads = window.bench().leads();
    assertThat(leads).hasSize(1);
    assertThat(leads.get(0).cores()).hasSize(window.bench().wiring().orElseThrow().wires().size());
    assertThat(window.nodes("#pin-from-1")).hasSize(1);
  }
}
