package kumite.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.loom.Console;
import kumite.signal.Level;
import kumite.signal.Play;
import kumite.signal.Reading;
import kumite.signal.Taken;

/**
 * What a console takes in one frame, bit by bit.
 *
 * @param console which
 * @param bits in the order they are taken
 * @param reading what it makes of them
 */
public record Frame(Console console, List<Bit> bits, Reading reading) {
  private static final double NS_IN_US = 1000;

  /**
   * One bit.
   *
   * @param us when it is taken, from the beginning of the frame
   * @param line from which line
   * @param where which bit it is, in words
   * @param button what it tells of; empty where it is always the same
   * @param level as the wires carry it
   */
  public record Bit(double us, String line, String where, Optional<String> button, Level level) {}

  public Frame {
    bits = List.copyOf(bits);
  }

  /** {@return the first frame of a play} */
  public static Frame of(Console console, Play play) {
    List<Bit> bits = new ArrayList<>();
    for (Taken taken : console.kind().mechanism().taken(console.kind())) {
      // What changes at that very moment comes too late.
      Level level = play.waveform().at(taken.line(), Play.REST_NS + taken.afterNs() - 1);
      bits.add(
          new Bit(taken.afterNs() / NS_IN_US, taken.line(), taken.where(), taken.button(), level));
    }
    return new Frame(console, bits, play.readings().get(0));
  }
}
