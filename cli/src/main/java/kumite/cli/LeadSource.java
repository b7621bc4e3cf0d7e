package kumite.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.lead.LeadBook;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.files.LeadFile;
import kumite.files.TextFile;
import kumite.json.Misfit;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.LeadTable;
import kumite.lead.Making;
import kumite.lead.OwnPlugs;
import kumite.lead.Pinout;
import kumite.lead.Plugs;
import kumite.lead.Turn;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import picocli.CommandLine.Option;

/** Leads as they are named on the command line. */
final class LeadSource {
  private final Rooms rooms;

  LeadSource(Rooms rooms) {
    this.rooms = rooms;
  }

  @Option(
      names = "--kind",
      paramLabel = "CONNECTOR",
      description =
          "Connector of both ends, for turns, tables and short pins (default: ${DEFAULT-VALUE}).")
  private String kind = "nine-pin";

  @Option(
      names = "--kind-to",
      paramLabel = "CONNECTOR",
      description = "Connector of the other end, where it differs.")
  private String kindTo = "";

  @Option(
      names = "--pinout",
      paramLabel = "ID",
      description = "What the pins do (default: the first pinout known for the connector).")
  private String pinout = "";

  @Option(
      names = "--own",
      paramLabel = "FILE",
      description = "A file with connectors and pinouts of your own, like connectors.json.")
  private Path own;

  private Plugs plugs;

  /** {@return a source that knows what a file brings as well} */
  static LeadSource with(Path own, Rooms rooms) {
    LeadSource source = new LeadSource(rooms);
    source.own = own;
    return source;
  }

  /** {@return the connectors and pinouts that can be named} */
  Plugs plugs() throws BuildFileException {
    if (plugs == null) {
      OwnPlugs mine = mine();
      plugs = Plugs.standard().with(mine.connectors(), mine.pinouts());
    }
    return plugs;
  }

  private OwnPlugs mine() throws BuildFileException {
    if (own == null) {
      return new OwnPlugs(List.of(), List.of());
    }
    try {
      return OwnPlugs.read(TextFile.read(own));
    } catch (Misfit e) {
      throw new BuildFileException(own.toString(), e.place(), e.what(), e.remedy());
    }
  }

  /** {@return what is the builder's own, to go with a lead that may use it} */
  LeadBook book() throws BuildFileException {
    OwnPlugs mine = mine();
    return LeadBook.EMPTY.withOwn(mine.connectors(), mine.pinouts());
  }

  /**
   * A lead with the connectors and pinouts it may use.
   *
   * @param book whose own they are
   */
  record Named(Lead lead, LeadBook book) {}

