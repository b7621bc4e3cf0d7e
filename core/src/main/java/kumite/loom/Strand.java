package kumite.loom;

import java.util.Optional;
import kumite.build.loom.WireSort;
import kumite.kind.Landing;
import kumite.kind.WireColour;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.working.Working;

/**
 * One wire between two places.
 *
 * @param serves what it is for
 * @param id its number on the label: the letter of what it is for, then the number of the contact
 *     it comes from, so that W07 and G07 serve the same one; 00 closes a ring; of a wire to another
 *     board the number of the link
 * @param contact the contact it serves; empty for commons and supplies
 * @param from its end at a control
 * @param to its other end
 * @param colour its colour
 * @param gaugeAwg its size
 * @param lengthMm cut length, rounded up to 5 mm
 * @param way its place in the connector between lid and base, 1 upward, where there is one
 * @param working how the length came about
 * @param use what builders sort it as: what runs to ground is ground, whatever it serves
 */
public record Strand(
    Serves serves,
    String id,
    Optional<ContactId> contact,
    End from,
    End to,
    WireColour colour,
    int gaugeAwg,
    int lengthMm,
    Optional<Integer> way,
    Working working,
    WireSort.Use use) {

  /**
   * One end of a strand.
   *
   * @param place where it lands, by name
   * @param part the control's label, {@code board}, or a carrier's name
   * @param tab the tab or terminal there
   * @param landing how it is joined
   * @param at where that is, seen from the face
   */
  public record End(Joint place, String part, String tab, Landing landing, Point at) {
    /** {@return how it is joined, in words} */
    public String joint() {
      return landing.words();
    }

    /** {@return the end in words, such as {@code Horn NO}} */
    public String words() {
      return part + " " + tab;
    }
  }

  /** {@return whether it runs to the board or a supply part of another seat} */
  public boolean crosses() {
    return serves == Serves.LINK || serves == Serves.FEED_ACROSS;
  }

  /** {@return whether it is cut with this loom, and not with that of the seat it comes from} */
  public boolean cutHere() {
    return !crosses() || Character.isLowerCase(from.place().part().charAt(0));
  }

  /** {@return the same strand with another far end} */
  Strand endingAt(End other) {
    return new Strand(
        serves, id, contact, from, other, colour, gaugeAwg, lengthMm, way, working, use);
  }

  /** {@return whether both its ends are on one part} */
  public boolean inOnePart() {
    return from.place().part().equals(to.place().part());
  }

  /** {@return the wire between its two places} */
  public Jumper wire() {
    return new Jumper(from.place(), to.place());
  }
}
