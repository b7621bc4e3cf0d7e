package kumite.desktop.work;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import kumite.desktop.field.Em;
import kumite.plan.Hours;
import kumite.plan.Implement;
import kumite.plan.Plan;
import kumite.plan.Today;
import kumite.plan.Where;

/** How long one has, where, and with what. */
final class TodayBar extends FlowPane {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");

  private final Runnable changed;
  private final TextField hours = new TextField("2 h");
  private final Label understood = new Label();
  private final Set<Where> places = EnumSet.allOf(Where.class);
  private final Set<Implement> tools = EnumSet.allOf(Implement.class);
  private int minutes = 120;

  TodayBar(Runnable changed) {
    this.changed = changed;
    getStyleClass().addAll("sheet", "today-bar");
    hours.setId("plan-hours");
    hours.setAccessibleText("how long you have");
    Em.pref(hours, 70);
    hours
        .textProperty()
        .addListener(
            (o, was, is) -> {
              Optional<Integer> read = Hours.read(is);
              hours.pseudoClassStateChanged(BAD, read.isEmpty());
              understood.setText(
                  read.map(m -> "understood " + Hours.words(m))
                      .orElse("write 2 h, 90 min or 1 h 30, up to a day"));
              read.ifPresent(
                  m -> {
                    minutes = m;
                    changed.run();
                  });
            });
    understood.getStyleClass().add("note");
    getChildren().addAll(new Label("I have"), hours, understood, new Label("at the"));
    for (Where place : Where.values()) {
      getChildren().add(toggle(place, places, place.words(), "place-" + place.word()));
    }
    getChildren().add(new Label("with"));
    for (Implement tool : Implement.values()) {
      getChildren().add(toggle(tool, tools, tool.words(), "tool-" + tool.word()));
    }
  }

  private <T> ToggleButton toggle(T one, Set<T> all, String words, String id) {
    ToggleButton button = new ToggleButton(words);
    button.setId(id);
    button.getStyleClass().addAll("segment", "small");
    button.setSelected(true);
    button.setOnAction(
        event -> {
          if (button.isSelected()) {
            all.add(one);
          } else {
            all.remove(one);
          }
          changed.run();
        });
    return button;
  }

  /** {@return what can be done in that time, there, with that} */
  Optional<Today> chosen(Plan plan) {
    // Nothing chosen is nowhere to be, and nothing to work with.
    return Optional.of(
        places.isEmpty()
            ? new Today(java.util.List.of(), 0, java.util.List.of())
            : Today.of(
                plan, minutes, places, tools.isEmpty() ? EnumSet.of(Implement.RULE) : tools));
  }
}
