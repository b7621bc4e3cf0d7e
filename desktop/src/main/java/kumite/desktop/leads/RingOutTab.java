package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.StrandLine;
import kumite.kind.WireColour;
import kumite.lead.Lead;
import kumite.lead.LeadPart.Place;
import kumite.ringout.Facts;
import kumite.ringout.Known;
import kumite.ringout.Likely;
import kumite.ringout.NextProbe;
import kumite.ringout.Reading;
import kumite.ringout.Result;
import kumite.ringout.RingOut;
import kumite.ringout.RingOutPlan;

/** The partner who holds the other probe: what to touch, one key for the answer, what is known. */
final class RingOutTab extends HBox {
  /** Pairs that are thought likely, and why. */
  private record Guess(String words, Map<String, String> pairs) {}

  private final LeadDesk desk;
  private final Runnable made;
  private final Choice<RingOut> which;
  private final TextField near = names("near");
  private final TextField far = names("far");
  private final Segments<RingOut.Way> way;
  private final Choice<RingOut.Faults> faults;
  private final Choice<Guess> likely;
  private final Label title = new Label();
  private final HBox probes = new HBox();
  private final Label why = new Label();
  private final Button beep = new Button("Beep  (B)");
  private final Button silent = new Button("Silent  (S)");
  private final Button back = new Button("Take the last answer back");
  private final Button take = new Button("Make it a lead");
  private final Label left = new Label();
  private final ListView<Known.Fate> fates = new ListView<>();

  /**
   * An answer as a line of the list.
   *
   * @param words the line
   * @param repeat whether it is the one to ask again
   */
  private record Answer(String words, boolean repeat) {
    @Override
    public String toString() {
      return words;
    }
  }

  private final ListView<Answer> readings = new ListView<>();
  private final VBox ask = new VBox();
  private final VBox none = new VBox();
  private final VBox work;
  private Optional<RingOut> shown = Optional.empty();
  private Optional<NextProbe> next = Optional.empty();
  private String name = "";

  /**
   * The tab.
   *
   * @param make shows the tab in which a ring-out is begun
   * @param made shows the lead that was found
   */
  RingOutTab(LeadDesk desk, Runnable make, Runnable made) {
    this.desk = desk;
    this.made = made;
    setId("lead-ringout");
    getStyleClass().add("ringout-tab");
    which =
        new Choice<>(
            "ring-out",
            List.of(),
            RingOut::name,
            r -> {
              name = r.name();
              show();
            });
    which.wide(15);
    way =
        new Segments<>(
            w -> w == RingOut.Way.GROUPED ? "in groups" : "one by one",
            w -> change("Probe " + w.words(), r -> r.probed(w, r.looksFor())),
            RingOut.Way.values());
    faults =
        new Choice<>(
            "look for",
            List.of(RingOut.Faults.values()),
            RingOut.Faults::words,
            f -> change("Look for " + f.words(), r -> r.probed(r.way(), f)));
    faults.wide(15);
    likely =
        new Choice<>(
            "thought likely",
            List.of(),
            Guess::words,
            guess -> change("Likely: " + guess.words(), r -> r.withLikely(guess.pairs())));
    likely.setId("ringout-likely");
    likely.wide(13);
    near.setOnAction(event -> rename());
    far.setOnAction(event -> rename());
    FlowPane setup =
        new FlowPane(
            Head.named("cable", which),
            Head.named("near places", near),
            Head.named("far places", far),
            Head.named("probe", way),
            Head.named("look for", faults),
            Head.named("thought likely, never a fact", likely));
    setup.getStyleClass().add("lead-fields");
    prompt();
    fates.setId("ringout-known");
    fates.setAccessibleText("What is known of each core");
    fates.setFixedCellSize(26);
    fates.setCellFactory(view -> line(fate -> Result.words(fate), this::style));
    VBox.setVgrow(fates, Priority.ALWAYS);
    VBox known = new VBox(Plain.title("What is known"), fates);
    HBox.setHgrow(known, Priority.ALWAYS);
    known.setPrefWidth(10);
    readings.setId("ringout-readings");
    readings.setAccessibleText("Answers so far, the latest first");
    readings.setFixedCellSize(24);
    readings.setCellFactory(
        view -> line(Answer::words, answer -> answer.repeat() ? "bad-text" : ""));
    VBox.setVgrow(readings, Priority.ALWAYS);
    VBox answers = new VBox(Plain.title("Answers, the latest first"), readings);
    HBox.setHgrow(answers, Priority.ALWAYS);
    answers.setPrefWidth(10);
    HBox lists = new HBox(known, answers);
    lists.getStyleClass().add("ringout-lists");
    VBox.setVgrow(lists, Priority.ALWAYS);
    work = new VBox(setup, ask, lists);
    work.getStyleClass().addAll("sheet", "ringout-work");
    HBox.setHgrow(work, Priority.ALWAYS);
    Label nothing = new Label("No cable is being rung out.");
    nothing.getStyleClass().add("emphasis");
    Button begin = new Button("Begin one");
    begin.getStyleClass().add("accent");
    begin.setOnAction(event -> make.run());
    none.getChildren()
        .addAll(
            nothing,
            Plain.note(
                "With a continuity meter and clips Kumite tells which two places to touch; you answer"
                    + " with one key."),
            begin);
    none.getStyleClass().add("empty-state");
    HBox.setHgrow(none, Priority.ALWAYS);
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
  }

