package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.desktop.field.Em;
import kumite.desktop.shell.Workbench;
import kumite.device.Trace;
import kumite.hid.HostView;
import kumite.hid.InputField;
import kumite.hid.KeyNames;
import kumite.hid.MediaNames;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.verdict.Bench;

/** What the host receives: the last reports, read by the descriptor alone. */
final class HostPanel extends VBox {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final String[] HAT = {"N", "NE", "E", "SE", "S", "SW", "W", "NW"};

  private final Workbench workbench;
  private final Label facts = new Label();
  private final FlowPane keys = new FlowPane();
  private final VBox axes = new VBox();
  private final GridPane hat = new GridPane();
  private final Label bytes = new Label();
  private final HBox row;

  HostPanel(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().addAll("sheet", "host-panel");
    setMinHeight(Region.USE_PREF_SIZE);
    Label title = new Label("What the host receives");
    title.getStyleClass().add("emphasis");
    facts.getStyleClass().add("note");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox head = new HBox(title, gap, facts);
    keys.getStyleClass().add("host-keys");
    keys.setPrefWrapLength(360);
    HBox.setHgrow(keys, Priority.ALWAYS);
    axes.getStyleClass().add("host-axes");
    Em.min(axes, 220);
    hat.getStyleClass().add("host-hat");
    bytes.getStyleClass().addAll("mono", "host-bytes");
    bytes.setWrapText(true);
    bytes.setMinHeight(Region.USE_PREF_SIZE);
    row = new HBox(keys, hat, axes);
    row.getStyleClass().add("host-row");
    getChildren().addAll(head, row, bytes);
    workbench.trace().addListener((o, was, is) -> show(workbench.bench().get()));
  }

  void show(Bench bench) {
    List<Trace.Report> now = new ArrayList<>();
    for (int id : bench.layout().reportIds()) {
      Optional<Trace.Report> last = workbench.trace().get().flatMap(t -> t.last(id));
      now.add(
          last.orElseGet(
              () ->
                  bench.device().steady(workbench.holds().get()).stream()
                      .filter(r -> r.id() == id)
                      .findFirst()
                      .orElse(new Trace.Report(0, id, List.of()))));
    }
    boolean board = bench.board().isPresent() && !bench.ofHost();
    facts.setText(
        bench.ofHost()
            ? bench.loom().consoles().isEmpty()
                ? "the host reads this board itself: there is no report"
                : "the console takes it by frames: see the Signals station"
            : board
                ? "report"
                    + (now.size() > 1 ? "s " : " ")
                    + String.join(
                        ", ",
                        now.stream()
                            .map(
                                r ->
                                    r.bytes().size() + (r.bytes().size() == 1 ? " byte" : " bytes"))
                            .toList())
                    + " · every "
                    + bench.timing().pollUs() / 1000
                    + " ms at most"
                : "no board yet: nothing is sent");
    row.setVisible(board);
    row.setManaged(board);
    bytes.setVisible(board);
    bytes.setManaged(board);
    if (!board) {
      return;
    }
    keys.getChildren().clear();
    axes.getChildren().clear();
    hat.getChildren().clear();
    StringBuilder hex = new StringBuilder();
    for (Trace.Report report : now) {
      HostView seen = HostView.of(bench.layout().fields(), report.toBytes());
      if (now.size() > 1) {
        Label which = new Label(bench.layout().words(report.id()));
        which.getStyleClass().add("note");
        keys.getChildren().add(which);
      }
      if (bench.layout().part(report.id()) == ReportLayout.Part.KEYBOARD) {
        keyboard(bench, seen);
      } else {
        for (InputField field : bench.layout().fields()) {
          if (field.reportId() == report.id()) {
            field(bench.layout().part(report.id()), field, seen);
          }
        }
      }
      hex.append(hex.isEmpty() ? "" : "    ").append(report.hex().replaceAll("(..)", "$1 "));
    }
    bytes.setText("bytes  " + hex);
  }

  /** Of all the keys of a keyboard those that are mapped, and any other that is on. */
  private void keyboard(Bench bench, HostView seen) {
    Set<Integer> shown = new TreeSet<>();
    bench
        .build()
        .profile()
        .entries()
        .forEach(
            entry -> {
              if (entry.target() instanceof Target.Key key) {
                shown.add(key.usage());
              }
            });
    seen.on().forEach(usage -> shown.add(usage.id()));
    shown.forEach(
        usage -> key(KeyNames.of(usage), seen.on().contains(new Usage(Usage.KEYBOARD, usage))));
  }

  private void field(ReportLayout.Part part, InputField field, HostView seen) {
    Usage usage = field.usage();
    boolean mouse = part == ReportLayout.Part.MOUSE;
    if (usage.equals(Usage.HAT)) {
      hat(Optional.ofNullable(seen.values().get(usage)));
    } else if (field.bits() > 1) {
      axis((mouse ? "mouse " : "") + name(usage), seen.values().getOrDefault(usage, 0), field);
    } else if (part == ReportLayout.Part.MEDIA) {
      key(MediaNames.of(usage.id()), seen.on().contains(usage));
    } else {
      key((mouse ? "M" : "B") + usage.id(), seen.on().contains(usage));
    }
  }

  private static String name(Usage usage) {
    int at = usage.id() - 0x30;
    return at < AxisName.values().length ? AxisName.values()[at].words() : "Wheel";
  }

  private void key(String text, boolean on) {
    Label label = new Label(text);
    label.getStyleClass().addAll("mono", "host-key");
    label.pseudoClassStateChanged(LIVE, on);
    label.setAccessibleText(text + (on ? " on" : " off"));
    keys.getChildren().add(label);
  }

  private void hat(Optional<Integer> direction) {
    int[][] cells = {
      {0, 1, 0}, {1, 2, 0}, {2, 2, 1}, {3, 2, 2}, {4, 1, 2}, {5, 0, 2}, {6, 0, 1}, {7, 0, 0}
    };
    for (int[] cell :
        new int[][] {
          {0, 1, 0}, {1, 2, 0}, {2, 2, 1}, {3, 2, 2}, {4, 1, 2}, {5, 0, 2}, {6, 0, 1}, {7, 0, 0}
        }) {
      Region box = new Region();
      box.getStyleClass().add("hat-cell");
      box.pseudoClassStateChanged(LIVE, direction.filter(d -> d == cell[0]).isPresent());
      hat.add(box, cell[1], cell[2]);
    }
    Label middle = new Label(direction.map(d -> HAT[d]).orElse("hat"));
    middle.getStyleClass().addAll("mono", "hat-middle");
    hat.add(middle, 1, 1);
    hat.setAccessibleText("hat " + direction.map(d -> HAT[d]).orElse("at rest"));
  }

  private void axis(String name, int value, InputField field) {
    Label label = new Label(name);
    label.getStyleClass().add("mono");
    Em.min(label, 48);
    double span = field.logicalMaximum() - (double) field.logicalMinimum();
    ProgressBar bar = new ProgressBar((value - field.logicalMinimum()) / span);
    bar.setMaxWidth(Double.MAX_VALUE);
    Em.min(bar, 70);
    HBox.setHgrow(bar, Priority.ALWAYS);
    Label number = new Label(String.valueOf(value));
    number.getStyleClass().addAll("mono", "axis-value");
    Em.min(number, 46);
    Node[] nodes = {label, bar, number};
    HBox line = new HBox(nodes);
    line.getStyleClass().add("axis-row");
    axes.getChildren().add(line);
  }
}
