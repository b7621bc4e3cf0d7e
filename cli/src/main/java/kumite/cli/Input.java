package kumite.cli;

import java.nio.file.Path;
import java.util.List;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.map.Profile;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The build file that most commands take, and which of its boards and profiles is meant. */
final class Input {
  private final Rooms rooms;

  Input(Rooms rooms) {
    this.rooms = rooms;
  }

  @Parameters(index = "0", paramLabel = "FILE", description = "A build, NAME.kumite.json.")
  private Path file;

  @Option(
      names = "--seat",
      paramLabel = "ID",
      description = "Which board of a build that has several (default: the first).")
  private String seat = "";

  @Option(
      names = "--profile",
      paramLabel = "NAME",
      description = "Which profile of that board (default: the first).")
  private String profile = "";

  Bench bench() throws BuildFileException {
    Build build = build();
    return bench(build.facing(aspect(build)));
  }

  /** {@return a bench with the rooms that there are} */
  Bench bench(Build build) {
    return Bench.of(build, Catalogue.standard(), rooms);
  }

  /** {@return the rooms that there are} */
  Rooms rooms() {
    return rooms;
  }

  /** {@return the bench of all boards} */
  Bench whole() throws BuildFileException {
    return bench(build());
  }

  Build build() throws BuildFileException {
    return BuildFile.read(file, Catalogue.standard(), rooms);
  }

  /** {@return what was asked for; the first of what was not} */
  Aspect aspect(Build build) {
    List<String> ids = build.seats().stream().map(s -> s.id().text()).toList();
    Seat there =
        build.seats().stream()
            .filter(s -> seat.isEmpty() || s.id().text().equals(seat))
            .findFirst()
            .orElseThrow(() -> unknown("seat", seat, ids));
    List<String> names = there.profiles().stream().map(Profile::name).toList();
    if (!profile.isEmpty() && !names.contains(profile)) {
      throw unknown("profile", profile, names);
    }
    return new Aspect(there.id(), profile.isEmpty() ? names.get(0) : profile);
  }

  private static IllegalArgumentException unknown(String what, String asked, List<String> there) {
    return new IllegalArgumentException(
        "the build has no " + what + " \"" + asked + "\"; it has " + String.join(", ", there));
  }

  /** {@return whether a profile was asked for by its name} */
  boolean profileNamed() {
    return !profile.isEmpty();
  }

  Path file() {
    return file;
  }
}
