package kumite.desktop.map;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Tabs;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** What each contact means to the host. */
public final class MapStation implements StationView {
  private enum View {
    CONTACTS("Contacts"),
    RULES("Rules"),
    AXES("Axes"),
    PLAY("Play"),
    COMPARE("Compare"),
    CHART("Chart"),
    TIMING("Timing"),
    DESCRIPTOR("Report"),
    FIRMWARE("Firmware");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Tabs<View> tabs = new Tabs<>(View.class, v -> v.words, v -> show(bench()));
  private final HBox body = new HBox();
  private final StackPane sheet = new StackPane();
  private final VBox empty = new VBox();
  private final HostPanel host;
  private final ProfileBar profiles;
  private final ContactsTab contacts;

  /** The station's room. */
  public MapStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    host = new HostPanel(workbench);
    root.getStyleClass().add("station-room");
    tabs.bar().getStyleClass().add("tight"); // there are many
    head = new Head("Map", tabs.bar());
    profiles = new ProfileBar(workbench);
    contacts = new ContactsTab(workbench, frame);
    tabs.tab(View.CONTACTS, () -> Tab.of(contacts, contacts::show))
        .tab(View.RULES, () -> Tab.of(new RulesTab(workbench), RulesTab::show))
        .tab(View.AXES, () -> Tab.of(new AxesTab(workbench), AxesTab::show))
        .tab(View.PLAY, () -> Tab.of(new PlayTab(workbench), PlayTab::show))
        .tab(View.COMPARE, () -> Tab.of(new CompareTab(workbench), CompareTab::show))
        .tab(View.CHART, () -> Tab.of(new ChartTab(workbench), ChartTab::show))
        .tab(View.TIMING, () -> Tab.of(new TimingTab(workbench), TimingTab::show))
        .tab(View.DESCRIPTOR, () -> Tab.of(new VBox(), MapStation::report))
        .tab(View.FIRMWARE, () -> Tab.of(new FirmwareTab(workbench, frame), FirmwareTab::show));

    Label emptyText = new Label("Nothing to map yet: put a control on the panel first.");
    emptyText.getStyleClass().add("emphasis");
    emptyText.setWrapText(true);
    emptyText.setMinHeight(Region.USE_PREF_SIZE);
    Button toPanel = new Button("Go to the panel");
    toPanel.getStyleClass().add("accent");
    toPanel.setOnAction(event -> workbench.station().set(Station.PANEL));
    empty.getChildren().addAll(emptyText, toPanel);
    empty.getStyleClass().add("empty-state");
    empty.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);

    sheet.getStyleClass().add("sheet");
    HBox.setHgrow(sheet, Priority.ALWAYS);
    body.getChildren().addAll(sheet, contacts.asks());
    body.getStyleClass().add("map-body");
    VBox.setVgrow(body, Priority.ALWAYS);
    root.getChildren().addAll(head, profiles, body, host);
  }

  private static void report(VBox box, Bench bench) {
    box.getChildren().setAll(new DescriptorView(bench.layout()));
    VBox.setVgrow(box.getChildren().get(0), Priority.ALWAYS);
  }

  private Bench bench() {
    return workbench.bench().get();
  }

  @Override
  public Station station() {
    return Station.MAP;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    int count = bench.build().profile().layers().size() + 1;
    long mapped = bench.paths().stream().filter(path -> path.site().entry().isPresent()).count();
    head.facts(
        mapped
            + " of "
            + bench.paths().size()
            + " mapped · "
            + (count == 1 ? "one layer" : count + " layers")
            + " · "
            + bench.layout().reportIds().stream().mapToInt(bench.layout()::lengthBytes).sum()
            + " bytes");
    Node content = tabs.show(bench);
    List<Node> shown = List.of(bench.paths().isEmpty() ? empty : content);
    // Set anew only where it is another: what is typed in a row goes on.
    if (!sheet.getChildren().equals(shown)) {
      sheet.getChildren().setAll(shown);
    }
    profiles.show(bench);
    // What the host asks for belongs to the contacts; other tabs have the room.
    boolean asked = tabs.chosen() == View.CONTACTS;
    contacts.asks().setVisible(asked);
    contacts.asks().setManaged(asked);
    // The code has lists that want the height.
    host.setVisible(tabs.chosen() != View.FIRMWARE);
    host.setManaged(tabs.chosen() != View.FIRMWARE);
    host.show(bench);
  }
}
