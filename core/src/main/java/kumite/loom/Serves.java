package kumite.loom;

import kumite.build.loom.WireSort;

/** What a strand is for, and the letter of its number on the label. */
public enum Serves {
  /** A contact's signal. */
  SIGNAL('W'),
  /** Ground. */
  GROUND('G'),
  /** A supply. */
  SUPPLY('V'),
  /** A common that the board feeds from a rail of its own. */
  COMMON('C'),
  /** A lamp's feed. */
  LAMP('L'),
  /** A row of a matrix. */
  ROW('R'),
  /** A line of a carrier. */
  CARRIER('B'),
  /** A line of a port. */
  PORT('P'),
  /** From a terminal strip to the board. */
  STRIP('F'),
  /** To another board. */
  LINK('X'),
  /** From a source of the build to what it feeds. */
  FEED('S'),
  /** The same to what stands at another seat. */
  FEED_ACROSS('S'),
  /** The data of a strip of lamps. */
  DATA('D');

  private final char letter;

  Serves(char letter) {
    this.letter = letter;
  }

  /** {@return what builders sort such a wire as} */
  public WireSort.Use use() {
    return switch (this) {
      case SIGNAL, ROW, CARRIER, PORT, LINK, DATA -> WireSort.Use.SIGNAL;
      case GROUND -> WireSort.Use.GROUND;
      case SUPPLY, COMMON, LAMP, STRIP, FEED, FEED_ACROSS -> WireSort.Use.SUPPLY;
    };
  }

  /**
   * {@return the id of such a strand}
   *
   * @param number 0 where it closes a ring, else that of the contact, lamp or link it comes from
   */
  String id(int number) {
    return letter + (number < 10 ? "0" : "") + number;
  }
}
