package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.lead.LeadBook;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.files.TextFile;
import kumite.lead.ConnectorKind;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.parts.Catalogue;
import kumite.ringout.Facts;
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
      RingOutCommand.Begin.class,
      RingOutCommand.Next.class,
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
      name = "new",
      description = "Begin a ring-out in a file of its own.",
      mixinStandardHelpOptions = true)
  static final class Begin implements Callable<Integer> {
    private final Rooms rooms;

    Begin(Rooms rooms) {
      this.rooms = rooms;
    }

    @Spec private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "FILE", description = "NAME.ringout.json, not there yet.")
    private Path file;

    @Option(
        names = "--from",
        paramLabel = "CONNECTOR",
        description = "The near end: a connector, or bare-9 for a cut end (default: nine-pin).")
    private String from = "nine-pin";

    @Option(
        names = "--to",
        paramLabel = "CONNECTOR",
        description = "The far end (default: a cut end of as many cores).")
    private String to = "";

    @Option(
        names = "--near",
        split = ",",
        paramLabel = "NAMES",
        description = "Names of the near places, such as BN,BU,GN.")
    private List<String> near = List.of();

    @Option(
        names = "--far",
        split = ",",
        paramLabel = "NAMES",
        description = "Names of the far places.")
    private List<String> far = List.of();

    @Option(names = "--one-by-one", description = "Touch one place at a time, without clips.")
    private boolean single;

    @Option(
        names = "--looks-for",
        paramLabel = "FAULTS",
        description = "none, broken or joined (default: broken).")
    private String faults = "broken";

    @Option(
        names = "--own",
        paramLabel = "FILE",
        description = "A file with connectors of your own, for --from and --to.")
    private Path own;

    @Option(names = "--likely", description = "Take equal names at both ends as likely pairs.")
    private boolean likely;

    @Override
    public Integer call() throws BuildFileException {
      if (Files.exists(file)) {
        throw new IllegalArgumentException(file + " is there already; name a new file");
      }
      LeadSource source = LeadSource.with(own, rooms);
      Plugs plugs = source.plugs();
      ConnectorKind one = plugs.needed(from);
      int count = near.isEmpty() ? one.pins().size() : near.size();
      ConnectorKind other =
          plugs.needed(to.isEmpty() ? "bare-" + (far.isEmpty() ? count : far.size()) : to);
      RingOut plain = RingOut.of(name(file), one, other);
      RingOut named =
          plain
              .between(
                  plain.from(),
                  plain.to(),
                  near.isEmpty() ? plain.near() : near,
                  far.isEmpty() ? plain.far() : far)
              .probed(
                  single ? RingOut.Way.ONE_BY_ONE : RingOut.Way.GROUPED,
                  Stream.of(RingOut.Faults.values())
                      .filter(f -> f.name().equalsIgnoreCase(faults))
                      .findFirst()
                      .orElseThrow(
                          () ->
                              new IllegalArgumentException(
                                  "--looks-for "
                                      + faults
                                      + " is unknown; choose one of none, broken, joined")));
      RingOut begun = likely ? named.withLikely(named.sameNames()) : named;
      LeadFile.write(file, LeadFile.text(begun, source.book()));
      spec.commandLine().getOut().println(file);
      return 0;
    }

    private static String name(Path file) {
      String name = file.getFileName().toString();
      return name.endsWith(LeadFile.RING_OUT_ENDING)
          ? name.substring(0, name.length() - LeadFile.RING_OUT_ENDING.length())
          : name;
    }
  }

  /** Commands about a ring-out in a file. */
  abstract static class OfFile implements Callable<Integer> {
    private final Rooms rooms;

    OfFile(Rooms rooms) {
      this.rooms = rooms;
    }

    @Spec CommandSpec spec;

    @Parameters(
        index = "0",
        paramLabel = "FILE",
        description = "A ring-out, NAME.ringout.json, or one of a build: FILE#NAME.")
    String file;

    RingOut ringOut() throws BuildFileException {
      if (!ofBuild()) {
        return found().ringOut();
      }
      List<RingOut> all = build().leads().ringOuts();
      String known = String.join(", ", all.stream().map(RingOut::name).toList());
      String name = name();
      if (name.isEmpty() && all.size() != 1) {
        throw new IllegalArgumentException(
            file
                + " is a build with "
                + all.size()
                + " ring-outs; name one as FILE#NAME"
                + (all.isEmpty() ? "" : ": " + known));
      }
      return all.stream()
          .filter(ring -> name.isEmpty() || ring.name().equals(name))
          .findFirst()
          .orElseThrow(
              () ->
                  new IllegalArgumentException(
                      file + ": the build has no ring-out of that name; it has " + known));
    }

    private LeadFile.FoundRingOut found() throws BuildFileException {
      return LeadFile.ringOut(path());
    }

    /** {@return connectors and pinouts that belong to it} */
    LeadBook book() throws BuildFileException {
      return ofBuild() ? build().leads() : found().own();
    }

    private boolean named() {
      return file.lastIndexOf('#') > 0 && !Files.exists(Path.of(file));
    }

    private boolean ofBuild() throws BuildFileException {
      return named() || TextFile.read(Path.of(file)).contains("\"kumite-build\"");
    }

    private Path path() {
      return Path.of(named() ? file.substring(0, file.lastIndexOf('#')) : file);
    }

    private String name() {
      return named() ? file.substring(file.lastIndexOf('#') + 1) : "";
    }

    private Build build() throws BuildFileException {
      return BuildFile.read(path(), Catalogue.standard(), rooms);
    }

    void write(RingOut ringOut) throws BuildFileException {
      if (ofBuild()) {
        Build build = build();
        BuildFile.write(
            build.withLeads(build.leads().with(ringOut.name(), ringOut)), path(), rooms);
      } else {
        LeadFile.write(path(), LeadFile.text(ringOut, found().own()));
      }
    }

    PrintWriter printer() {
      return spec.commandLine().getOut();
    }
  }

  @Command(
      name = "next",
      description = "Which two places to touch next, what is known, and how many probes are left.",
      mixinStandardHelpOptions = true)
  static final class Next extends OfFile {
    Next(Rooms rooms) {
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
  }

  private static void print(PrintWriter out, RingOut ringOut) {
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

  @Command(
      name = "answer",
      description = "Write the meter's answer to the next probe into the file.",
      mixinStandardHelpOptions = true)
  static final class Answer extends OfFile {
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
        print(printer(), told);
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
      print(printer(), told);
      return 0;
    }
  }

  @Command(
      name = "lead",
      description = "The lead that a ring-out has found.",
      mixinStandardHelpOptions = true)
  static final class ToLead extends OfFile {
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
