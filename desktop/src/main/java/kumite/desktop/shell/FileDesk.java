package kumite.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.concurrent.Task;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.files.ExportFolder;
import kumite.files.RecentFiles;
import kumite.files.TextFile;
import kumite.firmware.Firmware;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.measure.Paper;
import kumite.parts.PartFile;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;

/** Opening, saving and exporting, by way of the file pane inside the window. */
public final class FileDesk {
  /** Usual widths of a laser's or a cutter's cut. */
  private static final String[] KERFS = {"0 mm", "0.1 mm", "0.2 mm", "0.3 mm", "1 mm", "3 mm"};

  private final Workbench workbench;
  private final RecentFiles recent;
  private FilePane pane;

  /** What the build's file held when it was read or written here last. */
  private BuildFile.Held held = new BuildFile.Held(Optional.empty());

  FileDesk(Workbench workbench, RecentFiles recent) {
    this.workbench = workbench;
    this.recent = recent;
    workbench
        .file()
        .addListener(
            (o, was, is) -> {
              held = is.map(BuildFile.Held::by).orElse(new BuildFile.Held(Optional.empty()));
              is.ifPresent(this::remember);
            });
    workbench.file().get().ifPresent(file -> held = BuildFile.Held.by(file));
  }

  private void remember(Path file) {
    try {
      recent.used(file);
    } catch (BuildFileException e) {
      workbench.complain("The list of recent builds: " + e.getMessage());
    }
  }

  /** {@return the builds opened or saved last that are still there} */
  public List<Path> recent() {
    return recent.all();
  }

  /** Opens a build; unsaved work is asked about first. */
  public void openAfterAsking(Path file) {
    guard("open another build", () -> open(file));
  }

  /** Opens a demo; unsaved work is asked about first. */
  public void openDemo(String name) {
    guard(
        "open a demo",
        () -> {
          try {
            workbench.open(Demo.open(name, workbench.catalogue()), Optional.empty());
          } catch (BuildFileException e) {
            workbench.complain(e.getMessage());
          }
        });
  }

  /** {@return whether nothing would be lost by closing; else it is asked, and closed after that} */
  boolean mayClose(Runnable close) {
    if (!workbench.unsaved()) {
      return true;
    }
    guard(
        "close",
        () -> {
          workbench.letGo();
          close.run();
        });
    return false;
  }

  /** Writes the build beside its own file, which stays the one it is saved to. */
  void askCopy() {
    pane.ask(
        "Save a copy",
        "Save",
        folder(),
        slug() + "-copy" + BuildFile.ENDING,
        BuildFile.ENDING,
        FilePane.Use.WRITE,
        this::copyTo,
        Optional.empty());
  }

  private boolean copyTo(Path file) {
    if (Files.exists(file)) {
      pane.confirm(
          file.getFileName() + " is there already",
          "What is in it now is kept beside it under a name ending in .bak.",
          "Replace it",
          () -> writeCopy(file));
      return false;
    }
    return writeCopy(file);
  }

  private boolean writeCopy(Path file) {
    try {
      BuildFile.write(workbench.kept(), file, workbench.rooms());
      workbench.say("A copy is in " + file);
      return true;
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
      return false;
    }
  }

