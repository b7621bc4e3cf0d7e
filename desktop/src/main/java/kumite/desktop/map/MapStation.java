package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.Mapping;
import kumite.build.map.Timing;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.map.Coverage;
import kumite.map.Proposal;
import kumite.name.ContactId;
import kumite.timing.Delay;
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
  private final Shell.Frame frame;
  private final VBox root = new VBox();
  private final Head head;
  private final Segments<View> tabs;
  private final ListView<SignalPath> contacts = new ListView<>();
  private final ListView<Coverage.Row> asks = new ListView<>();
  private final Label asksTitle = new Label();
  private final Label asksCount = new Label();
  private final Label listening = new Label();

  /** Whether the host asked for anything when this was shown last. */
  private boolean listed;

  private final HBox body = new HBox();
  private final VBox timing = new VBox();
  private final VBox descriptor = new VBox();
  private final VBox asksBox;
  private final StackPane sheet = new StackPane();
  private final VBox empty = new VBox();
  private final HostPanel host;
  private final Segments<Timing.Debounce> debounce;
  private final TypedField scan;
  private final TypedField wait;
  private final TypedField poll;
  private final Label delay = new Label();
  private final ProfileBar profiles;
  private final LayerBar layers;
  private final ChordList chords;
  private final VBox contactsBox;
  private final RulesTab rules;
  private final AxesTab axes;
  private final PlayTab play;
  private final CompareTab compare;
  private final ChartTab chart;
  private final FirmwareTab firmware;
  private final DelayChart delays = new DelayChart();
  private View view = View.CONTACTS;
  private boolean showing;

  /** The station's room. */
  public MapStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    host = new HostPanel(workbench);
    root.getStyleClass().add("station-room");
    tabs =
        new Segments<>(
            v -> v.words,
            v -> {
              view = v;
              show(workbench.bench().get());
            },
            View.values());
    Button rest = new Button("Map the rest");
    rest.setId("map-rest");
    rest.setOnAction(event -> frame.commands().mapRest().run().run());
    tabs.getStyleClass().add("tight"); // there are many
    head = new Head("Map", tabs);

    contacts.setId("contacts");
    contacts.setAccessibleText("Contacts and their meanings");
    profiles = new ProfileBar(workbench);
    layers =
        new LayerBar(
            workbench,
            frame.keys(),
            () -> {
              show(workbench.bench().get());
            });
    chords = new ChordList(workbench);
    rules = new RulesTab(workbench);
    axes = new AxesTab(workbench);
    play = new PlayTab(workbench);
    compare = new CompareTab(workbench);
    chart = new ChartTab(workbench);
    firmware = new FirmwareTab(workbench, frame);
    layers.beside(rest);
    contactsBox = new VBox(layers, contacts, chords);
    contactsBox.getStyleClass().add("contacts-box");
    VBox.setVgrow(contacts, Priority.ALWAYS);
    contacts.setCellFactory(v -> new ContactCell(workbench, layers::layer));
    contacts.setFixedCellSize(34);
    contacts.setFocusTraversable(true);
    contacts
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                workbench.select(is.id());
              }
            });
    asks.setId("asks");
    asks.setAccessibleText("What the host asks for");
    asks.setFixedCellSize(30);
    asks.setCellFactory(v -> new AskCell(workbench));
    asks.setOnMouseClicked(
        event -> {
          Coverage.Row row = asks.getSelectionModel().getSelectedItem();
          if (row != null) {
            listenFor(row);
          }
        });
    asks.setOnKeyPressed(
        event -> {
          Coverage.Row row = asks.getSelectionModel().getSelectedItem();
          if (event.getCode() == javafx.scene.input.KeyCode.ENTER && row != null) {
            listenFor(row);
          }
        });
    asksTitle.getStyleClass().add("emphasis");
    asksTitle.setText("The host asks for");
    asksCount.getStyleClass().addAll("mono", "strong");
    Region push = new Region();
    HBox.setHgrow(push, Priority.ALWAYS);
    HBox asksHead = new HBox(asksTitle, push, asksCount);
    listening.setWrapText(true);
    listening.getStyleClass().add("listening");
    listening.setMinHeight(Region.USE_PREF_SIZE);
    asksBox = new VBox(asksHead, listening, asks);
    asksBox.getStyleClass().addAll("sheet", "asks");
    Em.min(asksBox, 250);
    Em.pref(asksBox, 290);
    VBox.setVgrow(asks, Priority.ALWAYS);

    debounce =
        new Segments<>(
            Timing.Debounce::words,
            d -> timing(t -> new Timing(t.scanUs(), d, t.waitUs(), t.pollUs())),
            Timing.Debounce.values());
    scan =
        TypedField.number(
            "time between looks",
            Timing.SCAN.in("ms", 1e-3),
            ms -> timing(t -> new Timing(us(ms), t.debounce(), t.waitUs(), t.pollUs())));
    wait =
        TypedField.number(
            "debounce wait",
            Timing.WAIT.in("ms", 1e-3),
            ms -> timing(t -> new Timing(t.scanUs(), t.debounce(), us(ms), t.pollUs())));
    poll =
        TypedField.number(
            "time between reports",
            Timing.POLL.in("ms", 1e-3),
            ms -> timing(t -> new Timing(t.scanUs(), t.debounce(), t.waitUs(), us(ms))));
    buildTiming();

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
    body.getChildren().addAll(sheet, asksBox);
    body.getStyleClass().add("map-body");
    VBox.setVgrow(body, Priority.ALWAYS);
    root.getChildren().addAll(head, profiles, body, host);
    workbench.path().addListener((o, was, is) -> selected());
    workbench.holds().addListener((o, was, is) -> contacts.refresh());
    workbench.station().addListener((o, was, is) -> stopListening());
  }

  private static int us(double ms) {
    return (int) Math.round(ms * 1000);
  }

  private void timing(java.util.function.UnaryOperator<Timing> change) {
    workbench.apply(new Edit("Set the timing", b -> b.withTiming(change.apply(b.timing()))));
  }

  private void buildTiming() {
    timing.getStyleClass().add("timing");
    Label school =
        new Label(
            "Deferred waits until the level has been quiet: it adds the wait to every press. Eager"
                + " reports the first edge and then holds off: it adds nothing and trusts the first"
                + " edge.");
    school.setWrapText(true);
    school.setMinHeight(Region.USE_PREF_SIZE);
    school.getStyleClass().add("note");
    HBox row =
        new HBox(
            Head.named("look at the terminals each", scan),
            Head.named("debounce", debounce),
            Head.named("wait", wait),
            Head.named("report each", poll));
    row.getStyleClass().add("field-row");
    delay.setWrapText(true);
    delay.getStyleClass().add("mono");
    Label bars =
        new Label(
            "From the best to the worst press; the marks are the mean and what 99 of 100 keep.");
    bars.getStyleClass().add("note");
    timing.getChildren().addAll(row, school, delay, bars, delays);
  }

  /** The next contact pressed, by key, strip or row, gets this function. */
  private void listenFor(Coverage.Row row) {
    String function = row.function().name();
    listening.setText(
        "Press the control for \""
            + function
            + "\": by its key, on the path strip below, or click its row. Esc stops.");
    listening.setVisible(true);
    listening.setManaged(true);
    frame
        .keys()
        .listen(
            Optional.of(
                contact -> {
                  stopListening();
                  give(contact, function);
                }));
  }

  private void stopListening() {
    frame.keys().listen(Optional.empty());
    listening.setText("Click a function, then press the control that gives it.");
    asks.getSelectionModel().clearSelection();
  }

  private void give(ContactId contact, String function) {
    workbench.select(contact);
    workbench.apply(
        new Edit(
            "Give " + function + " to " + contact,
            b -> {
              String on = layers.layer();
              Optional<Mapping.Entry> there =
                  b.profile().mapping(on).flatMap(mapping -> mapping.of(contact));
              Optional<Mapping.Entry> proposed =
                  there.isPresent() ? there : Proposal.on(b, workbench.catalogue(), on).of(contact);
              return proposed
                  .map(
                      entry ->
                          b.withProfile(
                              p ->
                                  p.withMapping(
                                      on,
                                      m ->
                                          m.with(
                                              contact,
                                              new Mapping.Entry(entry.target(), function)))))
                  .orElse(b);
            }));
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
    showing = true;
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
    tabs.choose(view);
    // Setting the same rows again would end an edit in a cell; rows know their path by id.
    List<SignalPath> rows = bench.paths();
    if (contacts.getItems().size() == rows.size()) {
      for (int i = 0; i < rows.size(); i++) {
        if (!contacts.getItems().get(i).equals(rows.get(i))) {
          contacts.getItems().set(i, rows.get(i));
        }
      }
    } else {
      contacts.getItems().setAll(rows);
    }
    asks.getItems().setAll(bench.coverage().rows());
    boolean anyAsked = !bench.coverage().rows().isEmpty();
    asksCount.setText(
        anyAsked ? bench.coverage().covered() + " of " + bench.coverage().rows().size() : "");
    if (!anyAsked) {
      listening.setText("Nothing listed. Name what the host wants at the Brief station.");
    } else if (!listed) {
      listening.setText("Click a function, then press the control that gives it.");
    }
    listed = anyAsked;
    Timing t = bench.build().timing();
    delays.show(
        bench.timing(),
        bench.board().filter(b -> b.brain().link() == BoardKind.Link.RADIO).isPresent());
    debounce.choose(t.debounce());
    scan.show(t.scanUs() / 1000.0);
    wait.show(t.waitUs() / 1000.0);
    poll.show(t.pollUs() / 1000.0);
    Delay latency = Delay.of(bench.timing());
    delay.setText(latency.working().inWords());
    boolean none = bench.paths().isEmpty();
    List<Node> content = new ArrayList<>();
    switch (view) {
      case CONTACTS -> content.add(contactsBox);
      case RULES -> content.add(rules);
      case AXES -> content.add(axes);
      case PLAY -> content.add(play);
      case COMPARE -> content.add(compare);
      case CHART -> content.add(chart);
      case FIRMWARE -> content.add(firmware);
      case TIMING -> content.add(timing);
      case DESCRIPTOR -> {
        descriptor(bench);
        content.add(descriptor);
      }
    }
    if (none) {
      content.clear();
      content.add(empty);
    }
    if (!sheet.getChildren().equals(content)) {
      sheet.getChildren().setAll(content);
    }
    view(bench);
    // What the host asks for belongs to the contacts; other tabs have the room.
    boolean asked = view == View.CONTACTS;
    asksBox.setVisible(asked);
    asksBox.setManaged(asked);
    // The code has lists that want the height.
    host.setVisible(view != View.FIRMWARE);
    host.setManaged(view != View.FIRMWARE);
    showing = false;
    host.show(bench);
    selected();
  }

  /** Fills the tab that is shown, and the rows above it. */
  private void view(Bench bench) {
    profiles.show(bench);
    switch (view) {
      case CONTACTS -> {
        layers.show(bench);
        chords.show(bench);
        // Not refreshed as a list: that would make new rows, and end what is being typed in one.
        contacts.lookupAll(".list-cell").stream()
            .filter(ContactCell.class::isInstance)
            .forEach(cell -> ((ContactCell) cell).again());
      }
      case RULES -> rules.show(bench);
      case AXES -> axes.show(bench);
      case PLAY -> play.show(bench);
      case COMPARE -> compare.show(bench);
      case CHART -> chart.show(bench);
      case FIRMWARE -> firmware.show(bench);
      case TIMING, DESCRIPTOR -> {
        // shown with the rest
      }
    }
  }

  private void descriptor(Bench bench) {
    descriptor.getChildren().setAll(new DescriptorView(bench.layout()));
    VBox.setVgrow(descriptor.getChildren().get(0), Priority.ALWAYS);
  }

  private void selected() {
    boolean was = showing;
    showing = true;
    Optional<SignalPath> path = workbench.path().get().flatMap(workbench.bench().get()::path);
    if (path.isPresent()) {
      contacts.getSelectionModel().select(path.get());
    } else {
      contacts.getSelectionModel().clearSelection();
    }
    if (view == View.FIRMWARE) {
      firmware.select();
    }
    showing = was;
  }
}
