package kumite.files;

/** A file that cannot be read or written, with where and what to do, on one line. */
public final class BuildFileException extends Exception {
  private static final long serialVersionUID = 1L;

  /**
   * An exception whose message is one line.
   *
   * @param file the file as the person named it
   * @param place line or key, or an empty text for the file as a whole
   * @param what what is wrong
   * @param remedy what to do
   */
  public BuildFileException(String file, String place, String what, String remedy) {
    super(
        oneLine(
            file
                + (place.isEmpty() ? "" : ": " + place)
                + ": "
                + what
                + (remedy.isEmpty() ? "" : "; " + remedy)));
  }

  private static String oneLine(String text) {
    return text.replaceAll("\\s*[\\r\\n]+\\s*", " ");
  }
}
