package kumite.desktop.power;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.circuit.InputLevels;
import kumite.circuit.PowerCode;
import kumite.desktop.shell.Workbench;
import kumite.desktop.shell.WorkingView;
import kumite.device.InputKind;
import kumite.device.SignalPath;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.working.Working;

/** One kind of input: its circuit, its levels, and what the board makes of them. */
final class CircuitCard extends VBox {
  private static final double WIDTH = 418;

  CircuitCard(Workbench workbench, InputKind kind) {
    getStyleClass()
        .addAll("circuit-card", worst(workbench, kind).name().toLowerCase(java.util.Locale.ROOT));
    setMinWidth(WIDTH);
    setMaxWidth(WIDTH);
    setPrefWidth(WIDTH);
    SignalPath first = kind.paths().get(0);
    Label title = new Label(kind.title());
    title.getStyleClass().add("card-title");
    title.setMaxWidth(Double.MAX_VALUE);
    title.setTooltip(new Tooltip(kind.title()));
    HBox.setHgrow(title, Priority.ALWAYS);
    Label count =
        new Label(kind.paths().size() + (kind.paths().size() == 1 ? " contact" : " contacts"));
    count.getStyleClass().add("note");
    count.setMinWidth(Region.USE_PREF_SIZE);
    count.setTooltip(
        new Tooltip(String.join(", ", kind.paths().stream().map(p -> p.site().label()).toList())));
    HBox head = new HBox(title, count);
    head.getStyleClass().add("row");
    HBox drawing =
        new HBox(
            new CircuitSketch(kind.levels().sketch()),
            new LevelScale(
                kind.levels(),
                workbench
                    .bench()
                    .get()
                    .circuit()
                    .map(wired -> kind.steps(wired.inputs()))
                    .orElse(List.of())));
    Label verdict = new Label(verdict(workbench, kind));
    verdict
        .getStyleClass()
        .add(worst(workbench, kind).name().toLowerCase(java.util.Locale.ROOT) + "-text");
    verdict.setWrapText(true);
    verdict.setMaxWidth(Double.MAX_VALUE);
    verdict.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(verdict, Priority.ALWAYS);
    Hyperlink show = new Hyperlink("show working");
    show.setMinWidth(Region.USE_PREF_SIZE);
    HBox foot = new HBox(verdict, show);
    foot.getStyleClass().add("row");
    getChildren().addAll(head, drawing, foot);
    Working working = kind.levels().working();
    WorkingView view = new WorkingView(working);
    show.setOnAction(
        event -> {
          boolean shown = getChildren().remove(view);
          if (!shown) {
            getChildren().add(view);
          }
          show.setText(shown ? "show working" : "hide working");
        });
    setOnMouseClicked(event -> workbench.select(first.id()));
  }

  /** What is said of one contact's own levels. */
  private static final Set<Code> LEVELS =
      Set.of(PowerCode.UNREAD, PowerCode.TOO_HIGH, PowerCode.STEPS_CLOSE);

  private static Severity worst(Workbench workbench, InputKind kind) {
    return findings(workbench, kind)
        .map(Finding::severity)
        .orElse(kind.levels().readable() ? Severity.FINE : Severity.STOP);
  }

  private static Optional<Finding> findings(Workbench workbench, InputKind kind) {
    return workbench.bench().get().findings().stream()
        .filter(f -> LEVELS.contains(f.code()))
        .filter(
            f ->
                kind.paths().stream()
                    .anyMatch(
                        p ->
                            f.about().contains(Subject.of(p.id()))
                                || p.sharing()
                                    .filter(
                                        s ->
                                            f.about().contains(new Subject.Group(s.group().name())))
                                    .isPresent()))
        .findFirst();
  }

  private static String verdict(Workbench workbench, InputKind kind) {
    Optional<Finding> finding = findings(workbench, kind);
    if (finding.isPresent()) {
      return finding.get().title();
    }
    InputLevels levels = kind.levels();
    if (!levels.measured()) {
      return !levels.readable()
          ? "cannot be told"
          : workbench.bench().get().endangered()
              ? "would read cleanly; first take the short out"
              : "reads cleanly";
    }
    int bits = workbench.bench().get().board().map(b -> b.adcBits()).orElse(0);
    return bits == 0 ? "this board does not measure volts" : (1 << bits) + " codes";
  }
}
