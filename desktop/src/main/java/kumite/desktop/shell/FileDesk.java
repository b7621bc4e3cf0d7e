package kumite.desktop.shell;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.concurrent.Task;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.parts.PartFile;
import kumite.sheet.Export;
import kumite.sheet.Paper;
import kumite.verdict.Bench;

/** Opening, saving and exporting, by way of the file pane inside the window. */
final class FileDesk {
  /** Usual widths of a laser's or a cutter's cut. */
  private static final String[] KERFS = {"0 mm", "0.1 mm", "0.2 mm", "0.3 mm", "1 mm", "3 mm"};

  private static final long LARGEST_PARTS_BYTES = 16L * 1024 * 1024;

  private final Workbench workbench;
  private FilePane pane;

  FileDesk(Workbench workbench) {
    this.workbench = workbench;
  }

  void use(FilePane newPane) {
    pane = newPane;
  }

  void startNew() {
    guard("start a new build", () -> workbench.open(Build.empty("New build"), Optional.empty()));
  }

  void askOpen() {
    guard(
        "open another build",
        () ->
            pane.ask(
                "Open a build",
                "Open",
                folder(),
                "",
                BuildFile.ENDING,
                file -> open(file),
                Optional.empty()));
  }

  /** {@return whether the file was opened} */
  boolean open(Path file) {
    try {
      Build build = BuildFile.read(file, workbench.catalogue());
      workbench.open(build, Optional.of(file));
      workbench.say("Opened " + file.getFileName());
      return true;
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
      return false;
    }
  }

  void save() {
    if (workbench.file().get().isEmpty()) {
      askSave();
    } else {
      saveTo(workbench.file().get().get());
    }
  }

  void askSave() {
    String name =
        workbench
            .file()
            .get()
            .map(f -> f.getFileName().toString())
            .orElse(slug() + BuildFile.ENDING);
    pane.ask(
        "Save the build", "Save", folder(), name, BuildFile.ENDING, this::saveTo, Optional.empty());
  }

  private boolean saveTo(Path file) {
    Path named =
        file.getFileName().toString().endsWith(BuildFile.ENDING)
            ? file
            : file.resolveSibling(file.getFileName() + BuildFile.ENDING);
    try {
      BuildFile.write(workbench.build().get(), named);
      workbench.savedTo(named);
      workbench.say("Saved " + named);
      return true;
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
      return false;
    }
  }

  /** Asks for a file of own parts and adds them to the build, all or none. */
  void askParts() {
    pane.ask(
        "Read parts from a file (.csv or .json)",
        "Read",
        folder(),
        "",
        "",
        this::readParts,
        Optional.empty());
  }

  private boolean readParts(Path file) {
    try {
      if (Files.size(file) > LARGEST_PARTS_BYTES) {
        workbench.complain(file.getFileName() + " is larger than any list of parts (16 MB)");
        return false;
      }
      PartFile.Imported found =
          PartFile.read(Files.readString(file), file.getFileName().toString());
      if (!found.problems().isEmpty()) {
        List<PartFile.Problem> first =
            found.problems().subList(0, Math.min(4, found.problems().size()));
        workbench.complain(
            file.getFileName()
                + ": "
                + first.stream().map(PartFile.Problem::words).collect(Collectors.joining("; "))
                + (found.problems().size() > first.size()
                    ? "; and " + (found.problems().size() - first.size()) + " more"
                    : "")
                + ". Nothing was taken over.");
        return false;
      }
      workbench.takeParts(found.kinds());
      return true;
    } catch (IOException e) {
      workbench.complain(file + " cannot be read: " + reason(e));
      return false;
    }
  }

  void askExport(Export export) {
    Optional<FilePane.Choice> choice =
        export.onPaper()
            ? Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words()))
            : export.cut() ? Optional.of(new FilePane.Choice("Kerf", KERFS)) : Optional.empty();
    String file = export.file();
    pane.ask(
        export.title(),
        "Write",
        folder(),
        slug() + "-" + file,
        file.substring(file.indexOf('.')),
        path -> export(export, path),
        choice);
  }

  private boolean export(Export export, Path file) {
    Bench bench = workbench.bench().get();
    String chosen = pane.chosen();
    Paper paper = chosen.equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    double kerf = export.cut() ? Length.parse(chosen, LengthUnit.MM).mm() : 0;
    Task<Path> task =
        new Task<>() {
          @Override
          protected Path call() throws IOException {
            Files.write(file, export.content(bench, new Export.Choices(paper, kerf)));
            return file;
          }
        };
    task.setOnSucceeded(event -> workbench.say(export.title() + " written to " + file));
    task.setOnFailed(
        event ->
            workbench.complain(
                file
                    + " cannot be written: "
                    + reason(task.getException())
                    + "; choose another place"));
    workbench.say("Writing " + file.getFileName());
    Thread thread = new Thread(task, "export");
    thread.setDaemon(true);
    thread.start();
    return true;
  }

  private static String reason(Throwable e) {
    Throwable cause = e instanceof UncheckedIOException && e.getCause() != null ? e.getCause() : e;
    return cause instanceof java.nio.file.NoSuchFileException
        ? "its folder does not exist"
        : cause.getMessage();
  }

  /** Unsaved work is asked about first; nothing is thrown away by a slip. */
  private void guard(String what, Runnable then) {
    if (workbench.unsaved()) {
      pane.askKeep(
          "This build is not saved",
          "Save it before you " + what + "?",
          () -> {
            save();
            if (!workbench.unsaved()) {
              then.run();
            }
          },
          then);
    } else {
      then.run();
    }
  }

  private Path folder() {
    return workbench
        .file()
        .get()
        .map(f -> f.toAbsolutePath().getParent())
        .orElse(Path.of(System.getProperty("user.dir")));
  }

  private String slug() {
    String slug =
        workbench
            .build()
            .get()
            .brief()
            .title()
            .toLowerCase(Locale.ROOT)
            .replaceAll("[^a-z0-9]+", "-")
            .replaceAll("^-|-$", "");
    return slug.isEmpty() ? "build" : slug;
  }
}
