package kumite.desktop.panel;

import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Em;
import kumite.desktop.shell.Workbench;
import kumite.kind.ControlKind;
import kumite.measure.Shape;
import kumite.working.Working;

/** The catalogue as a slim rail of families; each opens the list of its kinds. */
final class Tray extends VBox {
  private final Workbench workbench;
  private final Consumer<ControlKind> chosen;
  private List<ControlKind> shown = List.of();
  private List<Node> last = List.of();

  Tray(Workbench workbench, Consumer<ControlKind> chosen) {
    this.workbench = workbench;
    this.chosen = chosen;
    getStyleClass().add("tray");
    show();
  }

  /** Puts a button behind the families. */
  void last(ButtonBase button) {
    onRail(button);
    last = List.of(button);
    getChildren().add(button);
  }

  /** A picture with its word below, all as wide as the rail. */
  private static void onRail(ButtonBase button) {
    button.setContentDisplay(ContentDisplay.TOP);
    button.setMaxWidth(Double.MAX_VALUE);
    button.setMinHeight(0);
  }

  void show() {
    List<ControlKind> kinds = workbench.catalogue().controls();
    if (kinds.equals(shown)) {
      return;
    }
    shown = kinds;
    getChildren().clear();
    for (ControlKind.Family family : ControlKind.Family.values()) {
      List<ControlKind> members = workbench.catalogue().controls(family);
      if (members.isEmpty()) {
        continue;
      }
      MenuButton button = new MenuButton(family.plural());
      button.setId("family-" + family.name().toLowerCase(Locale.ROOT));
      button.getStyleClass().add("tray-button");
      button.setGraphic(TrayIcon.of(members.get(0)));
      onRail(button);
      button.setPopupSide(Side.RIGHT);
      button.setTooltip(new Tooltip("Add one of " + members.size() + " kinds"));
      // Filled when it is first opened: the window comes up sooner so.
      button.setOnShowing(
          event -> {
            if (button.getItems().isEmpty()) {
              members.forEach(kind -> button.getItems().add(item(kind)));
            }
          });
      getChildren().add(button);
    }
    getChildren().addAll(last);
  }

  private MenuItem item(ControlKind kind) {
    Label name = new Label(kind.name());
    name.getStyleClass().add("strong");
    Em.min(name, 130);
    Label size = new Label(hole(kind.cutout()));
    size.getStyleClass().addAll("mono", "note");
    Em.min(size, 92);
    Label trait = new Label(kind.trait());
    trait.getStyleClass().add("note");
    HBox row = new HBox(TrayIcon.of(kind), name, size, trait);
    row.getStyleClass().add("tray-row");
    row.setId("add-" + kind.id());
    CustomMenuItem item = new CustomMenuItem(row);
    item.setOnAction(event -> chosen.accept(kind));
    return item;
  }

  private static String hole(Shape cutout) {
    return cutout instanceof Shape.Round round
        ? Working.number(round.diameterMm(), 1) + " mm"
        : Working.number(cutout.widthMm(), 1) + " x " + Working.number(cutout.heightMm(), 1);
  }
}
