package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.BoardChoice;
import kumite.build.Edit;
import kumite.build.panel.Block;
import kumite.build.panel.BlockText;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Range;
import kumite.verdict.Bench;

/** The case below: its depth, walls and what is in the way, how it opens, where the board sits. */
final class CaseTab implements Tab {
  private final Workbench workbench;
  private final TypedField depth;
  private final TypedField frontDepth;
  private final TypedField wall;
  private final Choice<Opening> opening;
  private final Choice<BoardChoice.Seat> seat;
  private final Label loops = new Label();
  private final FlowPane blocks = new FlowPane();
  private final TextField newBlock = new TextField();
  private Optional<Block> changed = Optional.empty();
  private final ToggleButton draw = new ToggleButton("Draw a block");
  private final FlowPane adding = new FlowPane();
  private final VBox root = new VBox();

  CaseTab(Workbench workbench, PlanView plan) {
    this.workbench = workbench;
    depth =
        size(
            "depth at the back",
            "panel-inside-depth",
            CaseInside.DEPTH,
            (c, mm) -> c.withDepth(mm));
    frontDepth =
        size(
            "depth at the front",
            "panel-front-depth",
            CaseInside.DEPTH,
            CaseInside::withFrontDepth);
    wall = size("wall", "panel-wall", CaseInside.WALL, CaseInside::withWall);
    opening =
        new Choice<>(
            "how the case opens",
            List.of(Opening.values()),
            Opening::words,
            o -> change("Open: " + o.words(), c -> c.withOpening(o)));
    opening.setId("case-opening");
    seat =
        new Choice<>(
            "what the board is screwed to",
            List.of(BoardChoice.Seat.values()),
            BoardChoice.Seat::words,
            s ->
                workbench.apply(
                    new Edit(
                        "Board on " + s.words(),
                        b -> b.withBoard(b.board().map(board -> board.on(s))))));
    seat.setId("board-seat");
    opening.wide(12.6);
    seat.wide(10.8);
    FlowPane fields = new FlowPane();
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    fields
        .getChildren()
        .addAll(
            Head.named("depth, back", depth),
            Head.named("depth, front", frontDepth),
            Head.named("wall", wall),
            Head.named("opens", opening),
            Head.named("board on", seat),
            Head.named("add a block", newBlock));
    newBlock.setId("new-block");
    newBlock.setPromptText("batten: 0 100 400 18");
    Em.pref(newBlock, 166);
    newBlock.setTooltip(
        new Tooltip(
            "Its name, a colon, then left, front, width and front to back, and Enter.\n"
                + "It fills the depth; add floor 12 or panel 18 for one that is only so tall"));
    newBlock.setAccessibleText(
        "A block: its name, a colon, left, front, width, front to back, floor or panel and how"
            + " tall");
    newBlock.setOnAction(event -> addTyped());
    Button cornerBlocks = new Button("Corner blocks 20 mm");
    cornerBlocks.setId("corner-blocks");
    cornerBlocks.getStyleClass().add("small");
    cornerBlocks.setMinWidth(Region.USE_PREF_SIZE);
    cornerBlocks.setOnAction(event -> cornerBlocks());
    draw.setId("draw-block");
    draw.getStyleClass().add("small");
    draw.setMinWidth(Region.USE_PREF_SIZE);
    draw.setTooltip(
        new Tooltip("Then drag over the plan from one corner of the block to the other"));
    draw.setOnAction(event -> plan.drawBlock(draw.isSelected(), () -> draw.setSelected(false)));
    blocks.getStyleClass().add("actions");
    adding.getChildren().addAll(draw, cornerBlocks, loops, blocks);
    adding.getStyleClass().add("chip-row");
    adding.setMinHeight(Region.USE_PREF_SIZE);
    loops.getStyleClass().add("note");
    loops.setTooltip(new Tooltip());
    loops.getTooltip().textProperty().bind(loops.textProperty());
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(fields, adding);
  }

  @Override
  public void leave() {
    draw.setSelected(false);
  }

  private interface Change {
    CaseInside apply(CaseInside inside, double mm);
  }

  private TypedField size(String name, String id, Range range, Change change) {
    TypedField field =
        TypedField.length(name, range, mm -> change("Set " + name, c -> change.apply(c, mm)));
    Em.pref(field.field(), 80);
    field.field().setId(id);
    return field;
  }

  private void change(String label, UnaryOperator<CaseInside> change) {
    workbench.apply(
        new Edit(label, b -> b.withPanel(b.panel().withInside(change.apply(b.panel().inside())))));
  }

