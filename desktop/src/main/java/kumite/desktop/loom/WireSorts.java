package kumite.desktop.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.loom.Laying;
import kumite.build.loom.WireSort;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Workbench;
import kumite.kind.WireColour;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.verdict.Bench;

/** The wire at hand for signals, grounds and supplies: size, colour, ready jumpers, cores. */
final class WireSorts extends VBox {
  private static final int THINNEST = 32;
  private static final int THICKEST = 14;

  private final Workbench workbench;
  private final List<Row> rows = new ArrayList<>();
  private final Label told = new Label();
  private LengthUnit unit = LengthUnit.MM;

  WireSorts(Workbench workbench) {
    this.workbench = workbench;
    for (WireSort.Use use : WireSort.Use.values()) {
      Row row = new Row(use);
      rows.add(row);
      getChildren().add(row);
    }
    told.setId("wire-sorts-told");
    told.getStyleClass().add("note");
    told.setWrapText(true);
    told.setMinHeight(Region.USE_PREF_SIZE);
    getChildren().add(told);
    setPadding(new Insets(8, 12, 8, 12));
    setSpacing(6);
    setMinHeight(Region.USE_PREF_SIZE);
  }

  void show(Bench bench) {
    unit = bench.build().brief().units();
    rows.forEach(row -> row.show(bench.build().loom().laying()));
    told.setText("What is not chosen is as all else: the gauge above, colours by plan, cut wire.");
  }

  private void change(WireSort.Use use, String what, UnaryOperator<WireSort> change) {
    workbench.apply(
        new Edit(
            what + " of wires for " + words(use),
            b -> {
              Laying laying = b.loom().laying();
              return b.withLoom(
                  b.loom().withLaying(laying.withSort(use, change.apply(laying.sort(use)))));
            }));
  }

  private static String words(WireSort.Use use) {
    return switch (use) {
      case SIGNAL -> "signals";
      case GROUND -> "grounds";
      case SUPPLY -> "supplies";
    };
  }

  /** The wire for one use. */
  private final class Row extends HBox {
    private final WireSort.Use use;
    private final Choice<OptionalInt> gauge;
    private final Choice<Optional<WireColour.Hue>> colour;
    private final TextField jumpers = new TextField();
    private final TypedField cores;

    Row(WireSort.Use use) {
      this.use = use;
      List<OptionalInt> gauges = new ArrayList<>(List.of(OptionalInt.empty()));
      IntStream.iterate(THINNEST, awg -> awg >= THICKEST, awg -> awg - 2)
          .forEach(awg -> gauges.add(OptionalInt.of(awg)));
      gauge =
          new Choice<>(
              "Gauge for " + words(use),
              gauges,
              awg -> awg.isEmpty() ? "as all" : awg.getAsInt() + " AWG",
              awg -> change(use, "Gauge", sort -> sort.withGauge(awg)));
      gauge.setId("sort-gauge-" + use.word());
      List<Optional<WireColour.Hue>> hues = new ArrayList<>(List.of(Optional.empty()));
      for (WireColour.Hue hue : WireColour.Hue.values()) {
        hues.add(Optional.of(hue));
      }
      colour =
          new Choice<>(
              "Colour for " + words(use),
              hues,
              hue -> hue.map(WireColour.Hue::words).orElse("by plan"),
              hue -> change(use, "Colour", sort -> sort.withColour(hue)));
      colour.setId("sort-colour-" + use.word());
      jumpers.setId("sort-jumpers-" + use.word());
      jumpers.setPromptText("100, 200 or 8 in");
      jumpers.setPrefColumnCount(12);
      jumpers.setAccessibleText("Lengths of ready jumpers for " + words(use));
      jumpers.setTooltip(new Tooltip("Lengths of ready jumpers, parted by commas; Enter takes it"));
      jumpers.setOnAction(event -> jumpers());
      jumpers
          .focusedProperty()
          .addListener(
              (o, was, is) -> {
                if (!is) {
                  jumpers();
                }
              });
      cores =
          TypedField.number(
              "cores of a cable for " + words(use),
              WireSort.CORES,
              n -> change(use, "Cores", sort -> sort.withCores((int) Math.round(n))));
      cores.setId("sort-cores-" + use.word());
      cores.field().setPrefColumnCount(4);
      getChildren()
          .addAll(
              Head.named(words(use) + ", gauge", gauge),
              Head.named("colour", colour),
              Head.named("ready jumpers", jumpers),
              Head.named("cores, 0 single", cores));
      getStyleClass().add("field-row");
      setSpacing(12);
    }

    void show(Laying laying) {
      WireSort sort = laying.sort(use);
      gauge.show(Optional.of(sort.gaugeAwg()));
      colour.show(Optional.of(sort.colour()));
      if (!jumpers.isFocused()) {
        jumpers.setText(text(sort.jumpersMm()));
      }
      cores.show(sort.cores());
    }

    private String text(Set<Integer> mm) {
      return mm.stream().map(one -> Length.text(one, unit)).collect(Collectors.joining(", "));
    }

    /** A length that is none, or out of range, is told below and nothing is taken over. */
    private void jumpers() {
      Laying laying = workbench.build().get().loom().laying();
      Set<Integer> mm = new TreeSet<>();
      try {
        for (String word : jumpers.getText().split("[,;]")) {
          if (!word.isBlank()) {
            double length = Length.parse(word.strip(), unit).mm();
            WireSort.JUMPER.check(length, "ready jumper");
            mm.add((int) Math.round(length));
          }
        }
      } catch (IllegalArgumentException e) {
        told.setText(
            e.getMessage() + ". Write lengths parted by commas, such as 100, 200 mm, 8 in");
        return;
      }
      if (!mm.equals(laying.sort(use).jumpersMm())) {
        change(use, "Jumpers", sort -> sort.withJumpers(mm));
        told.setText(
            mm.isEmpty()
                ? "wire is cut for " + words(use)
                : String.format(Locale.ROOT, "understood: %s for %s", text(mm), words(use)));
      }
    }
  }
}
