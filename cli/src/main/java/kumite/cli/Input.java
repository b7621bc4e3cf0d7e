package kumite.cli;

import java.nio.file.Path;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import picocli.CommandLine.Parameters;

/** The build file that most commands take. */
final class Input {
  @Parameters(index = "0", paramLabel = "FILE", description = "A build, NAME.kumite.json.")
  private Path file;

  Bench bench() throws BuildFileException {
    Catalogue catalogue = Catalogue.standard();
    Build build = BuildFile.read(file, catalogue);
    return Bench.of(build, catalogue);
  }

  Path file() {
    return file;
  }
}
