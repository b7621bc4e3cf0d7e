package kumite.desktop.signals;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.port.Port;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.loom.Pad;
import kumite.ports.Consoles;
import kumite.signal.PortKind;
import kumite.verdict.Bench;
import kumite.working.Working;

/** What plugs in, and whether it speaks its language. */
public final class SignalsStation implements StationView {
  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Choice<PortKind> kinds;
  private final ListView<Port> list = new ListView<>();
  private final TextField label = new TextField();
  private final Choice<String> feed;
  private final VBox empty = new VBox();
  private final HBox body = new HBox();
  private final PortSheet sheet;
  private boolean showing;

  SignalsStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.sheet = new PortSheet(workbench);
    root.getStyleClass().add("station-room");
    kinds = new Choice<>("kind of port", List.of(), PortKind::title, kind -> {});
    kinds.setId("port-kind");
    kinds.wide(15);
    Button add = button("Add a port", "port-add", this::add);
    add.getStyleClass().add("accent");
    Button answer = button("Answer a console", "port-answer", this::answer);
    Button own =
        button("Own pad…", "port-own", () -> frame.over().raise(new OwnPad(workbench, frame)));
    head = new Head("Signals", kinds, add, answer, own);
    list.setId("ports");
    list.setAccessibleText("Ports");
    list.setCellFactory(view -> new PortCell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                workbench.select(is.id());
                show(workbench.bench().get());
              }
            });
    label.setId("port-label");
    label.setAccessibleText("label of the port");
    label.setOnAction(event -> rename());
    label
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is && !showing) {
                rename();
              }
            });
    feed = new Choice<>("feed", List.of(), words -> words, this::feed);
    feed.setId("port-feed");
    Button gone = button("Delete", "port-delete", this::delete);
    VBox side =
        new VBox(list, new VBox(Head.named("label", label), Head.named("fed with", feed), gone));
    side.getChildren().get(1).getStyleClass().add("port-form");
    side.getStyleClass().add("sheet");
    VBox.setVgrow(list, Priority.ALWAYS);
    Em.min(side, 190);
    Em.pref(side, 190);
    ScrollPane scroll = new ScrollPane(sheet);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("quiet-scroll");
    HBox.setHgrow(scroll, Priority.ALWAYS);
    body.getChildren().addAll(side, scroll);
    body.getStyleClass().add("port-body");
    VBox.setVgrow(body, Priority.ALWAYS);
    Label first = new Label("Nothing plugs in yet");
    first.getStyleClass().add("card-title");
    Label how =
        new Label(
            "An old pad that your board reads is part of the build: its buttons are contacts like"
                + " any. Choose its kind above and press Add a port; a USB pad is known by its report"
                + " descriptor, which Own pad takes. Where the build is the pad of an old console,"
                + " press Answer a console: a program answers it, or logic chips do without one.");
    how.setWrapText(true);
    how.getStyleClass().add("note");
    empty.getChildren().addAll(first, how);
    empty.getStyleClass().addAll("sheet", "form");
    root.getChildren().addAll(head, empty, body);
    workbench
        .selection()
        .addListener(
            (o, was, is) -> {
              if (root.getScene() != null && !showing) {
                show(workbench.bench().get());
              }
            });
  }

  private static Button button(String words, String id, Runnable press) {
    Button button = new Button(words);
    button.setId(id);
    button.setOnAction(event -> press.run());
    return button;
  }

  // ---- what is done here

  private void add() {
    PortKind kind = kinds.getValue();
    if (kind == null) {
      workbench.complain("Choose a kind of port first");
      return;
    }
    Port pad = Consoles.pad(workbench.build().get(), kind);
    workbench.apply(new Edit("Add " + pad.label(), b -> b.withPorts(b.ports().with(pad))));
    workbench.select(pad.id());
  }

  private void answer() {
    PortKind kind = kinds.getValue();
    if (kind == null) {
      workbench.complain("Choose a kind of port first");
      return;
    }
    Port console = Consoles.console(workbench.build().get(), kind);
    workbench.apply(new Edit("Answer " + console.label(), b -> Consoles.added(b, kind)));
    workbench.select(console.id());
  }

  private Optional<Port> port() {
    Build build = workbench.build().get();
    List<Port> here = ports(build);
    return here.stream()
        .filter(p -> workbench.selection().get().contains(p.id()))
        .findFirst()
        .or(() -> here.stream().findFirst());
  }

  private static List<Port> ports(Build build) {
    return build.ports().ports().stream()
        .filter(p -> build.seatOf(p.control()).equals(build.seat().id()))
        .toList();
  }

  private void rename() {
    String typed = label.getText().strip();
    port()
        .filter(port -> !typed.isEmpty() && !typed.equals(port.label()))
        .ifPresent(
            port ->
                workbench.apply(
                    new Edit(
                        "Call it " + typed,
                        b -> b.withPorts(b.ports().with(port.withLabel(typed))))));
  }

  private static final String AS_BOARD = "as the board wants";

  private void feed(String words) {
    if (showing) {
      return;
    }
    Optional<Double> volts =
        words.equals(AS_BOARD)
            ? Optional.empty()
            : Optional.of(Double.parseDouble(words.replace(" V", "")));
    port()
        .filter(port -> !port.feedVolts().equals(volts))
        .ifPresent(
            port ->
                workbench.apply(
                    new Edit(
                        "Feed " + port.label() + " " + words,
                        b -> b.withPorts(b.ports().with(port.withFeed(volts))))));
  }

  private void delete() {
    port()
        .ifPresent(
            port ->
                workbench.apply(new Edit("Take out " + port.label(), b -> b.without(port.id()))));
  }

  // ---- what is shown

  @Override
  public Station station() {
    return Station.SIGNALS;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    showing = true;
    Build build = bench.build();
    PortKind was = kinds.getValue();
    List<PortKind> known = build.ports().known();
    kinds.offer(known);
    kinds.show(
        Optional.ofNullable(was)
            .filter(known::contains)
            .or(() -> known.stream().filter(k -> k.id().equals("serial-latch-16")).findFirst()));
    List<Port> here = ports(build);
    boolean none = here.isEmpty();
    empty.setVisible(none);
    empty.setManaged(none);
    body.setVisible(!none);
    body.setManaged(!none);
    list.getItems().setAll(here);
    Optional<Port> port = port();
    port.ifPresent(p -> list.getSelectionModel().select(p));
    if (!label.isFocused()) {
      label.setText(port.map(Port::label).orElse(""));
    }
    feed.offer(
        bench
            .board()
            .map(
                board ->
                    java.util.stream.Stream.concat(
                            java.util.stream.Stream.of(AS_BOARD),
                            board.terminals(kumite.kind.Terminal.Role.SUPPLY).stream()
                                .map(t -> volts(t.volts()))
                                .distinct())
                        .toList())
            .orElse(List.of(AS_BOARD)));
    feed.show(
        Optional.of(port.flatMap(Port::feedVolts).map(SignalsStation::volts).orElse(AS_BOARD)));
    head.facts(none ? "" : here.size() + (here.size() == 1 ? " port" : " ports"));
    boolean reads = port.filter(Port::reads).isPresent();
    feed.getParent().setVisible(reads);
    feed.getParent().setManaged(reads);
    port.ifPresent(p -> sheet.show(bench, p));
    // A port that was just added has its path only now.
    port.map(Port::id)
        .filter(id -> workbench.selection().get().contains(id))
        .filter(id -> workbench.path().get().filter(c -> c.control().equals(id)).isEmpty())
        .ifPresent(workbench::select);
    showing = false;
  }

  private static String volts(double volts) {
    return Working.number(volts, 1) + " V";
  }

  /** One port with its kind and how it stands. */
  private final class PortCell extends ListCell<Port> {
    private final Label title = new Label();
    private final Label kind = new Label();
    private final Label state = new Label();
    private final VBox rows = new VBox(title, kind, state);

    PortCell() {
      title.getStyleClass().add("card-title");
      kind.getStyleClass().add("note");
      state.getStyleClass().addAll("note", "port-state");
      rows.getStyleClass().add("port-cell");
      setPrefWidth(0); // as wide as the list: what is too long is cut and told in full below it
      rows.setMinWidth(0);
    }

    @Override
    protected void updateItem(Port port, boolean nothing) {
      super.updateItem(port, nothing);
      setText(null);
      setGraphic(nothing || port == null ? null : rows);
      if (nothing || port == null) {
        return;
      }
      Bench bench = workbench.bench().get();
      title.setText(port.label());
      kind.setText(port.kind() + (port.reads() ? " · read" : " · answered"));
      List<Finding> about =
          bench.findings().stream()
              .filter(f -> f.severity() != Severity.FINE && f.isAbout(port.id()))
              .toList();
      Optional<Pad> pad =
          bench.loom().pads().stream().filter(p -> p.port().id().equals(port.id())).findFirst();
      state.getStyleClass().removeAll("stop", "look", "fine");
      if (!about.isEmpty()) {
        boolean stop = about.stream().anyMatch(f -> f.severity() == Severity.STOP);
        state.getStyleClass().add(stop ? "stop" : "look");
        state.setText((stop ? "\u25CF " : "\u25B2 ") + about.get(0).title());
        state.setTooltip(new javafx.scene.control.Tooltip(about.get(0).title()));
      } else {
        state.setText(
            port.reads()
                ? pad.flatMap(
                        p -> bench.board().map(b -> p.fed() ? volts(p.feedVolts(b)) : "no supply"))
                    .orElse("no board")
                : bench
                    .board()
                    .map(b -> b.circuit().isPresent() ? "logic chips" : "by program")
                    .orElse("no board"));
      }
    }
  }
}
