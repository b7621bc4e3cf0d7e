package kumite.room;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import kumite.build.Build;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.json.Key;

/**
 * How a station's part of the build stands in the file.
 *
 * @param part the part
 * @param always whether the file must have it; else it has it only where something was decided
 * @param reader reads it
 * @param writer writes it
 */
public record PartCodec<T extends Decided<T>>(
    Part<T> part, boolean always, Reader<T> reader, Writer<T> writer) {

  /** Reads a part. */
  public interface Reader<T> {
    /**
     * {@return the part under its key}
     *
     * @param top the document
     * @param key the part's key in it; it is there
     * @throws kumite.json.Misfit if it does not fit; says where
     */
    T read(Key top, String key, Around around);
  }

  /** Writes a part. */
  public interface Writer<T> {
    /** {@return what stands under the part's key} */
    JsonNode write(T value);
  }

  /** {@return the build with this part of the document} */
  public Build read(Key top, Around around, Build build) {
    return always || top.has(part.key())
        ? build.with(part, reader.read(top, part.key(), around))
        : build;
  }

  /** Puts this part of a build into the document, where it is to stand there. */
  public void write(Build build, ObjectNode root) {
    T value = build.get(part);
    if (always || !value.equals(part.usual())) {
      root.set(part.key(), writer.write(value));
    }
  }
}
