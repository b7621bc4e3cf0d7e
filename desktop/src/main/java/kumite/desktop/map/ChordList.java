package kumite.desktop.map;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.brief.HostFunction;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Words;
import kumite.desktop.shell.Workbench;
import kumite.map.ChoiceText;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** The chords of a profile, one line each, and one that adds another. */
final class ChordList extends VBox {
  private static final javafx.css.PseudoClass LIVE = javafx.css.PseudoClass.getPseudoClass("live");
  private static final String NO_FUNCTION = "no function";

  private final Workbench workbench;

  /** The height of a row with the gap to the next, in letters m. */
  private static final double ROW_EM = 2.5;

  private final VBox rows = new VBox();
  private final ScrollPane scroll = new ScrollPane();
  private final Words fresh;
  private List<Chord> shown = List.of();

  ChordList(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("chords");
    Label title = new Label("Chords");
    title.getStyleClass().add("strong");
    title.setMinWidth(Region.USE_PREF_SIZE);
    fresh = new Words("Contacts of another chord", this::add, workbench::complain);
    fresh.setId("chord-new");
    fresh.setPromptText("contacts that mean something together, such as a + b");
    HBox.setHgrow(fresh, Priority.ALWAYS);
    Button add = new Button("Add chord");
    add.setId("chord-add");
    add.getStyleClass().add("small");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setOnAction(event -> fresh.fireEvent(new javafx.event.ActionEvent()));
    HBox head = new HBox(title, fresh, add);
    head.getStyleClass().add("contact-row");
    scroll.setContent(rows);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("edge-to-edge");
    scroll.setFocusTraversable(false);
    rows.getStyleClass().add("chord-rows");
    room();
    getChildren().addAll(head, scroll);
    workbench.trace().addListener((o, was, is) -> light());
  }

  /** Room for three of them, whatever the size of type; more are scrolled to. */
  private void room() {
    int shownRows = Math.min(3, shown.size());
    String high = shownRows * ROW_EM + "em";
    scroll.setStyle("-fx-min-height: " + high + "; -fx-pref-height: " + high + ";");
    scroll.setManaged(shownRows > 0);
    scroll.setVisible(shownRows > 0);
  }

  private Set<ContactId> known() {
    Set<ContactId> known = new TreeSet<>();
    workbench.bench().get().paths().forEach(path -> known.add(path.id()));
    return known;
  }

  private void add(String typed) {
    Set<ContactId> members = ChoiceText.contacts(typed, known());
    Profile profile = workbench.build().get().profile();
    Set<Target> used = new java.util.HashSet<>();
    profile.entries().forEach(entry -> used.add(entry.target()));
    int n = 1;
    while (n < 128 && used.contains(new Target.Button(n))) {
      n++;
    }
    Chord chord =
        new Chord(
            Layer.BASE,
            members,
            Chord.USUAL_WINDOW_MS,
            true,
            new Mapping.Entry(new Target.Button(n), ""));
    workbench.apply(new Edit("Chord " + chord.id(), b -> b.withProfile(p -> p.withChord(chord))));
    javafx.application.Platform.runLater(
        () -> {
          fresh.clear();
          fresh.show("");
        });
  }

  private void change(Chord chord, String label, UnaryOperator<Chord> change) {
    Chord changed = change.apply(chord);
    workbench.apply(
        new Edit(
            label,
            b ->
                b.withProfile(
                    p ->
                        p.withChords(
                            p.chords().stream()
                                .map(c -> c.equals(chord) ? changed : c)
                                .toList()))));
  }

  void show(Bench bench) {
    Profile profile = bench.build().profile();
    if (!shown.equals(profile.chords()) || rows.getChildren().isEmpty()) {
      shown = profile.chords();
      room();
      rows.getChildren().setAll(shown.stream().map(chord -> row(bench, profile, chord)).toList());
    }
    light();
  }

  private void light() {
    Optional<Set<String>> held =
        workbench
            .trace()
            .get()
            .flatMap(t -> t.changes().stream().reduce((a, b) -> b))
            .map(change -> change.chords());
    for (int i = 0; i < shown.size() && i < rows.getChildren().size(); i++) {
      String id = shown.get(i).id();
      rows.getChildren()
          .get(i)
          .pseudoClassStateChanged(LIVE, held.filter(set -> set.contains(id)).isPresent());
    }
  }

