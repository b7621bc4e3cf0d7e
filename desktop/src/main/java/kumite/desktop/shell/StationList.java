package kumite.desktop.shell;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.map.Profile;
import kumite.desktop.field.Head;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.verdict.Bench;
import kumite.verdict.Room;

/** The stations in working order, each with one line of state. */
final class StationList extends VBox {
  private static final PseudoClass HERE = PseudoClass.getPseudoClass("here");

  private record Item(Button button, Label title, Label state) {}

  private final Workbench workbench;
  private final VBox looked = new VBox();
  private final Map<Station, Item> items = new LinkedHashMap<>();

  StationList(Workbench workbench, List<Station> stations) {
    this.workbench = workbench;
    getStyleClass().add("station-list");
    for (Station station : stations) {
      Label title = new Label(station.title());
      title.getStyleClass().add("station-name");
      Label state = new Label();
      state.getStyleClass().add("station-state");
      VBox lines = new VBox(title, state);
      Button button = new Button();
      button.setGraphic(lines);
      button.setId("station-" + station.word());
      button.getStyleClass().add("station");
      button.setMaxWidth(Double.MAX_VALUE);
      button.setOnAction(event -> workbench.station().set(station));
      items.put(station, new Item(button, title, state));
      getChildren().add(button);
    }
    Region gap = new Region();
    VBox.setVgrow(gap, Priority.ALWAYS);
    looked.getStyleClass().add("looked-at");
    getChildren().addAll(gap, looked);
    workbench.station().addListener((o, was, is) -> here());
    workbench.bench().addListener((o, was, is) -> show(is));
    here();
    show(workbench.bench().get());
  }

  private void here() {
    items.forEach(
        (station, item) ->
            item.button().pseudoClassStateChanged(HERE, station.equals(workbench.station().get())));
  }

  /** Which board and which profile is looked at, where there is more than one. */
  private void looked(Bench bench) {
    Build build = bench.build();
    looked.getChildren().clear();
    if (build.seats().size() > 1) {
      looked.getChildren().add(Head.note("seat"));
      for (Seat seat : build.seats()) {
        look(
            seat.id().text(),
            "seat-" + seat.id(),
            seat.id().equals(build.seat().id()),
            Aspect.of(seat));
      }
    }
    if (build.seat().profiles().size() > 1) {
      looked.getChildren().add(Head.note("profile"));
      for (Profile profile : build.seat().profiles()) {
        look(
            profile.name(),
            "look-" + profile.name().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'),
            profile.name().equals(build.profile().name()),
            new Aspect(build.seat().id(), profile.name()));
      }
    }
  }

  private void look(String words, String id, boolean here, Aspect aspect) {
    ToggleButton button = new ToggleButton(words);
    button.getStyleClass().add("segment");
    button.setId(id);
    button.setSelected(here);
    button.setMaxWidth(Double.MAX_VALUE);
    button.setAccessibleText("Look at " + words);
    button.setOnAction(
        event -> {
          button.setSelected(true);
          workbench.face(aspect);
        });
    looked.getChildren().add(button);
  }

  private void show(Bench bench) {
    looked(bench);
    items.forEach(
        (station, item) -> {
          Room.State state = state(bench, station);
          String words = state.words();
          Severity severity = severity(bench, station);
          item.state().setText(words);
          item.state().getStyleClass().removeAll("stop", "look", "fine", "none");
          item.state()
              .getStyleClass()
              .add(state.settled() ? "fine" : severity == null ? "none" : severity.word());
          item.button().setAccessibleText(station.title() + ", " + words);
        });
  }

  private static Severity severity(Bench bench, Station station) {
    if (bench.count(station, Severity.STOP) > 0) {
      return Severity.STOP;
    }
    return bench.count(station, Severity.LOOK) > 0 ? Severity.LOOK : null;
  }

  private static Room.State state(Bench bench, Station station) {
    int stops = bench.count(station, Severity.STOP);
    int looks = bench.count(station, Severity.LOOK);
    if (stops > 0) {
      return new Room.State(stops + " to stop", false);
    }
    if (looks > 0) {
      return new Room.State(looks + " to look at", false);
    }
    return bench
        .rooms()
        .room(station)
        .map(room -> room.state(bench))
        .orElse(new Room.State("", false));
  }
}
