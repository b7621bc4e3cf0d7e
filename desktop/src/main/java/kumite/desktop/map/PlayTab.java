package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import kumite.build.Edit;
import kumite.build.map.Layer;
import kumite.build.map.Script;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Workbench;
import kumite.device.Trace;
import kumite.hid.HostView;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** Short scripts of hands: typed, kept with the build, played on the device, seen as a strip. */
final class PlayTab extends VBox {
  private final Workbench workbench;
  private final Choice<String> kept;
  private final TextField name = new TextField();
  private final TextArea moves = new TextArea();
  private final Strip strip = new Strip();
  private final Label told = new Label();
  private Optional<Trace> played = Optional.empty();

  PlayTab(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("rules");
    setId("play");
    kept =
        new Choice<>(
            "Scripts of this build",
            List.of(),
            s -> s,
            chosen ->
                workbench.build().get().scripts().stream()
                    .filter(s -> s.name().equals(chosen))
                    .findFirst()
                    .ifPresent(
                        s -> {
                          name.setText(s.name());
                          moves.setText(s.text());
                        }));
    kept.setId("script-kept");
    Em.pref(kept, 150);
    name.setId("script-name");
    name.setAccessibleText("Name of the script");
    name.setPromptText("Name it to keep it");
    name.setPrefColumnCount(12);
    moves.setId("script-moves");
    moves.setAccessibleText("Moves of the script");
    moves.setPromptText("horn@0+80ms rudder.left@10ms slider=0.4@20ms");
    moves.setPrefRowCount(2);
    moves.setWrapText(true);
    moves.getStyleClass().add("mono");
    Button play = new Button("Play");
    play.setId("script-play");
    play.getStyleClass().add("accent");
    play.setOnAction(event -> play());
    Button keep = new Button("Keep");
    keep.setId("script-keep");
    keep.setOnAction(event -> keep());
    Button remove = new Button("Remove");
    remove.setId("script-remove");
    remove.setOnAction(event -> remove());
    FlowPane row =
        new FlowPane(Head.named("kept", kept), Head.named("name", name), play, keep, remove);
    row.getStyleClass().add("chip-row");
    told.getStyleClass().add("note");
    told.setWrapText(true);
    told.setMinHeight(Region.USE_PREF_SIZE);
    told.setText(
        "A move is contact@time, +how long after it, =how far before: horn@0+80ms. Times in ms.");
    VBox.setVgrow(strip, Priority.ALWAYS);
    getChildren().addAll(row, moves, told, strip);
    strip.widthProperty().addListener((o, was, is) -> draw());
    strip.heightProperty().addListener((o, was, is) -> draw());
  }

  private Optional<Script> typed() {
    try {
      String called = name.getText().isBlank() ? "Script" : name.getText().strip();
      return Optional.of(Script.parse(called, moves.getText()));
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
      return Optional.empty();
    }
  }

  private void play() {
    typed()
        .ifPresent(
            script -> {
              try {
                played = Optional.of(workbench.play(script));
                Trace trace = played.get();
                told.setText(
                    trace.reports().size()
                        + " reports in "
                        + String.format(Locale.ROOT, "%.1f ms", trace.endUs() / 1000.0)
                        + (trace.reports().isEmpty() ? ": no board runs it" : "")
                        + trace.turns().stream()
                            .map(
                                turn ->
                                    String.format(
                                        Locale.ROOT,
                                        "; profile %s from %.1f ms",
                                        turn.profile(),
                                        turn.us() / 1000.0))
                            .collect(Collectors.joining()));
                draw();
              } catch (IllegalArgumentException e) {
                workbench.complain(e.getMessage());
              }
            });
  }

  private void keep() {
    typed()
        .ifPresent(
            script -> {
              workbench.apply(
                  new Edit(
                      "Keep script " + script.name(),
                      b -> {
                        List<Script> next = new ArrayList<>(b.scripts());
                        next.removeIf(s -> s.name().equals(script.name()));
                        next.add(script);
                        return b.withScripts(next);
                      }));
              name.setText(script.name());
            });
  }

  private void remove() {
    String gone = name.getText().strip();
    workbench.apply(
        new Edit(
            "Remove script " + gone,
            b -> b.withScripts(b.scripts().stream().filter(s -> !s.name().equals(gone)).toList())));
  }

  void show(Bench bench) {
    List<String> names = bench.build().scripts().stream().map(Script::name).toList();
    if (!kept.getItems().equals(names)) {
      kept.getItems().setAll(names);
    }
    kept.show(names.stream().filter(n -> n.equals(name.getText())).findFirst());
    if (moves.getText().isBlank() && !bench.build().scripts().isEmpty()) {
      Script first = bench.build().scripts().get(0);
      name.setText(first.name());
      moves.setText(first.text());
      kept.show(Optional.of(first.name()));
    }
    draw();
  }

