package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Function;
import kumite.files.BuildFileException;
import kumite.plan.Hours;
import kumite.plan.Implement;
import kumite.plan.LongestWay;
import kumite.plan.Plan;
import kumite.plan.Step;
import kumite.plan.Sub;
import kumite.plan.Today;
import kumite.plan.Where;
import kumite.verdict.Works;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "plan",
    description =
        "The steps of a build in an order that can be worked, each with the reason for its place;"
            + " or what can be done today.",
    mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {
  @Spec private CommandSpec spec;
  @Mixin private Input input;

  @Option(
      names = "--today",
      paramLabel = "MINUTES",
      description = "Only what can be done in so many minutes.")
  private Integer today;

  @Option(
      names = "--place",
      paramLabel = "PLACE",
      split = ",",
      description = "With --today, where you are: bench, workshop, spray_place, host.")
  private List<String> places = List.of();

  @Option(
      names = "--tool",
      paramLabel = "TOOL",
      split = ",",
      description = "With --today, what you have, such as iron,meter (default: all).")
  private List<String> tools = List.of();

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  @Override
  public Integer call() throws BuildFileException {
    if (today == null && !(places.isEmpty() && tools.isEmpty())) {
      throw new IllegalArgumentException("--place and --tool belong to --today MINUTES; add that");
    }
    if (today != null && today < 0) {
      throw new IllegalArgumentException("--today must be 0 or more minutes, but was " + today);
    }
    Plan plan = input.bench().get(Works.PLAN);
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      out.println(Json.print(node(plan)));
    } else if (today != null) {
      print(chosen(plan), out);
    } else {
      print(plan, out);
    }
    return 0;
  }

  private Today chosen(Plan plan) {
    return Today.of(
        plan,
        today,
        constants(places, Where.class, Where::word, "place"),
        constants(tools, Implement.class, Implement::word, "tool"));
  }

  private static <E extends Enum<E>> Set<E> constants(
      List<String> words, Class<E> type, Function<E, String> word, String what) {
    Set<E> all = EnumSet.noneOf(type);
    for (String text : words) {
      all.add(
          Arrays.stream(type.getEnumConstants())
              .filter(constant -> word.apply(constant).equals(text.strip()))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "there is no "
                              + what
                              + " \""
                              + text.strip()
                              + "\"; use "
                              + String.join(
                                  ", ",
                                  Arrays.stream(type.getEnumConstants()).map(word).toList()))));
    }
    return all;
  }

  // ---- JSON

  private ObjectNode node(Plan plan) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    ArrayNode steps = node.putArray("steps");
    plan.steps().forEach(step -> steps.add(node(step)));
    LongestWay longest = plan.longest();
    ObjectNode way = node.putObject("longest_way");
    way.put("minutes", longest.minutes());
    ArrayNode ids = way.putArray("steps");
    longest.steps().forEach(step -> ids.add(step.id()));
    node.put("minutes_left", plan.minutesLeft());
    node.put("waiting_min", plan.waitingLeft());
    if (today != null) {
      Today chosen = chosen(plan);
      ObjectNode now = node.putObject("today");
      now.put("minutes", chosen.minutes());
      ArrayNode some = now.putArray("steps");
      chosen.steps().forEach(step -> some.add(step.id()));
      ArrayNode waits = now.putArray("waits");
      chosen.waits().forEach(step -> waits.add(step.id()));
    }
    ArrayNode troubles = node.putArray("troubles");
    plan.troubles().forEach(trouble -> troubles.add(trouble.words()));
    return node;
  }

  private static ObjectNode node(Step step) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("id", step.id());
    node.put("what", step.what());
    node.put("group", step.act().sub().title());
    list(node, "after", step.after());
    node.put("why", step.why());
    node.put("wait_min", step.waitMinutes());
    node.put("minutes", step.minutes());
    node.put("no_return", step.noReturn());
    node.put("done", step.state() == Step.State.DONE);
    node.put("state", step.state().words());
    node.put("place", step.act().where().word());
    list(node, "tools", step.with().stream().map(Implement::word).toList());
    list(node, "details", step.details());
    list(node, "parts", step.parts());
    step.caution().ifPresent(words -> node.put("caution", words));
    return node;
  }

  private static void list(ObjectNode node, String key, List<String> texts) {
    ArrayNode all = node.putArray(key);
    texts.forEach(all::add);
  }

  // ---- text

  private static void print(Plan plan, PrintWriter out) {
    for (Sub sub : Sub.values()) {
      List<Step> some = plan.steps().stream().filter(s -> s.act().sub() == sub).toList();
      if (!some.isEmpty()) {
        long over = some.stream().filter(Step::over).count();
        out.println(sub.title() + "  " + over + " of " + some.size() + " over");
        some.forEach(step -> print(step, out));
      }
    }
    plan.troubles().forEach(trouble -> out.println(trouble.words()));
    out.println(
        plan.steps().size()
            + " steps, "
            + Hours.words(plan.minutesLeft())
            + " left; longest way "
            + Hours.words(plan.longest().minutes())
            + " with "
            + Hours.words(plan.waitingLeft())
            + " of waiting");
  }

  private static void print(Today today, PrintWriter out) {
    today.steps().forEach(step -> print(step, out));
    today.waits().forEach(step -> out.println("  waits: " + step.what() + " (" + step.id() + ")"));
    out.println(today.steps().size() + " steps, " + Hours.words(today.minutes()));
  }

  private static void print(Step step, PrintWriter out) {
    out.println(
        (step.over() ? "  x " : "  - ")
            + step.what()
            + "  ("
            + step.id()
            + ", "
            + Math.round(step.minutes())
            + " min"
            + (step.waitMinutes() > 0 ? ", then wait " + Hours.words(step.waitMinutes()) : "")
            + (step.noReturn() ? ", no way back" : "")
            + (step.state() == Step.State.OPEN ? "" : ", " + step.state().words())
            + ")");
    out.println("      " + step.why());
  }
}
