package kumite.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import kumite.files.BuildFileException;
import kumite.files.ExportFolder;
import kumite.firmware.Firmware;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "export",
    description = "Write what goes to the bench.",
    mixinStandardHelpOptions = true)
final class ExportCommand implements Callable<Integer> {
  private static final String EVERYTHING = "all";

  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--what",
      required = true,
      paramLabel = "WHAT",
      description =
          "bench-sheet, template-pdf, svg, dxf, art, drill-csv, cap-labels, header-overlay,"
              + " wiring-board, wiring-csv, cut-list, netlist, parts-csv, spice, labels,"
              + " assignment, host-chart, mapping-line, descriptor, ports, leads, firmware, plan,"
              + " bill, bill-sheet, round, readings, loader-table, case-dxf, case-svg, case-stl, case-cuts,"
              + " case-drill, or all.")
  private String what;

  @Option(names = "--out", required = true, paramLabel = "DIR", description = "Folder to write to.")
  private Path out;

  @Option(
      names = "--paper",
      defaultValue = "a4",
      paramLabel = "PAPER",
      description = "a4 or letter, for what is printed (default: a4).")
  private String paper;

  @Option(
      names = "--kerf",
      defaultValue = "0",
      paramLabel = "WIDTH",
      description = "Width of the beam or cutter for svg and dxf, such as 0.2 mm (default: 0).")
  private String kerf;

  @Option(
      names = "--target",
      defaultValue = "portable",
      paramLabel = "TARGET",
      description =
          "What kind of firmware: portable C, a sketch, or a script pair: portable, sketch, script"
              + " (default: portable).")
  private String target;

  @Option(
      names = "--replace",
      description = "Replace files of these names that Kumite did not write.")
  private boolean replace;

  @Override
  public Integer call() throws BuildFileException, IOException {
    if (what.equals(EVERYTHING)) {
      return everything();
    }
    Export export =
        input
            .rooms()
            .export(what)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "--what " + what + " is unknown; choose one of " + words() + ", or all"));
    Export.Choices choices = choices();
    Bench bench = input.bench();
    Map<String, byte[]> files = export.files(bench, choices);
    folder();
    export.notes(bench).forEach(this::note);
    write(files);
    return 0;
  }

  private int everything() throws BuildFileException, IOException {
    Bench bench = input.bench();
    Export.Choices choices = choices();
    Map<String, byte[]> files =
        Export.everything(
            bench, choices, (left, why) -> note(left.word() + " is left out: " + why));
    Exports.BENCH_SHEET.notes(bench).forEach(this::note);
    folder();
    write(files);
    return 0;
  }

  private String words() {
    return input.rooms().exports().stream().map(Export::word).collect(Collectors.joining(", "));
  }

  private void note(String text) {
    spec.commandLine().getErr().println("note: " + text);
  }

  private void write(Map<String, byte[]> files) throws BuildFileException {
    ExportFolder folder = new ExportFolder(out);
    List<Path> others = folder.others(files.keySet());
    if (!replace && !others.isEmpty()) {
      throw new IllegalArgumentException(
          others.get(0)
              + " is there already and is not as Kumite wrote it; add --replace to put it out of"
              + " the way, or choose another folder");
    }
    PrintWriter news = spec.commandLine().getOut();
    folder.write(files).forEach(news::println);
  }

  private Export.Choices choices() {
    return new Export.Choices(
        paper(),
        Length.parse(kerf, LengthUnit.MM).mm(),
        Firmware.Target.named(target)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "--target "
                            + target
                            + " is unknown; choose one of "
                            + Firmware.Target.all())));
  }

  private void folder() throws IOException {
    if (Files.exists(out) && !Files.isDirectory(out)) {
      throw new IllegalArgumentException(out + " is a file; name a folder with --out");
    }
    Files.createDirectories(out);
  }

  private Paper paper() {
    return switch (paper.toLowerCase(java.util.Locale.ROOT)) {
      case "a4" -> Paper.A4;
      case "letter" -> Paper.LETTER;
      default ->
          throw new IllegalArgumentException(
              "--paper " + paper + " is unknown; choose a4 or letter");
    };
  }
}
