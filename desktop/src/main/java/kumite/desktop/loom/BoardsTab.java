package kumite.desktop.loom;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Aside;
import kumite.desktop.shell.Commands;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.verdict.Bench;
import kumite.verdict.Brains;

/** Choose a brain: all boards side by side for this brief, the best first. */
final class BoardsTab extends VBox {
  private final Workbench workbench;
  private final Set<Brains.Wish> wishes = EnumSet.noneOf(Brains.Wish.class);
  private final Label advice = new Label();
  private final Aside<Asked, List<Brains.Candidate>> aside;

  /** What is compared: all boards, for a build and what matters to its builder. */
  private record Asked(Bench bench, Set<Brains.Wish> wishes) {
    @Override
    public boolean equals(Object other) {
      return other instanceof Asked asked
          && asked.bench.build().equals(bench.build())
          && asked.wishes.equals(wishes);
    }

    @Override
    public int hashCode() {
      return wishes.hashCode();
    }
  }

  private final VBox rows = new VBox();

  BoardsTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    aside =
        new Aside<>(
            "boards",
            asked ->
                Brains.of(
                    asked.bench().build(),
                    workbench.catalogueOf(asked.bench().build()),
                    asked.wishes()),
            asked -> advice.setText("Trying this build on every board …"),
            this::show,
            workbench::complain);
    getStyleClass().add("form");
    FlowPane ask = new FlowPane();
    ask.getStyleClass().add("actions");
    ask.setMinHeight(Region.USE_PREF_SIZE);
    Label matters = new Label("What matters to you:");
    ask.getChildren().add(matters);
    for (Brains.Wish wish : Brains.Wish.values()) {
      CheckBox box = new CheckBox(wish.words());
      box.setId("wish-" + wish.name().toLowerCase(java.util.Locale.ROOT));
      box.selectedProperty()
          .addListener(
              (o, was, is) -> {
                if (is) {
                  wishes.add(wish);
                } else {
                  wishes.remove(wish);
                }
                show(workbench.bench().get());
              });
      ask.getChildren().add(box);
    }
    Button own = new Button("Own board…");
    own.setId("own-board");
    own.setOnAction(event -> frame.over().raise(new OwnBoard(workbench, frame)));
    ask.getChildren().add(own);
    advice.setWrapText(true);
    advice.setMinHeight(Region.USE_PREF_SIZE);
    advice.getStyleClass().add("strong");
    ScrollPane scroll = new ScrollPane(rows);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(ask, advice, scroll);
  }

  void show(Bench bench) {
    aside.ask(new Asked(bench, Set.copyOf(wishes)));
  }

  private void show(Asked asked, List<Brains.Candidate> all) {
    Bench bench = asked.bench();
    Brains.Candidate best = all.get(0);
    advice.setText(
        best.possible()
            ? "Advice: " + best.board().name() + ": " + best.because() + "."
            : "No board can do all of this: " + best.because() + ".");
    rows.getChildren().clear();
    for (Brains.Candidate candidate : all) {
      rows.getChildren().add(row(bench, candidate));
    }
  }

  private VBox row(Bench bench, Brains.Candidate candidate) {
    Label name = new Label(candidate.board().name());
    name.getStyleClass().add(candidate.possible() ? "strong" : "note");
    name.setTooltip(new Tooltip(candidate.board().trait()));
    name.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(name, Priority.ALWAYS);
    HBox head = new HBox(name);
    head.getStyleClass().add("row");
    boolean here =
        bench.build().board().filter(b -> b.kind().equals(candidate.board().id())).isPresent();
    if (here) {
      head.getChildren().add(new Label("used now"));
    } else {
      Button use = new Button("Use");
      use.getStyleClass().add("small");
      use.setId("brain-" + candidate.board().id());
      use.setMinWidth(Region.USE_PREF_SIZE);
      use.setOnAction(event -> workbench.apply(Commands.board(candidate.board())));
      head.getChildren().add(use);
    }
    GridPane points = new GridPane();
    points.getStyleClass().add("brain-points");
    int column = 0;
    for (Brains.Point point : candidate.points()) {
      Label question = new Label(point.question());
      question.getStyleClass().add("note");
      Label words = new Label(point.words());
      words.setTooltip(new Tooltip(point.answer().words() + ": " + point.words()));
      words.getStyleClass().addAll("brain-answer", style(point.answer()));
      words.setPrefWidth(width(point.question()));
      words.setMinWidth(width(point.question()));
      words.setWrapText(true);
      words.setMinHeight(Region.USE_PREF_SIZE);
      points.add(question, column, 0);
      points.add(words, column++, 1);
    }
    VBox row = new VBox(head, points);
    row.getStyleClass().add("brain");
    if (!candidate.board().brain().note().isEmpty()) {
      Label note = new Label(candidate.board().brain().note());
      note.getStyleClass().add("note");
      note.setWrapText(true);
      note.setMinHeight(Region.USE_PREF_SIZE);
      row.getChildren().add(note);
    }
    return row;
  }

  private static double width(String question) {
    return switch (question) {
      case "terminals", "host" -> 108;
      case "volts", "delay" -> 84;
      case "code" -> 76;
      default -> 66;
    };
  }

  private static String style(Brains.Answer answer) {
    return switch (answer) {
      case GOOD -> "fine-text";
      case SO_SO -> "plain-text";
      case BAD -> "look-text";
      case IMPOSSIBLE -> "stop-text";
    };
  }
}
