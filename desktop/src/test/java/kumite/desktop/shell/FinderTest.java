package kumite.desktop.shell;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import kumite.build.Build;
import kumite.desktop.Fx;
import kumite.files.Demo;
import kumite.files.RecentFiles;
import kumite.finding.Station;
import kumite.parts.Catalogue;
import kumite.power.Sum;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import org.testfx.api.FxToolkit;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever there is can be found by its name, and goes where it is. */
public class FinderTest {
  private Workbench workbench;
  private Commands commands;
  private Finder finder;
  private final List<Sum> sums = new ArrayList<>();

  @BeforeClass
  public void open() throws Exception {
    FxToolkit.registerPrimaryStage();
    Catalogue catalogue = Catalogue.standard();
    Build demo = Demo.open("ferry-bridge", catalogue);
    RecentFiles recent = new RecentFiles(Files.createTempDirectory("finder"));
    Fx.onFx(
        () -> {
          workbench = new Workbench(catalogue, demo);
          commands =
              new Commands(workbench, new FileDesk(workbench, recent), Rooms.standard().stations());
          finder = new Finder(workbench, commands, sums::add);
        });
    Fx.await(20, "no bench comes", () -> workbench.bench().get().build().equals(demo));
  }

  @SuppressWarnings("unchecked")
  private List<Finder.Found> hits(String typed) {
    List<Finder.Found> hits = new ArrayList<>();
    Fx.onFx(
        () -> {
          finder.open();
          ((TextField) finder.getChildren().get(0)).setText(typed);
          hits.addAll(((ListView<Finder.Found>) finder.getChildren().get(1)).getItems());
        });
    return hits;
  }

  private void take(String typed) {
    hits(typed);
    Fx.onFx(
        () ->
            finder
                .getChildren()
                .get(0)
                .fireEvent(
                    new KeyEvent(
                        KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false)));
  }

  private Bench bench() {
    return workbench.bench().get();
  }

  @Test
  public void everyCommandIsFoundByItsName() {
    List<String> lost = new ArrayList<>();
    for (Command command : commands.all()) {
      if (command.possible().getAsBoolean() && !command.name().equals("Find")) {
        if (hits(command.name()).stream().noneMatch(f -> f.name().equals(command.name()))) {
          lost.add(command.name());
        }
      }
    }
    assertEquals(lost, List.of());
    assertTrue(commands.all().size() > 100, "commands: " + commands.all().size());
  }

  @Test
  public void everyFunctionFindingAndSumIsFound() {
    List<String> names = new ArrayList<>();
    bench().build().profile().functions().forEach(f -> names.add("function " + f.name()));
    bench().findings().forEach(f -> names.add("finding " + f.code().text() + " " + f.title()));
    Arrays.stream(Sum.values()).forEach(s -> names.add("sum " + s.title()));
    assertTrue(names.size() > 30);
    for (String name : names) {
      assertTrue(hits(name).stream().anyMatch(f -> (f.kind() + " " + f.name()).equals(name)), name);
    }
  }

  @DataProvider
  public Object[][] otherWords() {
    return new Object[][] {
      {"add joystick", "Add .*Lever.*"},
      {"metric", "Show millimetres"},
      {"imperial", "Show inches"},
      {"theme", "Dark or light"},
      {"stencil", "Export: .*[Tt]emplate.*"},
      {"add fader", "Add .*[Ss]lider.*"},
    };
  }

  @Test(dataProvider = "otherWords")
  public void anotherWordForTheSameFindsIt(String typed, String name) {
    List<Finder.Found> hits = hits(typed);
    assertTrue(hits.stream().anyMatch(f -> f.name().matches(name)), hits.toString());
  }

  @Test
  public void whatIsTakenGoesThere() {
    take("function Sound horn");
    assertEquals(workbench.station().get(), Station.MAP);
    assertEquals(
        workbench.path().get().flatMap(bench()::path).orElseThrow().function(), "Sound horn");
    take("PN-05");
    assertEquals(workbench.station().get(), Station.PANEL);
    take("sum " + Sum.values()[2].title());
    assertEquals(sums, List.of(Sum.values()[2]));
    assertEquals(hits("sum").get(0).name(), Sum.values()[2].title(), "taken last, found first");
    assertEquals(hits("no such thing anywhere"), List.of());
    assertEquals(hits("").size(), 60);
  }
}
