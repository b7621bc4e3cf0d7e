package kumite.desktop.map;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.Timing;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Workbench;
import kumite.device.Delays;
import kumite.timing.Delay;
import kumite.verdict.Bench;

/** How often the board looks and reports, and how long a press takes so. */
final class TimingTab extends VBox {
  private final Workbench workbench;
  private final Segments<Timing.Debounce> debounce;
  private final TypedField scan;
  private final TypedField wait;
  private final TypedField poll;
  private final Label delay = new Label();
  private final DelayChart delays = new DelayChart();

  TimingTab(Workbench workbench) {
    this.workbench = workbench;
    debounce =
        new Segments<>(
            Timing.Debounce::words,
            d -> timing(t -> new Timing(t.scanUs(), d, t.waitUs(), t.pollUs())),
            Timing.Debounce.values());
    scan =
        TypedField.number(
            "time between looks",
            Timing.SCAN.in("ms", 1e-3),
            ms -> timing(t -> new Timing(us(ms), t.debounce(), t.waitUs(), t.pollUs())));
    wait =
        TypedField.number(
            "debounce wait",
            Timing.WAIT.in("ms", 1e-3),
            ms -> timing(t -> new Timing(t.scanUs(), t.debounce(), us(ms), t.pollUs())));
    poll =
        TypedField.number(
            "time between reports",
            Timing.POLL.in("ms", 1e-3),
            ms -> timing(t -> new Timing(t.scanUs(), t.debounce(), t.waitUs(), us(ms))));
    getStyleClass().add("timing");
    Label school =
        new Label(
            "Deferred waits until the level has been quiet: it adds the wait to every press. Eager"
                + " reports the first edge and then holds off: it adds nothing and trusts the first"
                + " edge.");
    school.setWrapText(true);
    school.setMinHeight(Region.USE_PREF_SIZE);
    school.getStyleClass().add("note");
    HBox row =
        new HBox(
            Head.named("look at the terminals each", scan),
            Head.named("debounce", debounce),
            Head.named("wait", wait),
            Head.named("report each", poll));
    row.getStyleClass().add("field-row");
    delay.setWrapText(true);
    delay.getStyleClass().add("mono");
    Label bars =
        new Label(
            "From the best to the worst press; the marks are the mean and what 99 of 100 keep.");
    bars.getStyleClass().add("note");
    getChildren().addAll(row, school, delay, bars, delays);
  }

  private static int us(double ms) {
    return (int) Math.round(ms * 1000);
  }

  private void timing(java.util.function.UnaryOperator<Timing> change) {
    workbench.apply(new Edit("Set the timing", b -> b.withTiming(change.apply(b.timing()))));
  }

  /** Shows a bench. */
  void show(Bench bench) {
    Timing t = bench.build().timing();
    delays.show(bench.timing(), Delays.out(bench.board()));
    debounce.choose(t.debounce());
    scan.show(t.scanUs() / 1000.0);
    wait.show(t.waitUs() / 1000.0);
    poll.show(t.pollUs() / 1000.0);
    Delay latency = Delay.of(bench.timing(), false, 0, Delays.out(bench.board()));
    delay.setText(
        latency.working().inWords()
            + Delays.beside(bench.board()).map(words -> "\nBeside that: " + words).orElse(""));
  }
}
