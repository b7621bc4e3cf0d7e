package kumite.plan;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.CRC32;
import kumite.name.Jumper;
import kumite.name.SeatId;

/**
 * One step of a plan.
 *
 * @param id its id, the same for as long as the thing it is about is there
 * @param act what kind of step it is
 * @param what is to be done
 * @param details measures and lists from the build, a line each
 * @param parts what is needed for it
 * @param with what it is done with
 * @param at the things that it is done to, as rules tell them apart; such as {@code control horn}
 * @param after ids of the steps that come right before it
 * @param why the reason for its place
 * @param waitMinutes what follows waits so long
 * @param minutes it takes, roughly: common practice, no source
 * @param noReturn whether it cannot be undone
 * @param wires the wires that it puts on, at one end or both; empty for other steps
 * @param state whether it is to be done
 */
public record Step(
    String id,
    Act act,
    String what,
    List<String> details,
    List<String> parts,
    Set<Implement> with,
    Set<String> at,
    List<String> after,
    String why,
    int waitMinutes,
    double minutes,
    boolean noReturn,
    Optional<Wires> wires,
    State state) {

  /**
   * Wires of one seat.
   *
   * @param seat whose
   * @param wires which
   */
  public record Wires(SeatId seat, Set<Jumper> wires) {
    public Wires {
      wires = java.util.Collections.unmodifiableSet(new TreeSet<>(wires));
    }
  }

  /** How a step stands. */
  public enum State {
    OPEN("to do"),
    DONE("done"),
    ALREADY("there already"),
    UNUSED("not used");

    private final String words;

    State(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }

    /** {@return whether nothing is left to be done} */
    public boolean over() {
      return this != OPEN;
    }
  }

  public Step {
    details = List.copyOf(details);
    parts = List.copyOf(parts);
    with = java.util.Collections.unmodifiableSet(new TreeSet<>(with));
    at = java.util.Collections.unmodifiableSet(new TreeSet<>(at));
    after = List.copyOf(after);
  }

  /** {@return what it says now, in short: a step whose mark changed is another step to do} */
  public String mark() {
    CRC32 crc = new CRC32();
    String said = what + "\n" + String.join("\n", details) + "\n" + String.join("\n", parts);
    crc.update(said.getBytes(StandardCharsets.UTF_8));
    return HexFormat.of().toHexDigits((int) crc.getValue());
  }

  /** {@return what can hurt somebody, where something can} */
  public Optional<String> caution() {
    return with.contains(Implement.IRON) && act.caution().isEmpty()
        ? Act.SMALL_PARTS.caution()
        : act.caution();
  }

  /** {@return whether it is over} */
  public boolean over() {
    return state.over();
  }

  Step placed(List<String> newAfter, String newWhy) {
    return new Step(
        id,
        act,
        what,
        details,
        parts,
        with,
        at,
        newAfter,
        newWhy,
        waitMinutes,
        minutes,
        noReturn,
        wires,
        state);
  }

  Step standing(State newState) {
    return new Step(
        id,
        act,
        what,
        details,
        parts,
        with,
        at,
        after,
        why,
        waitMinutes,
        minutes,
        noReturn,
        wires,
        newState);
  }
}
