package kumite.desktop.power;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.circuit.Budget;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.desktop.shell.WorkingView;
import kumite.device.InputKind;
import kumite.finding.Station;
import kumite.kind.BoardKind;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.working.Working;

/** Is it safe for the parts, and does it read cleanly? */
public final class PowerStation implements StationView {
  private enum View {
    CIRCUITS("Circuits"),
    BUDGET("Budget"),
    SUPPLY("Supply");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final Segments<View> tabs;
  private final BudgetBar bar = new BudgetBar();
  private final VBox barBox = new VBox();
  private final FlowPane cards = new FlowPane();
  private final VBox budget = new VBox();
  private final SupplyTab supply;
  private final ScrollPane scroll = new ScrollPane();
  private final VBox empty = new VBox();
  private View view = View.CIRCUITS;

  /** The station's room. */
  public PowerStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.supply = new SupplyTab(workbench);
    root.getStyleClass().add("station-room");
    tabs =
        new Segments<>(
            v -> v.words,
            v -> {
              view = v;
              show(workbench.bench().get());
            },
            View.values());
    Button sums = new Button("Sums");
    sums.setId("open-sums");
    sums.setMinWidth(Region.USE_PREF_SIZE);
    sums.setOnAction(event -> frame.commands().run("Sums"));
    Button spice = new Button("Export circuits");
    spice.setMinWidth(Region.USE_PREF_SIZE);
    spice.setOnAction(event -> frame.commands().export(Exports.SPICE));
    head = new Head("Power", spice, sums, tabs);
    Label name = new Label("From the supply");
    name.getStyleClass().add("strong");
    barBox.getStyleClass().addAll("sheet", "budget");
    barBox.getChildren().addAll(name, bar);
    barBox.setMinHeight(Region.USE_PREF_SIZE);
    cards.getStyleClass().add("circuit-cards");
    budget.getStyleClass().addAll("form", "sheet");
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    Label hint = new Label("Volts can be solved once contacts have terminals.");
    hint.getStyleClass().add("emphasis");
    Button toLoom = new Button("Choose a board");
    toLoom.getStyleClass().add("accent");
    toLoom.setOnAction(event -> workbench.station().set(Station.LOOM));
    empty.getStyleClass().add("empty-state");
    empty.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    empty.getChildren().addAll(hint, toLoom);
    StackPane body = new StackPane(scroll, empty);
    VBox.setVgrow(body, Priority.ALWAYS);
    root.getChildren().addAll(head, barBox, body);
  }

  @Override
  public Station station() {
    return Station.POWER;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    List<InputKind> kinds = InputKind.of(bench.paths());
    boolean any = !kinds.isEmpty();
    boolean tree = view == View.SUPPLY;
    empty.setVisible(!any && !tree);
    scroll.setVisible(any || tree);
    barBox.setVisible(any);
    head.facts(
        any
            ? bench.paths().size()
                + " inputs solved, "
                + kinds.size()
                + (kinds.size() == 1 ? " kind of circuit" : " kinds of circuit")
            : "nothing to solve yet");
    tabs.choose(view);
    if (tree) {
      supply.show(bench);
      scroll.setContent(supply);
    }
    if (!any) {
      return;
    }
    Budget sum = bench.budget().orElseThrow();
    bar.show(sum);
    if (view == View.CIRCUITS) {
      cards
          .getChildren()
          .setAll(kinds.stream().map(kind -> new CircuitCard(workbench, kind)).toList());
      scroll.setContent(cards);
    } else if (view == View.BUDGET) {
      budget(bench, sum);
      scroll.setContent(budget);
    }
  }

  private void budget(Bench bench, Budget sum) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("compare");
    grid.add(note("what takes it"), 0, 0);
    grid.add(note("usual, mA"), 1, 0);
    grid.add(note("worst, mA"), 2, 0);
    int row = 1;
    for (Budget.Item item : sum.items()) {
      grid.add(new Label(item.name()), 0, row);
      grid.add(number(item.usualMilliamps()), 1, row);
      grid.add(number(item.worstMilliamps()), 2, row++);
    }
    Label together = new Label("together");
    together.getStyleClass().add("strong");
    grid.add(together, 0, row);
    grid.add(number(sum.usualMilliamps()), 1, row);
    grid.add(number(sum.worstMilliamps()), 2, row);
    Label drop =
        new Label(
            "Along the wires, all lamps lit: "
                + Working.number(sum.dropVolts(), 3)
                + " V are lost to the farthest.");
    boolean radio = bench.board().filter(b -> b.brain().link() == BoardKind.Link.RADIO).isPresent();
    Label battery =
        new Label(
            (radio ? "From a battery" : "Were it fed from a battery")
                + ": each 1000 mAh last "
                + Working.number(sum.hours(1000), 1)
                + " h in play, four fifths of it used. Never solder to cells.");
    for (Label label : new Label[] {drop, battery}) {
      label.setWrapText(true);
      label.setMinHeight(Region.USE_PREF_SIZE);
    }
    budget.getChildren().setAll(grid, drop, battery, new WorkingView(sum.working()));
  }

  private static Label note(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("note");
    return label;
  }

  private static Label number(double milliamps) {
    Label label = new Label(Working.number(milliamps, 1));
    label.getStyleClass().add("mono");
    return label;
  }
}