  /** Asks for a new folder and writes every export into it that the build allows. */
  void askEverything() {
    pane.ask(
        "Export everything into a folder",
        "Write",
        folder(),
        slug() + "-bench",
        "/",
        FilePane.Use.FOLDER,
        this::everything,
        Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words())));
  }

  private boolean everything(Path into) {
    Bench bench = workbench.bench().get();
    Paper paper = pane.chosen().equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    List<String> left = new ArrayList<>();
    Task<List<Path>> task =
        new Task<>() {
          @Override
          protected List<Path> call() throws IOException, BuildFileException {
            Map<String, byte[]> files =
                Export.everything(
                    bench,
                    new Export.Choices(paper, 0),
                    (export, why) -> left.add(export.title().toLowerCase(Locale.ROOT)));
            Files.createDirectories(into);
            return new ExportFolder(into).write(files);
          }
        };
    task.setOnSucceeded(
        event ->
            workbench.say(
                task.getValue().size()
                    + " files are in "
                    + into
                    + (left.isEmpty() ? "" : "; left out: " + String.join(", ", left))));
    task.setOnFailed(event -> workbench.complain(task.getException().getMessage()));
    workbench.say("Writing everything into " + into.getFileName());
    Thread thread = new Thread(task, "export");
    thread.setDaemon(true);
    thread.start();
    return true;
  }

  void use(FilePane newPane) {
    pane = newPane;
  }

  void startNew() {
    guard("start a new build", () -> workbench.open(Build.empty("New build"), Optional.empty()));
  }

  /** Asks which build to open. */
  public void askOpen() {
    guard(
        "open another build",
        () ->
            pane.ask(
                "Open a build",
                "Open",
                folder(),
                "",
                BuildFile.ENDING,
                FilePane.Use.READ,
                file -> open(file),
                Optional.empty()));
  }

  /** {@return whether the file was opened} */
  boolean open(Path file) {
    try {
      Build build = BuildFile.read(file, workbench.catalogue(), workbench.rooms());
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
        "Save the build",
        "Save",
        folder(),
        name,
        BuildFile.ENDING,
        FilePane.Use.WRITE,
        this::saveTo,
        Optional.empty());
  }

  private boolean saveTo(Path file) {
    Path named =
        file.getFileName().toString().endsWith(BuildFile.ENDING)
            ? file
            : file.resolveSibling(file.getFileName() + BuildFile.ENDING);
    BuildFile.Held now = BuildFile.Held.by(named);
    boolean own = workbench.file().get().filter(named::equals).isPresent();
    if (now.sum().isPresent() && !(own && now.equals(held))) {
      pane.confirm(
          own
              ? named.getFileName() + " was changed by another program since you opened it"
              : named.getFileName() + " is there already",
          "What is in it now is kept beside it under a name ending in .bak.",
          "Replace it",
          () -> write(named));
      return false;
    }
    return write(named);
  }

  private boolean write(Path named) {
    try {
      BuildFile.write(workbench.kept(), named, workbench.rooms());
      held = BuildFile.Held.by(named);
      workbench.savedTo(named);
      workbench.say("Saved " + named);
      return true;
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
      return false;
    }
  }

  /** Asks for a file of own parts and adds them to the build, all or none. */
  /** Asks for what a board told of itself, as text in a file. */
  void askSelfTest(Consumer<String> told) {
    pane.ask(
        "Read the self-test stream of a board (.txt)",
        "Read",
        folder(),
        "",
        "",
        FilePane.Use.READ,
        file -> {
          try {
            told.accept(TextFile.read(file));
            return true;
          } catch (BuildFileException e) {
            workbench.complain(e.getMessage());
            return false;
          }
        },
        Optional.empty());
  }

  void askParts() {
    pane.ask(
        "Read parts from a file (.csv or .json)",
        "Read",
        folder(),
        "",
        "",
        FilePane.Use.READ,
        this::readParts,
        Optional.empty());
  }

  private boolean readParts(Path file) {
    try {
      PartFile.Imported found = PartFile.read(TextFile.read(file), file.getFileName().toString());
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
      if (!found.notes().isEmpty()) {
        workbench.say(found.kinds().size() + " parts read; " + String.join("; ", found.notes()));
      }
      return true;
    } catch (BuildFileException e) {
      workbench.complain(e.getMessage());
      return false;
    }
  }

  void askExport(Export export) {
    Optional<FilePane.Choice> choice =
        export.onPaper()
            ? Optional.of(new FilePane.Choice("Paper", Paper.A4.words(), Paper.LETTER.words()))
            : export.isCut() ? Optional.of(new FilePane.Choice("Kerf", KERFS)) : Optional.empty();
    String file = export.file();
    pane.ask(
        export.title(),
        "Write",
        folder(),
        slug() + "-" + file,
        file.substring(file.indexOf('.')),
        FilePane.Use.WRITE,
        path -> export(export, path),
        choice);
  }

  /** Asks for a folder and writes the code for the board that is looked at into it. */
  void askFirmware(Firmware.Target target) {
    pane.ask(
        "Firmware, " + target.title() + ": " + target.words(),
        "Write",
        folder(),
        slug() + "-" + target.word(),
        "/",
        FilePane.Use.FOLDER,
        path -> firmware(target, path),
        Optional.empty());
  }

  private boolean firmware(Firmware.Target target, Path into) {
    Bench bench = workbench.bench().get();
    Task<Map<String, byte[]>> task =
        new Task<>() {
          @Override
          protected Map<String, byte[]> call() {
            return Exports.FIRMWARE.files(bench, new Export.Choices(Paper.A4, 0, target));
          }
        };
    task.setOnSucceeded(
        event ->
            place(
                Exports.FIRMWARE,
                into.resolve(Exports.FIRMWARE.file()),
                task.getValue(),
                Exports.FIRMWARE.notes(bench)));
    task.setOnFailed(event -> workbench.complain(task.getException().getMessage()));
    workbench.say("Writing " + into.getFileName());
    Thread thread = new Thread(task, "export");
    thread.setDaemon(true);
    thread.start();
    return true;
  }

  private boolean export(Export export, Path file) {
    Bench bench = workbench.bench().get();
    String chosen = pane.chosen();
    Paper paper = chosen.equals(Paper.LETTER.words()) ? Paper.LETTER : Paper.A4;
    double kerf = export.isCut() ? Length.parse(chosen, LengthUnit.MM).mm() : 0;
    Task<Map<String, byte[]>> task =
        new Task<>() {
          @Override
          protected Map<String, byte[]> call() {
            return named(export.files(bench, new Export.Choices(paper, kerf)), file);
          }
        };
    task.setOnSucceeded(event -> place(export, file, task.getValue(), export.notes(bench)));
    task.setOnFailed(
        event -> workbench.complain(export.title() + ": " + task.getException().getMessage()));
    workbench.say("Writing " + file.getFileName());
    Thread thread = new Thread(task, "export");
    thread.setDaemon(true);
    thread.start();
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
        pane.confirm(
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

  /** The build's own folder, or the one used last. */
  private Path folder() {
    return workbench
        .file()
        .get()
        .or(() -> recent.all().stream().findFirst())
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
