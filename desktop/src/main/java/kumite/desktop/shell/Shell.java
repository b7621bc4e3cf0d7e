package kumite.desktop.shell;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import kumite.files.BuildFile;
import kumite.files.RecentFiles;
import kumite.finding.Station;
import kumite.power.Sum;

/** The window's content: bar, stations, station, findings, path strip and what lies over them. */
public final class Shell extends StackPane {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");
  private static final Duration NEWS_STAYS = Duration.seconds(8);

  private final Workbench workbench;
  private final Commands commands;
  private final Keys keys;
  private final FileDesk files;
  private final Map<Station, StationView> views = new HashMap<>();
  private final List<StationRoom> rooms;
  private final Frame frame;
  private final StackPane centre = new StackPane();
  private final StackPane veil = new StackPane();
  private final HBox notice = new HBox();
  private final Label noticeText = new Label();
  private final PauseTransition noticeTimer = new PauseTransition(NEWS_STAYS);
  private Node focusBefore;
  private Optional<SumsSheet> sums = Optional.empty();
  private Optional<SeatsPane> seatsPane = Optional.empty();

  /**
   * What the frame offers to stations.
   *
   * @param commands everything that can be done
   * @param keys letter keys that press contacts
   * @param over what lies over the window
   * @param files opening and saving
   */
  public record Frame(Commands commands, Keys keys, Over over, FileDesk files) {}

  /** Puts something over the window, and takes it away. */
  public interface Over {
    /** Puts a node over the window. */
    void raise(Node node);

    /** Takes away what lies over the window. */
    void lower();
  }

  /**
   * The content of a window over a workbench, with the stations that there are.
   *
   * @param rooms the stations' rooms in the window, in working order
   */
  public Shell(Workbench workbench, List<StationRoom> rooms, RecentFiles recent) {
    this.workbench = workbench;
    this.rooms = List.copyOf(rooms);
    getStyleClass().add("shell");
    List<Station> stations = rooms.stream().map(StationRoom::station).toList();
    files = new FileDesk(workbench, recent);
    commands = new Commands(workbench, files, stations);
    keys = new Keys(workbench);
    Over over =
        new Over() {
          @Override
          public void raise(Node node) {
            Shell.this.raise(node);
          }

          @Override
          public void lower() {
            Shell.this.lower();
          }
        };
    Frame frame = new Frame(commands, keys, over, files);
    this.frame = frame;

    BorderPane pane = new BorderPane();
    pane.setTop(
        new VBox(
            new TopBar(workbench, commands, new FileMenu(workbench, files, commands)),
            noticeBar()));
    pane.setLeft(new StationList(workbench, stations));
    centre.getStyleClass().add("centre");
    pane.setCenter(centre);
    FindingsPane findings = new FindingsPane(workbench);
    pane.setRight(findings);
    pane.setBottom(new PathStrip(workbench, keys));
    Finder finder = new Finder(workbench, commands, this::sums);
    FilePane filePane = new FilePane(new SystemChooser());
    files.use(filePane);
    veil.getStyleClass().add("veil");
    veil.setVisible(false);
    getChildren().addAll(pane, veil);

    finder.onClose(this::lower);
    commands.onFind(
        () -> {
          raise(finder);
          finder.open();
        });
    commands.onToggleDark(this::toggleDark);
    commands.offer("Sums", "F2", this::sums);
    commands.offer("Fold the findings", "F8", findings::fold);
    commands.offer("Seats and links between boards", "F9", this::seats);
    filePane.onShow(() -> raise(filePane), this::lower);
    veil.setOnMouseClicked(
        event -> {
          if (event.getTarget() == veil) {
            lower();
          }
        });
    widthProperty()
        .addListener((o, was, is) -> Platform.runLater(() -> findings.room(is.doubleValue())));
    workbench.station().addListener((o, was, is) -> showStation());
    workbench.bench().addListener((o, was, is) -> view(workbench.station().get()).show(is));
    workbench.notice().addListener((o, was, is) -> showNotice());
    rooms.forEach(room -> room.offer(workbench, frame));
    showStation();
    showNotice();
  }

  /** {@return what the window offers to stations} */
  public Frame frame() {
    return frame;
  }

  private HBox noticeBar() {
    notice.getStyleClass().add("notice");
    notice.setId("notice");
    noticeText.setWrapText(true);
    noticeText.setId("notice-text");
    noticeText.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(noticeText, Priority.ALWAYS);
    noticeText.setMaxWidth(Double.MAX_VALUE);
    Button away = new Button("Dismiss");
    away.getStyleClass().add("quiet");
    away.setMinWidth(Region.USE_PREF_SIZE);
    away.setOnAction(event -> workbench.notice().set(Optional.empty()));
    notice.getChildren().addAll(noticeText, away);
    noticeTimer.setOnFinished(event -> workbench.notice().set(Optional.empty()));
    return notice;
  }

