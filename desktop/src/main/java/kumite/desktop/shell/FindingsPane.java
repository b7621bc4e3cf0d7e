package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Em;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.verdict.Bench;
import kumite.working.Working;

/** What needs you here: the findings of the station, those about the selection first. */
final class FindingsPane extends VBox {
  private static final PseudoClass FOLDED = PseudoClass.getPseudoClass("folded");

  private final Workbench workbench;
  private final VBox cards = new VBox();
  private final Label elsewhere = new Label();
  private final Set<String> opened = new HashSet<>();

  /** In a window less wide than this many letters m the stations need all the room. */
  private static final double LEAST_EM = 72;

  private boolean foldedByRoom;
  private final ToggleButton fold = new ToggleButton("\u00BB");

  FindingsPane(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("findings");
    Label heading = new Label("What needs you here");
    heading.getStyleClass().add("emphasis");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    fold.setId("fold-findings");
    fold.fontProperty()
        .addListener(
            (o, was, is) ->
                Platform.runLater(
                    () -> Optional.ofNullable(getScene()).ifPresent(s -> room(s.getWidth()))));
    fold.getStyleClass().addAll("segment", "fold");
    fold.setMinWidth(Region.USE_PREF_SIZE);
    fold.setTooltip(new Tooltip("Fold the findings to a narrow edge, or open them again. F8"));
    HBox head = new HBox(heading, gap, fold);
    head.getStyleClass().add("findings-head");
    cards.getStyleClass().add("cards");
    ScrollPane scroll = new ScrollPane(cards);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("quiet-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    elsewhere.getStyleClass().add("note");
    elsewhere.setWrapText(true);
    elsewhere.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().addAll(head, scroll, elsewhere);
    fold.setOnAction(
        event -> {
          boolean folded = fold.isSelected();
          fold.setText(folded ? "\u00AB" : "\u00BB");
          pseudoClassStateChanged(FOLDED, folded);
          for (Region part : List.of(heading, gap, scroll, elsewhere)) {
            part.setVisible(!folded);
            part.setManaged(!folded);
          }
        });
    workbench.bench().addListener((o, was, is) -> show());
    workbench.station().addListener((o, was, is) -> show());
    workbench.selection().addListener((o, was, is) -> show());
    show();
  }

  /** Folds the findings to a narrow edge, or opens them again. */
  void fold() {
    fold.fire();
  }

  /** Folds by itself in a window too narrow for its type, and opens again when there is room. */
  void room(double windowPx) {
    boolean narrow = windowPx / fold.getFont().getSize() < LEAST_EM;
    if (narrow && !fold.isSelected()) {
      foldedByRoom = true;
      fold.fire();
    } else if (!narrow && foldedByRoom && fold.isSelected()) {
      foldedByRoom = false;
      fold.fire();
    }
  }

  private void show() {
    Bench bench = workbench.bench().get();
    Station station = workbench.station().get();
    List<Finding> here =
        new ArrayList<>(bench.findings().stream().filter(f -> f.station() == station).toList());
    here.sort(
        Comparator.comparing((Finding f) -> !aboutSelection(f)).thenComparing(Finding::severity));
    cards.getChildren().setAll(here.stream().map(this::card).toList());
    List<Finding> untried = here.stream().filter(f -> !f.fixKnown()).toList();
    if (!untried.isEmpty()) {
      workbench.workOutFixes(
          bench,
          untried,
          () -> {
            if (workbench.bench().get() == bench && workbench.station().get() == station) {
              show();
            }
          });
    }
    if (here.isEmpty()) {
      Label none =
          new Label(bench.rooms().room(station).map(room -> room.nothingToSay(bench)).orElse(""));
      none.setWrapText(true);
      none.getStyleClass().addAll("note", "none-here");
      cards.getChildren().add(none);
    }
    List<String> others = new ArrayList<>();
    for (Station other : workbench.rooms().stations()) {
      int stops = bench.count(other, Severity.STOP);
      int looks = bench.count(other, Severity.LOOK);
      if (!other.equals(station) && stops + looks > 0) {
        others.add(
            other.title()
                + ": "
                + (stops > 0 ? stops + " to stop" : "")
                + (stops > 0 && looks > 0 ? ", " : "")
                + (looks > 0 ? looks + " to look at" : ""));
      }
    }
    elsewhere.setText(others.isEmpty() ? "" : "Elsewhere. " + String.join("; ", others));
  }

  private boolean aboutSelection(Finding finding) {
    return workbench.selection().get().stream().anyMatch(finding::isAbout);
  }

  private VBox card(Finding finding) {
    Label code = new Label(finding.code().text());
    code.getStyleClass().addAll("mono", "code");
    Label word = new Label(sign(finding.severity()) + finding.severity().word());
    word.getStyleClass().add("severity");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Label title = wrapped(finding.title(), "card-title");
    Label detail = wrapped(finding.detail(), "card-detail");
    VBox card = new VBox(new HBox(code, gap, word), title, detail);
    card.getStyleClass().addAll("card", finding.severity().word());
    if (aboutSelection(finding)) {
      card.getStyleClass().add("about-selection");
    }
    FlowPane foot = new FlowPane();
    foot.getStyleClass().add("card-foot");
    foot.setPrefWrapLength(210);
    foot.setMinWidth(0); // a flow pane would ask for its longest button unwrapped
    (finding.fixKnown() ? finding.fix() : Optional.<Fix>empty())
        .ifPresent(
            fix -> {
              Button button = new Button(fix.label());
              button.getStyleClass().add("fix");
              button.setId("fix-" + finding.code().text());
              button.setWrapText(true);
              Em.max(button, 196);
              button.setMinHeight(Region.USE_PREF_SIZE);
              button.setOnAction(event -> workbench.apply(fix.edit()));
              foot.getChildren().add(button);
            });
    finding.working().ifPresent(working -> addWorking(finding, card, foot, working));
    if (!foot.getChildren().isEmpty()) {
      card.getChildren().add(3, foot);
    }
    card.setOnMouseClicked(
        event ->
            workbench.bench().get().build().labelled().stream()
                .filter(control -> finding.isAbout(control.id()))
                .findFirst()
                .ifPresent(control -> workbench.select(control.id())));
    return card;
  }

  private void addWorking(Finding finding, VBox card, FlowPane foot, Working working) {
    WorkingView view = new WorkingView(working);
    String key = finding.code().text() + finding.named();
    Hyperlink link = new Hyperlink();
    link.setMinWidth(Region.USE_PREF_SIZE);
    Runnable show =
        () -> {
          boolean open = opened.contains(key);
          link.setText(open ? "hide working" : "show working");
          if (open && !card.getChildren().contains(view)) {
            card.getChildren().add(view);
          } else if (!open) {
            card.getChildren().remove(view);
          }
        };
    link.setOnAction(
        event -> {
          link.setVisited(false);
          if (!opened.remove(key)) {
            opened.add(key);
          }
          show.run();
        });
    foot.getChildren().add(link);
    show.run();
  }

  private static String sign(Severity severity) {
    return switch (severity) {
      case STOP -> "\u25CF ";
      case LOOK -> "\u25B2 ";
      case FINE -> "\u2713 ";
    };
  }

  private static Label wrapped(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }
}
