package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.bringup.Question;
import kumite.bringup.Rounds;
import kumite.files.BuildFileException;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "rounds",
    description =
        "The questions that bring a build up, with what a sound build answers: what a meter should"
            + " show, what the host should show.",
    mixinStandardHelpOptions = true)
final class RoundsCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--what",
      paramLabel = "ROUND",
      defaultValue = "all",
      description = "trial, continuity, volts, host, play or all (default: all).")
  private String what;

  @Option(
      names = "--csv",
      description = "Print a table whose column reading can be filled in for diagnose.")
  private boolean csv;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    List<Question.Kind> kinds = Question.Kind.parse(what);
    if (csv && json) {
      throw new IllegalArgumentException("--csv and --json at once; take one");
    }
    List<Question> questions = Rounds.of(Meters.places(input), kinds);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      ObjectNode node = Json.object();
      ArrayNode all = node.putArray("questions");
      questions.forEach(question -> all.add(Meters.node(question)));
      out.println(Json.print(node));
    } else if (csv) {
      out.println("from,to,state,held,reading,expected,what");
      for (Question question : questions) {
        out.println(
            Meters.row(
                question.ask().from(),
                question.ask().to(),
                question.ask().state(),
                question.ask().held().toString(),
                "",
                question.expected(),
                question.what()));
      }
    } else {
      for (Question.Kind kind : kinds) {
        List<Question> some = questions.stream().filter(q -> q.kind() == kind).toList();
        out.println(kind.title() + ", " + kind.when() + ": " + some.size() + " questions");
        some.forEach(q -> out.println("  " + q.what() + ": " + q.expected()));
      }
    }
    return 0;
  }
}
