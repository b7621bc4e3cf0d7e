package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import kumite.build.Timing;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.map.TargetText;
import kumite.parts.ContactKind;
import kumite.power.InputLevels;
import kumite.verdict.Bench;
import kumite.working.Working;

/**
 * The path strip: the selected signal path whole, from finger to host, with its values, and live
 * when it is pressed.
 */
public final class PathStrip extends HBox {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final PseudoClass BROKEN = PseudoClass.getPseudoClass("broken");
  private static final String[] STAGES = {
    "finger", "contact", "strand", "terminal", "level", "settled", "map", "report", "host"
  };

  /** One hop as it is shown. */
  private record Hop(String value, String measure, boolean live, boolean broken, String tip) {}

  private static final class HopView {
    final Label stage = new Label();
    final Circle dot = new Circle(6);
    final Label value = new Label();
    final Label measure = new Label();
    final VBox words = new VBox(value, measure);

    HopView(String name) {
      stage.setText(name);
      stage.getStyleClass().add("hop-stage");
      dot.getStyleClass().add("hop-dot");
      value.getStyleClass().add("hop-value");
      measure.getStyleClass().addAll("mono", "hop-measure");
      words.getStyleClass().add("hop-words");
      for (Label label : new Label[] {value, measure}) {
        label.setTextOverrun(OverrunStyle.ELLIPSIS);
        label.setMaxWidth(Double.MAX_VALUE);
      }
    }
  }

  private final Workbench workbench;
  private final Keys keys;
  private final Label name = new Label();
  private final Label hint = new Label();
  private final Button press = new Button("Press");
  private final Slider travel = new Slider(0, 1, 0);
  private final VBox who = new VBox();
  private final Track track = new Track();
  private boolean showing;

