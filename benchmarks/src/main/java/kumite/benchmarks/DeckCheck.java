package kumite.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.build.Build;
import kumite.circuit.IslandDeck;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;

/**
 * All decks of all demos and of random builds, their wires spoiled too, solved by the circuit
 * simulator of the machine ({@code ngspice}, where it is installed) and by Kumite; prints the
 * largest difference. Aim: below 1 mV. Not a test: a machine without the simulator has nothing to
 * compare with.
 *
 * <p>Arguments: how many random builds (200), and the seed of the first (1).
 */
public final class DeckCheck {
  private static final Pattern VOLTS = Pattern.compile("(?m)^(\\S+) = (\\S+)\\s*$");

  private final Catalogue catalogue = Catalogue.standard();
  private int decks;
  private int states;
  private int unsolved;
  private double worst;
  private String worstAt = "nothing";

  private DeckCheck() {}

  /** Runs the comparison. */
  public static void main(String[] args) throws Exception {
    int builds = args.length > 0 ? Integer.parseInt(args[0]) : 200;
    long seed = args.length > 1 ? Long.parseLong(args[1]) : 1;
    DeckCheck check = new DeckCheck();
    for (String demo : Demo.names()) {
      check.compare(demo, Demo.open(demo, check.catalogue));
    }
    for (int i = 0; i < builds; i++) {
      check.compare(
          "random " + (seed + i), RandomWiring.of(check.catalogue, new SplittableRandom(seed + i)));
    }
    System.out.printf(
        Locale.ROOT,
        "%d decks, %d states, %d not solved by the simulator; largest difference %.6f V at %s%n",
        check.decks,
        check.states,
        check.unsolved,
        check.worst,
        check.worstAt);
  }

  private void compare(String name, Build build)
      throws IOException, InterruptedException, BuildFileException {
    Bench bench = Bench.of(build, catalogue);
    if (bench.circuit().isEmpty() || bench.circuit().get().inputs().dead().isPresent()) {
      return;
    }
    for (IslandDeck deck : IslandDeck.all(bench.circuit().get().inputs())) {
      decks++;
      for (int state = 0; state < deck.states().size(); state++) {
        IslandDeck.State wanted = deck.states().get(state);
        if (wanted.floats()) {
          continue; // what nothing holds has no volts to compare
        }
        Optional<Double> theirs = simulate(deck.text(), state, wanted.node());
        states++;
        if (theirs.isEmpty()) {
          unsolved++;
        } else if (Math.abs(theirs.get() - wanted.volts()) > worst) {
          worst = Math.abs(theirs.get() - wanted.volts());
          worstAt = name + ", " + deck.title() + ", " + wanted.words();
        }
      }
    }
  }

  private static Optional<Double> simulate(String deck, int state, String node)
      throws IOException, InterruptedException {
    Path file = Files.createTempFile("island", ".cir");
    try {
      Files.writeString(
          file,
          deck.replace(".param state=0", ".param state=" + state)
              .replace("\n.op\n", "\n.control\nop\nprint " + node + "\nquit\n.endc\n"));
      Process run =
          new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
      String out = new String(run.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      run.waitFor();
      Matcher match = VOLTS.matcher(out);
      while (match.find()) {
        if (match.group(1).equals(node)) {
          return Optional.of(Double.parseDouble(match.group(2)));
        }
      }
      return Optional.empty();
    } finally {
      Files.delete(file);
    }
  }
}
