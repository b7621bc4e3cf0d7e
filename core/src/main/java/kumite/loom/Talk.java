package kumite.loom;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Held;
import kumite.signal.PortKind;

/**
 * A board and a pad at one of its ports: between which terminals and which pins they talk.
 *
 * @param pad the pad at its port
 * @param lines the terminal of each line, by the line's name; those that got none are not there
 */
public record Talk(Pad pad, Map<String, Terminal> lines) {
  private static final double HELD = 0.5;

  /** What a board needs to turn a line or to read one, in ns, as device.h promises it. */
  public static final long SETTLE_NS = 5000;

  public Talk {
    lines = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(lines));
  }

  /** {@return the kind of its port} */
  public PortKind kind() {
    return pad.kind();
  }

  /** {@return whether a USB pad's lines are both in one socket of its host; others have none} */
  public boolean oneSocket(BoardKind board) {
    return !pad.hosted()
        || board.hostSockets().stream().anyMatch(s -> lines.values().stream().allMatch(s::has));
  }

  /** {@return the place of the board's side of a line, if it has a terminal} */
  public Optional<Joint> terminal(String line) {
    return Optional.ofNullable(lines.get(line)).map(Terminal::name).map(Joint::board);
  }

  /**
   * {@return what hands do with the pad}
   *
   * @param hands how far each contact is moved, 0 to 1
   */
  public Held held(ToDoubleFunction<ContactId> hands) {
    Set<String> buttons = new HashSet<>();
    for (PortKind.Bit bit : kind().contacts()) {
      if (hands.applyAsDouble(new ContactId(pad.port().id(), bit.contact())) >= HELD) {
        buttons.add(bit.button());
      }
    }
    Map<String, Double> axes = new LinkedHashMap<>();
    for (PortKind.Bit bit : kind().axisContacts()) {
      axes.put(bit.button(), hands.applyAsDouble(new ContactId(pad.port().id(), bit.contact())));
    }
    return new Held(buttons, axes);
  }

  /** Talks are keys of what was heard: their ports tell them apart well enough. */
  @Override
  public int hashCode() {
    return pad.port().id().hashCode();
  }
}
