package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.device.Trace;
import kumite.files.BuildFile;
import kumite.files.RecentFiles;
import kumite.hid.HostView;
import kumite.hid.Usage;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Layers, chords, profiles and seats, made and played in the window. */
public class MapWindowTest {
  private Path folder;
  private Path desk;
  private Window window;
  private final AtomicLong nanos = new AtomicLong();

  @BeforeMethod
  public void open() throws Exception {
    folder = Files.createTempDirectory("kumite-map");
    desk = Files.createDirectory(folder.resolve("desk"));
    Path before = Files.writeString(desk.resolve("older.kumite.json"), "{}");
    new RecentFiles(folder.resolve("state")).used(before);
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    if (window != null) {
      window.close();
    }
  }

  private void start(String... what) throws Exception {
    window = Window.open(folder.resolve("state"), what);
    Window.onFx(
        () -> {
          window.workbench().clock(nanos::get);
          return null;
        });
  }

  private void hold(String contact, double travel, long afterMs) {
    nanos.addAndGet(afterMs * 1_000_000);
    Window.onFx(
        () -> {
          window.workbench().hold(ContactId.parse(contact), travel);
          return null;
        });
  }

  /** The buttons that the host has on after the last move. */
  private Set<Integer> on() {
    Bench bench = window.bench();
    Trace trace = Window.onFx(() -> window.workbench().trace().get()).orElseThrow();
    Set<Integer> on = new TreeSet<>();
    for (int id : bench.layout().reportIds()) {
      HostView.of(bench.layout().fields(), trace.last(id).orElseThrow().toBytes()).on().stream()
          .filter(usage -> usage.page() == Usage.BUTTON)
          .forEach(usage -> on.add(usage.id()));
    }
    return on;
  }

  private Profile profile() {
    return window.bench().build().profile();
  }

  /**
   * From an empty build: two layers, two chords, two profiles, a slider and a lever; played, a
   * clash named and mended, the assignment sheet printed.
   */
  @Test
  public void aControllerOfLayersChordsAndProfilesIsMadeAndPlayed() throws Exception {
    start();
    window.click("#add-first");
    for (String kind : new String[] {"button-24", "button-24", "button-24", "lever-8"}) {
      window.add(kind);
    }
    window.add("slider-45");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    window.click("#station-map");
    window.click("#map-rest");

    window.click("#layer-add");
    window.type("#layer-name", "Night");
    window.type("#layer-by", "button-4");
    window.type("#target-1-button-1", "button 11");
    Layer layer = profile().layers().get(0);
    assertThat(layer.name()).isEqualTo("Night");
    assertThat(layer.by()).containsExactly(ContactId.parse("button-4"));
    assertThat(layer.mapping().entries()).containsOnlyKeys(ContactId.parse("button-1"));

    window.type("#chord-new", "button-1 + button-2");
    window.type("#chord-new", "button-2, button-3");
    assertThat(profile().chords()).hasSize(2);
    window.type("#chord-target-1", "key esc");
    window.type("#chord-window-1", "80 ms");
    Chord second = profile().chords().get(1);
    assertThat(second.windowMs()).isEqualTo(80);
    assertThat(kumite.map.TargetText.of(second.entry().target())).isEqualTo("Key Esc");

    // The shift button means something itself on the way: named, and mended by its button.
    clickFix("Let it only reach the layer");
    assertThat(profile().base().of(ContactId.parse("button-4"))).isEmpty();

    window.click("#profile-add");
    window.type("#profile-name", "Phone");
    window.choose("phone or tablet");
    window.type("#profile-chosen", "button-1 + button-3 held");
    assertThat(window.bench().build().seat().profiles())
        .extracting(Profile::name)
        .containsExactly("Main", "Phone");
    window.click("#look-main");
    assertThat(profile().name()).isEqualTo("Main");

    // Played: alone, on the layer, and as a chord.
    Window.onFx(
        () -> {
          window.workbench().release();
          return null;
        });
    hold("button-4", 1, 500);
    hold("button-1", 1, 300);
    assertThat(on()).as("on the layer").contains(11);
    hold("button-1", 0, 300);
    hold("button-4", 0, 300);
    assertThat(on()).isEmpty();
    hold("button-1", 1, 300);
    hold("button-2", 1, 20);
    int chord =
        ((kumite.build.map.Target.Button) profile().chords().get(0).entry().target()).number();
    assertThat(on()).as("the chord, and neither of its members").containsExactly(chord);
    hold("button-1", 0, 200);
    hold("button-2", 0, 20);

    find("order of assignment");
    window.hands.push(KeyCode.ENTER);
    window.settle();
    Fx.await(20, "no sheet was written", () -> window.news().contains("written"));
    Path pdf;
    try (var files = Files.list(desk)) {
      pdf = files.filter(f -> f.toString().endsWith("assignment.pdf")).findFirst().orElseThrow();
    }
    try (PDDocument sheet = Loader.loadPDF(pdf.toFile())) {
      String text = new PDFTextStripper().getText(sheet);
      assertThat(text).contains("Main", "Phone", "Button 1", "south face", "button-1 + button-3");
    }
    String text = BuildFile.text(window.bench().build());
    assertThat(BuildFile.parse(text, "made", Catalogue.standard()))
        .isEqualTo(window.bench().build().home());
  }