  private void showNotice() {
    boolean any = workbench.notice().get().isPresent();
    notice.setVisible(any);
    notice.setManaged(any);
    noticeTimer.stop();
    workbench
        .notice()
        .get()
        .ifPresent(
            news -> {
              noticeText.setText(news.text());
              notice.pseudoClassStateChanged(BAD, news.bad());
              if (!news.bad()) {
                noticeTimer.playFromStart(); // bad news stays until it is dismissed
              }
            });
  }

  private void showStation() {
    StationView view = view(workbench.station().get());
    // In the window first: what is not in it has no styles, and its words have no size.
    centre.getChildren().setAll(view.node());
    view.show(workbench.bench().get());
  }

  /** {@return a station's view, made when it is first gone to: the window comes up sooner so} */
  private StationView view(Station station) {
    return views.computeIfAbsent(
        station,
        wanted ->
            rooms.stream()
                .filter(room -> room.station().equals(wanted))
                .findFirst()
                .orElseThrow()
                .view(workbench, frame));
  }

  private void raise(Node node) {
    if (!veil.isVisible() && getScene() != null) {
      focusBefore = getScene().getFocusOwner();
    }
    veil.getChildren().setAll(node);
    veil.setVisible(true);
  }

  private void lower() {
    veil.setVisible(false);
    veil.getChildren().clear();
    if (focusBefore != null) {
      focusBefore.requestFocus();
    }
  }

  /** Puts something over the window, such as an offer to recover work. */
  public void offerRecovery(String question, String detail, Runnable keep, Runnable drop) {
    Label title = new Label(question);
    title.getStyleClass().add("emphasis");
    Label text = new Label(detail);
    text.setWrapText(true);
    Button dropIt = new Button("Throw it away");
    dropIt.setId("recovery-drop");
    dropIt.setOnAction(
        event -> {
          lower();
          drop.run();
        });
    Button keepIt = new Button("Go on with it");
    keepIt.setId("recovery-keep");
    keepIt.getStyleClass().add("accent");
    keepIt.setOnAction(
        event -> {
          lower();
          keep.run();
        });
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(gap, dropIt, keepIt);
    foot.getStyleClass().add("foot");
    VBox box = new VBox(title, text, foot);
    box.getStyleClass().add("file-pane");
    box.setMaxSize(560, 150);
    raise(box);
    keepIt.requestFocus();
  }

  /** Puts the bench calculations beside the work; what was typed there before is still there. */
  void sums() {
    if (sums.isEmpty()) {
      SumsSheet sheet = new SumsSheet(this::lower);
      StackPane.setAlignment(sheet, Pos.TOP_RIGHT); // beside the work, not on it
      sums = Optional.of(sheet);
    }
    raise(sums.get());
    sums.get().open();
  }

  /** Puts the seats of the build over the window. */
  private void seats() {
    SeatsPane pane = seatsPane.orElseGet(() -> new SeatsPane(workbench, this::lower));
    seatsPane = Optional.of(pane);
    raise(pane);
  }

  private void sums(Sum sum) {
    sums();
    sums.get().choose(sum);
  }

  private void toggleDark() {
    if (!getStyleClass().remove("dark")) {
      getStyleClass().add("dark");
    }
  }

  /** Connects keys to the scene. */
  public void install(Scene scene) {
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ESCAPE && veil.isVisible()) {
            lower();
            event.consume();
            return;
          }
          if (veil.isVisible()) {
            return; // what lies on top has the keys
          }
          boolean typing = scene.getFocusOwner() instanceof TextInputControl;
          for (Command command : commands.all()) {
            boolean plain = !event.isShortcutDown();
            boolean editsText =
                typing && (plain || List.of(KeyCode.A, KeyCode.Z).contains(event.getCode()));
            if (command.keys().filter(k -> k.match(event)).isPresent() && !editsText) {
              if (command.possible().getAsBoolean()) {
                command.run().run();
              }
              event.consume();
              return;
            }
          }
        });
    keys.install(scene, veil::isVisible, code -> view(workbench.station().get()).key(code));
    scene.setOnDragOver(
        event -> {
          if (dropped(event.getDragboard()).isPresent()) {
            event.acceptTransferModes(TransferMode.COPY);
          }
          event.consume();
        });
    scene.setOnDragDropped(
        event -> {
          Optional<java.nio.file.Path> file = dropped(event.getDragboard());
          file.ifPresent(files::openAfterAsking);
          event.setDropCompleted(file.isPresent());
          event.consume();
        });
  }

  /** {@return the one build among what is dragged over the window} */
  private static Optional<java.nio.file.Path> dropped(Dragboard dragged) {
    return dragged.getFiles().size() == 1
            && dragged.getFiles().get(0).getName().endsWith(BuildFile.ENDING)
        ? Optional.of(dragged.getFiles().get(0).toPath())
        : Optional.empty();
  }

  /** {@return whether nothing would be lost by closing; else it is asked, and closed after that} */
  public boolean mayClose(Runnable close) {
    return files.mayClose(close);
  }

  /** {@return opening a file, for the start of the application} */
  public boolean open(java.nio.file.Path file) {
    return files.open(file);
  }
}
