package kumite.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.parts.Catalogue;
import kumite.verdict.Rooms;

/** The demo builds that ship with the application. */
public final class Demo {
  /** The demo that opens when none is named. */
  public static final String USUAL = "ferry-bridge";

  private Demo() {}

  /** {@return the names of all demos} */
  public static List<String> names() {
    return Rooms.standard().demos();
  }

  /** {@return the text of a demo's file, if there is one of that name} */
  public static Optional<String> text(String name) {
    if (!names().contains(name)) {
      return Optional.empty();
    }
    String path = "/kumite/demo/" + name + BuildFile.ENDING;
    try (InputStream stream = Demo.class.getResourceAsStream(path)) {
      if (stream == null) {
        throw new IllegalStateException("the application lacks its demo " + path);
      }
      return Optional.of(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException("demo " + name + " cannot be read", e);
    }
  }

  /**
   * Opens a demo.
   *
   * @throws BuildFileException if there is none of that name
   */
  public static Build open(String name, Catalogue catalogue) throws BuildFileException {
    Optional<String> text = text(name);
    if (text.isEmpty()) {
      throw new BuildFileException(
          "demo " + name,
          "",
          "there is no such demo",
          "choose one of " + String.join(", ", names()));
    }
    return BuildFile.parse(text.get(), name + BuildFile.ENDING, catalogue);
  }
}
