package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.AxisTuning;
import kumite.circuit.Seen;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Workbench;
import kumite.device.SelfTest;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.measure.Range;
import kumite.name.ContactId;
import kumite.program.Calibration;
import kumite.verdict.Bench;

/** Analog contacts: their ends as measured, and the curve from code to value. */
final class AxesTab extends HBox {
  private final Workbench workbench;
  private final ListView<SignalPath> list = new ListView<>();
  private final VBox form = new VBox();
  private final CurveView curve = new CurveView();
  private final TypedField least;
  private final TypedField centre;
  private final TypedField most;
  private final TypedField dead;
  private final TypedField saturation;
  private final TypedField bend;
  private final TypedField smoothing;
  private final CheckBox centred = new CheckBox("rests in the middle");
  private final CheckBox inverted = new CheckBox("ends changed");
  private final Button record = new Button("Calibrate");
  private final Label told = new Label();
  private final TextArea pasted = new TextArea();
  private List<int[]> readings = List.of();
  private boolean recording;
  private boolean showing;

  AxesTab(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("axes");
    setId("axes");
    list.setId("axes-list");
    list.setAccessibleText("Analog contacts");
    list.setFixedCellSize(34);
    Em.min(list, 170);
    Em.pref(list, 190);
    list.setCellFactory(
        v ->
            new ListCell<>() {
              @Override
              protected void updateItem(SignalPath path, boolean empty) {
                super.updateItem(path, empty);
                setText(
                    empty
                        ? null
                        : path.site().label() + (tuning(path.id()).calibrated() ? "  \u2713" : ""));
              }
            });
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!showing && is != null) {
                workbench.select(is.id());
                fill();
              }
            });
    least =
        field(
            "least",
            AxisTuning.LEAST,
            (t, v) -> t.measured(v, t.centre(), Math.max(v + 1, t.most())));
    centre =
        field(
            "centre",
            AxisTuning.CENTRE,
            (t, v) -> t.measured(t.least(), OptionalInt.of(v), t.most()));
    most =
        field(
            "most",
            AxisTuning.MOST,
            (t, v) -> t.measured(Math.min(t.least(), v - 1), t.centre(), v));
    dead =
        field(
            "dead zone", AxisTuning.DEAD, (t, v) -> t.between(v, Math.max(v + 1, t.saturation())));
    saturation =
        field(
            "full from", AxisTuning.SATURATION, (t, v) -> t.between(Math.min(t.dead(), v - 1), v));
    bend = TypedField.number("curve", AxisTuning.CURVE, v -> tune("Curve", t -> t.curved((int) v)));
    smoothing =
        TypedField.number(
            "smoothing", AxisTuning.SMOOTHING, v -> tune("Smoothing", t -> t.smoothed((int) v)));
    for (TypedField one :
        new TypedField[] {least, centre, most, dead, saturation, bend, smoothing}) {
      one.field().setPrefColumnCount(5);
    }
    bend.setTooltip("0 straight, above 0 finer near the rest, below 0 coarser; -100 to 100");
    smoothing.setTooltip("Each look takes one 2^n-th of the way to the new code; 0 is off");
    centred.setId("axis-centred");
    centred.setOnAction(
        event ->
            tune(
                "Rest",
                t ->
                    t.measured(
                        t.least(),
                        centred.isSelected()
                            ? OptionalInt.of((t.least() + t.most()) / 2)
                            : OptionalInt.empty(),
                        t.most())));
    inverted.setId("axis-inverted");
    inverted.setOnAction(event -> tune("Ends", t -> t.inverted(inverted.isSelected())));
    record.setId("calibrate");
    record.setMinWidth(Region.USE_PREF_SIZE);
    record.setOnAction(event -> record());
    told.setWrapText(true);
    told.setId("calibrate-told");
    told.setMinHeight(Region.USE_PREF_SIZE);
    told.getStyleClass().add("note");
    pasted.setId("readings");
    pasted.setAccessibleText("Readings of the real board, one row each");
    pasted.setPromptText("Or paste readings of the real board: codes, one row for each reading");
    pasted.setPrefRowCount(3);
    Button take = new Button("Take the readings");
    take.setId("readings-take");
    take.getStyleClass().add("small");
    take.setMinWidth(Region.USE_PREF_SIZE);
    take.setOnAction(event -> takePasted());
    FlowPane ends =
        new FlowPane(
            Head.named("least", least),
            Head.named("most", most),
            centred,
            Head.named("centre", centre));
    FlowPane shape =
        new FlowPane(
            Head.named("dead zone", dead),
            Head.named("full from", saturation),
            Head.named("curve", bend),
            Head.named("smoothing", smoothing),
            inverted);
    for (FlowPane row : new FlowPane[] {ends, shape}) {
      row.getStyleClass().add("chip-row");
    }
    HBox calibrate = new HBox(record, told);
    calibrate.getStyleClass().add("field-row");
    HBox.setHgrow(told, Priority.ALWAYS);
    HBox paste = new HBox(pasted, take);
    paste.getStyleClass().add("field-row");
    HBox.setHgrow(pasted, Priority.ALWAYS);
    VBox fields = new VBox(calibrate, ends, shape, paste);
    fields.getStyleClass().add("rules");
    HBox.setHgrow(fields, Priority.ALWAYS);
    VBox drawn = new VBox(curve, Head.note("code to value; pale as read"));
    drawn.getStyleClass().add("rules");
    HBox both = new HBox(fields, drawn);
    form.getChildren().add(both);
    HBox.setHgrow(form, Priority.ALWAYS);
    getChildren().addAll(list, form);
    workbench.holds().addListener((o, was, is) -> moved());
  }

  private interface Change {
    AxisTuning apply(AxisTuning tuning, int thousandths);
  }

  /** A field in per cent of the converter's range or of the travel. */
  private TypedField field(String name, Range range, Change change) {
    TypedField field =
        TypedField.number(
            name,
            range.in("%", 0.1),
            v -> tune(name, t -> change.apply(t, (int) Math.round(v * 10))));
    field.field().setId("axis-" + name.replace(' ', '-'));
    return field;
  }

  private AxisTuning tuning(ContactId contact) {
    return workbench.build().get().tuning().axes().getOrDefault(contact, AxisTuning.STRAIGHT);
  }

  private Optional<SignalPath> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
  }

  private void tune(String label, UnaryOperator<AxisTuning> change) {
    chosen()
        .ifPresent(
            path ->
                workbench.apply(
                    new Edit(
                        label + " of " + path.id(),
                        b ->
                            b.withTuning(
                                b.tuning()
                                    .withAxis(
                                        path.id(),
                                        Optional.of(change.apply(tuning(path.id()))))))));
  }

  private int codeMost() {
    return workbench.bench().get().board().map(BoardKind::axisMaximum).orElse(255);
  }

  private OptionalInt code(ContactId contact) {
    Optional<Seen> seen =
        workbench
            .bench()
            .get()
            .circuit()
            .filter(c -> c.inputs().dead().isEmpty())
            .filter(c -> c.inputs().levels().containsKey(contact))
            .map(c -> c.inputs().see(contact, workbench.holds().get().over(c.inputs()::rest)));
    return seen.isPresent() ? OptionalInt.of(seen.get().code()) : OptionalInt.empty();
  }

  private void record() {
    if (recording) {
      recording = false;
      record.setText("Calibrate");
      take(readings, list.getItems().stream().map(SignalPath::id).toList());
      return;
    }
    recording = true;
    record.setText("Record its ends");
    readings = new ArrayList<>();
    told.setText("Move one control to both ends: on the strip below, or drag. Then record.");
    sample();
    sample();
  }

  private void sample() {
    readings.add(list.getItems().stream().mapToInt(path -> code(path.id()).orElse(0)).toArray());
  }

  private void moved() {
    if (recording) {
      sample();
    }
    fill();
  }

  /** Rows of numbers, or what the board's self-test told. */
  private List<int[]> readings(String text) {
    return text.strip().startsWith(SelfTest.BEGIN)
        ? SelfTest.read(text, workbench.bench().get().looks().size()).codes()
        : Calibration.read(text, codeMost());
  }

  private void takePasted() {
    try {
      List<int[]> read = readings(pasted.getText());
      boolean one = !read.isEmpty() && read.get(0).length == 1;
      List<ContactId> all = list.getItems().stream().map(SignalPath::id).toList();
      if (!one && !read.isEmpty() && read.get(0).length != all.size()) {
        throw new IllegalArgumentException(
            "the readings have "
                + read.get(0).length
                + " columns; give one for the chosen contact, or "
                + all.size()
                + " in the order of the list");
      }
      take(read, one ? chosen().map(SignalPath::id).map(List::of).orElse(List.of()) : all);
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  private void take(List<int[]> of, List<ContactId> columns) {
    try {
      Calibration found = Calibration.of(of, codeMost());
      ContactId contact = columns.get(found.moved());
      workbench.apply(
          new Edit(
              "Calibrate " + contact,
              b ->
                  b.withTuning(
                      b.tuning()
                          .withAxis(
                              contact,
                              Optional.of(
                                  found.apply(
                                      b.tuning()
                                          .axes()
                                          .getOrDefault(contact, AxisTuning.STRAIGHT)))))));
      told.setText(
          contact
              + " moved: codes "
              + found.least()
              + " to "
              + found.most()
              + ", at rest "
              + found.rest()
              + ", noise "
              + found.noise());
      workbench.select(contact);
    } catch (IllegalArgumentException e) {
      told.setText(e.getMessage());
    }
  }

  void show(Bench bench) {
    showing = true;
    List<SignalPath> analog =
        bench.paths().stream().filter(p -> p.site().contact().type().analog()).toList();
    list.getItems().setAll(analog);
    Optional<SignalPath> selected =
        workbench.path().get().flatMap(bench::path).filter(analog::contains);
    list.getSelectionModel().select(selected.orElse(analog.isEmpty() ? null : analog.get(0)));
    form.setDisable(analog.isEmpty());
    if (analog.isEmpty()) {
      told.setText("No slider, knob or stick on this board's panel yet.");
    }
    showing = false;
    fill();
  }

  private void fill() {
    chosen()
        .ifPresent(
            path -> {
              AxisTuning t = tuning(path.id());
              least.show(t.least() / 10.0);
              most.show(t.most() / 10.0);
              centre.show(t.centre().orElse((t.least() + t.most()) / 2) / 10.0);
              centre.setDisable(t.centre().isEmpty());
              centred.setSelected(t.centre().isPresent());
              dead.show(t.dead() / 10.0);
              saturation.show(t.saturation() / 10.0);
              bend.show(t.curve());
              smoothing.show(t.smoothing());
              inverted.setSelected(t.inverted());
              curve.show(t, codeMost(), code(path.id()));
            });
  }
}
