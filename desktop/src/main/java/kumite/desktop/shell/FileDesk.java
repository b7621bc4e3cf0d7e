package kumite.desktop.shell;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javafx.concurrent.Task;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Tables;
import kumite.sheet.BenchSheet;
import kumite.sheet.Paper;
import kumite.verdict.Bench;

/** Opening, saving and exporting, by way of the file pane inside the window. */
final class FileDesk {
  /** What can be exported. */
  enum What {
    SHEET("Bench sheet", "-bench-sheet.pdf"),
    WIRING("Wiring chart", "-wiring.csv"),
    DRILL("Drill table", "-drill.csv"),
    DESCRIPTOR("Report descriptor", "-descriptor.hex");

    private final String words;
    private final String ending;

    What(String words, String ending) {
      this.words = words;
      this.ending = ending;
    }
  }

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

  void askExport(What what) {
    Optional<FilePane.Choice> paper =
        what == What.SHEET
            ? Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words()))
            : Optional.empty();
    String ending = what.ending.substring(what.ending.indexOf('.'));
    pane.ask(
        what.words,
        "Write",
        folder(),
        slug() + what.ending,
        ending,
        file -> export(what, file),
        paper);
  }

  private boolean export(What what, Path file) {
    Bench bench = workbench.bench().get();
    Paper paper = pane.chosen().equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    Task<Path> task =
        new Task<>() {
          @Override
          protected Path call() throws IOException {
            byte[] bytes =
                switch (what) {
                  case SHEET -> BenchSheet.pdf(bench, paper);
                  case WIRING -> utf8(Tables.wiring(bench));
                  case DRILL -> utf8(Tables.drill(bench));
                  case DESCRIPTOR -> utf8(Tables.hex(bench.layout().descriptor()));
                };
            Files.write(file, bytes);
            return file;
          }
        };
    task.setOnSucceeded(event -> workbench.say(what.words + " written to " + file));
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

  private static byte[] utf8(String text) {
    return text.getBytes(java.nio.charset.StandardCharsets.UTF_8);
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
