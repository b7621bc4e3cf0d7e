package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import kumite.power.Sum;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Spec;

/** One bench calculation with its working; the subcommands are made from the core's list. */
@Command(
    name = "sum",
    description = "One bench calculation with its working and source.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "NAME")
final class SumCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  /** Adds a subcommand for each sum. */
  static void addTo(CommandLine sums) {
    for (Sum sum : Sum.values()) {
      sums.addSubcommand(sum.word(), one(sum));
    }
  }

  private static CommandLine one(Sum sum) {
    Work work = new Work(sum);
    CommandSpec spec = CommandSpec.wrapWithoutInspection(work);
    spec.name(sum.word());
    spec.mixinStandardHelpOptions(true);
    spec.usageMessage().description(sum.about());
    for (Sum.Ask ask : sum.asks()) {
      spec.addOption(
          OptionSpec.builder("--" + ask.name())
              .type(String.class)
              .required(ask.needed())
              .paramLabel(ask.holder())
              .description(
                  ask.needed() ? ask.words() : ask.words() + " (default: " + ask.usual() + ").")
              .build());
    }
    spec.addOption(
        OptionSpec.builder("--json").type(boolean.class).description("Print JSON.").build());
    CommandLine line = new CommandLine(spec);
    work.line = line;
    return line;
  }

  /** Runs one sum with what was typed. */
  private static final class Work implements Callable<Integer> {
    private final Sum sum;
    private CommandLine line;

    Work(Sum sum) {
      this.sum = sum;
    }

    @Override
    public Integer call() {
      CommandLine.ParseResult typed = line.getParseResult();
      Map<String, String> texts = new LinkedHashMap<>();
      for (Sum.Ask ask : sum.asks()) {
        if (typed.hasMatchedOption("--" + ask.name())) {
          texts.put(ask.name(), typed.matchedOptionValue("--" + ask.name(), ask.usual()));
        }
      }
      Sum.Answer answer;
      try {
        answer = sum.work(texts);
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException("--" + e.getMessage(), e);
      }
      PrintWriter out = line.getOut();
      if (typed.hasMatchedOption("--json")) {
        out.println(Json.print(tree(sum, answer)));
      } else {
        out.println(answer.working().inWords());
        answer.judgement().ifPresent(said -> out.println(said.grade().word() + ": " + said.why()));
      }
      return 0;
    }
  }

  private static ObjectNode tree(Sum sum, Sum.Answer answer) {
    ObjectNode node = Json.object();
    node.put("sum", sum.word());
    answer
        .values()
        .forEach(
            (key, value) -> {
              if (value instanceof Boolean truth) {
                node.put(key, truth);
              } else if (value instanceof Integer whole) {
                node.put(key, whole);
              } else if (value instanceof List<?> list) {
                ArrayNode items = node.putArray(key);
                list.forEach(
                    item -> {
                      if (item instanceof Integer whole) {
                        items.add(whole);
                      } else {
                        items.add(((Number) item).doubleValue());
                      }
                    });
              } else {
                node.put(key, ((Number) value).doubleValue());
              }
            });
    answer
        .judgement()
        .ifPresent(said -> node.put("says", said.grade().word()).put("because", said.why()));
    node.set("working", Json.working(answer.working()));
    return node;
  }
}