  private static TextField names(String end) {
    TextField field = new TextField();
    field.setId("ringout-" + end);
    field.setAccessibleText("names of the " + end + " places, with commas between");
    field.getStyleClass().add("mono");
    Em.pref(field, end.equals("near") ? 224 : 310);
    return field;
  }

  private void prompt() {
    title.getStyleClass().add("emphasis");
    title.setWrapText(true);
    title.setMinHeight(Region.USE_PREF_SIZE);
    probes.getStyleClass().add("probes");
    why.getStyleClass().add("note");
    why.setWrapText(true);
    beep.setId("ringout-beep");
    silent.setId("ringout-silent");
    beep.setOnAction(event -> answer(true));
    silent.setOnAction(event -> answer(false));
    for (Button button : List.of(beep, silent)) {
      button.getStyleClass().add("bench-key");
      button.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(button, Priority.ALWAYS);
    }
    HBox keys = new HBox(beep, silent);
    keys.getStyleClass().add("bench-keys");
    back.setId("ringout-back");
    back.setOnAction(
        event ->
            change(
                "Take the last answer back",
                r -> r.readings().isEmpty() ? r : r.without(r.readings().size() - 1)));
    for (Button button : List.of(back, take)) {
      button.setMinWidth(Region.USE_PREF_SIZE);
    }
    take.setId("ringout-take");
    take.getStyleClass().add("accent");
    take.setOnAction(event -> take());
    left.setWrapText(true);
    left.setMinHeight(Region.USE_PREF_SIZE);
    left.getStyleClass().addAll("mono", "note");
    HBox.setHgrow(left, Priority.ALWAYS);
    left.setMaxWidth(Double.MAX_VALUE);
    HBox foot = new HBox(left, back, take);
    foot.getStyleClass().add("lead-bar");
    ask.getChildren().addAll(title, probes, why, keys, foot);
    ask.getStyleClass().add("ringout-ask");
  }

  private <T> ListCell<T> line(
      java.util.function.Function<T, String> words, java.util.function.Function<T, String> style) {
    return new ListCell<>() {
      {
        setPrefWidth(0);
      }

      @Override
      protected void updateItem(T item, boolean empty) {
        super.updateItem(item, empty);
        setText(empty ? null : words.apply(item));
        getStyleClass().removeAll("bad-text", "strong");
        if (!empty && !style.apply(item).isEmpty()) {
          getStyleClass().add(style.apply(item));
        }
      }
    };
  }

  private String style(Known.Fate fate) {
    boolean bad = fate.open() || !fate.touching().isEmpty() || fate.far().size() > 1;
    return bad ? "bad-text" : fate.settled() ? "strong" : "";
  }

  private void key(KeyEvent event) {
    boolean typing = event.getTarget() instanceof TextField;
    boolean held = event.isShortcutDown() || event.isAltDown();
    if (typing || held || next.isEmpty()) {
      return;
    }
    if (event.getCode() == KeyCode.B || event.getCode() == KeyCode.S) {
      answer(event.getCode() == KeyCode.B);
      event.consume();
    }
  }

  private void answer(boolean beeped) {
    next.ifPresent(
        probe ->
            change(beeped ? "Answer beep" : "Answer silent", r -> r.with(probe.answered(beeped))));
  }

  private void change(String label, java.util.function.UnaryOperator<RingOut> change) {
    shown.ifPresent(
        r -> {
          try {
            RingOut changed = change.apply(r);
            desk.edit(label, book -> book.with(r.name(), changed));
          } catch (IllegalArgumentException e) {
            desk.workbench().complain(e.getMessage());
          }
        });
  }

  private void rename() {
    List<String> nears = split(near.getText());
    List<String> fars = split(far.getText());
    change(
        "Name the places",
        r -> {
          if (nears.equals(r.near()) && fars.equals(r.far())) {
            return r;
          }
          return r.between(
              Plain.resized(r.from(), nears.size()),
              Plain.resized(r.to(), fars.size()),
              nears,
              fars);
        });
  }

  private static List<String> split(String text) {
    return Arrays.stream(text.split("[,\\s]+")).filter(s -> !s.isBlank()).toList();
  }

  private void take() {
    shown.ifPresent(
        r -> {
          try {
            desk.add(Result.lead(Known.of(r), desk.plugs()));
            made.run();
          } catch (IllegalArgumentException e) {
            desk.workbench().complain(e.getMessage());
          }
        });
  }

  /** Looks at the ring-out of that name from now on. */
  void look(String newName) {
    name = newName;
  }

