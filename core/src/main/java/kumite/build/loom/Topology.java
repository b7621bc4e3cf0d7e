package kumite.build.loom;

/** How a group of contacts shares terminals. */
public enum Topology {
  /** Rows and columns with a diode at each contact. */
  MATRIX("matrix with diodes"),
  /** Rows and columns without diodes: three corners of a rectangle make the fourth. */
  BARE_MATRIX("matrix without diodes"),
  /** Parallel-in registers in a chain, eight contacts each, read bit by bit. */
  REGISTERS("shift registers"),
  /** One contact of several at a time, each on its own step of a chain of resistors. */
  LADDER("resistor ladder"),
  /** Analog multiplexers, eight contacts or wipers each, one terminal that reads. */
  MULTIPLEXER("analog multiplexer"),
  /** Pads that a finger bridges, each on a terminal that senses touch. */
  TOUCH("touch");

  private final String words;

  Topology(String words) {
    this.words = words;
  }

  /** {@return the topology in words for people} */
  public String words() {
    return words;
  }
}
