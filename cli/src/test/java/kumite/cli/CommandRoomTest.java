package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.codec.Plain;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.parts.Catalogue;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.PartCodec;
import kumite.room.Sight;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Room;
import kumite.verdict.Rooms;
import org.testng.annotations.Test;
import picocli.CommandLine;

/** A station's commands, made out of test sources alone. */
public class CommandRoomTest {

  /** Where a build is kept. */
  record Shelf(String place) implements Decided<Shelf> {
    static final Part<Shelf> PART = new Part<>("shelf", new Shelf(""));
  }

  /** A station that knows on which shelf a build lies. */
  static final class ShelfRoom implements Room {
    static final Derivation<String> LABEL =
        Derivation.of(
            "label",
            Sight.of(Facet.of(Shelf.PART), Facet.CONTROLS),
            given -> given.build().get(Shelf.PART).place() + ":" + given.build().controls().size());

    @Override
    public Station station() {
      return new Station("Shelf");
    }

    @Override
    public List<PartCodec<?>> parts() {
      return List.of(new PartCodec<>(Shelf.PART, false, Plain.TEXT.as(Shelf::new, Shelf::place)));
    }

    @Override
    public List<Export> exports() {
      return List.of(
          Export.of(
              "shelf-label",
              "Label of the shelf",
              "shelf.txt",
              bench -> bench.get(LABEL).getBytes(StandardCharsets.UTF_8)));
    }
  }

  /** Its one command. */
  @CommandLine.Command(name = "where", description = "Where a build lies.")
  static final class Where implements Callable<Integer> {
    @CommandLine.Spec private CommandLine.Model.CommandSpec spec;
    @CommandLine.Mixin private Input input;

    @Override
    public Integer call() throws Exception {
      Bench bench = input.bench();
      spec.commandLine().getOut().println(bench.get(ShelfRoom.LABEL));
      return 0;
    }
  }

  /** A command that stumbles over what nobody thought of. */
  @CommandLine.Command(name = "stumble", description = "Fails.")
  static final class Stumble implements Callable<Integer> {
    @Override
    public Integer call() {
      throw new IllegalStateException("no way\n  out");
    }
  }

  private static Ran run(String... args) {
    List<CommandRoom> rooms = new ArrayList<>(CommandRoom.standard());
    rooms.add(() -> List.of(Where.class, Stumble.class));
    CommandLine line = KumiteCommand.commandLine(Rooms.standard().with(new ShelfRoom()), rooms);
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    line.setOut(new PrintWriter(out, true));
    line.setErr(new PrintWriter(err, true));
    return new Ran(line.execute(args), out.toString(), err.toString());
  }

  @Test
  public void aNewStationHasItsFieldItsCommandAndItsExport() throws Exception {
    Path folder = Files.createTempDirectory("shelf");
    Path file = folder.resolve("a" + BuildFile.ENDING);
    Rooms rooms = Rooms.standard().with(new ShelfRoom());
    BuildFile.write(
        Demo.open(Demo.USUAL, Catalogue.standard()).with(Shelf.PART, new Shelf("B 4")),
        file,
        rooms);
    assertThat(run("--help").out()).contains("where", "Where a build lies.");
    assertThat(run("where", file.toString()).out()).startsWith("B 4:");
    Path out = folder.resolve("out");
    Ran export = run("export", file.toString(), "--what", "shelf-label", "--out", out.toString());
    assertThat(export.exit()).isZero();
    assertThat(out.resolve("shelf.txt")).content().startsWith("B 4:");
    assertThat(run("export", file.toString(), "--what", "none", "--out", "x").err())
        .contains("shelf-label");
    Ran plain = Ran.run("check", file.toString());
    assertThat(plain.exit()).as("without that room its key is unknown").isEqualTo(2);
    assertThat(plain.err()).contains("shelf");
  }

  /** No trace for people: one line with the place, and an exit code that is no judgement. */
  @Test
  public void aFaultOfOursIsSaidInOneLine() {
    Ran ran = run("stumble");
    assertThat(ran.exit()).isEqualTo(3);
    assertThat(ran.out()).isEmpty();
    assertThat(ran.err().strip().lines())
        .singleElement()
        .asString()
        .startsWith("kumite: this is a fault of Kumite")
        .contains("IllegalStateException in CommandRoomTest.java, line ", "no way out");
  }

  /** What writes into a build keeps the parts of all rooms. */
  @Test
  public void whatIsWrittenBackKeepsTheRoomsPart() throws Exception {
    Path folder = Files.createTempDirectory("shelf");
    Path file = folder.resolve("a" + BuildFile.ENDING);
    Rooms rooms = Rooms.standard().with(new ShelfRoom());
    BuildFile.write(
        Demo.open(Demo.USUAL, Catalogue.standard()).with(Shelf.PART, new Shelf("B 4")),
        file,
        rooms);
    Path part = folder.resolve("part.json");
    Files.writeString(part, Ran.run("parts", "show", "button-30", "--json").out());
    Ran ran = run("parts", "import", part.toString(), "--into", file.toString());
    assertThat(ran.exit()).as(ran.err()).isZero();
    assertThat(BuildFile.read(file, Catalogue.standard(), rooms).get(Shelf.PART).place())
        .isEqualTo("B 4");
  }

  @Test
  public void twoRoomsCannotKeepUnderOneKey() {
    Room other =
        new Room() {
          @Override
          public Station station() {
            return new Station("Other");
          }

          @Override
          public List<PartCodec<?>> parts() {
            return new ShelfRoom().parts();
          }
        };
    assertThatThrownBy(() -> Rooms.standard().with(new ShelfRoom()).with(other))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("key shelf");
  }
}
