package kumite.desktop.box;

import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.box.BoxChecks;
import kumite.box.BoxPlan;
import kumite.box.PlainBox;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.panel.CaseInside;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;

/** What box holds it, how is it made, does all go in and come out? */
public final class BoxStation implements StationView {
  private static final double SIDE_PX = 330;
  private static final double STEP_MM = 1;

  private enum View {
    UNFOLDED("Unfolded"),
    SOLID("Solid"),
    SHEETS("Sheets");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final Head head;
  private final UnfoldedView unfolded;
  private final SolidView solid = new SolidView();
  private final SheetsView sheets = new SheetsView();
  private final StackPane pictures = new StackPane();
  private final BoxForm form;
  private final OpeningForm openings;
  private final SideForm sides;
  private final StockRow stock;
  private final ScrewList screws = new ScrewList();
  private final VBox side = new VBox();
  private final VBox begin = new VBox();
  private final VBox shop = new VBox();
  private final Button stl;
  private Optional<Pick> selected = Optional.empty();
  private Optional<String> awaited = Optional.empty();
  private View view = View.UNFOLDED;

  /** The station's room. */
  public BoxStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    root.getStyleClass().add("station-room");
    Segments<View> tabs =
        new Segments<>(
            v -> v.words,
            v -> {
              view = v;
              show(workbench.bench().get());
            },
            View.values());
    tabs.choose(View.UNFOLDED);
    head = new Head("Case", tabs);
    unfolded = new UnfoldedView(this::pick, this::move);
    form = new BoxForm(this::change, this::inside);
    openings = new OpeningForm(this::change, this::choose);
    sides = new SideForm(workbench::apply, this::pick);
    stock = new StockRow(this::change);
    Label plain =
        new Label(
            "Nobody decided anything about the case yet. This is a plain one, made from the panel and"
                + " the depths below it; any change takes it over.");
    plain.setWrapText(true);
    plain.setMinHeight(Region.USE_PREF_SIZE);
    Button take = new Button("Take this case");
    take.setId("case-take");
    take.getStyleClass().add("accent");
    take.setMinWidth(Region.USE_PREF_SIZE);
    take.setOnAction(event -> change("Take the plain case", box -> box));
    begin.getChildren().addAll(plain, take);
    begin.setSpacing(6);
    stl = file(frame, Exports.CASE_STL, "Printed, STL");
    FlowPane files = new FlowPane();
    files.setHgap(6);
    files.setVgap(6);
    files
        .getChildren()
        .addAll(
            file(frame, Exports.CASE_CUTS, "Cut list"),
            file(frame, Exports.CASE_DRILL, "Templates"),
            file(frame, Exports.CASE_DXF, "Sheets, DXF"),
            file(frame, Exports.CASE_SVG, "Sheets, SVG"),
            stl);
    Label out = new Label("To the shop");
    out.getStyleClass().add("strong");
    shop.getChildren().addAll(out, files);
    shop.setSpacing(6);
    side.getStyleClass().add("form");
    side.setSpacing(12);
    ScrollPane scroll = new ScrollPane(side);
    scroll.setId("case-side");
    scroll.getStyleClass().addAll("quiet-scroll", "sheet");
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    Em.pref(scroll, SIDE_PX);
    Em.min(scroll, SIDE_PX);
    HBox.setHgrow(pictures, Priority.ALWAYS);
    pictures.setMinWidth(200);
    HBox body = new HBox(pictures, scroll);
    body.setSpacing(8);
    VBox.setVgrow(body, Priority.ALWAYS);
    root.getChildren().addAll(head, body);
  }

  private static Button file(Shell.Frame frame, Export export, String words) {
    Button button = new Button(words);
    button.setId("export-" + export.word());
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setTooltip(new Tooltip(export.title()));
    button.setOnAction(event -> frame.commands().export(export));
    return button;
  }