  /** Draws contacts as bars over time, chords and layers among them, and reports below. */
  private void draw() {
    strip.getChildren().clear();
    if (played.isEmpty() || strip.getWidth() < 200) {
      return;
    }
    Trace trace = played.get();
    Set<ContactId> contacts = new TreeSet<>();
    Set<String> chords = new TreeSet<>();
    Set<Integer> layers = new TreeSet<>();
    for (Trace.Change change : trace.changes()) {
      contacts.addAll(change.settled());
      chords.addAll(change.chords());
      if (change.layer() > 0) {
        layers.add(change.layer());
      }
    }
    List<String> rows = new ArrayList<>();
    contacts.forEach(c -> rows.add(c.toString()));
    chords.forEach(c -> rows.add("chord " + c));
    List<Layer> all = workbench.bench().get().build().profile().layers();
    layers.stream()
        .filter(l -> l <= all.size())
        .forEach(l -> rows.add("layer " + all.get(l - 1).name()));
    double top = 8;
    double left = 140;
    double right = strip.getWidth() - 12;
    double end = Math.max(1, trace.endUs() * 1.05);
    double height = Math.min(22, Math.max(12, (strip.getHeight() - 78) / Math.max(1, rows.size())));
    for (int i = 0; i < rows.size(); i++) {
      String row = rows.get(i);
      strip.word(row, 8, top + i * height, "mono");
      double from = -1;
      for (Trace.Change change : trace.changes()) {
        boolean on =
            change.settled().stream().anyMatch(c -> c.toString().equals(row))
                || change.chords().stream().anyMatch(c -> row.equals("chord " + c))
                || change.layer() > 0
                    && change.layer() <= all.size()
                    && row.equals("layer " + all.get(change.layer() - 1).name());
        double x = left + (right - left) * change.us() / end;
        if (on && from < 0) {
          from = x;
        } else if (!on && from >= 0) {
          strip.bar(from, x, top + i * height, height - 4);
          from = -1;
        }
      }
      if (from >= 0) {
        strip.bar(from, right, top + i * height, height - 4);
      }
    }
    double y = top + rows.size() * height + 8;
    strip.line(left, y, right, y, "ruler-line");
    strip.word("reports", 8, y - 8, "strong");
    double free = left;
    int lane = 0;
    for (Trace.Report report : trace.reports()) {
      double x = left + (right - left) * report.us() / end;
      strip.line(x, y, x, y + 7, "report-tick");
      HostView seen = HostView.of(workbench.bench().get().layout().fields(), report.toBytes());
      if (x >= free && lane < 3) {
        String words =
            String.format(Locale.ROOT, "%.1f ", report.us() / 1000.0)
                + (seen.on().isEmpty() ? "" : seen.on().size() + " on ")
                + report.hex();
        free = strip.wordWithin(words, x, y + 8, free, right) + 8;
      }
    }
    strip.word(
        String.format(Locale.ROOT, "%.0f ms", end / 1000), right - 46, y + 24, "ruler-label");
    strip.word("0", left, y + 24, "ruler-label");
  }

  /** A plain drawing. */
  private static final class Strip extends Pane {
    Strip() {
      getStyleClass().add("play-strip");
      setMinHeight(120);
      setId("play-strip");
      Rectangle clip = new Rectangle();
      clip.widthProperty().bind(widthProperty());
      clip.heightProperty().bind(heightProperty());
      setClip(clip);
    }

    double word(String text, double x, double y, String style) {
      Label label = new Label(text);
      label.getStyleClass().addAll("mono", style);
      label.relocate(x, y);
      getChildren().add(label);
      label.applyCss();
      label.autosize();
      return label.getWidth();
    }

    /** {@return where it ends}; a word that does not fit before the end is left out. */
    double wordWithin(String text, double x, double y, double free, double right) {
      double width = word(text, x, y, "ruler-label");
      Node written = getChildren().get(getChildren().size() - 1);
      double at = Math.min(x, right - width);
      if (at < free) {
        getChildren().remove(written);
        return free - 8;
      }
      written.relocate(at, y);
      return at + width;
    }

    void bar(double from, double to, double y, double height) {
      Rectangle bar = new Rectangle(from, y + 2, Math.max(1.5, to - from), height);
      bar.getStyleClass().add("play-bar");
      getChildren().add(bar);
    }

    void line(double x1, double y1, double x2, double y2, String style) {
      Line line = new Line(x1, y1, x2, y2);
      line.getStyleClass().add(style);
      getChildren().add(line);
    }
  }
}
