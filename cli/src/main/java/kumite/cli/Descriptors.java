package kumite.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import kumite.hid.DescriptorText;
import kumite.hid.DescriptorTree;
import picocli.CommandLine.Parameters;

/** A report descriptor as it is given on the command line. */
final class Descriptors {
  /** Text of so many letters holds no descriptor that a device can have. */
  private static final long MOST_LETTERS = 8L * DescriptorTree.MOST_BYTES;

  @Parameters(
      index = "0",
      paramLabel = "HEX|FILE",
      description = "The descriptor in hexadecimal, or a file with it: text or bytes.")
  private String what;

  /** {@return the bytes of the descriptor} */
  byte[] bytes() throws IOException {
    Optional<Path> file = file(what);
    if (file.isEmpty()) {
      return DescriptorText.hex(what)
          .orElseThrow(
              () ->
                  new IllegalArgumentException(
                      "\""
                          + shortened(what)
                          + "\" is neither a file nor hexadecimal pairs;"
                          + " write 05 01 09 05 ..."));
    }
    if (!Files.isRegularFile(file.get())) {
      throw new IllegalArgumentException(what + " is no ordinary file");
    }
    long size = Files.size(file.get());
    if (size > MOST_LETTERS) {
      throw new IllegalArgumentException(
          what
              + ": a descriptor has "
              + DescriptorTree.MOST_BYTES
              + " bytes at most, but the file has "
              + size);
    }
    return DescriptorText.ofFile(Files.readAllBytes(file.get()));
  }

  private static Optional<Path> file(String what) {
    try {
      Path path = Path.of(what);
      return Files.exists(path) && !what.isBlank() ? Optional.of(path) : Optional.empty();
    } catch (InvalidPathException e) {
      return Optional.empty();
    }
  }

  private static String shortened(String text) {
    return text.length() <= 40 ? text : text.substring(0, 40) + "…";
  }
}
