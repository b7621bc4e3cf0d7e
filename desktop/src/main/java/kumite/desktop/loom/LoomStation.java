package kumite.desktop.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.BoardChoice;
import kumite.build.Edit;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Commands;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.WireColour;
import kumite.loom.CommonRun;
import kumite.loom.CutList;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Strand;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.power.LampResistor;
import kumite.verdict.Bench;
import kumite.verdict.Station;
import kumite.wiring.Fitting;
import kumite.working.Quantity;

/** What goes to which terminal, with which wire. */
public final class LoomStation implements StationView {
  private enum View {
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

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Segments<View> tabs;
  private final ListView<SignalPath> strands = new ListView<>();
  private final ListView<Strand> commons = new ListView<>();
  private final ListView<String> cutList = new ListView<>();
  private final VBox runs = new VBox();
  private final StackPane list = new StackPane();
  private final BoardView boardView;
  private final HarnessView harness = new HarnessView();
  private final TerminalsTab terminals;
  private final WaysTab ways;
  private final BoardsTab boards;
  private final HandTab hand;
  private final VBox why = new VBox();
  private final Choice<BoardKind> board;
  private final Choice<Laying.CommonShape> shape;
  private final TypedField boardX;
  private final TypedField boardY;
  private final TypedField slack;
  private final TypedField loop;
  private final Label loopName = new Label("service loop");
  private final TypedField gauge;
  private final VBox empty = new VBox();
  private final Label emptyText = new Label();
  private View view = View.STRANDS;
  private boolean showing;

  /** The station's room. */
  public LoomStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    boardView = new BoardView(workbench);
    terminals = new TerminalsTab(workbench);
    ways = new WaysTab(workbench);
    boards = new BoardsTab(workbench, frame);
    hand = new HandTab(workbench, frame);
    root.getStyleClass().add("station-room");
    tabs =
        new Segments<>(
            v -> v.words,
            v -> {
              view = v;
              show(workbench.bench().get());
            },
            View.values());
    head = new Head("Loom", tabs);

    board =
        new Choice<>(
            "Board",
            workbench.catalogue().boards(),
            BoardKind::name,
            kind -> workbench.apply(Commands.board(kind)));
    board.setId("board-choice");
    board.setPromptText("Choose a board");
    board.setPrefWidth(230);
    board.setMaxWidth(230);
    shape =
        new Choice<>(
            "How commons are laid",
            List.of(Laying.CommonShape.values()),
            Laying.CommonShape::words,
            chosen ->
                loom(
                    "Commons as " + chosen.words(),
                    l -> l.withLaying(l.laying().withShape(chosen))));
    slack =
        TypedField.length(
            "slack at each end",
            mm ->
                loom(
                    "Set the slack",
                    l -> l.withLaying(l.laying().withAllowances(mm, l.laying().serviceLoopMm()))));
    loop =
        TypedField.length(
            "service loop",
            mm ->
                loom(
                    "Set the service loop",
                    l -> l.withLaying(l.laying().withAllowances(l.laying().slackMm(), mm))));
    gauge =
        TypedField.number(
            "gauge",
            "AWG",
            10,
            36,
            n ->
                loom(
                    "Set the gauge", l -> l.withLaying(l.laying().withGauge((int) Math.round(n)))));
    loopName.getStyleClass().add("field-name");
    loopName.setMinWidth(Region.USE_PREF_SIZE);
    loopName.setLabelFor(loop);
    for (TypedField field : new TypedField[] {slack, loop, gauge}) {
      field.field().setPrefWidth(80);
    }
    boardX =
        TypedField.length("board, left to right", mm -> moveBoard(at -> at.movedTo(mm, at.yMm())));
    boardY =
        TypedField.length("board, front to back", mm -> moveBoard(at -> at.movedTo(at.xMm(), mm)));
    for (TypedField field : new TypedField[] {boardX, boardY}) {
      field.field().setPrefWidth(80);
    }
    FlowPane settings =
        new FlowPane(
            Head.named("board", board),
            Head.named("its centre, x", boardX),
            Head.named("y", boardY),
            Head.named("commons", shape),
            Head.named("slack, each end", slack),
            new VBox(loopName, loop),
            Head.named("gauge", gauge));
    settings.getStyleClass().addAll("field-row", "bar");
    settings.setMinHeight(Region.USE_PREF_SIZE);

    strands.setId("strands");
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
    cutList.setFixedCellSize(30);
    cutList.getStyleClass().add("mono");
    cutList.setCellFactory(v -> new CutCell());
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

