package kumite.desktop.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.build.map.Profile;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Workbench;
import kumite.measure.LengthUnit;
import kumite.measure.Range;
import kumite.verdict.Bench;

/** Who plays: the measures of the hand, and what it must do at one moment. */
final class PlayerForm extends VBox {
  private final Workbench workbench;
  private final Choice<Hand.Uses> uses;
  private final TypedField reach;
  private final TypedField breadth;
  private final TypedField span;
  private final TypedField force;
  private final TypedField wander;
  private final CheckBox measured = new CheckBox("measured on the player");
  private final Label note = new Label();
  private final FlowPane pairs = new FlowPane();
  private final Choice<String> one;
  private final Choice<String> other;

  PlayerForm(Workbench workbench) {
    this.workbench = workbench;
    uses =
        new Choice<>(
            "what the player plays with",
            List.of(Hand.Uses.values()),
            Hand.Uses::words,
            u -> hand("Plays with " + u.words(), h -> h.withUses(u)));
    uses.setId("hand-uses");
    reach = length("reach", Hand.REACH, Hand::withReach);
    breadth = length("breadth", Hand.BREADTH, Hand::withBreadth);
    span = length("span", Hand.SPAN, Hand::withSpan);
    wander = length("scatter", Hand.WANDER, Hand::withWander);
    force = TypedField.number("force", Hand.FORCE, n -> hand("Set the force", h -> h.withForce(n)));
    force.field().setId("hand-force");
    Em.pref(force.field(), 76);
    measured.setId("hand-measured");
    measured.setMinWidth(Region.USE_PREF_SIZE);
    measured.setOnAction(
        event -> hand("Measured on the player", h -> h.withMeasured(measured.isSelected())));
    Label title = new Label("The player");
    title.getStyleClass().add("emphasis");
    note.getStyleClass().add("note");
    note.setWrapText(true);
    note.setMinHeight(Region.USE_PREF_SIZE);
    FlowPane fields = new FlowPane();
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    fields
        .getChildren()
        .addAll(
            Head.named("plays with", uses),
            Head.named("reach, palm to fingertip", reach),
            Head.named("breadth, four knuckles", breadth),
            Head.named("span, thumb to little finger", span),
            Head.named("presses up to", force),
            Head.named("presses scatter by", wander),
            new VBox(new Label(" "), measured));
    Label atOnce = new Label("at the same moment:");
    atOnce.getStyleClass().add("note");
    atOnce.setMinWidth(Region.USE_PREF_SIZE);
    one = new Choice<>("a function", List.of(), name -> name, name -> {});
    other = new Choice<>("another function", List.of(), name -> name, name -> {});
    one.setId("together-one");
    other.setId("together-other");
    Button add = new Button("Add the pair");
    add.setId("together-add");
    add.getStyleClass().add("small");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setOnAction(event -> addPair());
    pairs.getStyleClass().add("actions");
    pairs.setMinHeight(Region.USE_PREF_SIZE);
    pairs.getChildren().addAll(atOnce, one, other, add);
    getStyleClass().add("player-form");
    getChildren().addAll(title, fields, note, pairs);
  }

  private interface Change {
    Hand apply(Hand hand, double value);
  }

  private TypedField length(String name, Range range, Change change) {
    TypedField field =
        TypedField.length(name, range, mm -> hand("Set the " + name, h -> change.apply(h, mm)));
    field.field().setId("hand-" + name);
    Em.pref(field.field(), 84);
    return field;
  }

  private void hand(String label, UnaryOperator<Hand> change) {
    workbench.apply(
        new Edit(label, b -> b.withBrief(b.brief().withHand(change.apply(b.brief().hand())))));
  }

  private void together(String label, UnaryOperator<List<Pair>> change) {
    workbench.apply(
        new Edit(
            label,
            b -> b.withProfile(p -> p.withTogether(change.apply(new ArrayList<>(p.together()))))));
  }

  private void addPair() {
    if (one.getValue() == null || other.getValue() == null) {
      workbench.complain("Choose two functions that play asks for at the same moment");
      return;
    }
    try {
      Pair pair = new Pair(one.getValue(), other.getValue());
      together(
          pair.one() + " with " + pair.other(),
          list -> {
            list.add(pair);
            return list;
          });
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  void show(Bench bench) {
    Brief brief = bench.build().brief();
    Profile profile = bench.build().profile();
    Hand hand = brief.hand();
    LengthUnit unit = brief.units();
    for (TypedField field : new TypedField[] {reach, breadth, span, wander}) {
      field.unit(unit);
    }
    uses.show(Optional.of(hand.uses()));
    reach.show(hand.reachMm());
    breadth.show(hand.breadthMm());
    span.show(hand.spanMm());
    force.show(hand.forceN());
    wander.show(hand.wanderMm());
    measured.setSelected(hand.measured());
    note.setText(
        hand.measured()
            ? "The Panel station judges reach, spread, force and targets by these."
            : "These are averages and mislead: measure the hand that will play. Breadth 84 mm lies"
                + " between the means of women and men (ANSUR 1988, from memory); the others are"
                + " common practice.");
    List<String> names = profile.functions().stream().map(HostFunction::name).toList();
    for (Choice<String> choice : List.of(one, other)) {
      if (!choice.getItems().equals(names)) {
        choice.getItems().setAll(names);
        choice.show(Optional.empty());
      }
    }
    pairs.getChildren().remove(4, pairs.getChildren().size());
    for (Pair pair : profile.together()) {
      Label words = new Label(pair.one() + " with " + pair.other());
      words.setMinWidth(Region.USE_PREF_SIZE);
      Button remove = new Button("Remove");
      remove.getStyleClass().add("small");
      remove.setMinWidth(Region.USE_PREF_SIZE);
      remove.setOnAction(
          event ->
              together(
                  "No longer together",
                  list -> {
                    list.remove(pair);
                    return list;
                  }));
      HBox chip = new HBox(words, remove);
      chip.getStyleClass().add("chip");
      pairs.getChildren().add(chip);
    }
    boolean any = !names.isEmpty();
    pairs.setVisible(any);
    pairs.setManaged(any);
  }
}
