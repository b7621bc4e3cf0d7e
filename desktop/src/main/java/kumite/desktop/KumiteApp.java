package kumite.desktop;

import java.io.IOException;
import java.util.List;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.stage.Stage;
import kumite.build.Build;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFileException;
import kumite.files.Journal;
import kumite.files.RecentFiles;
import kumite.parts.Catalogue;

/** The application: one window over one workbench. */
public final class KumiteApp extends Application {
  private Workbench workbench;
  private Shell shell;
  private Safekeeper safekeeper;

  @Override
  public void start(Stage stage) {
    Opening opening;
    setUserAgentStylesheet(Look.baseTheme());
    Look.loadFonts();
    try {
      opening = Launcher.opening(getParameters().getRaw());
    } catch (IllegalArgumentException e) {
      System.err.println(e.getMessage());
      Platform.exit();
      return;
    }
    open(stage, opening);
    Options options = opening.options();
    if (options.pictures().isPresent()) {
      new Pictures(stage, workbench, shell, options.pictures().get())
          .takeAll(StationRoom.standard());
    } else if (options.picture().isPresent()) {
      Pictures.takeOne(stage, options.picture().get());
    }
    if (options.exitWhenShown()) {
      Platform.runLater(() -> Platform.runLater(Platform::exit));
    }
  }

  /** Shows the window; tests call this with a folder of their own for the journal. */
  void open(Stage stage, Opening opening) {
    open(stage, opening, StationRoom.standard());
  }

  /** Shows the window with these stations. */
  void open(Stage stage, Opening opening, List<StationRoom> stations) {
    Options options = opening.options();
    Catalogue catalogue = opening.catalogue();
    Build first = opening.bench().build();
    workbench = new Workbench(catalogue, opening.bench());
    workbench.file().set(opening.file());
    shell = new Shell(workbench, stations, new RecentFiles(options.state()));
    Scene scene = new Scene(shell, WindowPlace.USUAL_WIDTH, WindowPlace.USUAL_HEIGHT);
    Look.dress(scene);
    shell.install(scene);
    stage.setScene(scene);
    stage.setOnCloseRequest(
        event -> {
          if (!shell.mayClose(stage::close)) {
            event.consume();
          }
        });
    stage.setMinWidth(1000);
    stage.setMinHeight(660);
    place(stage, options);
    stage.setTitle("Kumite");
    workbench.build().addListener((o, was, is) -> stage.setTitle(is.brief().title() + " – Kumite"));
    stage.setTitle(first.brief().title() + " – Kumite");
    stage.show();
    opening.complaint().ifPresent(workbench::complain);
    if (options.pictures().isEmpty()) {
      Journal journal = new Journal(options.state(), workbench.rooms());
      Journal.Found found = journal.find(catalogue);
      safekeeper = new Safekeeper(workbench, journal);
      found.trouble().ifPresent(workbench::complain);
      found.work().ifPresent(this::offer);
    }
  }

  /** Pictures are taken at the usual size; else the window comes back as it was left. */
  private void place(Stage stage, Options options) {
    List<Rectangle2D> screens = WindowPlace.screens();
    WindowPlace usual = WindowPlace.usual(screens.get(0));
    if (options.pictures().isPresent() || options.picture().isPresent()) {
      usual.place(stage);
      return;
    }
    WindowPlace at = WindowPlace.kept(options.state()).orElse(usual).within(screens);
    at.place(stage);
    stage.setOnHiding(
        event -> {
          try {
            WindowPlace.of(stage, at).keep(options.state());
          } catch (IOException | BuildFileException e) {
            System.err.println("The place of the window was not kept: " + e.getMessage());
          }
        });
  }

  private void offer(Journal.Unsaved unsaved) {
    Build now = workbench.build().get();
    shell.offerRecovery(
        "There is unsaved work",
        "\""
            + unsaved.build().brief().title()
            + "\", "
            + unsaved.build().controls().size()
            + " controls, was not saved when Kumite last ended"
            + unsaved.savedAs().map(f -> "; it belongs to " + f).orElse("")
            + ".",
        () -> workbench.openUnsaved(unsaved.build(), now, unsaved.savedAs()),
        () -> workbench.say("The unsaved work was thrown away"));
  }

  /** {@return the state of the window, for tests} */
  Workbench workbench() {
    return workbench;
  }

  @Override
  public void stop() {
    if (safekeeper != null) {
      safekeeper.finish();
    }
  }
}
