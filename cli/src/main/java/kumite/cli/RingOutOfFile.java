package kumite.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import kumite.build.Build;
import kumite.build.lead.LeadBook;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.LeadFile;
import kumite.files.TextFile;
import kumite.parts.Catalogue;
import kumite.ringout.RingOut;
import kumite.verdict.Rooms;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Commands about a ring-out in a file. */
abstract class RingOutOfFile implements Callable<Integer> {
  private final Rooms rooms;

  RingOutOfFile(Rooms rooms) {
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
      BuildFile.write(build.withLeads(build.leads().with(ringOut.name(), ringOut)), path(), rooms);
    } else {
      LeadFile.write(path(), LeadFile.text(ringOut, found().own()));
    }
  }

  PrintWriter printer() {
    return spec.commandLine().getOut();
  }
}
