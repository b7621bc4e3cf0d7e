package kumite.desktop.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.Seat;
import kumite.build.panel.Panel;
import kumite.build.supply.Rgb;
import kumite.build.supply.Shows;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.desktop.field.Choice;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Workbench;
import kumite.kind.SupplyKind;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.SupplyFile;
import kumite.supply.SupplyTree;
import kumite.verdict.Bench;
import kumite.verdict.Supplies;
import kumite.working.Working;

/** What feeds the build as a tree: parts are added, fed from others, switched and counted. */
final class SupplyTab extends VBox {
  /** A new part stands this far from the panel's back edge, to be moved from there. */
  private static final double EDGE_MM = 20;

  private static final double STEP_MM = 40;

  private static final double NAME_PX = 150;
  private static final double INDENT_PX = 16;
  private static final double FIELD_PX = 92;
  private static final double COLOUR_PX = 56;

  private final Workbench workbench;
  private final Choice<SupplyKind> kinds;
  private final FlowPane boards = new FlowPane();
  private final VBox rows = new VBox();
  private final Label hint = new Label();

  SupplyTab(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().addAll("form", "sheet");
    kinds = new Choice<>("kind of part", SupplyFile.standard(), SupplyKind::name, kind -> {});
    kinds.setId("supply-kind");
    kinds.show(Optional.of(SupplyFile.standard().get(0)));
    Button add = new Button("Add part");
    add.setId("supply-add");
    add.getStyleClass().add("accent");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setOnAction(event -> add(kinds.getValue()));
    Label trait = new Label();
    trait.getStyleClass().add("note");
    trait.setWrapText(true);
    kinds.valueProperty().addListener((o, was, is) -> trait.setText(is == null ? "" : is.trait()));
    trait.setText(kinds.getValue().trait());
    HBox row = new HBox(kinds, add);
    row.getStyleClass().add("form-row");
    row.setSpacing(8);
    boards.setHgap(16);
    boards.setVgap(8);
    rows.setSpacing(8);
    hint.setWrapText(true);
    hint.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().addAll(row, trait, boards, hint, rows);
    setSpacing(8);
  }

  void show(Bench bench) {
    Build build = bench.build();
    SupplyBook book = build.get(SupplyBook.PART);
    SupplyTree tree = bench.get(Supplies.TREE);
    hint.setText(
        book.parts().isEmpty()
            ? "Every board lives on its plug. Add a jack, a bank or a cell to feed it otherwise, and"
                + " what lies between: switches, fuses, converters, strips of lamps."
            : "Each part with all that is behind it. Lithium cells want a guard and a charger made for"
                + " them; nothing here is for more than 12 V DC.");
    boards(build, book);
    rows.getChildren().clear();
    tree.branches().forEach(branch -> rows.getChildren().add(row(book, branch)));
  }

  private void boards(Build build, SupplyBook book) {
    boards.getChildren().clear();
    if (book.parts().isEmpty()) {
      return;
    }
    for (Seat seat : build.seats()) {
      if (seat.board().isEmpty()) {
        continue;
      }
      boolean several = build.seats().size() > 1;
      Label name =
          new Label(several ? "board of " + seat.id() + " lives on" : "the board lives on");
      Choice<Optional<SupplyPart>> from = givers(book, Optional.empty(), "its plug");
      from.setId("supply-board-" + seat.id());
      from.show(Optional.of(Optional.ofNullable(book.boards().get(seat.id())).flatMap(book::part)));
      from.valueProperty()
          .addListener((o, was, is) -> feed(seat.id(), book, is.map(SupplyPart::id)));
      HBox box = new HBox(name, from);
      box.setSpacing(8);
      box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      boards.getChildren().add(box);
    }
  }

  private void feed(SeatId seat, SupplyBook book, Optional<ControlId> from) {
    if (!Optional.ofNullable(book.boards().get(seat)).equals(from)) {
      change("Feed the board", b -> b.feeding(seat, from));
    }
  }

  /** Parts that pass current on, but the one itself and what hangs on it. */
  private static Choice<Optional<SupplyPart>> givers(
      SupplyBook book, Optional<SupplyPart> without, String none) {
    List<Optional<SupplyPart>> choices = new ArrayList<>();
    choices.add(Optional.empty());
    book.parts().stream()
        .filter(p -> !SupplyFile.find(p.kind()).orElseThrow().does().out().isEmpty())
        .filter(p -> without.filter(w -> hangsOn(book, p, w)).isEmpty())
        .forEach(p -> choices.add(Optional.of(p)));
    return new Choice<>(
        "fed by", choices, c -> c.map(SupplyPart::label).orElse(none), chosen -> {});
  }

