package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import kumite.build.Edit;
import kumite.build.brief.HostFunction;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.desktop.field.Em;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.map.TargetText;
import kumite.name.ContactId;

/** One contact: its meaning as typed words, and the function it serves. */
final class ContactCell extends ListCell<SignalPath> {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final String NO_FUNCTION = "no function";

  private final Workbench workbench;
  private final Label name = new Label();
  private final TextField target = new TextField();
  private final ComboBox<String> function = new ComboBox<>();
  private final Label place = new Label();
  private final HBox row = new HBox(name, target, function, place);
  private Optional<ContactId> contact = Optional.empty();
  private boolean showing;

  ContactCell(Workbench workbench) {
    this.workbench = workbench;
    row.getStyleClass().add("contact-row");
    Em.min(name, 110);
    Em.pref(name, 118);
    target.getStyleClass().addAll("mono", "target-field");
    target.setPrefColumnCount(8);
    Em.min(target, 104);
    Em.max(target, 104);
    target.setPromptText("Button 1");
    function.setMaxWidth(Double.MAX_VALUE);
    Em.min(function, 90);
    function.getStyleClass().add("function-choice");
    place.getStyleClass().addAll("mono", "note");
    Em.min(place, 92);
    HBox.setHgrow(function, Priority.ALWAYS);
    target.setTooltip(new Tooltip(TargetText.FORMS));
    target.setOnAction(event -> take());
    target
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (is) {
                contact.ifPresent(workbench::select);
                Platform.runLater(target::selectAll);
              } else {
                take();
              }
            });
    target.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            write();
            event.consume();
          }
        });
    function.setOnAction(event -> takeFunction());
  }

  @Override
  protected void updateItem(SignalPath path, boolean empty) {
    super.updateItem(path, empty);
    setText(null);
    setGraphic(empty ? null : row);
    contact = empty ? Optional.empty() : Optional.of(path.id());
    if (empty) {
      return;
    }
    showing = true;
    name.setText(path.site().label());
    name.setTooltip(new Tooltip(path.site().label() + " (" + path.id() + ")"));
    target.setId("target-" + path.id().toString().replace('.', '-'));
    target.setAccessibleText("Meaning of " + path.site().label());
    function.setId("function-" + path.id().toString().replace('.', '-'));
    function.setAccessibleText("Function of " + path.site().label());
    if (!target.isFocused()) {
      write();
    }
    String serves = path.function();
    List<String> choices = new ArrayList<>(List.of(NO_FUNCTION));
    workbench.build().get().profile().functions().stream()
        .map(HostFunction::name)
        .forEach(choices::add);
    if (!serves.isEmpty() && !choices.contains(serves)) {
      choices.add(serves);
    }
    if (!function.getItems().equals(choices)) {
      function.getItems().setAll(choices); // a list set anew forgets its choice
    }
    function.setValue(serves.isEmpty() ? NO_FUNCTION : serves);
    place.setText(
        path.field().map(f -> "byte " + f.byteIndex() + " bit " + f.bitIndex()).orElse("–"));
    row.pseudoClassStateChanged(LIVE, workbench.holds().get().of(path.id()) > 0);
    showing = false;
  }

  private Optional<Mapping.Entry> entry() {
    return contact.flatMap(id -> workbench.build().get().mapping().of(id));
  }

  private void write() {
    target.setText(entry().map(e -> TargetText.of(e.target())).orElse(""));
    target.pseudoClassStateChanged(BAD, false);
  }

  private void take() {
    if (contact.isEmpty()) {
      return;
    }
    ContactId id = contact.get();
    String typed = target.getText().strip();
    if (typed.equals(entry().map(e -> TargetText.of(e.target())).orElse(""))) {
      return;
    }
    if (typed.isEmpty()) {
      workbench.apply(new Edit("Unmap " + id, b -> b.withMapping(b.mapping().without(id))));
      return;
    }
    try {
      Target meaning = TargetText.parse(typed);
      String serves = entry().map(Mapping.Entry::function).orElse("");
      workbench.apply(
          new Edit(
              "Map " + id + " to " + TargetText.of(meaning),
              b -> b.withMapping(b.mapping().with(id, new Mapping.Entry(meaning, serves)))));
      target.pseudoClassStateChanged(BAD, false);
      target.setText(TargetText.of(meaning));
    } catch (IllegalArgumentException e) {
      target.pseudoClassStateChanged(BAD, true);
      workbench.complain(e.getMessage());
    }
  }

  private void takeFunction() {
    if (showing || contact.isEmpty() || function.getValue() == null) {
      return;
    }
    ContactId id = contact.get();
    String serves = function.getValue().equals(NO_FUNCTION) ? "" : function.getValue();
    if (entry().isEmpty()) {
      workbench.complain("Give " + id + " a meaning first, such as Button 1");
      showing = true;
      function.setValue(NO_FUNCTION);
      showing = false;
      return;
    }
    Target meaning = entry().get().target();
    if (!entry().get().function().equals(serves)) {
      workbench.apply(
          new Edit(
              "Name the function of " + id,
              b -> b.withMapping(b.mapping().with(id, new Mapping.Entry(meaning, serves)))));
    }
  }
}
