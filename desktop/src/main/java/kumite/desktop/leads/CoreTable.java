package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.kind.WireColour;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.lead.Where;

/** The cores as rows: from pin, to pin, colour and role, each to be changed. */
final class CoreTable extends VBox {
  private final LeadDesk desk;
  private final ListView<Core> rows = new ListView<>();
  private final Button add = new Button("Add a core");
  private Lead shown;
  private boolean showing;

  CoreTable(LeadDesk desk) {
    this.desk = desk;
    getStyleClass().add("core-table");
    Label from = head("from pin", 76);
    Label to = head("to pin", 76);
    Label colour = head("colour", 96);
    Label role = head("role", 120);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    add.setId("core-add");
    add.getStyleClass().add("small");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setOnAction(event -> add());
    Label shares = head("shared", 52);
    shares.setMinWidth(Region.USE_PREF_SIZE);
    shares.setTooltip(new Tooltip("Ticked where a core joins pins on purpose"));
    HBox head = new HBox(from, to, colour, role, gap, shares, add);
    head.getStyleClass().add("core-row");
    rows.setId("lead-cores");
    rows.setAccessibleText("Cores of the lead");
    rows.setFixedCellSize(32);
    rows.setCellFactory(view -> new Row());
    rows.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                desk.lit().set(Optional.of(new Place(Where.FROM, is.from())));
              }
            });
    Label none = new Label("No cores: drag from pin to pin above, or add one.");
    none.getStyleClass().add("note");
    rows.setPlaceholder(none);
    VBox.setVgrow(rows, Priority.ALWAYS);
    getChildren().addAll(head, rows);
    desk.lit().addListener((o, was, is) -> lit());
  }

  private static Label head(String words, double px) {
    Label label = new Label(words);
    label.getStyleClass().add("field-name");
    Em.pref(label, px);
    label.setMinWidth(0);
    label.setTooltip(new Tooltip(words));
    return label;
  }

  void show(Lead lead) {
    showing = true;
    shown = lead;
    add.setDisable(desk.ofBoard());
    List<Core> cores = desk.plugs().inOrder(lead);
    if (!rows.getItems().equals(cores)) {
      rows.getItems().setAll(cores);
    }
    rows.refresh();
    showing = false;
    lit();
  }

  private void lit() {
    boolean was = showing;
    showing = true;
    rows.getSelectionModel().clearSelection();
    for (int i = 0; i < rows.getItems().size() && shown != null; i++) {
      if (desk.isLit(shown, Where.FROM, rows.getItems().get(i).from())) {
        rows.getSelectionModel().select(i);
        rows.scrollTo(Math.max(0, i - 1));
      }
    }
    showing = was;
  }

  private void add() {
    List<String> froms = desk.pins(shown, Where.FROM);
    List<String> tos = desk.pins(shown, Where.TO);
    Optional<String> from =
        froms.stream()
            .filter(pin -> shown.cores().stream().noneMatch(c -> c.from().equals(pin)))
            .findFirst();
    Optional<String> to =
        tos.stream()
            .filter(pin -> shown.cores().stream().noneMatch(c -> c.to().equals(pin)))
            .findFirst();
    if (from.isEmpty() || to.isEmpty()) {
      desk.workbench().complain("Every pin has a core already; change a row instead");
      return;
    }
    StrandsView.toggleCore(desk, from.get(), to.get());
  }

  private void replace(Core old, Core by) {
    if (!old.equals(by)) {
      desk.change(
          "Change the core from " + old.words(),
          lead -> {
            List<Core> cores = new ArrayList<>(lead.cores());
            cores.replaceAll(core -> core.equals(old) ? by : core);
            return lead.withCores(cores);
          });
    }
  }

  private final class Row extends ListCell<Core> {
    private final Choice<String> from =
        new Choice<>(
            "from pin",
            List.of(),
            p -> p,
            p -> replace(getItem(), getItem().between(p, getItem().to())));
    private final Choice<String> to =
        new Choice<>(
            "to pin",
            List.of(),
            p -> p,
            p -> replace(getItem(), getItem().between(getItem().from(), p)));
    private final Choice<WireColour> colour =
        new Choice<>(
            "colour",
            List.of(),
            c -> c.code() + " " + c.base().words(),
            c -> replace(getItem(), getItem().coloured(c)));
    private final TextField role = new TextField();
    private final CheckBox shared = new CheckBox();
    private final Button gone = new Button("✕");
    private final HBox row;

    Row() {
      Em.pref(from, 76);
      Em.pref(to, 76);
      Em.pref(colour, 96);
      role.setAccessibleText("role");
      role.setOnAction(event -> role());
      role.focusedProperty()
          .addListener(
              (o, was, is) -> {
                if (!is && getItem() != null) {
                  role();
                }
              });
      gone.getStyleClass().addAll("quiet", "small");
      // As wide as the button over it, so that the ticks stand under their name.
      gone.minWidthProperty().bind(add.widthProperty());
      role.setMinWidth(40);
      shared.setAccessibleText("shared on purpose");
      shared.setTooltip(new Tooltip("It joins pins on purpose"));
      shared.setOnAction(event -> replace(getItem(), getItem().sharing(shared.isSelected())));
      HBox box = new HBox(shared);
      box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      Em.pref(box, 52);
      box.setMinWidth(Region.USE_PREF_SIZE);
      gone.setAccessibleText("Take the core out");
      gone.setTooltip(new Tooltip("Take the core out"));
      gone.setOnAction(event -> StrandsView.toggleCore(desk, getItem().from(), getItem().to()));
      HBox.setHgrow(role, Priority.ALWAYS);
      row = new HBox(from, to, colour, role, box, gone);
      row.getStyleClass().add("core-row");
      setPrefWidth(0);
    }

    private void role() {
      String typed = role.getText().strip();
      String plain =
          desk.plugs()
              .role(
                  shown,
                  new Core(getItem().from(), getItem().to(), getItem().colour(), Optional.empty()));
      Optional<String> own =
          typed.isEmpty() || typed.equals(plain) ? Optional.empty() : Optional.of(typed);
      try {
        Core core = getItem();
        replace(core, new Core(core.from(), core.to(), core.colour(), own, core.shared()));
      } catch (IllegalArgumentException e) {
        desk.workbench().complain(e.getMessage());
      }
    }

    @Override
    protected void updateItem(Core item, boolean empty) {
      super.updateItem(item, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (empty || shown == null) {
        return;
      }
      boolean fixed = desk.ofBoard();
      from.offer(desk.pins(shown, Where.FROM));
      from.show(Optional.of(item.from()));
      to.offer(desk.pins(shown, Where.TO));
      to.show(Optional.of(item.to()));
      colour.offer(
          Stream.concat(
                  Stream.of(item.colour()), Stream.of(WireColour.Hue.values()).map(WireColour::of))
              .distinct()
              .toList());
      colour.show(Optional.of(item.colour()));
      shared.setSelected(item.shared());
      role.setText(desk.plugs().role(shown, item));
      for (var field : List.of(from, to, colour, role, shared, gone)) {
        field.setDisable(fixed);
      }
    }
  }
}