    why.getStyleClass().add("why");
    why.setMinHeight(Region.USE_PREF_SIZE);
    VBox left = new VBox(list, why);
    VBox.setVgrow(list, Priority.ALWAYS);
    HBox.setHgrow(left, Priority.ALWAYS);
    WireBench wires = new WireBench(workbench, frame);
    VBox right = new VBox(boardView, WireBench.opener(() -> wires.open(frame)));
    right.getStyleClass().add("loom-right");
    right.managedProperty().bind(boardView.managedProperty());
    right.visibleProperty().bind(boardView.visibleProperty());
    VBox.setVgrow(boardView, Priority.ALWAYS);
    frame
        .commands()
        .offer(
            "Wire by wire",
            "F7",
            () -> {
              workbench.station().set(Station.LOOM);
              wires.open(frame);
            });
    HBox body = new HBox(left, right);
    StackPane sheet = new StackPane(body, empty);
    sheet.getStyleClass().add("sheet");
    VBox.setVgrow(sheet, Priority.ALWAYS);
    root.getChildren().addAll(head, settings, sheet);
    workbench.path().addListener((o, was, is) -> selected());
    workbench.holds().addListener((o, was, is) -> strands.refresh());
  }

  private void loom(String label, java.util.function.UnaryOperator<LoomSettings> change) {
    workbench.apply(new Edit(label, b -> b.withLoom(change.apply(b.loom()))));
  }

  private void moveBoard(java.util.function.UnaryOperator<Placement> move) {
    workbench.apply(
        new Edit(
            "Move the board",
            b -> b.withBoard(b.board().map(board -> board.at(move.apply(board.placement()))))));
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
    LengthUnit unit = bench.build().brief().units();
    board.show(bench.board());
    Tooltip.install(
        board, new Tooltip(bench.board().map(BoardKind::name).orElse("No board chosen yet")));
    shape.show(Optional.of(bench.build().loom().laying().shape()));
    boolean chosen = bench.build().board().isPresent();
    for (TypedField field : new TypedField[] {boardX, boardY}) {
      field.unit(unit);
      field.setDisable(!chosen);
    }
    bench
        .build()
        .board()
        .ifPresent(
            b -> {
              boardX.show(b.placement().xMm());
              boardY.show(b.placement().yMm());
            });
    slack.unit(unit);
    loop.unit(unit);
    slack.show(bench.build().loom().laying().slackMm());
    loop.show(bench.build().loom().laying().serviceLoopMm());
    // A hinge, or a board that stays with the panel, decides the loop of each strand by itself.
    boolean loopChosen = Loom.loopIsChosen(bench.build());
    loop.setDisable(!loopChosen);
    boolean stays =
        bench.build().board().filter(b -> b.seat() == BoardChoice.Seat.PANEL).isPresent();
    loopName.setText(
        loopChosen ? "service loop" : stays ? "loop: not needed" : "loop: by the hinge");
    gauge.show(bench.build().loom().laying().gaugeAwg());
    int count = bench.loom().strands().size();
    head.facts(
        count == 0
            ? "nothing wired yet"
            : count
                + " strands · "
                + String.format(Locale.ROOT, "%.2f m", bench.loom().totalMetres())
                + " · "
                + String.join(", ", bench.loom().runs().stream().map(CommonRun::words).toList()));
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
        cutList.getItems().setAll(cuts(bench, unit));
        harness.show(bench);
        VBox box = new VBox(harness, cutList);
        VBox.setVgrow(cutList, Priority.ALWAYS);
        list.getChildren().setAll(box);
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

  /** One row for each colour and gauge, its strands below it, then what is soldered in. */
  private static List<String> cuts(Bench bench, LengthUnit unit) {
    CutList list = CutList.of(bench.loom());
    List<String> rows = new ArrayList<>();
    for (CutList.Spool spool : list.spools()) {
      List<CutList.Cut> cuts =
          list.cuts().stream()
              .filter(c -> c.strand().colour().equals(spool.colour()))
              .filter(c -> c.strand().gaugeAwg() == spool.gaugeAwg())
              .toList();
      rows.add(
          String.format(
              Locale.ROOT,
              "%-4s %2d AWG  %2d pieces  %6.2f m, with 10 %% spare %6.2f m",
              spool.colour().code(),
              spool.gaugeAwg(),
              cuts.size(),
              spool.metres() / (1 + CutList.SPARE),
              spool.metres()));
      for (CutList.Cut cut : cuts) {
        Strand strand = cut.strand();
        rows.add(
            String.format(
                    Locale.ROOT,
                    "       %s %10s   ",
                    strand.id(),
                    Length.text(strand.lengthMm(), unit))
                + strand.from().words()
                + " to "
                + strand.to().words()
                + with(cut)
                + strand.way().map(n -> ", way " + n).orElse(""));
      }
    }
    bench
        .wiring()
        .map(wiring -> Fitting.all(bench.build(), wiring))
        .ifPresent(all -> fittings(all, rows));
    return rows;
  }

  private static void fittings(List<Fitting> all, List<String> rows) {
    if (!all.isEmpty()) {
      rows.add("Parts to solder in: " + all.size());
    }
    for (Fitting f : all) {
      rows.add(
          "       "
              + f.what()
              + ", "
              + f.job()
              + ": "
              + f.from()
              + " to "
              + f.to()
              + (f.direction().isEmpty() ? "" : "; " + f.direction()));
    }
  }

  /** Ends that two wires share go into one joint, so both are crimped at once. */
  private static String with(CutList.Cut cut) {
    List<String> partners = new ArrayList<>();
    cut.fromWith().ifPresent(partners::add);
    cut.toWith().filter(id -> !partners.contains(id)).ifPresent(partners::add);
    return partners.isEmpty() ? "" : ", joint with " + String.join(" and ", partners);
  }

  /** Side by side tables need the whole width. */
  private boolean narrow() {
    return view != View.WAYS && view != View.BOARDS && view != View.HAND;
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
    why(path);
  }

  /** A field for the resistor in series with a lamp; emptied, the lamp has none. */
  private Node[] lampResistor(SignalPath path) {
    Label name = new Label("lamp resistor");
    name.getStyleClass().add("field-name");
    TextField ohm = new TextField();
    ohm.setPromptText("none");
    ohm.setPrefColumnCount(6);
    ohm.getStyleClass().add("mono");
    ohm.setAccessibleText("Resistor in series with the lamp, in ohm");
    path.site()
        .control()
        .hookup()
        .lampOhm()
        .ifPresent(value -> ohm.setText(LampResistor.ohms(value)));
    ohm.setOnAction(
        event -> {
          String typed = ohm.getText().strip();
          try {
            OptionalDouble value =
                typed.isEmpty()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Quantity.OHM.above0(typed, "the resistor"));
            workbench.apply(
                new Edit(
                    "Resistor of " + path.site().control().label(),
                    b -> b.withControl(path.id().control(), c -> c.withLampOhm(value))));
          } catch (IllegalArgumentException e) {
            workbench.complain(e.getMessage());
          }
        });
    return new Node[] {name, ohm};
  }

