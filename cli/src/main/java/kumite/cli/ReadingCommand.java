package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Shown;
import kumite.files.BuildFileException;
import kumite.name.Joint;
import kumite.working.Working;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "reading",
    description = {
      "What a meter shows between two places of a build, by its wires as they are.",
      "Places are named as `nets` names them: horn:NO, board:D8. The first is the red probe's."
    },
    mixinStandardHelpOptions = true)
final class ReadingCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Parameters(index = "1", paramLabel = "A", description = "Where the red probe is.")
  private String red;

  @Parameters(index = "2", paramLabel = "B", description = "Where the black probe is.")
  private String black;

  @Option(
      names = "--held",
      paramLabel = "CONTACT",
      description = "What is held meanwhile, such as horn or port=0.7; more may follow.")
  private List<String> held = new ArrayList<>();

  // Contacts after the first one that is held, wherever that stands.
  @Parameters(index = "3..*", arity = "0..*", hidden = true)
  private List<String> more = new ArrayList<>();

  @Option(
      names = "--state",
      paramLabel = "STATE",
      defaultValue = "unpowered",
      description =
          "unpowered; absent, with the board taken off; supply, the lamps' feed with the board taken"
              + " off; powered (default: unpowered).")
  private String state;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    Power power = Power.parse(state);
    if (held.isEmpty() && !more.isEmpty()) {
      throw new IllegalArgumentException(
          "what is "
              + more.get(0)
              + "? a reading is between two places; write --held before what is"
              + " held");
    }
    Held hands = Held.parse(String.join(" ", held) + " " + String.join(" ", more));
    Joint one = Joint.parse(red);
    Joint other = Joint.parse(black);
    Shown shown = Meters.places(input).shows(one, other, power, hands);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(node(shown)));
    } else {
      out.println(
          one
              + " to "
              + other
              + ", "
              + power.words()
              + (hands.none() ? "" : ", " + hands + " held"));
      out.println(
          "  " + shown.words() + (shown.trouble().isPresent() ? "" : "  (" + shown.span() + ")"));
      shown
          .drop()
          .ifPresent(
              volts -> out.println("  on the diode range " + Working.number(volts, 2) + " V"));
      shown.by().forEach(part -> out.println("  by " + part));
    }
    return 0;
  }

  private static ObjectNode node(Shown shown) {
    ObjectNode node = Json.object();
    put(node, "volts", shown.volts());
    put(node, "ohms", shown.ohm());
    if (shown.power().live()) {
      node.putNull("beep");
    } else {
      node.put("beep", shown.beeps());
    }
    put(node, "low", finite(shown.low()));
    put(node, "high", finite(shown.high()));
    put(node, "diode_v", shown.drop());
    node.put("state", shown.power().word());
    node.put("unit", shown.power().live() ? "V" : "ohm");
    node.put("words", shown.words());
    shown.trouble().ifPresent(why -> node.put("trouble", why));
    ArrayNode by = node.putArray("by");
    shown.by().forEach(by::add);
    return node;
  }

  private static OptionalDouble finite(double value) {
    return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
  }

  private static void put(ObjectNode node, String key, OptionalDouble value) {
    if (value.isPresent()) {
      node.put(key, Math.round(value.getAsDouble() * 1e6) / 1e6);
    } else {
      node.putNull(key);
    }
  }
}
