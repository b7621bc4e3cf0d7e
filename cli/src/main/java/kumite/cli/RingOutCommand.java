package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.lead.Lead;
import kumite.ringout.Known;
import kumite.ringout.NextProbe;
import kumite.ringout.Result;
import kumite.ringout.RingOut;
import kumite.ringout.RingOutPlan;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "ringout",
    description = "Ring out a cable that nobody labelled.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    subcommands = {
      RingOutCommand.Plan.class,
      RingOutBegin.class,
      RingOutNext.class,
      RingOutCommand.Answer.class,
      RingOutCommand.ToLead.class
    })
final class RingOutCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  @Command(
      name = "plan",
      description = "How many probes it takes, before anything is asked.",
      mixinStandardHelpOptions = true)
  static final class Plan implements Callable<Integer> {
    @Spec private CommandSpec spec;

    @Option(
        names = "--cores",
        required = true,
        paramLabel = "N",
        description = "How many cores, 1 to 64.")
    private int cores;

    @Option(names = "--json", description = "Print JSON.")
    private boolean json;

    @Override
    public Integer call() {
      RingOutPlan plan = new RingOutPlan(cores);
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(Json.print(tree(plan)));
        return 0;
      }
      for (RingOut.Way way : RingOut.Way.values()) {
        RingOutPlan.Probes whole = plan.probes(way, RingOut.Faults.NONE);
        out.printf(
            Locale.ROOT,
            "%s: %d probes at most, %.1f in the mean, where every core is whole%n",
            way.words(),
            whole.worst(),
            whole.mean());
        RingOutPlan.Probes sure = plan.probes(way, RingOut.Faults.BROKEN);
        out.printf(
            Locale.ROOT,
            "  to find broken cores too: %d at most, %.1f in the mean where there is none;"
                + " %d at most with one, %d with two%n",
            sure.worst(),
            sure.mean(),
            plan.worstBroken(way, 1),
            plan.worstBroken(way, 2));
        out.printf(
            Locale.ROOT,
            "  and then to touch what was found: %d, at most %d with one broken%n",
            plan.lastRound(way, RingOut.Faults.BROKEN, 0),
            plan.lastRound(way, RingOut.Faults.BROKEN, 1));
        RingOutPlan.Probes joined = plan.probes(way, RingOut.Faults.JOINED);
        out.printf(
            Locale.ROOT,
            "  and to show that none touch: %d at most where none do%n",
            joined.worst());
      }
      out.printf(Locale.ROOT, "no way of asking is below log2(%d!) = %.2f%n", cores, plan.bound());
      return 0;
    }

    private static ObjectNode tree(RingOutPlan plan) {
      ObjectNode root = Json.object();
      root.put("cores", plan.cores());
      way(root.putObject("one_by_one"), plan, RingOut.Way.ONE_BY_ONE);
      ObjectNode grouped = root.putObject("grouped");
      way(grouped, plan, RingOut.Way.GROUPED);
      grouped.put("bound", plan.bound());
      return root;
    }

    private static void way(ObjectNode node, RingOutPlan plan, RingOut.Way way) {
      RingOutPlan.Probes whole = plan.probes(way, RingOut.Faults.NONE);
      node.put("worst", whole.worst()).put("mean", whole.mean());
      RingOutPlan.Probes sure = plan.probes(way, RingOut.Faults.BROKEN);
      ObjectNode broken = node.putObject("finding_broken");
      broken.put("worst", sure.worst()).put("mean", sure.mean());
      ArrayNode counts = broken.putArray("worst_by_broken");
      for (int n = 0; n <= plan.cores(); n++) {
        counts.add(plan.worstBroken(way, n));
      }
      ArrayNode last = broken.putArray("last_round_by_broken");
      for (int n = 0; n <= plan.cores(); n++) {
        last.add(plan.lastRound(way, RingOut.Faults.BROKEN, n));
      }
      node.putObject("finding_joined")
          .put("worst", plan.probes(way, RingOut.Faults.JOINED).worst());
    }
  }

  @Command(
      name = "answer",
      description = "Write the meter's answer to the next probe into the file.",
      mixinStandardHelpOptions = true)
  static final class Answer extends RingOutOfFile {
    Answer(Rooms rooms) {
      super(rooms);
    }

    @Parameters(index = "1", paramLabel = "beep|silent", description = "What the meter said.")
    private String answer;

    @Option(
        names = "--again",
        paramLabel = "N",
        description = "It answers reading N once more, not the next probe.")
    private Integer again;

    @Override
    public Integer call() throws BuildFileException {
      boolean beep = answer.equalsIgnoreCase("beep");
      if (!beep && !answer.equalsIgnoreCase("silent")) {
        throw new IllegalArgumentException(
            "\"" + answer + "\" is no answer of a meter; say beep or silent");
      }
      RingOut ringOut = ringOut();
      if (again != null) {
        if (again < 1 || again > ringOut.readings().size()) {
          throw new IllegalArgumentException(
              "--again " + again + ": there are readings 1 to " + ringOut.readings().size());
        }
        RingOut told = ringOut.again(again - 1, beep);
        write(told);
        RingOutNext.print(printer(), told);
        return 0;
      }
      NextProbe next =
          NextProbe.of(Known.of(ringOut))
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          file + ": nothing is left to ask; see kumite ringout next"));
      RingOut told = ringOut.with(next.answered(beep));
      write(told);
      RingOutNext.print(printer(), told);
      return 0;
    }
  }

  @Command(
      name = "lead",
      description = "The lead that a ring-out has found.",
      mixinStandardHelpOptions = true)
  static final class ToLead extends RingOutOfFile {
    ToLead(Rooms rooms) {
      super(rooms);
    }

    @Option(
        names = "--out",
        paramLabel = "FILE",
        description = "Write it to a file, NAME.lead.json, in place of printing it.")
    private Path out;

    @Override
    public Integer call() throws BuildFileException {
      Lead lead = Result.lead(Known.of(ringOut()), book().plugs());
      String text = LeadFile.text(lead, book());
      if (out == null) {
        printer().print(text);
        printer().flush();
      } else {
        LeadFile.write(out, text);
        printer().println(out);
      }
      return 0;
    }
  }
}