  private void why(Optional<SignalPath> path) {
    why.getChildren().clear();
    if (path.isEmpty() || path.get().pin().isEmpty() || path.get().strand().isEmpty()) {
      Label hint = new Label("Select a strand to see why it goes where it goes.");
      hint.getStyleClass().add("note");
      why.getChildren().add(hint);
      return;
    }
    PinChoice pin = path.get().pin().get();
    Strand strand = path.get().strand().get();
    ContactId id = path.get().id();
    Label title = new Label("Why " + pin.terminal().name() + " for " + path.get().site().label());
    title.getStyleClass().add("strong");
    Label reasons = new Label(String.join("; ", workbench.bench().get().loom().whyPin(id)) + ".");
    reasons.setWrapText(true);
    reasons.setMinHeight(Region.USE_PREF_SIZE);
    reasons.getStyleClass().add("note");
    Label cut =
        new Label(
            strand.working().formula()
                + ": "
                + String.join(
                    " + ",
                    strand.working().values().stream()
                        .map(v -> v.symbol() + " " + v.text().replace(" mm", ""))
                        .toList())
                + " = "
                + strand.lengthMm()
                + " mm");
    cut.getStyleClass().addAll("mono", "note");
    cut.setWrapText(true);
    cut.setMinHeight(Region.USE_PREF_SIZE);
    Button lock = new Button(pin.locked() ? "Let go" : "Lock to " + pin.terminal().name());
    lock.setTooltip(new Tooltip("A locked contact keeps its terminal when the plan is redrawn"));
    lock.setOnAction(
        event ->
            loom(
                (pin.locked() ? "Let go " : "Lock ") + path.get().site().label(),
                l -> pin.locked() ? l.withoutLock(id) : l.withLock(id, pin.terminal().name())));
    ComboBox<String> colour = new ComboBox<>();
    colour.setAccessibleText("Colour of the strand");
    colour.getItems().add("colour by plan");
    for (WireColour.Hue hue : WireColour.Hue.values()) {
      colour.getItems().add(hue + " " + hue.words());
    }
    Optional<WireColour> chosen =
        Optional.ofNullable(workbench.build().get().loom().colours().get(id));
    colour.setValue(chosen.map(c -> c.code() + " " + c.words()).orElse("colour by plan"));
    colour.setOnAction(
        event -> {
          String text = colour.getValue();
          loom(
              "Colour " + strand.id(),
              l ->
                  text.startsWith("colour")
                      ? l.withoutColour(id)
                      : l.withColour(id, WireColour.parse(text.substring(0, 2))));
        });
    Label move = new Label("Click a terminal of the board to move it there.");
    move.getStyleClass().add("note");
    lock.setMinWidth(Region.USE_PREF_SIZE);
    move.setMinWidth(Region.USE_PREF_SIZE);
    FlowPane actions = new FlowPane(lock, colour);
    actions.setMinHeight(Region.USE_PREF_SIZE);
    actions.getStyleClass().add("field-row");
    if (path.get().site().kind().lit()) {
      actions.getChildren().addAll(lampResistor(path.get()));
    }
    actions.getChildren().add(move);
    why.getChildren().addAll(title, reasons, cut, actions);
  }
}
