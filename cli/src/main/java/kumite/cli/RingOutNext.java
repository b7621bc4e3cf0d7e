package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.Optional;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.ringout.Facts;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.Result;
import kumite.ringout.RingOut;
import kumite.ringout.RingOutPlan;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(
    name = "next",
    description = "Which two places to touch next, what is known, and how many probes are left.",
    mixinStandardHelpOptions = true)
final class RingOutNext extends RingOutOfFile {
  RingOutNext(Rooms rooms) {
    super(rooms);
  }

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    RingOut ringOut = ringOut();
    if (json) {
      printer().println(Json.print(tree(ringOut)));
    } else {
      print(printer(), ringOut);
    }
    return 0;
  }

  /** Prints what is known and what to touch next. */
  static void print(PrintWriter out, RingOut ringOut) {
    Known known = Known.of(ringOut);
    Optional<Facts.Contradiction> contradiction = known.facts().contradiction();
    if (contradiction.isPresent()) {
      out.println("These readings cannot all be true:");
      for (int i : contradiction.get().readings()) {
        out.println("  " + (i + 1) + "  " + ringOut.readings().get(i).words());
      }
      int repeat = contradiction.get().repeat() + 1;
      out.println(
          "Repeat reading "
              + repeat
              + " first, and answer it with: kumite ringout answer FILE beep|silent --again "
              + repeat);
      return;
    }
    Optional<NextProbe> next = NextProbe.of(known);
    out.println(next.isEmpty() ? "Found:" : "So far:");
    for (Known.Fate fate : known.fates()) {
      out.println("  " + Result.words(fate));
    }
    if (next.isEmpty()) {
      out.println("Nothing is left to ask.");
      return;
    }
    RingOutPlan.Probes left = NextProbe.left(known, 0);
    out.println(next.get().words() + ", to find out " + next.get().why().words() + ".");
    out.printf(
        Locale.ROOT,
        "%d asked; left, with the last round: %d at most, about %.1f in the mean, if no more cores"
            + " are broken.%n",
        ringOut.readings().size(),
        left.worst(),
        left.mean());
  }

  private static ObjectNode tree(RingOut ringOut) {
    Known known = Known.of(ringOut);
    ObjectNode root = Json.object();
    root.put("cores", ringOut.near().size()).put("asked", ringOut.readings().size());
    Optional<Facts.Contradiction> contradiction = known.facts().contradiction();
    Optional<NextProbe> next = NextProbe.of(known);
    root.put("done", next.isEmpty() && contradiction.isEmpty());
    next.ifPresentOrElse(
        probe -> {
          ObjectNode node = root.putObject("next");
          LeadFile.places(node, probe);
          node.put("words", probe.words()).put("why", probe.why().words());
        },
        () -> root.putNull("next"));
    RingOutPlan.Probes left = NextProbe.left(known, 0);
    root.putObject("left")
        .put("worst", left.worst())
        .put("mean", left.mean())
        .put("worst_with_one_broken", NextProbe.left(known, 1).worst());
    ArrayNode known0 = root.putArray("known");
    for (Known.Fate fate : known.fates()) {
      ObjectNode node = known0.addObject().put("near", fate.near());
      fate.far().forEach(node.putArray("far")::add);
      fate.touching().forEach(node.putArray("touching")::add);
      node.put("broken", fate.open()).put("settled", fate.settled());
      if (!fate.settled()) {
        fate.may().forEach(node.putArray("may")::add);
      }
    }
    contradiction.ifPresent(
        c -> {
          ObjectNode node = root.putObject("contradiction");
          c.readings().forEach(i -> node.withArray("readings").add(i + 1));
          node.put("repeat", c.repeat() + 1);
        });
    return root;
  }
}