  PathStrip(Workbench workbench, Keys keys) {
    this.workbench = workbench;
    this.keys = keys;
    getStyleClass().add("path-strip");
    Label path = new Label("Path");
    path.getStyleClass().add("note");
    name.getStyleClass().add("emphasis");
    hint.getStyleClass().add("note");
    press.getStyleClass().add("press");
    press.setId("press");
    press.setMaxWidth(Double.MAX_VALUE);
    travel.setId("travel");
    travel.setAccessibleText("Travel of the control");
    who.getStyleClass().add("who");
    who.getChildren().addAll(path, name, hint, press);
    HBox.setHgrow(track, Priority.ALWAYS);
    getChildren().addAll(who, track);

    press.addEventHandler(MouseEvent.MOUSE_PRESSED, event -> down());
    press.addEventHandler(MouseEvent.MOUSE_RELEASED, event -> up());
    press.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER) {
            down();
            event.consume();
          }
        });
    press.setOnKeyReleased(
        event -> {
          if (event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER) {
            up();
            event.consume();
          }
        });
    travel
        .valueProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing) {
                workbench
                    .path()
                    .get()
                    .ifPresent(id -> workbench.hold(id, snapped(is.doubleValue())));
              }
            });
    workbench.bench().addListener((o, was, is) -> show());
    workbench.path().addListener((o, was, is) -> show());
    workbench.trace().addListener((o, was, is) -> show());
    workbench.holds().addListener((o, was, is) -> show());
    show();
  }

  private Optional<SignalPath> path() {
    return workbench.path().get().flatMap(workbench.bench().get()::path);
  }

  private double snapped(double value) {
    int steps = path().map(p -> p.site().kind().steps()).orElse(0);
    return steps > 1 ? Math.rint(value * (steps - 1)) / (steps - 1) : Math.rint(value * 100) / 100;
  }

  private void down() {
    path().ifPresent(path -> keys.down(path.id()));
  }

  private void up() {
    path().ifPresent(path -> keys.up(path.id()));
  }

  private void show() {
    showing = true;
    Optional<SignalPath> path = path();
    if (path.isEmpty()) {
      name.setText("No path yet");
      hint.setText("add a control first");
      press.setVisible(false);
      who.getChildren().remove(travel);
      track.show(List.of(), false);
      showing = false;
      return;
    }
    SignalPath shown = path.get();
    boolean analog = shown.site().contact().type().analog();
    name.setText(shown.site().label());
    name.setTooltip(new Tooltip(shown.id().toString()));
    double at = workbench.holds().get().of(shown.id());
    Optional<String> key = keys.of(shown.id());
    boolean latching = shown.site().kind().latching();
    if (analog) {
      hint.setText("drag to move it");
      int steps = shown.site().kind().steps();
      travel.setBlockIncrement(steps > 1 ? 1.0 / (steps - 1) : 0.05);
      travel.setValue(at);
      if (!who.getChildren().contains(travel)) {
        who.getChildren().remove(press);
        who.getChildren().add(travel);
      }
    } else {
      hint.setText(
          key.map(k -> (latching ? "press " : "hold ") + k + " to press").orElse("press it here"));
      press.setVisible(true);
      if (!who.getChildren().contains(press)) {
        who.getChildren().remove(travel);
        who.getChildren().add(press);
      }
      press.setText(at > 0 ? "pressed" : "Press");
      press.pseudoClassStateChanged(LIVE, at > 0);
    }
    track.show(hops(shown, at), true);
    showing = false;
  }

  private List<Hop> hops(SignalPath path, double at) {
    Bench bench = workbench.bench().get();
    boolean held = at > 0;
    Optional<Trace.Hops> times = workbench.trace().get().map(trace -> trace.hops().get(path.id()));
    boolean analog = path.site().contact().type().analog();
    boolean reaches = held && path.whole();
    List<Hop> hops = new ArrayList<>();
    hops.add(
        new Hop(
            path.site().kind().name(),
            held ? "0 ms" : "idle",
            held,
            false,
            path.site().kind().trait()));
    hops.add(contact(path, at, times));
    hops.add(
        path.strand()
            .map(
                s ->
                    new Hop(
                        s.id() + " " + s.colour() + " · " + s.lengthMm() + " mm",
                        s.gaugeAwg() + " AWG",
                        held,
                        false,
                        s.colour().words()
                            + ", from "
                            + s.from().words()
                            + " to "
                            + s.to().words()))
            .orElse(new Hop("no strand", "choose a board", false, true, "Nothing is wired yet")));
    hops.add(
        path.pin()
            .map(
                pin ->
                    new Hop(
                        pin.terminal().name(),
                        volts(bench, path, at),
                        held,
                        false,
                        String.join("; ", bench.loom().plan().why(path.id()))))
            .orElse(new Hop("none", "no terminal", false, true, "No terminal is free for it")));
    hops.add(level(bench, path, at));
    hops.add(settled(bench.build().timing(), path, times, held, analog));
    hops.add(
        path.site()
            .entry()
            .map(
                entry ->
                    new Hop(
                        TargetText.of(entry.target()),
                        "one layer",
                        reaches,
                        false,
                        "The meaning is set at the Map station"))
            .orElse(
                new Hop("no meaning", "set it in Map", false, true, "The host will see nothing")));
    hops.add(
        path.field()
            .map(
                field ->
                    new Hop(
                        "byte " + field.byteIndex() + " bit " + field.bitIndex(),
                        times
                            .filter(t -> held)
                            .map(t -> ms(t.reportedUs()))
                            .orElse(
                                String.format(
                                    Locale.ROOT, "mean %.1f ms", path.delay().meanUs() / 1000)),
                        reaches,
                        false,
                        path.delay().working().inWords()))
            .orElse(new Hop("not reported", "", false, true, "It has no place in a report")));
    hops.add(
        new Hop(
            path.function().isEmpty() ? "no function named" : path.function(),
            hostSees(bench, path, at),
            reaches,
            false,
            path.function().isEmpty() ? "Name it at the Map station" : "What the host does"));
    return hops;
  }

  private static Hop contact(SignalPath path, double at, Optional<Trace.Hops> times) {
    ContactKind contact = path.site().contact();
    if (contact.type().analog()) {
      int steps = path.site().kind().steps();
      String where =
          steps > 1
              ? "step " + (1 + (int) Math.rint(at * (steps - 1))) + " of " + steps
              : String.format(Locale.ROOT, "%.0f %%", at * 100);
      return new Hop(
          contact.type() == ContactKind.Type.LADDER ? "ladder" : "wiper",
          where,
          at > 0,
          false,
          "Read as volts");
    }
    String bounce =
        at > 0
            ? times
                .map(t -> String.format(Locale.ROOT, "rests %.1f ms", t.bounceUs() / 1000.0))
                .orElse("closed")
            : "open";
    String place = contact.place().isEmpty() ? "" : " (" + contact.place() + ")";
    return new Hop(
        contact.tab() + " – COM", bounce, at > 0, false, "Normally open tab and common" + place);
  }

  private static String volts(Bench bench, SignalPath path, double at) {
    if (path.levels().isEmpty() || bench.board().isEmpty()) {
      return "";
    }
    double volts =
        path.site().contact().type().analog()
            ? InputLevels.voltsAt(bench.board().get(), path.site().kind(), at)
            : at > 0 ? path.levels().get().heldVolts() : path.levels().get().idleVolts();
    return String.format(Locale.ROOT, "%.2f V", volts);
  }

  private static Hop level(Bench bench, SignalPath path, double at) {
    if (path.levels().isEmpty() || bench.board().isEmpty()) {
      return new Hop("unknown", "", false, true, "No terminal yet");
    }
    InputLevels levels = path.levels().get();
    if (levels.idle() == InputLevels.Reading.MEASURED) {
      int bits = bench.board().get().adcBits();
      double volts = InputLevels.voltsAt(bench.board().get(), path.site().kind(), at);
      int code = InputLevels.code(volts, bench.board().get().logicVolts(), bits);
      return new Hop(
          "code " + code, "of " + ((1 << bits) - 1), at > 0, false, "floor(V / Vref x 2^n)");
    }
    InputLevels.Reading reading = at > 0 ? levels.held() : levels.idle();
    double limit =
        reading == InputLevels.Reading.LOW
            ? bench.board().get().lowVolts()
            : bench.board().get().highVolts();
    return new Hop(
        reading.words(),
        (reading == InputLevels.Reading.LOW ? "needs \u2264 " : "needs \u2265 ")
            + Working.number(limit, 1)
            + " V",
        at > 0,
        !levels.readable(),
        bench.board().get().levels().inWords());
  }

  private static Hop settled(
      Timing timing, SignalPath path, Optional<Trace.Hops> times, boolean held, boolean analog) {
    String wait =
        analog
            ? "each look"
            : Working.number(timing.waitUs() / 1000.0, 0) + " ms " + timing.debounce().words();
    String measure =
        held
            ? times.map(t -> ms(t.settledUs())).orElse("settled")
            : "look each " + Working.number(timing.scanUs() / 1000.0, 1) + " ms";
    return new Hop(
        wait, measure, held && path.whole(), false, "Set under Timing at the Map station");
  }

  private String hostSees(Bench bench, SignalPath path, double at) {
    if (!path.whole()) {
      return path.missing();
    }
    return at > 0
        ? path.site().entry().map(e -> TargetText.brief(e.target())).orElse("")
        : "at rest";
  }

  private static String ms(OptionalLong us) {
    return us.isPresent()
        ? String.format(Locale.ROOT, "%.1f ms", us.getAsLong() / 1000.0)
        : "never";
  }

  /** The line with its hops and the time ruler. */
  private final class Track extends Pane {
    private final List<HopView> views = new ArrayList<>();
    private final List<Line> links = new ArrayList<>();
    private final Label empty =
        new Label("Here you will see its way: " + String.join(" > ", STAGES));
    private final Line ruler = new Line();
    private final List<Node> marks = new ArrayList<>();
    private final Map<Node, Double> anchors = new HashMap<>();

    Track() {
      getStyleClass().add("track");
      setMinHeight(92);
      for (int i = 0; i < STAGES.length - 1; i++) {
        Line link = new Line();
        link.getStyleClass().add("hop-link");
        links.add(link);
        getChildren().add(link);
      }
      for (String stage : STAGES) {
        HopView view = new HopView(stage);
        views.add(view);
        getChildren().addAll(view.stage, view.dot, view.words);
      }
      empty.getStyleClass().add("note");
      ruler.getStyleClass().add("ruler-line");
      getChildren().addAll(empty, ruler);
    }

    void show(List<Hop> hops, boolean any) {
      empty.setVisible(!any);
      for (int i = 0; i < views.size(); i++) {
        HopView view = views.get(i);
        view.stage.setVisible(any);
        view.dot.setVisible(any);
        view.words.setVisible(any);
        if (any) {
          Hop hop = hops.get(i);
          view.value.setText(hop.value());
          view.measure.setText(hop.measure());
          Tooltip.install(
              view.words, new Tooltip(hop.value() + "\n" + hop.measure() + "\n" + hop.tip()));
          view.dot.pseudoClassStateChanged(LIVE, hop.live());
          view.dot.pseudoClassStateChanged(BROKEN, hop.broken());
          view.value.pseudoClassStateChanged(BROKEN, hop.broken());
        }
        if (i > 0) {
          links.get(i - 1).setVisible(any);
          links.get(i - 1).pseudoClassStateChanged(LIVE, any && hops.get(i).live());
          links.get(i - 1).pseudoClassStateChanged(BROKEN, any && hops.get(i).broken());
        }
      }
      ruler();
      requestLayout();
    }

    /** The ruler below: when the press got where, to scale. */
    private void ruler() {
      getChildren().removeAll(marks);
      marks.clear();
      anchors.clear();
      Optional<Trace.Hops> times =
          workbench.path().get().flatMap(id -> workbench.trace().get().map(t -> t.hops().get(id)));
      ruler.setVisible(times.isPresent() && times.get().reportedUs().isPresent());
      if (!ruler.isVisible()) {
        return;
      }
      Trace.Hops t = times.get();
      double end = Math.max(8000, Math.ceil(t.reportedUs().getAsLong() / 4000.0) * 4000);
      mark(0, end, "0", false, 0.5);
      mark(end, end, String.format(Locale.ROOT, "%.0f ms", end / 1000), false, 0.5);
      if (t.bounceUs() > 0) {
        mark(t.bounceUs(), end, "contact rests", true, 0.5);
      }
      // Settled and report are often a hair apart: one word goes to the left, the other to the
      // right.
      t.settledUs().ifPresent(us -> mark(us, end, "settled ", true, 1));
      mark(t.reportedUs().getAsLong(), end, " report", true, 0);
    }

    private void mark(double us, double end, String text, boolean live, double anchor) {
      Line tick = new Line();
      tick.getStyleClass().add("ruler-line");
      tick.pseudoClassStateChanged(LIVE, live);
      Label label = new Label(text);
      label.getStyleClass().addAll("mono", "ruler-label");
      tick.setUserData(us / end);
      label.setUserData(us / end);
      anchors.put(label, anchor);
      marks.add(tick);
      marks.add(label);
      getChildren().addAll(tick, label);
    }

    @Override
    protected void layoutChildren() {
      double width = getWidth();
      double column = width / STAGES.length;
      double lineY = snapPositionY(28);
      for (int i = 0; i < views.size(); i++) {
        HopView view = views.get(i);
        double centre = snapPositionX(column * (i + 0.5));
        view.stage.autosize();
        view.stage.relocate(snapPositionX(centre - view.stage.getWidth() / 2), 2);
        view.dot.setCenterX(centre);
        view.dot.setCenterY(lineY);
        view.words.resizeRelocate(
            snapPositionX(column * i + 3),
            lineY + 11,
            column - 6,
            view.words.prefHeight(column - 6));
        if (i > 0) {
          Line link = links.get(i - 1);
          link.setStartX(centre - column);
          link.setEndX(centre);
          link.setStartY(lineY);
          link.setEndY(lineY);
        }
      }
      empty.autosize();
      empty.relocate(16, 36);
      double rulerY = snapPositionY(getHeight() - 15) + 0.5;
      double from = column / 2;
      double to = width - column / 2;
      ruler.setStartX(from);
      ruler.setEndX(to);
      ruler.setStartY(rulerY);
      ruler.setEndY(rulerY);
      for (Node node : marks) {
        double x = snapPositionX(from + (to - from) * (double) node.getUserData()) + 0.5;
        if (node instanceof Line tick) {
          tick.setStartX(x);
          tick.setEndX(x);
          tick.setStartY(rulerY - 3);
          tick.setEndY(rulerY + 3);
        } else {
          Label label = (Label) node;
          label.autosize();
          label.relocate(x - label.getWidth() * anchors.get(label), rulerY + 2);
        }
      }
    }
  }
}
