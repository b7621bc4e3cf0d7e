package kumite.build.loom;

import java.util.Arrays;
import java.util.List;

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
  TOUCH("touch"),
  /** The buttons of pads at ports, in the way of the port's mechanism; follows from the port. */
  PAD("port");

  private final String words;

  Topology(String words) {
    this.words = words;
  }

  /** The ways that a builder can choose for contacts of the panel. */
  public static final List<Topology> CHOSEN =
      Arrays.stream(values()).filter(topology -> topology != PAD).toList();

  /** {@return the topology in words for people} */
  public String words() {
    return words;
  }
}
