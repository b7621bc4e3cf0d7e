package kumite.desktop.loom;

import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
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
import kumite.device.SignalPath;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** What goes to which terminal, with which wire. */
public final class LoomStation implements StationView {
  private enum View {
    PICTURE("Picture"),
    STRANDS("By strand"),
    TERMINALS("By terminal"),
    COMMONS("Commons"),
    CUT_LIST("Cut list"),
    WAYS("What if"),
    BOARDS("Boards"),
    HAND("By hand");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private static final String WIRE_BY_WIRE = "Wire by wire";

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Tabs<View> tabs = new Tabs<>(View.class, v -> v.words, v -> show(bench()));
  private final ListView<SignalPath> strands = new ListView<>();
  private final StackPane list = new StackPane();
  private final BoardView boardView;
  private final StrandWhy why;
  private final LaySettings settings;
  private final VBox empty = new VBox();
  private final Label emptyText = new Label();
  private boolean showing;

  /** Offers what can be begun from anywhere, whether the station has been gone to or not. */
  public static void offer(Workbench workbench, Shell.Frame frame) {
    AtomicReference<WireBench> made = new AtomicReference<>();
    frame
        .commands()
        .offer(
            WIRE_BY_WIRE,
            "F7",
            () -> {
              workbench.station().set(Station.LOOM);
              if (made.get() == null) {
                made.set(new WireBench(workbench, frame));
              }
              made.get().open(frame);
            });
  }

  /** The station's room. */
  public LoomStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    boardView = new BoardView(workbench);
    why = new StrandWhy(workbench);
    Runnable wireByWire = () -> frame.commands().run(WIRE_BY_WIRE);
    root.getStyleClass().add("station-room");
    tabs.tab(View.PICTURE, () -> Tab.of(new LayTab(workbench, frame, wireByWire), LayTab::show))
        .tab(View.STRANDS, () -> Tab.of(strands, b -> strands.getItems().setAll(b.paths())))
        .tab(View.TERMINALS, () -> new TerminalsTab(workbench))
        .tab(View.COMMONS, () -> Tab.of(new CommonsTab(workbench), CommonsTab::show))
        .tab(View.CUT_LIST, () -> Tab.of(new CutTab(workbench), CutTab::show))
        .tab(View.WAYS, () -> Tab.of(new WaysTab(workbench), WaysTab::show))
        .tab(View.BOARDS, () -> Tab.of(new BoardsTab(workbench, frame), BoardsTab::show))
        .tab(View.HAND, () -> Tab.of(new HandTab(workbench, frame), HandTab::show));
    tabs.bar().getStyleClass().add("flat-segments");
    head = new Head("Loom", tabs.bar());

    settings = new LaySettings(workbench);

    strands.setId("strands");
    strands.setAccessibleText("Strands, one a contact");
    strands.setCellFactory(v -> new StrandCell(workbench));
    strands.setFixedCellSize(32);
    strands
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                workbench.select(is.id());
              }
            });
    emptyText.getStyleClass().add("emphasis");
    emptyText.setWrapText(true);
    emptyText.setMinHeight(Region.USE_PREF_SIZE);
    Button first = new Button("Choose a board");
    first.getStyleClass().add("accent");
    first.setId("use-first-board");
    first.setOnAction(
        event -> {
          tabs.choose(View.BOARDS);
          show(bench());
        });
    Button toPanel = new Button("Go to the panel");
    toPanel.setOnAction(event -> workbench.station().set(Station.PANEL));
    empty.getStyleClass().add("empty-state");
    empty.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    empty.getChildren().addAll(emptyText, first, toPanel);

    VBox left = new VBox(list, why);
    VBox.setVgrow(list, Priority.ALWAYS);
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right = new VBox(boardView, WireBench.opener("wire-by-wire", wireByWire));
    right.getStyleClass().add("loom-right");
    right.managedProperty().bind(boardView.managedProperty());
    right.visibleProperty().bind(boardView.visibleProperty());
    VBox.setVgrow(boardView, Priority.ALWAYS);
    HBox body = new HBox(left, right);
    StackPane sheet = new StackPane(body, empty);
    sheet.getStyleClass().add("sheet");
    VBox.setVgrow(sheet, Priority.ALWAYS);
    root.getChildren().addAll(head, settings, sheet);
    workbench.path().addListener((o, was, is) -> selected());
    workbench.holds().addListener((o, was, is) -> strands.refresh());
  }

  private Bench bench() {
    return workbench.bench().get();
  }

  @Override
  public Station station() {
    return Station.LOOM;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    showing = true;
    settings.show(bench);
    int count = bench.loom().strands().size();
    head.facts(
        count == 0
            ? "nothing wired yet"
            : count
                + " strands · "
                + String.format(Locale.ROOT, "%.2f m", bench.loom().totalMetres()));
    boolean noControls = bench.build().controls().isEmpty() && bench.loom().sites().isEmpty();
    empty.setVisible(noControls || bench.board().isEmpty() && tabs.chosen() != View.BOARDS);
    emptyText.setText(
        noControls
            ? "Nothing to wire yet: put a control on the panel first."
            : "Choose a board, and every contact gets its terminal.");
    empty.getChildren().get(1).setManaged(!noControls);
    empty.getChildren().get(1).setVisible(!noControls);
    empty.getChildren().get(2).setManaged(noControls);
    empty.getChildren().get(2).setVisible(noControls);
    list.getChildren().setAll(tabs.show(bench));
    why.setVisible(tabs.chosen() == View.STRANDS && bench.board().isPresent());
    why.setManaged(why.isVisible());
    boardView.show(bench);
    boardView.setManaged(narrow());
    boardView.setVisible(narrow() && bench.board().isPresent());
    showing = false;
    selected();
  }

  /** Side by side tables need the whole width. */
  private boolean narrow() {
    return switch (tabs.chosen()) {
      case PICTURE, WAYS, BOARDS, HAND -> false;
      case STRANDS, TERMINALS, COMMONS, CUT_LIST -> true;
    };
  }

  private void selected() {
    showing = true;
    Optional<SignalPath> path = workbench.path().get().flatMap(workbench.bench().get()::path);
    if (path.isPresent()) {
      strands.getSelectionModel().select(path.get());
    } else {
      strands.getSelectionModel().clearSelection();
    }
    showing = false;
    boardView.mark();
    if (tabs.chosen() == View.HAND || tabs.chosen() == View.WAYS) {
      tabs.show(bench()); // what they offer is about the selected contact
    }
    why.show(path);
  }
}
