package kumite.desktop.map;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.Words;
import kumite.desktop.shell.Keys;
import kumite.desktop.shell.Workbench;
import kumite.map.ChoiceText;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/**
 * The layers of a profile: which one the functions in the rows belong to, and how it is reached.
 * The one in force on the device is lit.
 */
final class LayerBar extends VBox {
  private static final javafx.css.PseudoClass LIVE = javafx.css.PseudoClass.getPseudoClass("live");

  private final Workbench workbench;
  private final Keys keys;
  private final Runnable chosen;
  private final HBox chips = new HBox();
  private final Words name;
  private final Segments<Layer.Reach> reach;
  private final Words by;
  private final Button press = new Button("Press it");
  private final FlowPane edit = new FlowPane();
  private final HBox columns = new HBox();
  private final HBox beside = new HBox();
  private String layer = Layer.BASE;

  /** A bar; told when another layer is chosen. */
  LayerBar(Workbench workbench, Keys keys, Runnable chosen) {
    this.workbench = workbench;
    this.keys = keys;
    this.chosen = chosen;
    getStyleClass().add("layer-bar");
    chips.getStyleClass().add("segments");
    name =
        new Words(
            "Name of the layer",
            text -> {
              change("Call the layer " + text, l -> l.called(text));
              layer = text;
            },
            workbench::complain);
    name.setId("layer-name");
    Em.pref(name, 90);
    reach =
        new Segments<>(
            Layer.Reach::words,
            r -> change("Reach " + layer + " " + r.words(), l -> l.reached(r, l.by())),
            Layer.Reach.values());
    by =
        new Words(
            "Contacts that reach the layer",
            text -> {
              Set<ContactId> contacts = ChoiceText.contacts(text, known());
              change("Reach " + layer + " otherwise", l -> l.reached(l.reach(), contacts));
            },
            workbench::complain);
    by.setId("layer-by");
    by.setPromptText("a contact, or a + b");
    Em.pref(by, 120);
    press.setId("layer-press");
    press.getStyleClass().add("small");
    press.setTooltip(new Tooltip("Then press the contact by its key, its row or on the strip"));
    press.setOnAction(event -> listen());
    Button remove = new Button("Remove");
    remove.setId("layer-remove");
    remove.getStyleClass().add("small");
    remove.setOnAction(
        event -> {
          String gone = layer;
          layer = Layer.BASE;
          workbench.apply(
              new Edit("Remove layer " + gone, b -> b.withProfile(p -> p.withoutLayer(gone))));
        });
    edit.getStyleClass().add("chip-row");
    columns.getStyleClass().add("layer-columns");
    edit.getChildren()
        .addAll(
            Head.named("layer", name),
            Head.named("reached", reach),
            Head.named("by", by),
            press,
            remove);
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox row = new HBox(chips, gap, beside);
    row.getStyleClass().add("contact-row");
    getChildren().addAll(row);
    workbench.trace().addListener((o, was, is) -> light());
  }

  /** Puts a button at the end of the row. */
  void beside(Button button) {
    button.getStyleClass().add("small");
    button.setMinWidth(Region.USE_PREF_SIZE);
    beside.getChildren().setAll(button);
  }

  /** {@return the layer whose functions are shown} */
  String layer() {
    return layer;
  }

  private Set<ContactId> known() {
    Set<ContactId> known = new TreeSet<>();
    workbench.bench().get().paths().forEach(path -> known.add(path.id()));
    return known;
  }

  private void change(String label, UnaryOperator<Layer> change) {
    String meant = layer;
    Profile profile = workbench.build().get().profile();
    profile.withLayer(meant, change); // refused here, before anything is done
    workbench.apply(new Edit(label, b -> b.withProfile(p -> p.withLayer(meant, change))));
  }

  private void listen() {
    workbench.say("Press the contact that reaches " + layer);
    keys.listen(
        Optional.of(
            contact ->
                change(
                    "Reach " + layer + " by " + contact,
                    l -> {
                      Set<ContactId> next = new TreeSet<>(l.by());
                      next.add(contact);
                      return l.reached(l.reach(), next);
                    })));
  }

  private void add() {
    Set<String> names = new TreeSet<>();
    workbench.build().get().profile().layers().forEach(l -> names.add(l.name()));
    String fresh = "Shift";
    for (int n = 2; names.contains(fresh); n++) {
      fresh = "Layer " + n;
    }
    Layer next = new Layer(fresh, Layer.Reach.HOLD, Set.of(), Mapping.EMPTY);
    layer = fresh;
    workbench.apply(
        new Edit(
            "Another layer",
            b ->
                b.withProfile(
                    p -> {
                      List<Layer> layers = new java.util.ArrayList<>(p.layers());
                      layers.add(next);
                      return p.withLayers(layers);
                    })));
  }

  void show(Bench bench) {
    Profile profile = bench.build().profile();
    if (profile.layer(layer).isEmpty()) {
      layer = Layer.BASE;
    }
    chips.getChildren().clear();
    chip(Layer.BASE, "base");
    profile
        .layers()
        .forEach(
            l ->
                chip(
                    l.name(),
                    l.name()
                        + (l.by().isEmpty()
                            ? ", by nothing yet"
                            : ", "
                                + l.reach().words()
                                + " "
                                + String.join(
                                    " + ", l.by().stream().map(ContactId::toString).toList()))));
    Button add = new Button("Add layer");
    add.setId("layer-add");
    add.getStyleClass().add("small");
    add.setOnAction(event -> add());
    chips.getChildren().add(add);
    Optional<Layer> shown = profile.layer(layer);
    shown.ifPresent(
        l -> {
          name.show(l.name());
          reach.choose(l.reach());
          by.show(String.join(" + ", l.by().stream().map(ContactId::toString).toList()));
        });
    getChildren().removeAll(edit, columns);
    if (shown.isPresent()) {
      getChildren().add(edit);
    }
    columns.getChildren().clear();
    if (!profile.layers().isEmpty()) {
      column("contact", 118);
      column("base", 104);
      profile.layers().forEach(l -> column(l.name(), 96));
      column("function on " + layer, 90);
      getChildren().add(columns);
    }
    light();
  }

  /** A column's name, as wide as its fields are. */
  private void column(String words, double width) {
    Label label = new Label(words);
    label.getStyleClass().addAll("field-name", "layer-column");
    Em.min(label, width);
    Em.pref(label, width);
    columns.getChildren().add(label);
  }

  private void chip(String of, String words) {
    ToggleButton chip = new ToggleButton(words);
    chip.getStyleClass().add("segment");
    chip.setId("layer-" + chips.getChildren().size());
    chip.setUserData(of);
    chip.setSelected(of.equals(layer));
    chip.setAccessibleText("Layer " + words);
    chip.setOnAction(
        event -> {
          layer = of;
          chosen.run();
        });
    chips.getChildren().add(chip);
  }

  private void light() {
    String inForce = workbench.layer();
    boolean reached = !inForce.equals(Layer.BASE);
    chips
        .getChildren()
        .forEach(
            chip ->
                chip.pseudoClassStateChanged(LIVE, reached && inForce.equals(chip.getUserData())));
  }
}