  /** Held together for two seconds and let go, a combination turns the device to its profile. */
  @Test
  public void aCombinationTurnsTheDevice() throws Exception {
    start();
    window.click("#add-first");
    window.add("button-24");
    window.add("button-24");
    window.click("#station-loom");
    window.click("#use-first-board");
    window.click("#brain-native-3v3-26");
    window.click("#station-map");
    window.click("#map-rest");
    window.click("#profile-add");
    window.type("#profile-name", "Other");
    window.type("#profile-chosen", "button-1 + button-2 running");
    window.click("#look-main");
    hold("button-1", 1, 500);
    hold("button-2", 1, 30);
    letGo("button-2", 1000); // too soon
    letGo("button-1", 30);
    assertThat(profile().name()).isEqualTo("Main");
    hold("button-1", 1, 500);
    hold("button-2", 1, 30);
    letGo("button-2", 2300);
    assertThat(profile().name()).as("one is held still").isEqualTo("Main");
    letGo("button-1", 30);
    assertThat(profile().name()).isEqualTo("Other");
    assertThat(window.news()).contains("took profile Other");
  }

  private void letGo(String contact, long afterMs) {
    nanos.addAndGet(afterMs * 1_000_000);
    Window.onFx(
        () -> {
          window.workbench().letGo(ContactId.parse(contact));
          return null;
        });
    window.settle();
  }

  private void find(String what) {
    window.hands.push(KeyCode.CONTROL, KeyCode.K);
    window.settle();
    window.hands.write(what);
    window.hands.push(KeyCode.ENTER);
    window.settle();
  }

  private void clickFix(String words) {
    Node fix =
        window.nodes(".fix").stream()
            .filter(node -> ((ButtonBase) node).getText().equals(words))
            .findFirst()
            .orElseThrow(() -> new AssertionError("no fix " + words));
    window.hands.clickOn(fix);
    window.settle();
  }

  /** Two seats: each shows its own device, and what is pressed at one is not seen at the other. */
  @Test
  public void eachSeatShowsItsOwnDevice() throws Exception {
    start("--demo", "lantern-duel");
    window.click("#station-map");
    assertThat(contacts()).allMatch(c -> c.startsWith("left-")).hasSize(12);
    byte[] left = window.bench().layout().descriptor();
    hold("left-light", 1, 100);
    assertThat(on()).containsExactly(1);
    window.click("#seat-right");
    assertThat(contacts()).allMatch(c -> c.startsWith("right-")).hasSize(12);
    assertThat(window.bench().layout().descriptor()).isEqualTo(left);
    hold("right-shade", 1, 100);
    assertThat(on()).containsExactly(2);
    assertThat(Window.onFx(() -> window.workbench().unsaved())).as("looking is no edit").isFalse();
    window.click("#station-loom");
    assertThat(window.bench().loom().strands())
        .allMatch(
            s ->
                s.from().place().part().startsWith("right")
                    || !s.from().place().part().startsWith("left"));
  }

  private Set<String> contacts() {
    Set<String> contacts = new TreeSet<>();
    window.bench().paths().forEach(path -> contacts.add(path.id().toString()));
    return contacts;
  }

  /** A seat is added, a control moved to it, a wire laid between, all by their fields. */
  @Test
  public void seatsAreMadeAndLinked() throws Exception {
    start("--demo", "ferry-bridge");
    window.hands.push(KeyCode.F9);
    window.settle();
    window.type("#seat-new", "deck");
    Window.onFx(
        () -> {
          window.workbench().select(ContactId.parse("bilge"));
          return null;
        });
    window.settle();
    Window.onFx(
        () -> {
          javafx.scene.control.ComboBox<?> move =
              (javafx.scene.control.ComboBox<?>)
                  window.stage().getScene().getRoot().lookup("#seat-move");
          move.getSelectionModel().select(1);
          return null;
        });
    window.settle();
    assertThat(
            window.bench().build().control(new kumite.name.ControlId("bilge")).orElseThrow().seat())
        .contains(new kumite.name.SeatId("deck"));
    window.type("#link-new", "first:GND - deck:GND");
    assertThat(window.bench().build().links()).hasSize(1);
    window.type("#link-new", "first:GND - first:GND");
    assertThat(window.news()).contains("two seats");
    window.click("#seat-remove-deck");
    assertThat(window.bench().build().seats()).hasSize(1);
    assertThat(window.bench().build().links()).isEmpty();
    assertThat(window.bench().build().control(new kumite.name.ControlId("bilge"))).isPresent();
  }

