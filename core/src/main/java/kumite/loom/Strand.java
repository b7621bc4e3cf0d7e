package kumite.loom;

import java.util.Optional;
import kumite.build.ContactId;
import kumite.build.WireColour;
import kumite.working.Working;

/**
 * One wire between two places.
 *
 * @param id its number on the label: {@code W} for signals, {@code G} ground, {@code V} supply,
 *     {@code C} a rail common, {@code L} lamps
 * @param contact the contact it serves; empty for commons and supplies
 * @param from its end at a control
 * @param to its other end
 * @param colour its colour
 * @param gaugeAwg its size
 * @param lengthMm cut length, rounded up to 5 mm
 * @param working how the length came about
 */
public record Strand(
    String id,
    Optional<ContactId> contact,
    End from,
    End to,
    WireColour colour,
    int gaugeAwg,
    int lengthMm,
    Working working) {

  /**
   * One end of a strand.
   *
   * @param part the control's label, or {@code board}
   * @param tab the tab or terminal there
   * @param joint how it is joined
   */
  public record End(String part, String tab, String joint) {
    /** {@return the end in words, such as {@code Horn NO}} */
    public String words() {
      return part + " " + tab;
    }
  }
}
