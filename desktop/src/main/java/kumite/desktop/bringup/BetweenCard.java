package kumite.desktop.bringup;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import kumite.bringup.Places;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Shown;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.shell.WorkingView;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.verdict.Bench;
import kumite.working.Working;

/** Any two places: what a meter should show between them, with its working. */
final class BetweenCard extends VBox {
  private final RoundDesk desk;
  private final ComboBox<String> red = place("red probe on");
  private final ComboBox<String> black = place("black probe on");
  private final TextField held = new TextField();
  private final Choice<Power> power;
  private final Label shows = new Label();
  private final Label span = new Label();
  private final HBox picture = new HBox();
  private final VBox working = new VBox();
  private Power state = Power.UNPOWERED;
  private Optional<Bench> bench = Optional.empty();

  BetweenCard(RoundDesk desk) {
    this.desk = desk;
    setId("between-card");
    getStyleClass().addAll("sheet", "ask-card");
    power =
        new Choice<>(
            "state",
            List.of(Power.values()),
            Power::words,
            chosen -> {
              state = chosen;
              work();
            });
    power.show(Optional.of(state));
    power.wide(20);
    power.setId("between-state");
    red.setId("between-red");
    black.setId("between-black");
    held.setId("between-held");
    held.setPromptText("nothing held");
    held.setAccessibleText("what is held");
    held.textProperty().addListener((o, was, is) -> work());
    for (ComboBox<String> box : List.of(red, black)) {
      box.valueProperty().addListener((o, was, is) -> work());
      box.getEditor().textProperty().addListener((o, was, is) -> work());
    }
    FlowPane row =
        new FlowPane(
            Head.named("red probe on", red),
            Head.named("black probe on", black),
            Head.named("held", held),
            Head.named("state", power));
    row.getStyleClass().add("lead-fields");
    shows.setId("between-shows");
    shows.getStyleClass().add("ask-question");
    span.getStyleClass().add("ask-sub");
    for (Label label : List.of(shows, span)) {
      label.setWrapText(true);
    }
    getChildren().addAll(row, shows, span, picture, working);
  }

  private static ComboBox<String> place(String name) {
    ComboBox<String> box = new ComboBox<>();
    box.setEditable(true);
    box.setAccessibleText(name);
    box.setStyle("-fx-pref-width: 15em;");
    return box;
  }

  void show(Bench newBench) {
    bench = Optional.of(newBench);
    List<String> names =
        desk.places().map(p -> p.all().stream().map(Joint::toString).toList()).orElse(List.of());
    for (ComboBox<String> box : List.of(red, black)) {
      if (!box.getItems().equals(names)) {
        String was = box.getEditor().getText();
        box.getItems().setAll(names);
        box.getEditor().setText(was);
      }
    }
    begin(newBench, names);
    work();
  }

  /** Begins with the contact that is looked at, from its terminal to ground. */
  private void begin(Bench newBench, List<String> names) {
    boolean none = red.getEditor().getText().isEmpty() && black.getEditor().getText().isEmpty();
    Optional<String> ground =
        newBench
            .board()
            .flatMap(b -> b.terminals(Terminal.Role.GROUND).stream().findFirst())
            .map(t -> Joint.board(t.name()).toString())
            .filter(names::contains);
    Optional<String> pin =
        newBench.paths().stream()
            .flatMap(path -> path.pin().stream())
            .map(choice -> Joint.board(choice.terminal().name()).toString())
            .filter(names::contains)
            .findFirst();
    if (none && ground.isPresent() && pin.isPresent()) {
      red.getEditor().setText(pin.get());
      black.getEditor().setText(ground.get());
    }
  }

  private void work() {
    picture.getChildren().clear();
    working.getChildren().clear();
    span.setText("");
    Optional<Places> places = desk.places();
    String one = red.getEditor().getText().strip();
    String other = black.getEditor().getText().strip();
    if (places.isEmpty() || bench.isEmpty() || one.isEmpty() || other.isEmpty()) {
      shows.setText("Choose two places, such as board:GND and horn:NO.");
      return;
    }
    try {
      Ask.Probe ask =
          new Ask.Probe(Joint.parse(one), Joint.parse(other), state, Held.parse(held.getText()));
      Shown shown = places.get().shows(ask.red(), ask.black(), ask.power(), ask.held());
      shows.setText("The meter shows: " + shown.words());
      span.setText(
          shown.trouble().isPresent()
              ? "Do not power it before that is out."
              : "a sound build and a usual meter: "
                  + shown.span()
                  + shown.drop().stream()
                      .mapToObj(v -> "; on the diode range " + Working.number(v, 2) + " V")
                      .findFirst()
                      .orElse(""));
      ProbePicture.of(bench.get(), ask).ifPresent(picture.getChildren()::add);
      working.getChildren().add(new WorkingView(shown.working()));
    } catch (IllegalArgumentException e) {
      shows.setText("");
      span.setText(e.getMessage());
    }
  }
}