  private Node row(Bench bench, Profile profile, Chord chord) {
    int at = shown.indexOf(chord);
    Label members = new Label(chord.id().replace("+", " + "));
    members.getStyleClass().add("mono");
    Em.min(members, 90);
    Em.pref(members, 118);
    members.setTooltip(new Tooltip(chord.id()));
    Words target =
        new Words(
            "Meaning of " + chord.id(),
            text -> {
              Target meaning = TargetText.parse(text);
              change(
                  chord,
                  "Chord " + chord.id() + " is " + TargetText.of(meaning),
                  c -> c.meaning(new Mapping.Entry(meaning, c.entry().function())));
            },
            workbench::complain);
    target.setId("chord-target-" + at);
    target.getStyleClass().addAll("mono", "target-field");
    Em.min(target, 86);
    Em.max(target, 86);
    target.show(TargetText.of(chord.entry().target()));
    Words window =
        new Words(
            "Window of " + chord.id() + " in ms",
            text -> {
              String plain = text.replaceAll("(?i)\\s*ms$", "");
              if (!plain.matches("\\d{1,4}")) {
                throw new IllegalArgumentException(
                    "\"" + text + "\" is no window; type 1 to 2000 ms");
              }
              int ms = Integer.parseInt(plain);
              change(chord, "Window of " + chord.id() + " " + ms + " ms", c -> c.within(ms));
            },
            workbench::complain);
    window.setId("chord-window-" + at);
    window.getStyleClass().addAll("mono", "target-field");
    Em.min(window, 58);
    Em.max(window, 58);
    window.show(chord.windowMs() + " ms");
    Choice<Boolean> waits =
        new Choice<>(
            "What members of " + chord.id() + " do meanwhile",
            List.of(true, false),
            w -> w ? "waits" : "at once",
            w -> change(chord, w ? "Members wait" : "Members fire at once", c -> c.waiting(w)));
    waits.setId("chord-waits-" + at);
    waits.setTooltip(
        new Tooltip(
            "Waits: members hold their own meaning back for the window. At once: they show, and are"
                + " taken back when the chord is complete"));
    waits.show(Optional.of(chord.waits()));
    List<String> functions = new java.util.ArrayList<>(List.of(NO_FUNCTION));
    profile.functions().stream().map(HostFunction::name).forEach(functions::add);
    Choice<String> function =
        new Choice<>(
            "Function of " + chord.id(),
            functions,
            f -> f,
            f ->
                change(
                    chord,
                    "Name the function of " + chord.id(),
                    c ->
                        c.meaning(
                            new Mapping.Entry(
                                c.entry().target(), f.equals(NO_FUNCTION) ? "" : f))));
    function.setId("chord-function-" + at);
    Em.min(function, 104);
    function.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(function, Priority.ALWAYS);
    function.show(
        Optional.of(chord.entry().function().isEmpty() ? NO_FUNCTION : chord.entry().function()));
    HBox row = new HBox(members, target, window, waits, function);
    if (!profile.layers().isEmpty()) {
      List<String> layers = new java.util.ArrayList<>(List.of(Layer.BASE));
      profile.layers().forEach(l -> layers.add(l.name()));
      Choice<String> layer =
          new Choice<>(
              "Layer of " + chord.id(),
              layers,
              l -> l,
              l -> change(chord, "Chord " + chord.id() + " on " + l, c -> c.on(l)));
      layer.setId("chord-layer-" + at);
      layer.show(Optional.of(chord.layer()));
      row.getChildren().add(layer);
    }
    Button remove = new Button("\u00D7");
    remove.getStyleClass().add("small");
    remove.setId("chord-remove-" + at);
    remove.setMinWidth(Region.USE_PREF_SIZE);
    remove.setAccessibleText("Remove chord " + chord.id());
    remove.setOnAction(
        event ->
            workbench.apply(
                new Edit(
                    "Remove chord " + chord.id(),
                    b ->
                        b.withProfile(
                            p ->
                                p.withChords(
                                    p.chords().stream().filter(c -> !c.equals(chord)).toList())))));
    row.getChildren().add(remove);
    row.getStyleClass().add("contact-row");
    return row;
  }
}
