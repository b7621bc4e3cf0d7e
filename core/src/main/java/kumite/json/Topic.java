package kumite.json;

/**
 * Something that is known around a place of a document, and that names there are held against: the
 * contacts of the build, the connectors of the book.
 *
 * @param <T> what is known
 */
public final class Topic<T> {
  private final String name;

  /** A topic of its own, whatever its name. */
  public Topic(String name) {
    this.name = name;
  }

  @Override
  public String toString() {
    return name;
  }
}