  private static boolean hangsOn(SupplyBook book, SupplyPart part, SupplyPart other) {
    Optional<SupplyPart> at = Optional.of(part);
    while (at.isPresent()) {
      if (at.get().equals(other)) {
        return true;
      }
      at = at.get().from().flatMap(book::part);
    }
    return false;
  }

  /** One part on a line, or on two where the window is narrow; further in the deeper it hangs. */
  private FlowPane row(SupplyBook book, SupplyTree.Branch branch) {
    Label name = new Label(branch.label() + (branch.alive() ? "" : " (not fed)"));
    name.getStyleClass().add(branch.alive() ? "strong" : "note");
    name.setMinWidth(NAME_PX - INDENT_PX * branch.depth());
    Label flow =
        new Label(
            "usual "
                + number(branch.usualMilliamps())
                + "  worst "
                + number(branch.worstMilliamps())
                + (branch.ratedMilliamps() > 0 ? "  of " + number(branch.ratedMilliamps()) : "")
                + " mA"
                + (branch.hours() > 0 ? "  " + Working.number(branch.hours(), 1) + " h" : ""));
    flow.getStyleClass().add("mono");
    flow.setMinWidth(Region.USE_PREF_SIZE);
    FlowPane row = new FlowPane(name);
    row.setHgap(8);
    row.setVgap(4);
    row.setRowValignment(javafx.geometry.VPos.CENTER);
    row.setPadding(new javafx.geometry.Insets(0, 0, 0, INDENT_PX * branch.depth()));
    branch.part().ifPresent(part -> row.getChildren().addAll(fields(book, branch, part)));
    row.getChildren().add(flow);
    branch
        .part()
        .ifPresent(
            part -> {
              Button out = new Button("Take out");
              out.setId("supply-out-" + part.id());
              out.setMinWidth(Region.USE_PREF_SIZE);
              out.setOnAction(
                  event -> change("Take " + part.label() + " out", b -> b.without(part.id())));
              row.getChildren().add(out);
            });
    return row;
  }

  private List<Node> fields(SupplyBook book, SupplyTree.Branch branch, SupplyPart part) {
    List<Node> fields = new ArrayList<>();
    SupplyKind.Does does = branch.kind().orElseThrow().does();
    if (!(does instanceof SupplyKind.Source)) {
      Choice<Optional<SupplyPart>> from =
          givers(book, Optional.of(part), does.out().isEmpty() ? "the board" : "nothing yet");
      from.setId("supply-from-" + part.id());
      from.show(Optional.of(part.from().flatMap(book::part)));
      from.valueProperty()
          .addListener(
              (o, was, is) -> {
                Optional<ControlId> id = is.map(SupplyPart::id);
                if (!part.from().equals(id)) {
                  change("Feed " + part.label(), b -> b.with(part.withFrom(id)));
                }
              });
      fields.add(together(note("from"), from));
    }
    TypedField x = TypedField.place("x of " + part.label(), v -> moved(part, v, true));
    TypedField y = TypedField.place("y of " + part.label(), v -> moved(part, v, false));
    x.show(part.placement().xMm());
    y.show(part.placement().yMm());
    for (TypedField field : new TypedField[] {x, y}) {
      field.setMinWidth(FIELD_PX);
      field.setPrefWidth(FIELD_PX);
    }
    fields.addAll(List.of(together(note("x"), x), together(note("y"), y)));
    fields.addAll(state(part, does));
    return fields;
  }

  private void moved(SupplyPart part, double mm, boolean x) {
    Placement at = part.placement();
    Placement to = x ? at.movedTo(mm, at.yMm()) : at.movedTo(at.xMm(), mm);
    if (!to.equals(at)) {
      change("Move " + part.label(), b -> b.with(part.withPlacement(to)));
    }
  }

