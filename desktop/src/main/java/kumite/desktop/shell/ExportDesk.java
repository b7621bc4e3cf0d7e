package kumite.desktop.shell;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kumite.files.BuildFileException;
import kumite.files.ExportFolder;
import kumite.firmware.Firmware;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;

/** Asks where what goes to the bench is to be written, and writes it aside of the window. */
final class ExportDesk {
  /** Usual widths of a laser's or a cutter's cut. */
  private static final String[] KERFS = {"0 mm", "0.1 mm", "0.2 mm", "0.3 mm", "1 mm", "3 mm"};

  private final Workbench workbench;
  private final FileDesk files;

  ExportDesk(Workbench workbench, FileDesk files) {
    this.workbench = workbench;
    this.files = files;
  }

  private FilePane pane() {
    return files.pane();
  }

  /** Asks for a new folder and writes every export into it that the build allows. */
  void askEverything() {
    pane()
        .ask(
            "Export everything into a folder",
            "Write",
            files.folder(),
            files.slug() + "-bench",
            "/",
            FilePane.Use.FOLDER,
            this::everything,
            Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words())));
  }

  private boolean everything(Path into) {
    Bench bench = workbench.bench().get();
    Paper paper = pane().chosen().equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    List<String> left = new ArrayList<>();
    workbench.say("Writing everything into " + into.getFileName());
    Aside.run(
        "export",
        () -> {
          Map<String, byte[]> files =
              Export.everything(
                  bench,
                  new Export.Choices(paper, 0),
                  (export, why) -> left.add(export.title().toLowerCase(Locale.ROOT)));
          Files.createDirectories(into);
          return new ExportFolder(into).write(files);
        },
        written ->
            workbench.say(
                written.size()
                    + " files are in "
                    + into
                    + (left.isEmpty() ? "" : "; left out: " + String.join(", ", left))),
        workbench::complain);
    return true;
  }

  void askExport(Export export) {
    Optional<FilePane.Choice> choice =
        export.onPaper()
            ? Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words()))
            : export.isCut() ? Optional.of(new FilePane.Choice("Kerf", KERFS)) : Optional.empty();
    String file = export.file();
    pane()
        .ask(
            export.title(),
            "Write",
            files.folder(),
            files.slug() + "-" + file,
            file.substring(file.indexOf('.')),
            FilePane.Use.WRITE,
            path -> export(export, path),
            choice);
  }

  /** Asks for a folder and writes the code for the board that is looked at into it. */
  void askFirmware(Firmware.Target target) {
    pane()
        .ask(
            "Firmware, " + target.title() + ": " + target.words(),
            "Write",
            files.folder(),
            files.slug() + "-" + target.word(),
            "/",
            FilePane.Use.FOLDER,
            path -> firmware(target, path),
            Optional.empty());
  }

  private boolean firmware(Firmware.Target target, Path into) {
    Bench bench = workbench.bench().get();
    workbench.say("Writing " + into.getFileName());
    Aside.run(
        "export",
        () -> Exports.FIRMWARE.files(bench, new Export.Choices(Paper.A4, 0, target)),
        files ->
            place(
                Exports.FIRMWARE,
                into.resolve(Exports.FIRMWARE.file()),
                files,
                Exports.FIRMWARE.notes(bench)),
        workbench::complain);
    return true;
  }

  private boolean export(Export export, Path file) {
    Bench bench = workbench.bench().get();
    String chosen = pane().chosen();
    Paper paper = chosen.equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    double kerf = export.isCut() ? Length.parse(chosen, LengthUnit.MM).mm() : 0;
    workbench.say("Writing " + file.getFileName());
    Aside.run(
        "export",
        () -> named(export.files(bench, new Export.Choices(paper, kerf)), file),
        files -> place(export, file, files, export.notes(bench)),
        why -> workbench.complain(export.title() + ": " + why));
    return true;
  }

  /** The first file goes where it was asked for, others of the same export beside it. */
  private static Map<String, byte[]> named(Map<String, byte[]> files, Path file) {
    String name = file.getFileName().toString();
    String stem = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
    Map<String, byte[]> named = new LinkedHashMap<>();
    files.forEach(
        (other, content) -> {
          String ending = other.substring(other.lastIndexOf('.'));
          String wanted = named.isEmpty() ? name : stem + ending;
          named.put(named.containsKey(wanted) ? stem + "-" + other : wanted, content);
        });
    return named;
  }

  private void place(Export export, Path file, Map<String, byte[]> files, List<String> notes) {
    ExportFolder folder = new ExportFolder(file.toAbsolutePath().getParent());
    try {
      List<Path> others = folder.others(files.keySet());
      if (others.isEmpty()) {
        put(export, folder, files, notes);
      } else {
        pane()
            .confirm(
                others.get(0).getFileName() + " is there and is not as Kumite wrote it",
                "Replacing it takes away what is in it now.",
                "Replace it",
                () -> put(export, folder, files, notes));
      }
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
    }
  }

  private void put(
      Export export, ExportFolder folder, Map<String, byte[]> files, List<String> notes) {
    try {
      List<Path> written = folder.write(files);
      workbench.say(
          export.title()
              + " written to "
              + written.get(0)
              + (written.size() > 1 ? " and " + (written.size() - 1) + " more beside it" : "")
              + (notes.isEmpty() ? "" : ". " + String.join(". ", notes)));
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
    }
  }
}