  /** {@return what its pins do: as asked, else the first that is known for the connector} */
  Pinout pins() throws BuildFileException {
    ConnectorKind connector = plugs().needed(kind);
    if (!pinout.isEmpty()) {
      Pinout asked = plugs().neededPinout(pinout);
      if (!asked.connector().equals(connector.id())) {
        throw new IllegalArgumentException(
            "pinout "
                + pinout
                + " is of "
                + asked.connector()
                + ", but --kind is "
                + connector.id()
                + "; name a pinout of that shape");
      }
      return asked;
    }
    return plugs().of(connector).stream()
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "no pinout is known for "
                        + connector.id()
                        + "; name one with --pinout, or write a table of pins"));
  }

  Named turning(Turn turn) throws BuildFileException {
    return new Named(Making.turning(turn, pins(), plugs()), book());
  }

  /** {@return the turn of a word or a number of degrees, if it is one} */
  static Optional<Turn> turn(String text) {
    String plain = text.strip().toLowerCase(Locale.ROOT);
    Optional<Turn> named =
        Turn.all().stream()
            .filter(t -> t.title().toLowerCase(Locale.ROOT).replace(' ', '-').equals(plain))
            .findFirst();
    if (named.isPresent()) {
      return named;
    }
    return switch (plain) {
      case "plain" -> Optional.of(Turn.PLAIN);
      case "half" -> Optional.of(new Turn(2, false));
      case "mirror", "mirrored" -> Optional.of(new Turn(0, true));
      default ->
          plain.matches("[+-]?\\d{1,6}(\\.\\d+)?")
              ? Optional.of(Turn.degrees(Double.parseDouble(plain)))
              : Optional.empty();
    };
  }

  static String turnWords() {
    return "degrees such as 90 or -90, or one of plain, half, mirror, "
        + Turn.all().stream()
            .map(t -> t.title().toLowerCase(Locale.ROOT).replace(' ', '-'))
            .collect(Collectors.joining(", "));
  }

  /**
   * {@return the lead that a text names}: a turn, short pins, a file with a lead or a table, or a
   * build and the name of a lead in it after a #
   */
  Named named(String text) throws BuildFileException {
    Optional<Path> file = file(text);
    if (file.isPresent()) {
      return read(file.get(), "");
    }
    Optional<Turn> turn = turn(text);
    if (turn.isPresent()) {
      return turning(turn.get());
    }
    if (LeadTable.isShort(text)) {
      return new Named(table(text, text, true), book());
    }
    int hash = text.lastIndexOf('#');
    if (hash > 0) {
      String name = text.substring(hash + 1);
      String before = text.substring(0, hash);
      if (Demo.names().contains(before) && file(before).isEmpty()) {
        return of(Demo.open(before, Catalogue.standard()), before, name);
      }
      return read(Path.of(before), name);
    }
    // Not there: said as of any other file.
    return read(path(text), "");
  }

  private static Path path(String text) {
    try {
      return Path.of(text);
    } catch (InvalidPathException e) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is no lead: name a file, pins such as \"1>3 2>4\", or " + turnWords(),
          e);
    }
  }

  private static Optional<Path> file(String text) {
    try {
      Path path = Path.of(text);
      return !text.isBlank() && Files.exists(path) ? Optional.of(path) : Optional.empty();
    } catch (InvalidPathException e) {
      return Optional.empty();
    }
  }

  private Named read(Path file, String name) throws BuildFileException {
    String text = TextFile.read(file);
    String shown = file.toString();
    String bare = text.replaceFirst("^\\uFEFF", "").stripLeading();
    if (LeadFile.isLead(text)) {
      LeadFile.Found found = LeadFile.lead(bare, shown);
      return new Named(found.lead(), found.book().withLeads(List.of()));
    }
    if (bare.startsWith("{") || bare.startsWith("[") || shown.endsWith(".json")) {
      return of(BuildFile.parse(text, shown, Catalogue.standard(), rooms), shown, name);
    }
    return new Named(table(text, shown, LeadTable.isShort(text)), book());
  }

  private Named of(Build build, String file, String name) {
    List<Lead> leads = Bench.of(build, Catalogue.standard(), rooms).leads();
    List<String> names = leads.stream().map(Lead::name).toList();
    String known = names.isEmpty() ? "it has none" : "it has " + String.join(", ", names);
    if (name.isEmpty() && leads.size() != 1) {
      throw new IllegalArgumentException(
          file + " is a build: name one of its leads as FILE#NAME; " + known);
    }
    Lead lead =
        leads.stream()
            .filter(l -> name.isEmpty() || l.name().equalsIgnoreCase(name))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(file + " has no lead \"" + name + "\"; " + known));
    return new Named(lead, build.leads().withLeads(List.of()));
  }

  /** {@return the leads of a build, or the one of a lead's file} */
  List<Lead> all(Path file) throws BuildFileException {
    String text = TextFile.read(file);
    return LeadFile.isLead(text)
        ? List.of(LeadFile.lead(text, file.toString()).lead())
        : BuildFile.parse(text, file.toString(), Catalogue.standard(), rooms).leads().leads();
  }

  private Lead table(String text, String name, boolean brief) throws BuildFileException {
    ConnectorKind from = plugs().needed(kind);
    ConnectorKind to = plugs().needed(kindTo.isEmpty() ? kind : kindTo);
    Optional<Pinout> one = pinout(from);
    Optional<Pinout> other = pinout(to);
    LeadTable table = new LeadTable(from, one, to, other);
    String title = name.codePointCount(0, name.length()) > 60 ? "Lead" : name;
    try {
      var cores = brief ? table.readShort(text) : table.read(text);
      End.Plug first = End.Plug.of(from.id(), from.padGender().other());
      End.Plug last = End.Plug.of(to.id(), to.padGender());
      return Making.between(
          title,
          one.map(p -> first.into(Beyond.PAD, p)).orElse(first),
          other.map(p -> last.into(Beyond.HOST, p)).orElse(last),
          cores,
          plugs());
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(brief ? e.getMessage() : name + ": " + e.getMessage(), e);
    }
  }

  private Optional<Pinout> pinout(ConnectorKind connector) throws BuildFileException {
    if (!pinout.isEmpty()) {
      Pinout asked = plugs().neededPinout(pinout);
      if (asked.connector().equals(connector.id())) {
        return Optional.of(asked);
      }
    }
    return plugs().of(connector).stream().findFirst();
  }

  static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
