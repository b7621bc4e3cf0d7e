package kumite.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.files.Tables;
import kumite.sheet.BenchSheet;
import kumite.sheet.Paper;
import kumite.verdict.Bench;
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
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--what",
      required = true,
      paramLabel = "WHAT",
      description = "bench-sheet, descriptor, drill-csv or wiring-csv.")
  private String what;

  @Option(names = "--out", required = true, paramLabel = "DIR", description = "Folder to write to.")
  private Path out;

  @Option(
      names = "--paper",
      defaultValue = "a4",
      paramLabel = "PAPER",
      description = "a4 or letter, for the bench sheet (default: a4).")
  private String paper;

  @Override
  public Integer call() throws BuildFileException, IOException {
    Bench bench = input.bench();
    Map<String, byte[]> files = new LinkedHashMap<>();
    switch (what) {
      case "bench-sheet" -> files.put("bench-sheet.pdf", BenchSheet.pdf(bench, paper()));
      case "descriptor" -> {
        byte[] descriptor = bench.layout().descriptor();
        files.put("descriptor.hex", utf8(Tables.hex(descriptor)));
        files.put("descriptor.bin", descriptor);
      }
      case "drill-csv" -> files.put("drill.csv", utf8(Tables.drill(bench)));
      case "wiring-csv" -> files.put("wiring.csv", utf8(Tables.wiring(bench)));
      default ->
          throw new IllegalArgumentException(
              "--what "
                  + what
                  + " is unknown; choose bench-sheet, descriptor, drill-csv or wiring-csv");
    }
    Files.createDirectories(out);
    PrintWriter news = spec.commandLine().getOut();
    for (Map.Entry<String, byte[]> file : files.entrySet()) {
      Path path = out.resolve(file.getKey());
      Files.write(path, file.getValue());
      news.println(path);
    }
    return 0;
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

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
