package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Workbench;
import kumite.map.Compared;
import kumite.map.TargetText;
import kumite.verdict.Bench;

/** Two layers, or two profiles, side by side: what changes when shift is held. */
final class CompareTab extends VBox {
  private static final PseudoClass DIFFERS = PseudoClass.getPseudoClass("differs");

  private final Choice<Compared.Side> one;
  private final Choice<Compared.Side> other;
  private final Label count = new Label();
  private final ListView<Compared> rows = new ListView<>();
  private final Workbench workbench;

  CompareTab(Workbench workbench) {
    this.workbench = workbench;
    setId("compare");
    getStyleClass().add("rules");
    one = new Choice<>("One side", List.of(), Compared.Side::words, s -> fill());
    other = new Choice<>("The other side", List.of(), Compared.Side::words, s -> fill());
    one.setId("compare-one");
    other.setId("compare-other");
    count.getStyleClass().add("note");
    HBox head = new HBox(Head.named("this", one), Head.named("against", other), count);
    head.getStyleClass().add("field-row");
    rows.setId("compare-rows");
    rows.setAccessibleText("Contacts with both their meanings");
    rows.setFixedCellSize(28);
    rows.setCellFactory(v -> new Row());
    VBox.setVgrow(rows, Priority.ALWAYS);
    getChildren().addAll(head, rows);
  }

  void show(Bench bench) {
    List<Compared.Side> sides = new ArrayList<>();
    for (Profile profile : bench.build().seat().profiles()) {
      sides.add(new Compared.Side(profile, Layer.BASE));
      profile.layers().forEach(l -> sides.add(new Compared.Side(profile, l.name())));
    }
    Optional<Compared.Side> left = chosen(one, sides, 0);
    Optional<Compared.Side> right = chosen(other, sides, 1);
    one.getItems().setAll(sides);
    other.getItems().setAll(sides);
    one.show(left);
    other.show(right);
    fill();
  }

  private static Optional<Compared.Side> chosen(
      Choice<Compared.Side> choice, List<Compared.Side> sides, int usual) {
    return Optional.ofNullable(choice.getValue())
        .flatMap(was -> sides.stream().filter(s -> s.words().equals(was.words())).findFirst())
        .or(() -> Optional.of(sides.get(Math.min(usual, sides.size() - 1))));
  }

  private void fill() {
    if (one.getValue() == null || other.getValue() == null) {
      return;
    }
    List<Compared> compared =
        Compared.of(
            workbench.bench().get().paths().stream().map(p -> p.id()).toList(),
            one.getValue(),
            other.getValue());
    long differ = compared.stream().filter(row -> !row.same()).count();
    count.setText(
        one.getItems().size() < 2
            ? "One profile with one layer: add a layer or a profile to compare"
            : differ + " of " + compared.size() + " contacts differ");
    rows.getItems().setAll(compared);
  }

  private final class Row extends ListCell<Compared> {
    private final Label name = new Label();
    private final Label left = new Label();
    private final Label arrow = new Label();
    private final Label right = new Label();
    private final HBox row = new HBox(name, left, arrow, right);

    Row() {
      row.getStyleClass().add("contact-row");
      Em.min(name, 120);
      Em.pref(name, 130);
      Em.min(left, 190);
      Em.pref(left, 200);
      Em.min(arrow, 20);
    }

    @Override
    protected void updateItem(Compared compared, boolean empty) {
      super.updateItem(compared, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (empty) {
        return;
      }
      name.setText(
          workbench
              .bench()
              .get()
              .path(compared.contact())
              .map(p -> p.site().label())
              .orElse(compared.contact().toString()));
      left.setText(words(compared.one()));
      arrow.setText(compared.same() ? "=" : "\u2192");
      right.setText(words(compared.other()) + (compared.through() ? "  (from the base)" : ""));
      row.pseudoClassStateChanged(DIFFERS, !compared.same());
    }
  }

  private static String words(Optional<Mapping.Entry> entry) {
    return entry
        .map(e -> TargetText.of(e.target()) + (e.function().isEmpty() ? "" : " · " + e.function()))
        .orElse("nothing");
  }
}