  /** A slider is moved to both ends and recorded; readings of the real board are taken too. */
  @Test
  public void anAxisIsCalibratedByMovingIt() throws Exception {
    start("--demo", "ferry-bridge");
    window.click("#station-map");
    window.choose("Axes");
    window.click("#calibrate");
    for (double travel : new double[] {0, 0.3, 1, 0.5, 0}) {
      hold("starboard", travel, 50);
    }
    window.click("#calibrate");
    assertThat(
            Window.onFx(
                () ->
                    ((Labeled) window.stage().getScene().getRoot().lookup("#calibrate-told"))
                        .getText()))
        .contains("starboard moved", "noise 0");
    TextInputControl readings = window.find("#readings");
    Window.onFx(
        () -> {
          readings.setText("100\n100\n101\n100\n400\n2000\n3900\n2000\n100\n");
          return null;
        });
    window.click("#readings-take");
    var tuning = window.bench().build().tuning().axes().get(ContactId.parse("starboard"));
    assertThat(tuning.least()).isBetween(24, 26);
    assertThat(tuning.most()).isBetween(950, 953);
    window.type("#axis-dead-zone", "5");
    assertThat(window.bench().build().tuning().axes().get(ContactId.parse("starboard")).dead())
        .isEqualTo(50);
  }

  /** Scripts, charts, comparisons and descriptors: what is typed is taken, or refused in words. */
  @Test
  public void theOtherTabsTakeWhatIsTyped() throws Exception {
    start("--demo", "one-hand");
    window.click("#station-map");
    window.choose("Play");
    window.click("#script-play");
    assertThat(window.nodes(".play-bar")).as("contacts, a layer and a chord").hasSizeGreaterThan(4);
    TextInputControl moves = window.find("#script-moves");
    Window.onFx(
        () -> {
          moves.setText("trumpet@5ms");
          return null;
        });
    window.click("#script-play");
    assertThat(window.news()).contains("no contact \"trumpet\"");
    window.choose("Compare");
    assertThat(window.nodes("#compare-rows")).hasSize(1);
    window.choose("Chart");
    TextInputControl chart = window.find("#chart-text");
    Window.onFx(
        () -> {
          chart.setText("function;wants;order\nLight;press;2\nSpeed;travel;1\n");
          return null;
        });
    window.click("#chart-take");
    assertThat(profile().functions())
        .extracting(kumite.build.brief.HostFunction::name)
        .containsExactly("Speed", "Light");
    window.choose("Rules");
    window.type("#rapid-hop", "60 / 40");
    assertThat(window.bench().build().tuning().repeats().get(ContactId.parse("hop")).onMs())
        .isEqualTo(60);
    window.choose("Report");
    window.type("#descriptor-typed", "05 01 09 06 A1 01 C0");
    assertThat(window.nodes(".descriptor .list-cell")).isNotEmpty();
    window.type("#descriptor-typed", "05 01 09");
    assertThat(
            window.nodes(".descriptor .label").stream()
                .map(node -> Window.onFx(((Labeled) node)::getText)))
        .anyMatch(text -> text.startsWith("It cannot be read"));
  }

  /** An encoder counts, turned round or not, and a slider may press: set under Rules. */
  @Test
  public void pulsesAndThresholdsAreSetInTheWindow() throws Exception {
    start("--demo", "one-hand");
    window.add("encoder-spinner");
    window.click("#station-map");
    Window.onFx(
        () -> {
          window
              .workbench()
              .apply(
                  new kumite.build.Edit(
                      "Speed presses",
                      b ->
                          b.withMapping(
                              b.mapping()
                                  .with(
                                      ContactId.parse("speed"),
                                      new kumite.build.map.Mapping.Entry(
                                          new kumite.build.map.Target.Button(12), "")))));
          return null;
        });
    window.choose("Rules");
    String spinner =
        window.bench().build().controls().stream()
            .filter(c -> c.kind().equals("encoder-spinner"))
            .findFirst()
            .orElseThrow()
            .id()
            .text();
    ContactId a = ContactId.parse(spinner + ".a");
    window.type("#pulses-" + spinner + "-a", "2400 / 8");
    window.click("#turned-" + spinner + "-a");
    assertThat(window.bench().build().tuning().pulses().get(a))
        .isEqualTo(new kumite.build.map.Pulses(2400, 8, true));
    window.type("#press-at-speed", "70 / 30 %");
    assertThat(window.bench().build().tuning().presses().get(ContactId.parse("speed")).on())
        .isEqualTo(700);
    window.type("#press-at-speed", "30 / 70");
    assertThat(window.news()).contains("off");
    window.type("#pulses-" + spinner + "-a", " ");
    assertThat(window.bench().build().tuning().pulses()).isEmpty();
  }
}
