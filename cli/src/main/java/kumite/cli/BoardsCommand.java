package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.map.Profile;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.TextFile;
import kumite.firmware.SocketTable;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.kind.BoardKind;
import kumite.parts.BoardFile;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Brains;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Boards: compared for a build, shown, and read from a file of one's own. */
@Command(
    name = "boards",
    description = "Compare all boards for a build, show one, or take one of your own into a build.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    subcommands = {
      BoardsCommand.Compare.class,
      BoardsCommand.Show.class,
      BoardsCommand.Take.class,
      BoardsCommand.Sockets.class
    })
final class BoardsCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  @Command(
      name = "compare",
      description = "All boards side by side for a build, the best first, with reasons.",
      mixinStandardHelpOptions = true)
  static final class Compare implements Callable<Integer> {
    @Spec private CommandSpec spec;
    @Mixin private Input input;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() throws BuildFileException {
      List<Brains.Candidate> all = Brains.of(input.bench().build(), Catalogue.standard(), Set.of());
      PrintWriter out = spec.commandLine().getOut();
      ArrayNode rows = com.fasterxml.jackson.databind.node.JsonNodeFactory.instance.arrayNode();
      for (Brains.Candidate candidate : all) {
        if (json) {
          ObjectNode row = rows.addObject();
          row.put("board", candidate.board().id());
          row.put("possible", candidate.possible());
          row.put("score", candidate.score());
          ObjectNode points = row.putObject("points");
          candidate
              .points()
              .forEach(
                  p ->
                      points
                          .putObject(p.question())
                          .put("answer", p.answer().words())
                          .put("words", p.words()));
        } else {
          out.println(
              (candidate.possible() ? "  " : "- ")
                  + candidate.board().id()
                  + ": "
                  + candidate.because());
        }
      }
      if (json) {
        out.println(Json.print(rows));
      }
      return 0;
    }
  }

  @Command(
      name = "show",
      description = "One board of the catalogue as JSON, in the form that `boards import` reads.",
      mixinStandardHelpOptions = true)
  static final class Show implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Parameters(paramLabel = "ID", description = "A board's id, such as native-3v3-26.")
    private String id;

    @Override
    public Integer call() {
      BoardKind kind =
          Catalogue.standard()
              .board(id)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "there is no board \""
                              + id
                              + "\"; use one of "
                              + String.join(
                                  ", ",
                                  Catalogue.standard().boards().stream()
                                      .map(BoardKind::id)
                                      .toList())));
      spec.commandLine().getOut().println(Json.print(BoardFile.write(kind)));
      return 0;
    }
  }

  @Command(
      name = "import",
      description = "Read a board from a JSON file into a build, which is saved with it.",
      mixinStandardHelpOptions = true)
  static final class Take implements Callable<Integer> {
    private final Rooms rooms;

    Take(Rooms rooms) {
      this.rooms = rooms;
    }

    @Spec private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "The board, NAME.json.")
    private Path file;

    @Option(
        names = "--into",
        paramLabel = "BUILD",
        description = "A build that takes it over; without one the file is only checked.")
    private Path into;

    @Override
    public Integer call() throws BuildFileException {
      BoardKind kind;
      try {
        kind = BoardFile.read(new Key("", JsonText.read(TextFile.read(file))));
      } catch (Misfit e) {
        throw new IllegalArgumentException(file + ": " + e.getMessage(), e);
      }
      if (into != null) {
        Build build = BuildFile.read(into, Catalogue.standard(), rooms);
        BuildFile.write(build.withOwnBoard(kind), into, rooms);
      }
      spec.commandLine().getOut().println(kind.id() + ": " + kind.name());
      return 0;
    }
  }

  @Command(
      name = "table",
      description =
          "The table for the loader of a settable encoder: what each socket gives. With --read, a"
              + " table is held against the build; with --take too, the build takes it over.",
      mixinStandardHelpOptions = true)
  static final class Sockets implements Callable<Integer> {
    private final Rooms rooms;

    Sockets(Rooms rooms) {
      this.rooms = rooms;
    }

    @Spec private CommandSpec spec;
    @Mixin private Input input;

    @Option(names = "--read", paramLabel = "TABLE", description = "A table, NAME.csv.")
    private Path read;

    @Option(names = "--take", description = "Save the build with the meanings of that table.")
    private boolean take;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() throws BuildFileException {
      if (take && read == null) {
        throw new IllegalArgumentException("--take takes a table over; name it with --read");
      }
      Bench bench = input.bench();
      BoardKind board =
          bench
              .board()
              .orElseThrow(() -> new IllegalArgumentException("the build has no board yet"));
      Profile first = bench.build().seat().profiles().get(0);
      SocketTable here = SocketTable.of(first, board, bench.loom());
      SocketTable shown = read == null ? here : read(board);
      if (take) {
        Build facing = bench.build().facing(Aspect.of(bench.build().seat()));
        Build taken = facing.withProfile(p -> shown.in(p, bench.loom()));
        BuildFile.write(taken, input.file(), rooms);
      }
      print(here, shown);
      return 0;
    }

    private SocketTable read(BoardKind board) throws BuildFileException {
      try {
        return SocketTable.read(TextFile.read(read), board);
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException(read + ": " + e.getMessage(), e);
      }
    }

    private void print(SocketTable here, SocketTable shown) {
      PrintWriter out = spec.commandLine().getOut();
      List<String> other = here.otherwise(shown);
      if (json) {
        ObjectNode node = Json.object();
        ArrayNode rows = node.putArray("sockets");
        for (List<String> cells : shown.cells()) {
          ObjectNode row = rows.addObject();
          for (int i = 0; i < cells.size(); i++) {
            row.put(SocketTable.COLUMNS.get(i), cells.get(i));
          }
        }
        ArrayNode differences = node.putArray("otherwise");
        other.forEach(differences::add);
        out.println(Json.print(node));
        return;
      }
      for (List<String> cells : shown.cells()) {
        out.println(
            String.format(
                    java.util.Locale.ROOT,
                    "%-6s %-14s %-14s %s",
                    cells.get(0),
                    cells.get(1),
                    cells.get(2),
                    cells.get(3).isEmpty() ? "" : "shift, " + cells.get(3))
                .stripTrailing());
      }
      if (read != null) {
        out.println(
            other.isEmpty()
                ? "the same as the build"
                : other.size()
                    + (other.size() == 1 ? " socket" : " sockets")
                    + " otherwise than in the build"
                    + (take ? " before" : ""));
        other.forEach(line -> out.println("  " + line));
      }
    }
  }
}
