package kumite.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.lead.ConnectorKind;
import kumite.lead.Plugs;
import kumite.ringout.RingOut;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "new",
    description = "Begin a ring-out in a file of its own.",
    mixinStandardHelpOptions = true)
final class RingOutBegin implements Callable<Integer> {
  private final Rooms rooms;

  RingOutBegin(Rooms rooms) {
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
