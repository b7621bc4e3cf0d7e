package kumite.bringup;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.bringup.Held;
import kumite.device.SelfTest;
import kumite.loom.Look;
import kumite.name.ContactId;

/**
 * What a board tells of itself, line by line as it comes ({@code docs/self-test.md}): which
 * contacts it takes as pressed now, and what a press that came and went showed. Lines before the
 * first that begins a stream are passed over: whoever listens seldom hears the start. Not
 * thread-safe.
 */
public final class Telling {
  private final List<Look> looks;
  private String head = "";
  private Held rest = Held.NONE;
  private Held now = Held.NONE;
  private Held most = Held.NONE;
  private boolean begun;
  private Optional<String> trouble = Optional.empty();

  /**
   * Listens to a board.
   *
   * @param looks of the build's board, in the order of its self-test
   */
  public Telling(List<Look> looks) {
    this.looks = List.copyOf(looks);
  }

  /**
   * Takes a line.
   *
   * @return what showed beyond rest while something was held, once all is let go again; usually
   *     empty
   */
  public Optional<Held> take(String line) {
    String text = line.strip();
    if (text.startsWith(SelfTest.BEGIN)) {
      begin(text);
      return Optional.empty();
    }
    if (text.isEmpty() || head.isEmpty()) {
      return Optional.empty();
    }
    try {
      List<SelfTest.Line> lines = SelfTest.read(head + "\n" + text, looks.size()).lines();
      return lines.isEmpty() ? Optional.empty() : settled(lines.get(0));
    } catch (IllegalArgumentException e) {
      // One line that was cut off spoils no other.
      trouble = Optional.of("a line was cut off or is none: \"" + shortened(text) + "\"");
      return Optional.empty();
    }
  }

  private void begin(String text) {
    begun = false;
    try {
      SelfTest.read(text, looks.size());
      head = text;
      trouble = Optional.empty();
    } catch (IllegalArgumentException e) {
      head = "";
      trouble = Optional.of(e.getMessage());
    }
  }

  private Optional<Held> settled(SelfTest.Line line) {
    trouble = Optional.empty();
    Map<ContactId, Double> pressed = new LinkedHashMap<>();
    for (int i = 0; i < looks.size(); i++) {
      if (line.settled().get(i) && !looks.get(i).travels()) {
        looks.get(i).contact().ifPresent(contact -> pressed.put(contact, 1.0));
      }
    }
    now = new Held(pressed);
    if (!begun) {
      begun = true;
      rest = now;
      most = now;
      return Optional.empty();
    }
    if (!now.equals(rest)) {
      most = now.travel().size() >= most.travel().size() || most.equals(rest) ? now : most;
      return Optional.empty();
    }
    Optional<Held> shown = most.equals(rest) ? Optional.empty() : Optional.of(most);
    most = rest;
    return shown;
  }

  /** {@return what is taken as pressed now} */
  public Held now() {
    return now;
  }

  /** {@return whether a stream has begun} */
  public boolean heard() {
    return !head.isEmpty();
  }

  /** {@return what is wrong with what comes; empty while nothing is} */
  public Optional<String> trouble() {
    return trouble;
  }

  private static String shortened(String text) {
    return text.length() > 40 ? text.substring(0, 40) + "..." : text;
  }
}
