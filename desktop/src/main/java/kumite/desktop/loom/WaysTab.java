package kumite.desktop.loom;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Build;
import kumite.desktop.field.Em;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Aside;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.name.ContactId;
import kumite.verdict.Bench;
import kumite.verdict.WhatIf;
import kumite.working.Working;

/** What if: the same switches wired each way, side by side. */
final class WaysTab extends VBox {
  private enum Which {
    ALL("All switches"),
    FAMILY("Like the selected one"),
    ONE("The selected control");

    private final String words;

    Which(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final Segments<Which> which;
  private final Label about = new Label();
  private final GridPane grid = new GridPane();
  private final Aside<Asked, List<WhatIf>> aside;
  private Which chosen = Which.ALL;

  /** What is compared: a build, and the contacts that are wired in every way. */
  private record Asked(Build build, List<ContactId> contacts) {}

  WaysTab(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("form");
    which =
        new Segments<>(
            w -> w.words,
            w -> {
              chosen = w;
              show(workbench.bench().get());
            },
            Which.values());
    aside =
        new Aside<>(
            "ways of wiring",
            asked ->
                WhatIf.of(asked.build(), workbench.catalogueOf(asked.build()), asked.contacts()),
            asked -> about.setText("Planning every way of wiring for these contacts …"),
            this::show,
            workbench::complain);
    about.getStyleClass().add("note");
    about.setWrapText(true);
    about.setMinHeight(Region.USE_PREF_SIZE);
    grid.getStyleClass().add("compare");
    ScrollPane scroll = new ScrollPane(grid);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    FlowPane bar = new FlowPane(which);
    bar.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().addAll(bar, about, scroll);
  }

  void show(Bench bench) {
    which.choose(chosen);
    aside.ask(new Asked(bench.build(), contacts(bench)));
  }

  private void show(Asked asked, List<WhatIf> ways) {
    List<ContactId> contacts = asked.contacts();
    grid.getChildren().clear();
    about.setText(
        ways.isEmpty()
            ? "Select a control with switches first."
            : contacts.size()
                + " contacts each way. Using another way plans all wires anew, in one step that can"
                + " be undone.");
    if (ways.isEmpty()) {
      return;
    }
    String[] heads = {
      "way", "terminals", "joints", "wire", "one look", "held together", "besides wire", ""
    };
    for (int i = 0; i < heads.length; i++) {
      Label head = new Label(heads[i]);
      head.getStyleClass().add("note");
      head.setMinWidth(Region.USE_PREF_SIZE);
      grid.add(head, i, 0);
    }
    int row = 1;
    for (WhatIf way : ways) {
      Label name = new Label(way.name());
      name.setMinWidth(Region.USE_PREF_SIZE);
      if (way.chosen()) {
        name.getStyleClass().add("strong");
      }
      grid.add(name, 0, row);
      grid.add(mono(String.valueOf(way.terminals())), 1, row);
      grid.add(mono(String.valueOf(way.joints())), 2, row);
      grid.add(mono(String.format(Locale.ROOT, "%.1f m", way.metres())), 3, row);
      grid.add(mono(Working.number(way.scanMicros(), 0) + " us"), 4, row);
      Label ghosts = new Label(way.together().words());
      ghosts
          .getStyleClass()
          .add(
              switch (way.together()) {
                case GHOSTS -> "stop-text";
                case ONE -> "look-text";
                case ALL -> "note";
              });
      ghosts.setMinWidth(Region.USE_PREF_SIZE);
      grid.add(ghosts, 5, row);
      Label parts = new Label(way.fault().orElse(way.parts().isEmpty() ? "nothing" : way.parts()));
      parts.getStyleClass().add(way.fault().isPresent() ? "look-text" : "note");
      parts.setWrapText(true);
      parts.setMinHeight(Region.USE_PREF_SIZE);
      Em.pref(parts, 190);
      Em.min(parts, 90);
      grid.add(parts, 6, row);
      if (way.chosen()) {
        Label now = new Label("used now");
        now.setMinWidth(Region.USE_PREF_SIZE);
        grid.add(now, 7, row);
      } else {
        Button use = new Button("Use");
        use.getStyleClass().add("small");
        use.setMinWidth(Region.USE_PREF_SIZE);
        use.setId("use-" + way.name().replaceAll("[^a-z]+", "-"));
        use.setTooltip(new Tooltip(way.edit().label()));
        use.setOnAction(event -> workbench.apply(way.edit().edit()));
        grid.add(use, 7, row);
      }
      row++;
    }
  }

  private List<ContactId> contacts(Bench bench) {
    return bench.paths().stream()
        .filter(path -> !path.site().contact().type().analog())
        .filter(path -> wanted(bench, path))
        .map(SignalPath::id)
        .toList();
  }

  private boolean wanted(Bench bench, SignalPath path) {
    if (chosen == Which.ALL) {
      return true;
    }
    return workbench
        .path()
        .get()
        .flatMap(bench::path)
        .filter(
            selected ->
                chosen == Which.ONE
                    ? selected.id().control().equals(path.id().control())
                    : selected.site().kind().alike(path.site().kind()))
        .isPresent();
  }

  private static Label mono(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("mono");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }
}