  @Override
  public Station station() {
    return Station.CASE;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    BoxPlan plan = bench.get(BoxChecks.PLAN);
    LengthUnit unit = bench.build().brief().units();
    head.facts(facts(plan, unit));
    stl.setDisable(plan.printed().isEmpty()); // nothing is printed
    begin.setVisible(!plan.spoken());
    begin.setManaged(!plan.spoken());
    form.show(plan, unit);
    // What was chosen may have moved since, or be gone.
    if (awaited.isPresent() && plan.box().opening(awaited.get()).isPresent()) {
      selected =
          Pick.of(plan, bench.catalogue()).stream()
              .filter(p -> p.opening().equals(awaited))
              .findFirst();
      awaited = Optional.empty();
    }
    selected =
        selected.flatMap(
            was -> Pick.of(plan, bench.catalogue()).stream().filter(was::same).findFirst());
    openings.show(plan, bench.catalogue(), unit, selected.flatMap(Pick::opening));
    sides.show(bench, selected.flatMap(Pick::control));
    stock.show(plan, unit);
    screws.show(plan);
    switch (view) {
      case UNFOLDED -> {
        side.getChildren().setAll(begin, form, openings, sides, screws, shop);
        pictures.getChildren().setAll(unfolded);
        unfolded.show(plan, bench, selected);
      }
      case SOLID -> {
        side.getChildren().setAll(begin, screws, form, shop);
        pictures.getChildren().setAll(solid);
        solid.show(plan, bench.catalogue());
      }
      case SHEETS -> {
        side.getChildren().setAll(begin, stock, shop, form);
        pictures.getChildren().setAll(sheets);
        sheets.show(plan);
      }
    }
  }

  private static String facts(BoxPlan plan, LengthUnit unit) {
    CaseInside inside = plan.shape().panel().inside();
    String deep =
        inside.depthMm() == inside.frontDepthMm()
            ? Length.number(inside.depthMm(), unit)
            : Length.number(inside.depthMm(), unit)
                + " / "
                + Length.number(inside.frontDepthMm(), unit);
    return plan.box().making().words()
        + " · "
        + inside.opening().words()
        + " · "
        + Length.number(plan.shape().panel().widthMm(), unit)
        + " x "
        + Length.number(plan.shape().panel().heightMm(), unit)
        + " x "
        + deep
        + " "
        + unit.symbol()
        + String.format(Locale.ROOT, " · %d pieces", plan.pieces().size());
  }

  @Override
  public boolean key(KeyCode code) {
    if (view != View.UNFOLDED || selected.isEmpty()) {
      return false;
    }
    Pick now = selected.get();
    double dx = code == KeyCode.LEFT ? -STEP_MM : code == KeyCode.RIGHT ? STEP_MM : 0;
    double dy = code == KeyCode.UP ? -STEP_MM : code == KeyCode.DOWN ? STEP_MM : 0;
    if (dx != 0 || dy != 0) {
      move(now, now.at().centre().plus(dx, dy));
      return true;
    }
    if (code == KeyCode.DELETE && now.opening().isPresent()) {
      String name = now.name();
      pick(Optional.empty());
      change("Take " + name + " out", box -> box.without(name));
      return true;
    }
    return false;
  }

  /** An opening was chosen by its name, or is about to be there. */
  private void choose(Optional<String> name) {
    Bench bench = workbench.bench().get();
    Optional<Pick> pick =
        Pick.of(bench.get(BoxChecks.PLAN), bench.catalogue()).stream()
            .filter(p -> p.opening().isPresent() && p.opening().equals(name))
            .findFirst();
    if (pick.isPresent() || name.isEmpty()) {
      pick(pick);
    } else {
      awaited = name;
    }
  }

  private void pick(Optional<Pick> pick) {
    if (!selected.equals(pick)) {
      selected = pick;
      show(workbench.bench().get());
    }
  }

  private void move(Pick pick, Point at) {
    if (pick.control().isPresent()) {
      workbench.apply(
          new Edit(
              "Move " + pick.name(),
              b ->
                  b.withControl(
                      pick.control().get().id(),
                      c -> c.withPlacement(c.placement().movedTo(at.xMm(), at.yMm())))));
      return;
    }
    change(
        "Move " + pick.name(),
        box -> box.opening(pick.name()).map(o -> box.with(o.movedTo(at))).orElse(box));
  }

  /** An edit of the case; the plain one is taken over first where nobody spoke of one. */
  private void change(String label, UnaryOperator<Box> change) {
    Bench bench = workbench.bench().get();
    workbench.apply(
        new Edit(
            label,
            b -> {
              Build begun =
                  b.get(BoxBook.PART).box().isPresent() ? b : PlainBox.in(b, bench.catalogue());
              Box next = change.apply(begun.get(BoxBook.PART).box().orElseThrow());
              return begun.with(BoxBook.PART, new BoxBook(next));
            }));
  }

  private void inside(String label, UnaryOperator<CaseInside> change) {
    workbench.apply(
        new Edit(label, b -> b.withPanel(b.panel().withInside(change.apply(b.panel().inside())))));
  }
}
