package kumite.room;

import com.fasterxml.jackson.databind.node.ObjectNode;
import kumite.build.Build;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.codec.Codec;
import kumite.json.Key;

/**
 * How a station's part of the build stands in the file. What else the file holds is known where it
 * is read ({@link Around}).
 *
 * @param part the part
 * @param always whether the file must have it; else it has it only where something was decided
 * @param codec how it stands under the part's key
 */
public record PartCodec<T extends Decided<T>>(Part<T> part, boolean always, Codec<T> codec) {

  /** {@return the build with this part of the document} */
  public Build read(Key top, Build build) {
    return always || top.has(part.key())
        ? build.with(part, codec.read(top.value(part.key())))
        : build;
  }

  /** Puts this part of a build into the document, where it is to stand there. */
  public void write(Build build, ObjectNode root) {
    T value = build.get(part);
    if (always || !value.equals(part.usual())) {
      root.set(part.key(), codec.write(value));
    }
  }
}
