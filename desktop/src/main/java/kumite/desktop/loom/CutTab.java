package kumite.desktop.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.ListView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Workbench;
import kumite.loom.CutList;
import kumite.loom.Strand;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.verdict.Bench;
import kumite.wiring.Fitting;

/** What is cut from which spool, and what is soldered in. */
final class CutTab extends VBox {
  private final ListView<String> list = new ListView<>();
  private final WireSorts sorts;

  CutTab(Workbench workbench) {
    sorts = new WireSorts(workbench);
    list.setId("cut-list");
    list.setAccessibleText("Cut list");
    list.setFixedCellSize(30);
    list.getStyleClass().add("mono");
    list.setCellFactory(v -> new CutCell());
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(sorts, list);
  }

  void show(Bench bench) {
    sorts.show(bench);
    list.getItems().setAll(cuts(bench, bench.build().brief().units()));
  }

  /** One row for each colour and gauge, its strands below it, then what is soldered in. */
  private static List<String> cuts(Bench bench, LengthUnit unit) {
    CutList list = CutList.of(bench.loom());
    List<String> rows = new ArrayList<>();
    for (CutList.Spool spool : list.spools()) {
      List<CutList.Cut> cuts =
          list.cuts().stream()
              .filter(c -> c.strand().colour().equals(spool.colour()))
              .filter(c -> c.strand().gaugeAwg() == spool.gaugeAwg())
              .toList();
      rows.add(
          String.format(
              Locale.ROOT,
              "%-4s %2d AWG  %2d pieces  %6.2f m, with 10 %% spare %6.2f m",
              spool.colour().code(),
              spool.gaugeAwg(),
              cuts.size(),
              spool.metres() / (1 + CutList.SPARE),
              spool.metres()));
      for (CutList.Cut cut : cuts) {
        Strand strand = cut.strand();
        rows.add(
            String.format(
                    Locale.ROOT,
                    "       %s %10s   ",
                    strand.id(),
                    Length.text(strand.lengthMm(), unit))
                + strand.from().words()
                + " to "
                + strand.to().words()
                + with(cut)
                + strand.way().map(n -> ", way " + n).orElse(""));
      }
    }
    bench
        .wiring()
        .map(wiring -> Fitting.all(bench.build(), wiring))
        .ifPresent(all -> fittings(all, rows));
    return rows;
  }

  private static void fittings(List<Fitting> all, List<String> rows) {
    if (!all.isEmpty()) {
      rows.add("Parts to solder in: " + all.size());
    }
    for (Fitting f : all) {
      rows.add(
          "       "
              + f.what()
              + ", "
              + f.job()
              + ": "
              + f.from()
              + " to "
              + f.to()
              + (f.direction().isEmpty() ? "" : "; " + f.direction()));
    }
  }

  /** Ends that two wires share go into one joint, so both are crimped at once. */
  private static String with(CutList.Cut cut) {
    List<String> partners = new ArrayList<>();
    cut.fromWith().ifPresent(partners::add);
    cut.toWith().filter(id -> !partners.contains(id)).ifPresent(partners::add);
    return partners.isEmpty() ? "" : ", joint with " + String.join(" and ", partners);
  }
}
