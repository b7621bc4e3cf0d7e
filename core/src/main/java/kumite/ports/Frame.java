package kumite.ports;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.map.Target;
import kumite.build.port.ConsoleChart;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.loom.Console;
import kumite.signal.Held;
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

  /**
   * {@return what a console is told by a device that has sent these reports}
   *
   * @param reports the last of each id
   */
  public static Held told(
      ConsoleChart chart, ReportLayout layout, Collection<? extends byte[]> reports) {
    Set<String> buttons = new HashSet<>();
    for (String button : chart.kind().buttons()) {
      Target target = chart.target(button);
      if (layout
          .fieldOf(target)
          .filter(f -> reports.stream().anyMatch(r -> on(target.plain(), f, r)))
          .isPresent()) {
        buttons.add(button);
      }
    }
    return new Held(buttons, java.util.Map.of());
  }

  private static boolean on(Target plain, InputField field, byte[] report) {
    boolean other = field.reportId() > 0 && (report[0] & 0xFF) != field.reportId();
    if (other || field.bitOffset() + field.bits() > report.length * 8) {
      return false;
    }
    int value = field.read(report);
    if (plain instanceof Target.Hat hat) {
      int way = 2 * hat.direction().ordinal(); // 0 is up, then clockwise in eighths
      return value < ReportLayout.HAT_NULL
          && (value == way || value == (way + 1) % 8 || value == (way + 7) % 8);
    }
    return value != 0;
  }
}
