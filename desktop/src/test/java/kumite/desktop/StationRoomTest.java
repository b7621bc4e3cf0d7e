package kumite.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import kumite.build.Decided;
import kumite.build.Edit;
import kumite.build.Part;
import kumite.codec.Plain;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFile;
import kumite.finding.Station;
import kumite.measure.Range;
import kumite.parts.Catalogue;
import kumite.room.PartCodec;
import kumite.verdict.Bench;
import kumite.verdict.Room;
import kumite.verdict.Rooms;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** A station in the window, made out of test sources alone. */
public class StationRoomTest {
  private static final Station SHELF = new Station("Shelf");

  /** How many lie on the shelf. */
  record Shelf(int many) implements Decided<Shelf> {
    static final Part<Shelf> PART = new Part<>("shelf", new Shelf(0));
  }

  /** The core's room of it. */
  static final class ShelfRoom implements Room {
    @Override
    public Station station() {
      return SHELF;
    }

    @Override
    public List<PartCodec<?>> parts() {
      return List.of(
          new PartCodec<>(
              Shelf.PART, false, Plain.whole(Range.of(0, 1000)).as(Shelf::new, Shelf::many)));
    }

    @Override
    public State state(Bench bench) {
      return new State(bench.build().get(Shelf.PART).many() + " there", true);
    }

    @Override
    public String nothingToSay(Bench bench) {
      return "A shelf judges nothing.";
    }
  }

  /** Its view: one button that puts one more on the shelf. */
  static final class ShelfView implements StationView {
    private final Label many = new Label();
    private final VBox node;

    ShelfView(Workbench workbench) {
      many.setId("shelf-many");
      Button more = new Button("One more");
      more.setId("shelf-more");
      more.setOnAction(
          event ->
              workbench.apply(
                  new Edit(
                      "One more",
                      b -> b.with(Shelf.PART, new Shelf(b.get(Shelf.PART).many() + 1)))));
      node = new VBox(many, more);
    }

    @Override
    public Station station() {
      return SHELF;
    }

    @Override
    public Node node() {
      return node;
    }

    @Override
    public void show(Bench bench) {
      many.setText("On the shelf: " + bench.build().get(Shelf.PART).many());
    }
  }

  /** Its room in the window. */
  static final class ShelfStationRoom implements StationRoom {
    @Override
    public Station station() {
      return SHELF;
    }

    @Override
    public StationView view(Workbench workbench, Shell.Frame frame) {
      return new ShelfView(workbench);
    }
  }

  private Window window;

  private static String state(Window window) {
    var button = (Button) window.nodes("#station-shelf").get(0);
    return Window.onFx(() -> ((Label) ((VBox) button.getGraphic()).getChildren().get(1)).getText());
  }

  @AfterMethod(alwaysRun = true)
  public void close() throws Exception {
    if (window != null) {
      window.close();
    }
  }

  @Test
  public void aNewStationIsInTheListAndKeepsItsPartThroughUndoAndFile() throws Exception {
    Path state = Files.createTempDirectory("state");
    Rooms rooms = Rooms.standard().with(new ShelfRoom());
    List<StationRoom> stations = new ArrayList<>(StationRoom.standard());
    stations.add(new ShelfStationRoom());
    window = Window.withRooms(state, rooms, stations, "--demo");
    window.click("#station-shelf");
    assertThat(window.text("#shelf-many")).isEqualTo("On the shelf: 0");
    window.click("#shelf-more");
    window.click("#shelf-more");
    assertThat(window.bench().build().get(Shelf.PART).many()).isEqualTo(2);
    assertThat(window.text("#shelf-many")).isEqualTo("On the shelf: 2");
    assertThat(state(window)).isEqualTo("2 there");
    assertThat(window.text(".none-here")).isEqualTo("A shelf judges nothing.");
    String text = BuildFile.text(window.bench().build(), rooms);
    assertThat(BuildFile.parse(text, "x", Catalogue.standard(), rooms))
        .isEqualTo(window.bench().build());
    Fx.onFx(() -> window.workbench().undo());
    assertThat(window.bench().build().get(Shelf.PART).many()).isEqualTo(1);
    window.close();
    window = null;
    assertThat(
            new kumite.files.Journal(state, rooms)
                .find(Catalogue.standard())
                .work()
                .map(unsaved -> unsaved.build().get(Shelf.PART).many()))
        .as("what was not saved is kept with its part")
        .isEqualTo(Optional.of(1));
  }

  /** Each room of the core has one in the window, in the same order. */
  @Test
  public void everyStationHasItsRoomInTheWindow() {
    assertThat(StationRoom.standard().stream().map(StationRoom::station))
        .isEqualTo(Rooms.standard().stations());
    assertThat(
            StationRoom.standard().stream()
                .flatMap(room -> room.pictures().stream())
                .map(StationRoom.Picture::name))
        .doesNotHaveDuplicates();
  }
}
