package kumite.desktop.shell;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.files.DrawerFile;
import kumite.files.RecentFiles;
import kumite.files.TextFile;
import kumite.parts.PartFile;

/** Opening, saving and exporting, by way of the file pane inside the window. */
public final class FileDesk {
  private final ExportDesk exports;
  private final Workbench workbench;
  private final RecentFiles recent;
  private FilePane pane;

  /** What the build's file held when it was read or written here last. */
  private BuildFile.Held held = new BuildFile.Held(Optional.empty());

  FileDesk(Workbench workbench, RecentFiles recent) {
    exports = new ExportDesk(workbench, this);
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

  /** {@return what goes to the bench} */
  ExportDesk exports() {
    return exports;
  }

  FilePane pane() {
    return pane;
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

  /** Asks for what a board told of itself, as text in a file. */
  void askSelfTest(Consumer<String> told) {
    text("Read the self-test stream of a board (.txt)", told);
  }

  private void text(String question, Consumer<String> told) {
    pane.ask(
        question,
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

  /** {@return the drawer that is kept across builds} */
  public DrawerFile drawer() {
    return recent.drawer();
  }

  /** Asks for a drawer, as a table in a file. */
  public void askDrawer(Consumer<String> told) {
    text("Read a drawer (.csv)", told);
  }

  /** Asks for a file of own parts and adds them to the build, all or none. */
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
  Path folder() {
    return workbench
        .file()
        .get()
        .or(() -> recent.all().stream().findFirst())
        .map(f -> f.toAbsolutePath().getParent())
        .orElse(Path.of(System.getProperty("user.dir")));
  }

  /** {@return the build's title as the beginning of a file's name} */
  String slug() {
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
