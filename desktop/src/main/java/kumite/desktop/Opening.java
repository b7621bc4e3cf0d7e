package kumite.desktop;

import java.nio.file.Path;
import java.util.Optional;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;

/**
 * What the window opens with. It is read and worked out on a thread of its own, while the toolkit
 * starts on another.
 *
 * @param options what the workbench was started with
 * @param catalogue the kinds of parts that are shipped
 * @param bench the first build, worked out
 * @param file the file it was read from
 * @param complaint why the wanted one could not be read; an empty build stands for it then
 */
record Opening(
    Options options,
    Catalogue catalogue,
    Bench bench,
    Optional<Path> file,
    Optional<String> complaint) {

  static Opening of(Options options, Catalogue catalogue) {
    return of(options, catalogue, Rooms.standard());
  }

  /** {@return what the window opens with, worked out with these rooms} */
  static Opening of(Options options, Catalogue catalogue, Rooms rooms) {
    try {
      Build build = Build.empty("New build");
      if (options.file().isPresent()) {
        build = BuildFile.read(options.file().get(), catalogue, rooms);
      } else if (options.demo().isPresent()) {
        build = Demo.open(options.demo().get(), catalogue);
      }
      return new Opening(
          options, catalogue, Bench.of(build, catalogue, rooms), options.file(), Optional.empty());
    } catch (BuildFileException e) {
      Bench empty = Bench.of(Build.empty("New build"), catalogue, rooms);
      return new Opening(options, catalogue, empty, Optional.empty(), Optional.of(e.getMessage()));
    }
  }
}