  private void add(List<Block> more, String label) {
    change(
        label,
        c -> {
          List<Block> next = new ArrayList<>(c.blocks());
          next.addAll(more);
          return c.withBlocks(next);
        });
  }

  private void cornerBlocks() {
    Panel panel = workbench.build().get().panel();
    double in = panel.inside().wallMm();
    double right = panel.widthMm() - in - 20;
    double back = panel.heightMm() - in - 20;
    add(
        List.of(
            new Block("corner block", in, in, 20, 20),
            new Block("corner block", right, in, 20, 20),
            new Block("corner block", in, back, 20, 20),
            new Block("corner block", right, back, 20, 20)),
        "Add corner blocks");
  }

  private void addTyped() {
    try {
      Block block = BlockText.parse(newBlock.getText(), workbench.build().get().brief().units());
      Optional<Block> before = changed;
      changed = Optional.empty();
      change(
          (before.isPresent() ? "Change " : "Add ") + block.name(),
          c -> {
            List<Block> next = new ArrayList<>(c.blocks());
            int at = before.map(next::indexOf).orElse(-1);
            if (at < 0) {
              next.add(block);
            } else {
              next.set(at, block);
            }
            return c.withBlocks(next);
          });
      newBlock.clear();
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    CaseInside inside = bench.build().panel().inside();
    LengthUnit unit = bench.build().brief().units();
    for (TypedField field : new TypedField[] {depth, frontDepth, wall}) {
      field.unit(unit);
    }
    depth.show(inside.depthMm());
    frontDepth.show(inside.frontDepthMm());
    wall.show(inside.wallMm());
    opening.show(Optional.of(inside.opening()));
    seat.setDisable(bench.build().board().isEmpty());
    seat.show(bench.build().board().map(BoardChoice::seat));
    blocks.getChildren().clear();
    for (int i = 0; i < inside.blocks().size(); i++) {
      int at = i;
      Block block = inside.blocks().get(i);
      Label name =
          new Label(
              block.name()
                  + "  "
                  + Length.number(block.leftMm(), unit)
                  + ", "
                  + Length.number(block.frontMm(), unit)
                  + "  "
                  + Length.number(block.widthMm(), unit)
                  + " x "
                  + Length.number(block.heightMm(), unit)
                  + (block.stands() == Block.Stands.WHOLE
                      ? ", whole depth"
                      : ", "
                          + Length.number(block.tallMm(), unit)
                          + " tall "
                          + block.stands().words()));
      name.getStyleClass().add("note");
      name.setMinWidth(Region.USE_PREF_SIZE);
      Button remove = new Button("Remove");
      remove.getStyleClass().add("small");
      remove.setMinWidth(Region.USE_PREF_SIZE);
      remove.setOnAction(
          event ->
              change(
                  "Remove " + block.name(),
                  c -> {
                    List<Block> next = new ArrayList<>(c.blocks());
                    next.remove(at);
                    return c.withBlocks(next);
                  }));
      Button edit = new Button("Change");
      edit.getStyleClass().add("small");
      edit.setId("block-change-" + at);
      edit.setMinWidth(Region.USE_PREF_SIZE);
      edit.setTooltip(new Tooltip("Puts it into the field above, to be typed anew"));
      edit.setOnAction(
          event -> {
            newBlock.setText(BlockText.of(block, unit));
            newBlock.requestFocus();
            newBlock.end();
            changed = Optional.of(block);
          });
      HBox chip = new HBox(name, edit, remove);
      chip.getStyleClass().add("chip");
      blocks.getChildren().add(chip);
    }
    blocks.setVisible(!inside.blocks().isEmpty());
    blocks.setManaged(!inside.blocks().isEmpty());
    loops.setText(loopWords(bench));
  }

  /** Which strands cross from the panel to the base, and so need a loop to open it. */
  private static String loopWords(Bench bench) {
    Optional<BoardChoice> board = bench.build().board();
    if (board.isEmpty()) {
      return "Blocks fill the depth unless you say how tall they are";
    }
    if (board.get().seat() == BoardChoice.Seat.PANEL) {
      return "The board stays with the panel: no wire needs a service loop";
    }
    long crossing =
        bench.loom().strands().stream()
            .filter(s -> s.from().part().equals("board") != s.to().part().equals("board"))
            .count();
    return crossing
        + " of "
        + bench.loom().strands().size()
        + " strands cross to the base and get a service loop";
  }
}
