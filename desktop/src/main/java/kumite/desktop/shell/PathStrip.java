package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.map.Timing;
import kumite.circuit.InputLevels;
import kumite.circuit.Seen;
import kumite.device.SignalPath;
import kumite.device.Trace;
import kumite.kind.ContactKind;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.verdict.Bench;
import kumite.working.Working;

/**
 * The path strip: the selected signal path whole, from finger to host, with its values, and live
 * when it is pressed.
 */
public final class PathStrip extends HBox {
  private static final PseudoClass LIT = PseudoClass.getPseudoClass("lit");
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private final Workbench workbench;
  private final Keys keys;
  private final Label name = new Label();
  private final Label hint = new Label();
  private final Button press = new Button("Press");
  private final Slider travel = new Slider(0, 1, 0);
  private final VBox who = new VBox();
  private final PathTrack track;
  private boolean showing;

  PathStrip(Workbench workbench, Keys keys) {
    this.workbench = workbench;
    this.keys = keys;
    this.track = new PathTrack(workbench);
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
    workbench
        .hovered()
        .addListener(
            (o, was, is) -> {
              pseudoClassStateChanged(LIT, is.isPresent());
              show();
            });
    workbench.trace().addListener((o, was, is) -> show());
    workbench.holds().addListener((o, was, is) -> show());
    show();
  }

  private Optional<SignalPath> path() {
    return workbench.shown().flatMap(workbench.bench().get()::path);
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

  private List<PathTrack.Hop> hops(SignalPath path, double at) {
    Bench bench = workbench.bench().get();
    boolean held = at > 0;
    Optional<Trace.Hops> times = workbench.trace().get().map(trace -> trace.hops().get(path.id()));
    boolean analog = path.site().contact().type().analog();
    boolean reaches = held && path.whole();
    List<PathTrack.Hop> hops = new ArrayList<>();
    hops.add(
        new PathTrack.Hop(
            path.site().kind().name(),
            held ? "0 ms" : "idle",
            held,
            false,
            path.site().kind().trait()));
    hops.add(contact(path, at, times));
    hops.add(
        path.strand()
            .map(s -> strand(bench, s, held))
            .orElse(
                new PathTrack.Hop(
                    "no strand", "choose a board", false, true, "Nothing is wired yet")));
    hops.add(
        path.pin()
            .map(
                pin ->
                    new PathTrack.Hop(
                        pin.terminal().name(),
                        volts(bench, path),
                        held,
                        false,
                        String.join("; ", bench.loom().whyPin(path.id()))))
            .orElse(
                new PathTrack.Hop(
                    "none", "no terminal", false, true, "No terminal is free for it")));
    hops.add(level(bench, path, at));
    hops.add(settled(bench.build().timing(), path, times, held, analog));
    hops.add(
        path.target()
            .map(
                target ->
                    new PathTrack.Hop(
                        TargetText.of(target),
                        "one layer",
                        reaches,
                        false,
                        "The meaning is set at the Map station"))
            .orElse(
                new PathTrack.Hop(
                    "no meaning", "set it in Map", false, true, "The host will see nothing")));
    hops.add(
        path.field()
            .map(
                field ->
                    new PathTrack.Hop(
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
            .orElse(
                new PathTrack.Hop("not reported", "", false, true, "It has no place in a report")));
    hops.add(
        new PathTrack.Hop(
            path.function().isEmpty() ? "no function named" : path.function(),
            hostSees(bench, path, at),
            reaches,
            false,
            path.function().isEmpty() ? "Name it at the Map station" : "What the host does"));
    return hops;
  }

  /** The strand as it is: one that was left out is told here too. */
  private static PathTrack.Hop strand(Bench bench, Strand strand, boolean held) {
    boolean there = bench.wiring().filter(w -> w.wires().containsKey(strand.wire())).isPresent();
    return new PathTrack.Hop(
        strand.id() + " " + strand.colour() + " · " + strand.lengthMm() + " mm",
        there ? strand.gaugeAwg() + " AWG" : "left out",
        held && there,
        !there,
        strand.colour().words()
            + ", from "
            + strand.from().words()
            + " to "
            + strand.to().words()
            + (there ? "" : "; it was left out by hand"));
  }

  private static PathTrack.Hop contact(SignalPath path, double at, Optional<Trace.Hops> times) {
    ContactKind contact = path.site().contact();
    if (contact.type().analog()) {
      int steps = path.site().kind().steps();
      String where =
          steps > 1
              ? "step " + (1 + (int) Math.rint(at * (steps - 1))) + " of " + steps
              : String.format(Locale.ROOT, "%.0f %%", at * 100);
      return new PathTrack.Hop(
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
    return new PathTrack.Hop(
        path.site().signalTab().replaceAll(".*\\.", "") + " – COM",
        bounce,
        at > 0,
        false,
        "Normally open tab and common" + place);
  }

  /** What the board takes in with everything held that is held now. */
  private Optional<Seen> seen(Bench bench, SignalPath path) {
    return path.levels().isEmpty()
        ? Optional.empty()
        : bench.circuit().map(c -> c.inputs().see(path.id(), workbench.holds().get()::of));
  }

  private String volts(Bench bench, SignalPath path) {
    return seen(bench, path).map(s -> String.format(Locale.ROOT, "%.2f V", s.volts())).orElse("");
  }

  private PathTrack.Hop level(Bench bench, SignalPath path, double at) {
    Optional<Seen> seen = seen(bench, path);
    if (seen.isEmpty()) {
      return new PathTrack.Hop("unknown", "", false, true, "No terminal yet");
    }
    InputLevels levels = path.levels().orElseThrow();
    if (levels.floating().isPresent()) {
      return new PathTrack.Hop(
          "floats", "held by nothing", at > 0, true, "Nothing pulls it up or down");
    }
    if (levels.measured()) {
      int most = bench.board().orElseThrow().axisMaximum();
      return new PathTrack.Hop(
          "code " + seen.get().code(), "of " + most, at > 0, false, "floor(V / Vref x 2^n)");
    }
    InputLevels.Reading reading = seen.get().reading();
    InputLevels.Thresholds reads = levels.thresholds();
    boolean low = reading == InputLevels.Reading.LOW;
    return new PathTrack.Hop(
        reading.words(),
        (low ? "needs \u2264 " : "needs \u2265 ")
            + Working.number(low ? reads.lowVolts() : reads.highVolts(), 1)
            + " V",
        at > 0,
        !levels.readable(),
        bench.board().orElseThrow().levels().inWords());
  }

  private static PathTrack.Hop settled(
      Timing timing, SignalPath path, Optional<Trace.Hops> times, boolean held, boolean analog) {
    String wait =
        analog
            ? "each look"
            : Working.number(timing.waitUs() / 1000.0, 0) + " ms " + timing.debounce().words();
    String measure =
        held
            ? times.map(t -> ms(t.settledUs())).orElse("settled")
            : "look each " + Working.number(timing.scanUs() / 1000.0, 1) + " ms";
    return new PathTrack.Hop(
        wait, measure, held && path.whole(), false, "Set under Timing at the Map station");
  }

  private String hostSees(Bench bench, SignalPath path, double at) {
    if (!path.whole()) {
      return path.missing();
    }
    return at > 0 ? path.target().map(TargetText::brief).orElse("") : "at rest";
  }

  private static String ms(OptionalLong us) {
    return us.isPresent()
        ? String.format(Locale.ROOT, "%.1f ms", us.getAsLong() / 1000.0)
        : "never";
  }
}
