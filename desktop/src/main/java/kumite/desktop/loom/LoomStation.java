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
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.finding.Station;
import kumite.loom.Strand;
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
  private final Segments<View> tabs;
  private final ListView<SignalPath> strands = new ListView<>();
  private final ListView<Strand> commons = new ListView<>();
  private final CutTab cutList = new CutTab();
  private final LayTab picture;
  private final VBox runs = new VBox();
  private final StackPane list = new StackPane();
  private final BoardView boardView;
  private final TerminalsTab terminals;
  private final WaysTab ways;
  private final BoardsTab boards;
  private final HandTab hand;
  private final StrandWhy why;
  private final LaySettings settings;
  private final VBox empty = new VBox();
  private final Label emptyText = new Label();
  private View view = View.PICTURE;
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
    terminals = new TerminalsTab(workbench);
    ways = new WaysTab(workbench);
    boards = new BoardsTab(workbench, frame);
    hand = new HandTab(workbench, frame);
    why = new StrandWhy(workbench);
    Runnable wireByWire = () -> frame.commands().run(WIRE_BY_WIRE);
    picture = new LayTab(workbench, frame, wireByWire);
    root.getStyleClass().add("station-room");
    tabs =
        new Segments<>(
            v -> v.words,
            v -> {
              view = v;
              show(workbench.bench().get());
            },
            View.values());
    tabs.getStyleClass().add("flat-segments");
    head = new Head("Loom", tabs);

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
    commons.setCellFactory(v -> new CommonCell(workbench));
    commons.setFixedCellSize(30);
    commons.setAccessibleText("Strands of the commons");
    runs.getStyleClass().add("runs");

    emptyText.getStyleClass().add("emphasis");
    emptyText.setWrapText(true);
    emptyText.setMinHeight(Region.USE_PREF_SIZE);
    Button first = new Button("Choose a board");
    first.getStyleClass().add("accent");
    first.setId("use-first-board");
    first.setOnAction(
        event -> {
          view = View.BOARDS;
          show(workbench.bench().get());
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
    boolean noControls = bench.build().controls().isEmpty();
    empty.setVisible(noControls || bench.board().isEmpty() && view != View.BOARDS);
    emptyText.setText(
        noControls
            ? "Nothing to wire yet: put a control on the panel first."
            : "Choose a board, and every contact gets its terminal.");
    empty.getChildren().get(1).setManaged(!noControls);
    empty.getChildren().get(1).setVisible(!noControls);
    empty.getChildren().get(2).setManaged(noControls);
    empty.getChildren().get(2).setVisible(noControls);
    tabs.choose(view);
    switch (view) {
      case PICTURE -> {
        picture.show(bench);
        list.getChildren().setAll(picture);
      }
      case STRANDS -> {
        strands.getItems().setAll(bench.paths());
        list.getChildren().setAll(strands);
      }
      case COMMONS -> {
        commons
            .getItems()
            .setAll(bench.loom().strands().stream().filter(s -> s.contact().isEmpty()).toList());
        runs.getChildren().setAll(bench.loom().runs().stream().map(RunView::new).toList());
        VBox box = new VBox(runs, commons);
        VBox.setVgrow(commons, Priority.ALWAYS);
        list.getChildren().setAll(box);
      }
      case TERMINALS -> {
        terminals.show(bench);
        list.getChildren().setAll(terminals.node());
      }
      case WAYS -> {
        ways.show(bench);
        list.getChildren().setAll(ways);
      }
      case BOARDS -> {
        boards.show(bench);
        list.getChildren().setAll(boards);
      }
      case HAND -> {
        hand.show(bench);
        list.getChildren().setAll(hand);
      }
      case CUT_LIST -> {
        cutList.show(bench);
        list.getChildren().setAll(cutList);
      }
    }
    why.setVisible(view == View.STRANDS && bench.board().isPresent());
    why.setManaged(why.isVisible());
    boardView.show(bench);
    boardView.setManaged(narrow());
    boardView.setVisible(narrow() && bench.board().isPresent());
    showing = false;
    selected();
  }

  /** Side by side tables need the whole width. */
  private boolean narrow() {
    return view != View.PICTURE && view != View.WAYS && view != View.BOARDS && view != View.HAND;
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
    if (view == View.HAND) {
      hand.show(workbench.bench().get());
    } else if (view == View.WAYS) {
      ways.show(workbench.bench().get());
    }
    why.show(path);
  }
}
