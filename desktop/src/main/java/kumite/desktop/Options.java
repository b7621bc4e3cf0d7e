package kumite.desktop;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import kumite.files.Demo;

/**
 * What the workbench was started with.
 *
 * @param file a build to open
 * @param demo a demo to open
 * @param pictures a folder to write pictures of all views to; the workbench then ends
 * @param picture a file to write one picture of the window to; the workbench stays
 * @param state the folder for the journal of unsaved work
 * @param exitWhenShown whether to end as soon as the window is usable, for timing
 */
record Options(
    Optional<Path> file,
    Optional<String> demo,
    Optional<Path> pictures,
    Optional<Path> picture,
    Path state,
    boolean exitWhenShown) {

  static Options parse(List<String> arguments) {
    Optional<Path> file = Optional.empty();
    Optional<String> demo = Optional.empty();
    Optional<Path> pictures = Optional.empty();
    Optional<Path> picture = Optional.empty();
    Path state = usualState();
    boolean exit = false;
    for (int i = 0; i < arguments.size(); i++) {
      String argument = arguments.get(i);
      String next =
          i + 1 < arguments.size() && !arguments.get(i + 1).startsWith("--")
              ? arguments.get(i + 1)
              : "";
      switch (argument) {
        case "--demo" -> {
          demo = Optional.of(next.isEmpty() ? Demo.USUAL : next);
          i += next.isEmpty() ? 0 : 1;
        }
        case "--pictures" -> {
          pictures = Optional.of(Path.of(required(argument, next)));
          i++;
        }
        case "--picture" -> {
          picture = Optional.of(Path.of(required(argument, next)));
          i++;
        }
        case "--state" -> {
          state = Path.of(required(argument, next));
          i++;
        }
        case "--exit-when-shown" -> exit = true;
        default -> {
          if (argument.startsWith("--")) {
            throw new IllegalArgumentException(
                "unknown option " + argument + "; see kumite --help");
          }
          file = Optional.of(Path.of(argument));
        }
      }
    }
    return new Options(file, demo, pictures, picture, state, exit);
  }

  private static String required(String option, String value) {
    if (value.isEmpty()) {
      throw new IllegalArgumentException(option + " needs a value after it");
    }
    return value;
  }

  private static Path usualState() {
    String xdg = System.getenv("XDG_STATE_HOME");
    Path base =
        xdg != null && !xdg.isBlank()
            ? Path.of(xdg)
            : Path.of(System.getProperty("user.home"), ".local", "state");
    return base.resolve("kumite");
  }
}
