package kumite.desktop.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.concurrent.Task;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.brief.Hand;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Aside;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Workbench;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.measure.Range;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.panel.Comfort;
import kumite.panel.Fit;
import kumite.panel.Layout;
import kumite.verdict.Bench;

/** Arranges the selection, or new controls, in rows and arcs; shown live, kept as one step. */
final class LayoutTab implements Tab {
  private enum Form {
    GRID("Grid"),
    STAGGERED("Staggered"),
    FINGERS("By the fingers"),
    ARC("Arc of the hand");

    private final String words;

    Form(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final Segments<Form> forms;
  private final TypedField columns;
  private final TypedField across;
  private final TypedField along;
  private final TypedField third;
  private final TypedField count;
  private final Choice<ControlKind> kind;
  private final Label thirdName = new Label("shift");
  private final CheckBox symmetric = new CheckBox("symmetric about the centre line");
  private final Label words = new Label();
  private final Button preview = new Button("Show it");
  private final Button fit = new Button("Fit to the panel");
  private final Button keep = new Button("Keep it");
  private final Button back = new Button("Take it back");
  private final Button suggest = new Button("Use it");
  private final Label suggested = new Label();
  private final Node newOnes;
  private final VBox root = new VBox();
  private final AtomicBoolean cancelled = new AtomicBoolean();
  private Form form = Form.GRID;
  private double perRow = 4;
  private double acrossMm = 36;
  private double alongMm = 36;
  private double shiftMm = 18;
  private double radiusMm;
  private double howMany = 8;
  private Optional<Edit> pending = Optional.empty();

  LayoutTab(Workbench workbench) {
    this.workbench = workbench;
    forms = new Segments<>(f -> f.words, this::form, Form.values());
    forms.choose(form);
    columns =
        TypedField.number("to a row", Range.of(1, 100), v -> set(() -> perRow = Math.rint(v)));
    across = TypedField.place("spacing across", v -> set(() -> acrossMm = v));
    along = TypedField.place("spacing between rows", v -> set(() -> alongMm = v));
    third = TypedField.place("shift or radius", this::third);
    count = TypedField.number("how many", Range.of(1, 200), v -> set(() -> howMany = Math.rint(v)));
    kind =
        new Choice<>(
            "kind of the new controls",
            workbench.catalogue().controls(),
            ControlKind::name,
            k -> {
              set(() -> {});
              suggestion();
            });
    kind.setId("layout-kind");
    kind.show(workbench.catalogue().control("button-30"));
    columns.field().setId("layout-columns");
    across.field().setId("layout-across");
    along.field().setId("layout-along");
    third.field().setId("layout-third");
    count.field().setId("layout-count");
    for (TypedField field : new TypedField[] {columns, across, along, third, count}) {
      Em.pref(field.field(), 76);
    }
    thirdName.getStyleClass().add("field-name");
    symmetric.setOnAction(event -> set(() -> {}));
    symmetric.setMinWidth(Region.USE_PREF_SIZE);
    newOnes = new VBox(fieldName("new ones"), kind);
    suggest.setId("layout-suggest");
    suggest.getStyleClass().add("small");
    suggest.setMinWidth(Region.USE_PREF_SIZE);
    suggest.setOnAction(event -> takeSuggestion());
    suggested.getStyleClass().add("note");
    suggested.setMinWidth(Region.USE_PREF_SIZE);
    HBox suggestion = new HBox(suggested, suggest);
    suggestion.getStyleClass().add("suggestion");
    FlowPane fields = new FlowPane();
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    fields
        .getChildren()
        .addAll(
            new VBox(fieldName("arrangement"), forms),
            newOnes,
            Head.named("how many", count),
            Head.named("to a row", columns),
            Head.named("across", across),
            Head.named("between rows", along),
            new VBox(thirdName, third),
            suggestion);
    preview.setId("layout-preview");
    fit.setId("layout-fit");
    keep.setId("layout-keep");
    keep.getStyleClass().add("accent");
    preview.setOnAction(event -> preview());
    fit.setOnAction(event -> fit());
    keep.setOnAction(event -> keep());
    back.setOnAction(event -> leave());
    for (Button button : new Button[] {preview, fit, keep, back}) {
      button.getStyleClass().add("small");
      button.setMinWidth(Region.USE_PREF_SIZE);
    }
    FlowPane actions = new FlowPane(symmetric, preview, fit, keep, back);
    actions.getStyleClass().add("actions");
    actions.setMinHeight(Region.USE_PREF_SIZE);
    words.getStyleClass().add("note");
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    root.getStyleClass().add("tab-body");
    root.getChildren().addAll(fields, actions, words);
    workbench
        .selection()
        .addListener(
            (o, was, is) -> {
              if (pending.isEmpty()) {
                subject();
              }
            });
    buttons();
    subject();
  }

  private static Label fieldName(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("field-name");
    return label;
  }

  private void form(Form wanted) {
    set(() -> form = wanted);
    thirdName.setText(form == Form.ARC ? "radius from the palm" : "shift");
    third.setDisable(form == Form.GRID || form == Form.FINGERS);
    columns.setDisable(form == Form.FINGERS);
    third.show(form == Form.ARC ? radiusMm : shiftMm);
  }

  private void third(double mm) {
    set(
        () -> {
          if (form == Form.ARC) {
            radiusMm = mm;
          } else {
            shiftMm = mm;
          }
        });
  }

  /** Takes a changed wish; what is shown follows it at once. */
  private void set(Runnable change) {
    change.run();
    if (pending.isPresent()) {
      preview();
    }
  }

  private Layout layout() {
    int row = (int) perRow;
    return switch (form) {
      case GRID -> new Layout.Grid(row, acrossMm, alongMm);
      case STAGGERED -> new Layout.Staggered(row, acrossMm, alongMm, shiftMm);
      case FINGERS ->
          new Layout.Fingers(
              acrossMm, alongMm, hand().breadthMm(), hand().uses() == Hand.Uses.LEFT);
      case ARC -> new Layout.Arc(row, acrossMm, alongMm, radiusMm);
    };
  }

  private Hand hand() {
    return workbench.build().get().brief().hand();
  }

  /** What the hand suggests for the kind that is laid out. */
  private Comfort comfort() {
    return Comfort.of(hand(), subjectKind());
  }

  private ControlKind subjectKind() {
    Build build = workbench.build().get();
    return workbench.selection().get().stream()
        .flatMap(id -> build.control(id).stream())
        .findFirst()
        .map(control -> workbench.catalogue().with(build).kindOf(control))
        .orElseGet(kind::getValue);
  }

  private void takeSuggestion() {
    double wanted = comfort().middleMm();
    set(
        () -> {
          acrossMm = wanted;
          alongMm = wanted;
        });
    across.show(acrossMm);
    along.show(alongMm);
  }

  /** What is arranged: the build with new controls where none are selected, and their ids. */
  private record Subject(Build build, List<ControlId> ids, List<Control> fresh) {}

  private Subject arranged() {
    workbench.endPreview();
    Build build = workbench.build().get();
    List<ControlId> ids = new ArrayList<>(workbench.selection().get());
    ids.removeIf(id -> build.control(id).isEmpty());
    if (!ids.isEmpty()) {
      ids.sort(
          java.util.Comparator.comparingDouble(
                  (ControlId id) ->
                      Math.rint(build.control(id).orElseThrow().placement().yMm() / 20))
              .thenComparingDouble(id -> build.control(id).orElseThrow().placement().xMm()));
      return new Subject(build, ids, List.of());
    }
    Build next = build;
    List<Control> fresh = new ArrayList<>();
    Point middle = new Point(build.panel().widthMm() / 2, build.panel().heightMm() / 2);
    for (int i = 0; i < (int) howMany; i++) {
      Control control = Arrange.fresh(next, kind.getValue(), middle);
      next = next.withControl(control);
      fresh.add(control);
    }
    return new Subject(next, fresh.stream().map(Control::id).toList(), fresh);
  }

  private Point middle(Subject subject) {
    return Fit.wishedMiddle(subject.build(), layout(), subject.ids());
  }

  private void preview() {
    try {
      Subject subject = arranged();
      Point middle = middle(subject);
      if (symmetric.isSelected()) {
        middle = new Point(subject.build().panel().widthMm() / 2, middle.yMm());
      }
      show(subject, Fit.asWished(layout(), subject.ids(), middle), "");
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  private void show(Subject subject, Fit found, String more) {
    Map<ControlId, Placement> places = found.places();
    List<Control> fresh = subject.fresh();
    Edit edit =
        new Edit(
            "Lay out " + Arrange.name(subject.build(), subject.ids()),
            before -> {
              Build after = before;
              for (Control control : fresh) {
                after = after.withControl(control);
              }
              return after.withPlacements(places);
            });
    pending = Optional.of(edit);
    workbench.preview(edit::apply);
    words.setText(
        more.isEmpty() ? "Not kept yet. The findings on the right already speak of it." : more);
    buttons();
  }

  /** Looking for a place may take a second: it is done aside, and can be taken back meanwhile. */
  private void fit() {
    try {
      Subject subject = arranged();
      Point middle = middle(subject);
      Layout layout = layout();
      boolean centred = symmetric.isSelected();
      cancelled.set(false);
      words.setText("Looking for room on the panel; Take it back ends the search.");
      Task<Fit> task =
          Aside.run(
              "fit",
              () ->
                  Fit.find(
                      subject.build(),
                      workbench.catalogue(),
                      layout,
                      subject.ids(),
                      middle,
                      centred,
                      cancelled::get),
              found -> fitted(subject, found),
              workbench::complain);
      fit.disableProperty().unbind();
      fit.disableProperty().bind(task.runningProperty());
      back.setDisable(false);
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  private void fitted(Subject subject, Fit found) {
    if (!cancelled.get()) {
      show(
          subject,
          found,
          found.fits()
              ? "Everything has its room here"
                  + found.spreadWords().map(w -> ", " + w).orElse("")
                  + ". Keep it, or take it back."
              : "It does not fit anywhere on this panel: fewer, smaller, or a larger panel."
                  + " Shown as wished.");
    }
  }

  private void keep() {
    pending.ifPresent(
        edit -> {
          workbench.apply(edit);
          pending = Optional.empty();
          subject();
        });
    buttons();
  }

  @Override
  public void leave() {
    cancelled.set(true);
    if (pending.isPresent()) {
      pending = Optional.empty();
      workbench.endPreview();
    }
    subject();
    buttons();
  }

  private void buttons() {
    keep.setDisable(pending.isEmpty());
    back.setDisable(pending.isEmpty());
  }

  private void subject() {
    int selected = workbench.selection().get().size();
    newOnes.setDisable(selected > 0);
    count.setDisable(selected > 0);
    words.setText(
        selected > 0
            ? "Arranges the "
                + (selected == 1 ? "selected control" : selected + " selected controls")
                + ". A click beside the parts selects nothing: then new ones are made."
            : "Nothing is selected: new controls are made and arranged.");
    suggestion();
  }

  private void suggestion() {
    Comfort comfort = comfort();
    suggested.setText(
        comfort.words(workbench.build().get().brief().units())
            + (hand().measured() ? ", for the measured hand" : ", for an average hand"));
    suggested.setTooltip(
        new Tooltip(comfort.working().formula() + "\n" + comfort.working().source().inWords()));
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    for (TypedField field : new TypedField[] {across, along, third}) {
      field.unit(bench.build().brief().units());
    }
    if (radiusMm == 0) {
      // Two rows of the usual spacing then lie within reach.
      radiusMm = Math.max(40, bench.build().brief().hand().reachMm() - alongMm);
    }
    columns.show(perRow);
    across.show(acrossMm);
    along.show(alongMm);
    third.show(form == Form.ARC ? radiusMm : shiftMm);
    third.setDisable(form == Form.GRID || form == Form.FINGERS);
    suggestion();
    count.show(howMany);
    if (!kind.getItems().equals(bench.catalogue().controls())) {
      ControlKind chosen = kind.getValue();
      kind.getItems().setAll(bench.catalogue().controls());
      kind.show(Optional.ofNullable(chosen));
    }
  }
}
