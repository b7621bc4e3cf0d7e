package kumite.desktop.shell;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import kumite.files.Demo;

/** The build's name, which opens what can be done with its file. */
final class FileMenu extends MenuButton {
  private final FileDesk files;
  private final Commands commands;

  FileMenu(Workbench workbench, FileDesk files, Commands commands) {
    this.files = files;
    this.commands = commands;
    setId("build-menu");
    getStyleClass().addAll("build-title", "build-menu");
    setMinWidth(80);
    workbench.build().addListener((o, was, is) -> setText(is.brief().title()));
    setText(workbench.build().get().brief().title());
    setTooltip(new Tooltip());
    getTooltip().textProperty().bind(textProperty().concat(": new, open, save, export"));
    setOnShowing(event -> fill());
    fill();
  }

  /** Recent builds change between two looks, so the list is made anew for each. */
  private void fill() {
    Menu recent = new Menu("Open recent");
    recent.setId("open-recent");
    List<Path> known = files.recent();
    for (Path file : known) {
      MenuItem item = new MenuItem(file.getFileName() + "   " + file.getParent());
      item.setMnemonicParsing(false);
      item.setOnAction(event -> files.openAfterAsking(file));
      recent.getItems().add(item);
    }
    recent.setDisable(known.isEmpty());
    Menu demos = new Menu("Demos");
    for (String name : Demo.names()) {
      MenuItem item = new MenuItem(name);
      item.setMnemonicParsing(false);
      item.setOnAction(event -> files.openDemo(name));
      demos.getItems().add(item);
    }
    getItems()
        .setAll(
            of("New build"),
            of("Open a build"),
            recent,
            demos,
            new SeparatorMenuItem(),
            of("Save"),
            of("Save under another name"),
            of("Save a copy"),
            new SeparatorMenuItem(),
            of("Bench sheet"),
            of("Export everything"));
  }

  private MenuItem of(String name) {
    Command command =
        commands.all().stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
    MenuItem item = new MenuItem(name);
    item.setId("menu-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    command.keys().ifPresent(item::setAccelerator);
    item.setOnAction(event -> command.run().run());
    return item;
  }
}