  void show() {
    List<RingOut> all = desk.book().ringOuts();
    shown =
        all.stream()
            .filter(r -> r.name().equals(name))
            .findFirst()
            .or(() -> all.stream().findFirst());
    getChildren().setAll(shown.isPresent() ? work : none);
    which.offer(all);
    which.show(shown);
    next = Optional.empty();
    shown.ifPresent(this::show);
  }

  private void show(RingOut ringOut) {
    Known known = Known.of(ringOut);
    next = NextProbe.of(known);
    if (!near.isFocused()) {
      near.setText(String.join(", ", ringOut.near()));
    }
    if (!far.isFocused()) {
      far.setText(String.join(", ", ringOut.far()));
    }
    way.choose(ringOut.way());
    faults.show(Optional.of(ringOut.looksFor()));
    guesses(ringOut);
    Optional<Facts.Contradiction> contradiction = known.facts().contradiction();
    probes.getChildren().clear();
    if (contradiction.isPresent()) {
      title.setText("These readings cannot all be true");
      why.setText(
          "Repeat the one that is marked: its button in What needs you takes it back, and the next"
              + " question asks it again.");
    } else if (next.isPresent()) {
      title.setText("Touch these two");
      probe("one probe", next.get().one());
      probe("other probe", next.get().other());
      why.setText("To find out " + next.get().why().words() + ".");
    } else {
      title.setText("Nothing is left to ask");
      why.setText("Make it a lead, and check it at the tab Pins.");
    }
    for (Button button : List.of(beep, silent)) {
      button.setDisable(next.isEmpty());
    }
    back.setDisable(ringOut.readings().isEmpty());
    take.setDisable(next.isPresent() || contradiction.isPresent());
    RingOutPlan.Probes probesLeft = NextProbe.left(known, 0);
    left.setText(
        String.format(
            Locale.ROOT,
            "%d asked; left, with the last round: %d at most, about %.1f in the mean, if no more"
                + " cores are broken",
            ringOut.readings().size(),
            probesLeft.worst(),
            probesLeft.mean()));
    fates.getItems().setAll(known.fates());
    List<Answer> lines = new ArrayList<>();
    for (int i = ringOut.readings().size() - 1; i >= 0; i--) {
      Reading reading = ringOut.readings().get(i);
      int at = i;
      boolean odd = contradiction.filter(c -> c.readings().contains(at)).isPresent();
      boolean repeat = contradiction.filter(c -> c.repeat() == at).isPresent();
      String mark = repeat ? "  ← repeat" : odd ? "  ← or this" : "";
      lines.add(new Answer((i + 1) + "  " + reading.words() + mark, repeat));
    }
    readings.getItems().setAll(lines);
  }

  /** Pairs that may be thought likely, each set once. */
  private void guesses(RingOut ringOut) {
    List<Guess> guesses = new ArrayList<>();
    guesses.add(new Guess("nothing", Map.of()));
    if (!ringOut.sameNames().isEmpty()) {
      guesses.add(new Guess("same names", ringOut.sameNames()));
    }
    for (Lead lead : desk.book().leads()) {
      Map<String, String> pairs = Likely.asIn(lead, ringOut);
      if (!pairs.isEmpty()) {
        guesses.add(new Guess("as in " + lead.name(), pairs));
      }
    }
    Optional<Guess> chosen =
        guesses.stream().filter(g -> g.pairs().equals(ringOut.likely())).findFirst();
    if (chosen.isEmpty()) {
      chosen = Optional.of(new Guess("as noted", ringOut.likely()));
      guesses.add(chosen.get());
    }
    likely.offer(guesses);
    likely.show(chosen);
  }

  private void probe(String words, java.util.Set<Place> places) {
    Label label = new Label(words);
    label.getStyleClass().add("note");
    FlowPane chips = new FlowPane();
    chips.getStyleClass().add("probe-chips");
    for (Place place : places) {
      Label chip = new Label(place.pin());
      chip.getStyleClass().add("probe-chip");
      colour(place.pin()).ifPresent(rgb -> chip.setGraphic(swatch(rgb)));
      chips.getChildren().add(chip);
    }
    String end = places.iterator().next().end() == kumite.lead.Where.FROM ? "near end" : "far end";
    Label held = new Label(end + (places.size() > 1 ? ", all clipped together" : ""));
    held.getStyleClass().add("note");
    VBox box = new VBox(label, chips, held);
    box.getStyleClass().add("probe");
    box.setPrefWidth(10);
    HBox.setHgrow(box, Priority.ALWAYS);
    probes.getChildren().add(box);
  }

  /** A place that is called after a colour shows it, so that it is found by eye. */
  private static Optional<WireColour> colour(String name) {
    try {
      return Optional.of(WireColour.parse(name));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static Rectangle swatch(WireColour colour) {
    Rectangle swatch = new Rectangle(10, 22);
    swatch.setFill(StrandLine.paint(colour.base()));
    swatch.getStyleClass().add("swatch");
    return swatch;
  }
}
