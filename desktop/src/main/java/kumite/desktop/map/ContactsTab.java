package kumite.desktop.map;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.Mapping;
import kumite.desktop.field.Em;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.map.Coverage;
import kumite.map.Proposal;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** Contacts with their meanings, layer by layer; beside them what the host asks for. */
final class ContactsTab extends VBox {
  private final Workbench workbench;
  private final Shell.Frame frame;
  private final ListView<SignalPath> contacts = new ListView<>();
  private final ListView<Coverage.Row> asks = new ListView<>();
  private final Label asksTitle = new Label();
  private final Label asksCount = new Label();
  private final Label listening = new Label();
  private final VBox asksBox;
  private final LayerBar layers;
  private final ChordList chords;

  /** Whether the host asked for anything when this was shown last. */
  private boolean listed;

  private boolean showing;

  ContactsTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    Button rest = new Button("Map the rest");
    rest.setId("map-rest");
    rest.setOnAction(event -> frame.commands().mapRest().run().run());
    contacts.setId("contacts");
    contacts.setAccessibleText("Contacts and their meanings");
    layers = new LayerBar(workbench, frame.keys(), () -> show(workbench.bench().get()));
    chords = new ChordList(workbench);
    layers.beside(rest);
    getChildren().addAll(layers, contacts, chords);
    getStyleClass().add("contacts-box");
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

    workbench.path().addListener((o, was, is) -> selected());
    workbench.holds().addListener((o, was, is) -> contacts.refresh());
    workbench.station().addListener((o, was, is) -> stopListening());
  }

  /** {@return what the host asks for, to be shown beside} */
  Region asks() {
    return asksBox;
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

  /** Shows a bench. */
  void show(Bench bench) {
    showing = true;
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
    layers.show(bench);
    chords.show(bench);
    // Not refreshed as a list: that would make new rows, and end what is being typed in one.
    contacts.lookupAll(".list-cell").stream()
        .filter(ContactCell.class::isInstance)
        .forEach(cell -> ((ContactCell) cell).again());
    showing = false;
    selected();
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
    showing = was;
  }
}