  private List<Node> state(SupplyPart part, SupplyKind.Does does) {
    if (does instanceof SupplyKind.Through) {
      CheckBox open = new CheckBox(does instanceof SupplyKind.Switch ? "open" : "out");
      open.setId("supply-open-" + part.id());
      open.setMinWidth(Region.USE_PREF_SIZE);
      open.setSelected(part.open());
      open.selectedProperty()
          .addListener(
              (o, was, is) ->
                  change((is ? "Open " : "Close ") + part.label(), b -> b.with(part.opened(is))));
      return List.of(open);
    }
    if (does instanceof SupplyKind.Strip) {
      TypedField count =
          TypedField.number(
              "lamps of " + part.label(),
              SupplyPart.LAMPS,
              v -> {
                if ((int) v != part.count()) {
                  change("Lamps of " + part.label(), b -> b.with(part.withCount((int) v)));
                }
              });
      count.setId("supply-count-" + part.id());
      count.show(part.count());
      count.setMinWidth(FIELD_PX);
      count.setPrefWidth(FIELD_PX);
      return List.of(
          together(note("lamps"), count),
          together(
              note("shows"),
              colour(
                  "supply-colour-" + part.id(),
                  "Colour of " + part.label(),
                  part.shows().usual(),
                  rgb -> part.shows().withUsual(rgb),
                  part)),
          together(
              note("held"),
              colour(
                  "supply-held-" + part.id(),
                  "Colour of " + part.label() + " while anything is held",
                  part.shows().held().orElse(part.shows().usual()),
                  rgb -> part.shows().withHeld(Optional.of(rgb)),
                  part)));
    }
    return List.of();
  }

  /** A name and what it names are never parted by the end of a line. */
  private static HBox together(Node... nodes) {
    HBox box = new HBox(8, nodes);
    box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return box;
  }

  private ColorPicker colour(
      String id, String says, Rgb now, Function<Rgb, Shows> next, SupplyPart part) {
    ColorPicker picker = new ColorPicker(Color.rgb(now.red(), now.green(), now.blue()));
    picker.setId(id);
    picker.setAccessibleText(says);
    picker.setTooltip(new Tooltip(says));
    picker.setMinWidth(COLOUR_PX);
    picker.setPrefWidth(COLOUR_PX);
    picker.setStyle("-fx-color-label-visible: false;");
    picker.setOnAction(
        event -> {
          Color chosen = picker.getValue();
          Rgb rgb =
              new Rgb(level(chosen.getRed()), level(chosen.getGreen()), level(chosen.getBlue()));
          if (!rgb.equals(now)) {
            change(says, b -> b.with(part.showing(next.apply(rgb))));
          }
        });
    return picker;
  }

  private static int level(double share) {
    return (int) Math.round(share * Rgb.MOST);
  }

  private void add(SupplyKind kind) {
    Build build = workbench.build().get();
    SupplyBook book = build.get(SupplyBook.PART);
    Set<String> taken = build.hands().stream().map(c -> c.id().text()).collect(Collectors.toSet());
    book.parts().forEach(part -> taken.add(part.id().text()));
    String base = kind.id().replaceAll("-.*", "");
    String id = base;
    for (int n = 2; taken.contains(id); n++) {
      id = base + "-" + n;
    }
    Optional<ControlId> from =
        kind.does() instanceof SupplyKind.Source
            ? Optional.empty()
            : book.parts().stream()
                .filter(p -> !SupplyFile.find(p.kind()).orElseThrow().does().out().isEmpty())
                .reduce((one, other) -> other)
                .map(SupplyPart::id);
    Panel panel = build.panel();
    Placement at =
        Placement.at(
            Math.max(EDGE_MM, panel.widthMm() - EDGE_MM - STEP_MM * book.parts().size()),
            Math.max(EDGE_MM, panel.heightMm() - EDGE_MM));
    ControlId name = new ControlId(id);
    SupplyPart part = SupplyPart.of(name, label(kind, book), kind.id(), at, from);
    SupplyPart whole =
        build.seats().size() > 1 ? part.withSeat(Optional.of(build.seat().id())) : part;
    change(
        "Add " + part.label(),
        b -> {
          SupplyBook next = b.with(whole);
          boolean first =
              kind.does() instanceof SupplyKind.Source
                  && b.parts().isEmpty()
                  && build.seat().board().isPresent();
          return first ? next.feeding(build.seat().id(), Optional.of(name)) : next;
        });
  }

  private static String label(SupplyKind kind, SupplyBook book) {
    long same = book.parts().stream().filter(p -> p.kind().equals(kind.id())).count();
    return kind.name() + (same == 0 ? "" : " " + (same + 1));
  }

  private void change(String label, UnaryOperator<SupplyBook> change) {
    workbench.apply(
        new Edit(
            label,
            b ->
                b.with(
                    SupplyBook.PART,
                    Objects.requireNonNull(change.apply(b.get(SupplyBook.PART))))));
  }

  private static Label note(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("note");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static String number(double milliamps) {
    return Working.number(milliamps, milliamps < 100 ? 1 : 0);
  }
}
