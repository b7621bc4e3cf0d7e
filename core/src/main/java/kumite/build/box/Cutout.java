package kumite.build.box;

import java.util.Objects;
import java.util.Optional;
import kumite.measure.Check;
import kumite.measure.Length;
import kumite.measure.Point;
import kumite.measure.Range;
import kumite.measure.Shape;

/**
 * An opening in a face.
 *
 * @param name what it is for, such as {@code plug of the board}
 * @param face which face
 * @param at its middle on that face, as {@link Face} measures
 * @param through what goes through it
 * @param size the hole, where it is not the one that such a part wants
 */
public record Cutout(String name, Face face, Point at, Through through, Optional<Shape> size) {
  /** A side or diameter of a hole. */
  public static final Range SIZE = Range.above(0, 2000, "mm");

  public Cutout {
    Check.writable(name, "name");
    Objects.requireNonNull(face, "face");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.xMm(), "x_mm");
    Check.between(-Length.LARGEST_MM, Length.LARGEST_MM, at.yMm(), "y_mm");
    Objects.requireNonNull(through, "through");
    Objects.requireNonNull(size, "size");
  }

  /** An opening as large as such a part wants. */
  public Cutout(String name, Face face, Point at, Through through) {
    this(name, face, at, through, Optional.empty());
  }

  /** {@return the hole} */
  public Shape hole() {
    return size.orElse(through.hole());
  }

  /** {@return the same elsewhere on its face} */
  public Cutout movedTo(Point place) {
    return new Cutout(name, face, place, through, size);
  }

  /** {@return the same with a hole of another size} */
  public Cutout sized(Shape hole) {
    return new Cutout(name, face, at, through, Optional.of(hole));
  }
}
