package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
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
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
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
  private final HBox layers = new HBox();
  private final List<TextField> above = new ArrayList<>();
  private final HBox row = new HBox(name, target, layers, function, place);
  private final Supplier<String> layer;
  private Optional<ContactId> contact = Optional.empty();
  private boolean showing;

  /**
   * A row.
   *
   * @param layer the layer whose functions are shown
   */
  ContactCell(Workbench workbench, Supplier<String> layer) {
    this.workbench = workbench;
    this.layer = layer;
    layers.getStyleClass().add("layer-cells");
    row.getStyleClass().add("contact-row");
    Em.min(name, 110);
    Em.pref(name, 118);
    target.getStyleClass().addAll("mono", "target-field");
    target.setPrefColumnCount(8);
    Em.min(target, 104);
    Em.max(target, 104);
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

  /** Shows its contact anew, where the map changed and the path did not. */
  void again() {
    updateItem(getItem(), isEmpty());
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
    above(path);
    String serves = serves();
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
    boolean plain = workbench.build().get().profile().layers().isEmpty();
    place.setVisible(plain);
    place.setManaged(plain);
    place.setText(
        path.field().map(f -> "byte " + f.byteIndex() + " bit " + f.bitIndex()).orElse("–"));
    row.pseudoClassStateChanged(LIVE, workbench.holds().get().on(path.id()));
    showing = false;
  }

  private Optional<Mapping.Entry> entry() {
    return entry(Layer.BASE);
  }

  private Optional<Mapping.Entry> entry(String on) {
    return contact.flatMap(
        id -> workbench.build().get().profile().mapping(on).flatMap(m -> m.of(id)));
  }

  private String serves() {
    return entry(layer.get()).map(Mapping.Entry::function).orElse("");
  }

  /** One field for each layer; what it leaves to the base stands in it pale. */
  private void above(SignalPath path) {
    Profile profile = workbench.build().get().profile();
    while (above.size() < profile.layers().size()) {
      TextField field = new TextField();
      int at = above.size();
      field.getStyleClass().addAll("mono", "target-field");
      Em.min(field, 96);
      Em.max(field, 96);
      field.setTooltip(new Tooltip(TargetText.FORMS));
      field.setOnAction(event -> take(field, layerAt(at)));
      field
          .focusedProperty()
          .addListener(
              (o, was, is) -> {
                if (is) {
                  contact.ifPresent(workbench::select);
                } else {
                  take(field, layerAt(at));
                }
              });
      field.setOnKeyPressed(
          event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
              write(field, layerAt(at));
              event.consume();
            }
          });
      above.add(field);
    }
    List<TextField> shown = above.subList(0, profile.layers().size());
    if (!layers.getChildren().equals(shown)) {
      layers.getChildren().setAll(shown);
    }
    boolean reaching = profile.layers().stream().anyMatch(layer -> layer.by().contains(path.id()));
    target.setPromptText(reaching ? "a layer" : "nothing yet");
    for (int i = 0; i < shown.size(); i++) {
      Layer one = profile.layers().get(i);
      TextField field = shown.get(i);
      field.setId("target-" + (i + 1) + "-" + path.id().toString().replace('.', '-'));
      field.setAccessibleText("Meaning of " + path.site().label() + " on layer " + one.name());
      boolean reaches = one.by().contains(path.id());
      field.setPromptText(
          reaches ? "reaches it" : entry().map(e -> TargetText.of(e.target())).orElse("nothing"));
      if (!field.isFocused()) {
        write(field, one.name());
      }
    }
  }

  private String layerAt(int at) {
    List<Layer> all = workbench.build().get().profile().layers();
    return at < all.size() ? all.get(at).name() : Layer.BASE;
  }

  private void write(TextField field, String on) {
    field.setText(entry(on).map(e -> TargetText.of(e.target())).orElse(""));
    field.pseudoClassStateChanged(BAD, false);
  }

  private void write() {
    write(target, Layer.BASE);
  }

  private void take() {
    take(target, Layer.BASE);
  }

  private void take(TextField field, String on) {
    if (contact.isEmpty()) {
      return;
    }
    ContactId id = contact.get();
    String typed = field.getText().strip();
    if (typed.equals(entry(on).map(e -> TargetText.of(e.target())).orElse(""))) {
      return;
    }
    String where = on.equals(Layer.BASE) ? "" : " on layer " + on;
    if (typed.isEmpty()) {
      workbench.apply(
          new Edit(
              "Unmap " + id + where,
              b -> b.withProfile(p -> p.withMapping(on, m -> m.without(id)))));
      return;
    }
    try {
      Target meaning = TargetText.parse(typed);
      String serves = entry(on).map(Mapping.Entry::function).orElse("");
      workbench.apply(
          new Edit(
              "Map " + id + " to " + TargetText.of(meaning) + where,
              b ->
                  b.withProfile(
                      p ->
                          p.withMapping(on, m -> m.with(id, new Mapping.Entry(meaning, serves))))));
      field.pseudoClassStateChanged(BAD, false);
      field.setText(TargetText.of(meaning));
    } catch (IllegalArgumentException e) {
      field.pseudoClassStateChanged(BAD, true);
      workbench.complain(e.getMessage());
    }
  }

  private void takeFunction() {
    if (showing || contact.isEmpty() || function.getValue() == null) {
      return;
    }
    ContactId id = contact.get();
    String serves = function.getValue().equals(NO_FUNCTION) ? "" : function.getValue();
    String on = layer.get();
    if (entry(on).isEmpty()) {
      workbench.complain(
          "Give "
              + id
              + " a meaning"
              + (on.equals(Layer.BASE) ? "" : " on layer " + on)
              + " first, such as Button 1");
      showing = true;
      function.setValue(NO_FUNCTION);
      showing = false;
      return;
    }
    Target meaning = entry(on).get().target();
    if (!entry(on).get().function().equals(serves)) {
      workbench.apply(
          new Edit(
              "Name the function of " + id,
              b ->
                  b.withProfile(
                      p ->
                          p.withMapping(on, m -> m.with(id, new Mapping.Entry(meaning, serves))))));
    }
  }
}
