package kumite.build.box;

import kumite.measure.Shape;

/**
 * What goes through an opening, with the hole it wants and the room it takes. All sizes are common
 * practice for parts of that kind, no source; measure the part.
 */
public enum Through {
  PLUG("a plug with its grip", rect(14, 9), 0, 0, 60),
  USB_SOCKET("a panel socket for a plug", rect(13, 6), 0, 25, 4),
  JACK("a round jack with a nut", round(8), 12, 22, 6),
  SWITCH("a snap-in switch", rect(13, 19), 0, 22, 3),
  NINE_PIN("a nine-pin socket", rect(20, 11), 0, 14, 3),
  CABLE_WITH_PLUG("a cable with its plug on", rect(16, 10), 0, 20, 60),
  CABLE("a cable, its plug put on inside", round(6), 0, 20, 60),
  GROMMET("a cable in a grommet", round(9), 0, 20, 4),
  GLAND("a cable gland", round(12.5), 18, 12, 8),
  RELIEF_SLOT("a strap that holds a cable", rect(4, 2), 0, 4, 60),
  VENT("air", rect(30, 3), 0, 0, 60),
  FINGER("a finger to reach a button inside", round(16), 0, 0, 20);

  private final String words;
  private final Shape hole;
  private final double nutMm;
  private final double behindMm;
  private final double mostWallMm;

  Through(String words, Shape hole, double nutMm, double behindMm, double mostWallMm) {
    this.words = words;
    this.hole = hole;
    this.nutMm = nutMm;
    this.behindMm = behindMm;
    this.mostWallMm = mostWallMm;
  }

  private static Shape rect(double width, double height) {
    return new Shape.Rect(width, height, 0);
  }

  private static Shape round(double diameter) {
    return new Shape.Round(diameter);
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return the hole that it wants} */
  public Shape hole() {
    return hole;
  }

  /** {@return across the corners of its nut inside, in mm; 0 where it has none} */
  public double nutMm() {
    return nutMm;
  }

  /** {@return how far it reaches in, its wires' bend included, in mm} */
  public double behindMm() {
    return behindMm;
  }

  /** {@return the thickest wall that it goes through, in mm} */
  public double mostWallMm() {
    return mostWallMm;
  }
}
