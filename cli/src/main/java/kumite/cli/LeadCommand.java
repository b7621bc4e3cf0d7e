package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import kumite.build.lead.LeadBook;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.files.WholeFile;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.lead.Chart;
import kumite.lead.Drawer;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Told;
import kumite.lead.Turn;
import kumite.leads.LeadChecks;
import kumite.measure.Paper;
import kumite.sheet.LeadSheet;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "lead",
    description = "Leads: turn a stick, join, undo, find, judge and chart.",
    mixinStandardHelpOptions = true,
    synopsisSubcommandLabel = "COMMAND",
    footer = {
      "",
      "A LEAD is a file NAME.lead.json, a table from,to,role,colour as CSV, pins such as",
      "\"1>3 2>4\", a turn such as 90, half or mirror, or a build and a name: FILE#NAME."
    },
    subcommands = {
      LeadCommand.TurnIt.class,
      LeadCommand.Compose.class,
      LeadCommand.Invert.class,
      LeadCommand.Solve.class,
      LeadCommand.Show.class,
      LeadCommand.Check.class,
      LeadCommand.ChartIt.class,
      LeadKinds.class
    })
final class LeadCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }

  /** What all commands that print a lead share. */
  abstract static class Printing implements Callable<Integer> {
    @Spec private CommandSpec spec;
    @Mixin LeadSource source;

    @Option(names = "--json", description = "Print JSON, which is a lead's file as well.")
    private boolean json;

    @Option(
        names = "--out",
        paramLabel = "FILE",
        description = "Write the lead to a file, NAME.lead.json.")
    private Path out;

    abstract LeadSource.Named lead() throws BuildFileException;

    PrintWriter printer() {
      return spec.commandLine().getOut();
    }

    @Override
    public Integer call() throws BuildFileException, IOException {
      LeadSource.Named named = lead();
      List<Finding> findings = LeadChecks.alone(named.lead(), named.book().plugs());
      if (out != null) {
        claim(out, "{");
        LeadFile.write(out, LeadFile.text(named.lead(), named.book()));
      }
      if (json) {
        ObjectNode tree = LeadFile.tree(named.lead(), named.book());
        findings(tree.putArray("findings"), findings);
        printer().println(Json.print(tree));
      } else {
        print(printer(), named, findings);
        if (out != null) {
          printer().println(out);
        }
      }
      return exit(findings);
    }

    /** {@return the exit code of a lead with these findings} */
    int exit(List<Finding> findings) {
      return 0;
    }
  }

  /** A file that is there already is replaced only if it is of the kind that is written. */
  private static void claim(Path file, String begins) throws IOException {
    if (Files.isRegularFile(file) && Files.size(file) > 0) {
      byte[] head;
      try (InputStream in = Files.newInputStream(file)) {
        head = in.readNBytes(begins.length());
      }
      if (!new String(head, StandardCharsets.ISO_8859_1).equals(begins)) {
        throw new IllegalArgumentException(
            file + " is there already and is another kind of file; choose another name");
      }
    }
  }

  private static void findings(ArrayNode array, List<Finding> findings) {
    for (Finding finding : findings) {
      ObjectNode node = array.addObject();
      node.put("code", finding.code().text()).put("severity", finding.severity().word());
      ArrayNode about = node.putArray("about");
      finding.named().forEach(about::add);
      node.put("title", finding.title()).put("detail", finding.detail());
      finding.working().ifPresent(working -> node.set("working", Json.working(working)));
    }
  }

  private static void print(PrintWriter out, LeadSource.Named named, List<Finding> findings) {
    Lead lead = named.lead();
    Plugs plugs = named.book().plugs();
    out.println(lead.name() + ": " + Told.of(lead, plugs).words());
    for (Chart.Row row : Chart.of(lead, plugs).rows()) {
      out.printf(
          Locale.ROOT,
          "  %3s > %-4s %-5s %s%n",
          row.from(),
          row.to(),
          row.colour().code(),
          row.role());
    }
    lead.parts().forEach(part -> out.println("  with " + part.words()));
    for (Finding finding : findings) {
      out.printf(
          Locale.ROOT,
          "%-4s  %s  %s. %s%n",
          finding.severity().word(),
          finding.code().text(),
          finding.title(),
          finding.detail());
    }
  }

  @Command(
      name = "turn",
      description = "The lead that turns a stick, counter-clockwise as the player sees it.",
      mixinStandardHelpOptions = true)
  static final class TurnIt extends Printing {
    @Parameters(
        index = "0",
        paramLabel = "TURN",
        description = "Degrees, 90, 180, 270 or -90; or plain, half, quarter-left, mirror.")
    private String turn;

    @Override
    LeadSource.Named lead() throws BuildFileException {
      Turn asked =
          LeadSource.turn(turn)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "\"" + turn + "\" is no turn; give " + LeadSource.turnWords()));
      return source.turning(asked);
    }
  }

  @Command(
      name = "compose",
      description = "The one lead that does what several do, plugged into each other in order.",
      mixinStandardHelpOptions = true)
  static final class Compose extends Printing {
    @Parameters(arity = "1..*", paramLabel = "LEAD", description = "Two leads or more, in order.")
    private List<String> leads;

    @Override
    LeadSource.Named lead() throws BuildFileException {
      List<Lead> all = new ArrayList<>();
      LeadBook book = LeadBook.EMPTY;
      for (String text : leads) {
        LeadSource.Named named = source.named(text);
        all.add(named.lead());
        book = both(book, named.book());
      }
      return new LeadSource.Named(Making.joined(all), book);
    }
  }

  private static LeadBook both(LeadBook one, LeadBook other) {
    Map<String, kumite.lead.ConnectorKind> connectors = new LinkedHashMap<>();
    one.connectors().forEach(kind -> connectors.put(kind.id(), kind));
    other.connectors().forEach(kind -> connectors.put(kind.id(), kind));
    Map<String, Pinout> pinouts = new LinkedHashMap<>();
    one.pinouts().forEach(pinout -> pinouts.put(pinout.id(), pinout));
    other.pinouts().forEach(pinout -> pinouts.put(pinout.id(), pinout));
    return LeadBook.EMPTY.withOwn(List.copyOf(connectors.values()), List.copyOf(pinouts.values()));
  }

  @Command(
      name = "invert",
      description = "The lead that undoes another one when it is plugged in after it.",
      mixinStandardHelpOptions = true)
  static final class Invert extends Printing {
    @Parameters(index = "0", paramLabel = "LEAD", description = "The lead to undo.")
    private String lead;

    @Override
    LeadSource.Named lead() throws BuildFileException {
      LeadSource.Named named = source.named(lead);
      return new LeadSource.Named(Making.inverse(named.lead()), named.book());
    }
  }

  @Command(
      name = "solve",
      description = "The lead that, plugged in after FROM, makes both do what TO does.",
      mixinStandardHelpOptions = true)
  static final class Solve extends Printing {
    @Parameters(
        index = "0",
        paramLabel = "FROM",
        description = "A lead, or the pinout of the pad; plain for none.")
    private String from;

    @Parameters(
        index = "1",
        paramLabel = "TO",
        description = "The lead that is wanted, or the pinout of the host.")
    private String to;

    @Option(
        names = "--among",
        paramLabel = "FILE",
        description = "A build or lead file: say which of its leads do it, joined if need be.")
    private List<Path> among = List.of();

    @Override
    LeadSource.Named lead() throws BuildFileException {
      LeadSource.Named solved = solved();
      if (!among.isEmpty()) {
        List<Lead> drawer = new ArrayList<>();
        for (Path file : among) {
          drawer.addAll(source.all(file));
        }
        Optional<List<Lead>> found = new Drawer(drawer).doing(solved.lead());
        return new LeadSource.Named(
            Making.joined(
                found.orElseThrow(
                    () ->
                        new IllegalArgumentException(
                            "of "
                                + drawer.size()
                                + " leads none does this, nor two or three of them joined; leave"
                                + " --among out to see the lead to build"))),
            solved.book());
      }
      return solved;
    }

    private LeadSource.Named solved() throws BuildFileException {
      Plugs plugs = source.plugs();
      Optional<Pinout> pad = plugs.pinout(from);
      Optional<Pinout> host = plugs.pinout(to);
      if (pad.isPresent() && host.isPresent()) {
        return new LeadSource.Named(
            Making.byFunctions(pad.get(), host.get(), plugs), source.book());
      }
      LeadSource.Named first = source.named(from);
      LeadSource.Named wanted = source.named(to);
      return new LeadSource.Named(
          Making.making(first.lead(), wanted.lead()), both(first.book(), wanted.book()));
    }
  }

  @Command(
      name = "show",
      description = "A lead as it is: from a table, pins or a file.",
      mixinStandardHelpOptions = true)
  static class Show extends Printing {
    @Parameters(index = "0", paramLabel = "LEAD", description = "The lead.")
    private String lead;

    @Override
    LeadSource.Named lead() throws BuildFileException {
      return source.named(lead);
    }
  }

  @Command(
      name = "check",
      description = "Judge a lead. Exit 1 if there is something to stop.",
      mixinStandardHelpOptions = true)
  static final class Check extends Show {
    @Override
    int exit(List<Finding> findings) {
      return findings.stream().anyMatch(f -> f.severity() == Severity.STOP) ? 1 : 0;
    }
  }

  @Command(
      name = "chart",
      description = "Write a lead's wiring chart with its faces as a PDF document.",
      mixinStandardHelpOptions = true)
  static final class ChartIt implements Callable<Integer> {
    @Spec private CommandSpec spec;
    @Mixin private LeadSource source;

    @Parameters(index = "0", paramLabel = "LEAD", description = "The lead.")
    private String lead;

    @Option(
        names = "--out",
        required = true,
        paramLabel = "DIR",
        description = "Folder to write to, or a file that ends in .pdf.")
    private Path out;

    @Option(names = "--letter", description = "Letter paper in place of A4.")
    private boolean letter;

    @Override
    public Integer call() throws BuildFileException, IOException {
      LeadSource.Named named = source.named(lead);
      Plugs plugs = named.book().plugs();
      byte[] pdf =
          LeadSheet.pdf(
              named.lead().name(),
              List.of(new LeadSheet.Judged(named.lead(), LeadChecks.alone(named.lead(), plugs))),
              plugs,
              letter ? Paper.LETTER : Paper.A4);
      boolean single = out.toString().toLowerCase(Locale.ROOT).endsWith(".pdf");
      Path parent = out.toAbsolutePath().getParent();
      Path folder = single ? parent : out;
      if (Files.exists(folder) && !Files.isDirectory(folder)) {
        throw new IllegalArgumentException(folder + " is a file; name a folder with --out");
      }
      if (single && Files.isDirectory(out)) {
        throw new IllegalArgumentException(out + " is a folder; name a file with --out");
      }
      Files.createDirectories(folder);
      Path file = single ? out : out.resolve("lead.pdf");
      claim(file, "%PDF");
      WholeFile.write(file, pdf);
      spec.commandLine().getOut().println(file);
      return 0;
    }
  }
}
