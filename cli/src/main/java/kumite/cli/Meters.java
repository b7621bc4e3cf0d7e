package kumite.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.SeatWires;
import kumite.files.BuildFileException;
import kumite.name.SeatId;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/** What the commands share that hold a meter to a build. */
final class Meters {
  private Meters() {}

  /**
   * {@return the places of a build, called as the seat asked for calls them}
   *
   * @throws IllegalArgumentException if it has no board
   */
  static Places places(Input input) throws BuildFileException {
    Bench bench = input.bench();
    SeatId here = bench.build().seat().id();
    List<SeatWires> seats = new ArrayList<>(bench.get(Desks.METERED));
    seats.sort(Comparator.comparing(seat -> !seat.seat().equals(here)));
    Places places = Places.of(bench.build().home(), bench.catalogue(), seats);
    if (places.empty()) {
      throw new IllegalArgumentException("the build has no board yet; choose one first");
    }
    return places;
  }

  /** {@return a question as the rows of a table of readings name it} */
  static ObjectNode node(Question question) {
    ObjectNode node = Json.object();
    node.put("id", question.id());
    node.put("round", question.kind().word());
    node.put("what", question.what());
    node.put("from", question.ask().from());
    node.put("to", question.ask().to());
    node.put("state", question.ask().state());
    node.put("held", question.ask().held().toString());
    node.put("expected", question.expected());
    node.put("why", question.why());
    question.caution().ifPresent(words -> node.put("caution", words));
    return node;
  }

  /** {@return a row of a table} */
  static String row(String... cells) {
    return String.join(",", List.of(cells).stream().map(Meters::cell).toList());
  }

  private static String cell(String text) {
    return text.matches("[^\",\\r\\n]*") ? text : '"' + text.replace("\"", "\"\"") + '"';
  }

  /** {@return all rounds} */
  static List<Question.Kind> kinds() {
    return Arrays.asList(Question.Kind.values());
  }
}
