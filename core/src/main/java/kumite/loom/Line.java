package kumite.loom;

import java.util.List;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.name.ContactId;

/**
 * One wire that wants a terminal of the board: a contact's own, or one that a group shares.
 *
 * @param id the contact's id, or the group's name with the wire's, such as {@code keys.row1}
 * @param label in words for people
 * @param needs what the terminal must do
 * @param place where it comes from, on the panel
 * @param group the group it belongs to, if it does
 * @param contacts the contacts it serves
 * @param pulses whether its contact gives pulses, so that a counting terminal serves it better
 * @param fixed the meaning its contact has, which a board with fixed sockets must give; may be
 *     empty
 */
public record Line(
    ContactId id,
    String label,
    Need needs,
    Point place,
    Optional<Group> group,
    List<ContactSite> contacts,
    boolean pulses,
    Optional<String> fixed) {

  /** A weaker pull-up than this sees a person's skin: common practice, no source. */
  static final double TOUCH_PULL_OHM = 1e6;

  /** What a terminal must do for a line. */
  public enum Need {
    /** Tell high from low. */
    READ("reads high and low"),
    /** Tell each turn of a wire at once. */
    EDGE("tells each edge at once"),
    /** Tell high from low, and pull low in turn. */
    SHARE("reads a wire and pulls it low in turn"),
    /** Measure volts. */
    MEASURE("measures volts"),
    /** Drive a wire high and low. */
    DRIVE("can drive a wire"),
    /** Sense touch. */
    TOUCH("senses touch"),
    /** Take in serial bytes. */
    RECEIVE("receives serial data"),
    /** Send serial bytes. */
    SEND("sends serial data"),
    /** Be a USB host's data plus. */
    HOST_PLUS("is a USB host's data plus"),
    /** Be a USB host's data minus. */
    HOST_MINUS("is a USB host's data minus");

    private final String words;

    Need(String words) {
      this.words = words;
    }

    /** {@return the need in words for people} */
    public String words() {
      return words;
    }
  }

  public Line {
    contacts = List.copyOf(contacts);
  }

  /** Lines are keys of the plan: their ids tell them apart well enough. */
  @Override
  public int hashCode() {
    return id.hashCode();
  }

  /** {@return whether a terminal can serve it at all, kept back or not} */
  public boolean fits(BoardKind board, Terminal terminal) {
    boolean host = needs == Need.HOST_PLUS || needs == Need.HOST_MINUS;
    if (terminal.role() != (host ? Terminal.Role.HOST : Terminal.Role.INPUT)) {
      return false;
    }
    return switch (needs) {
      case MEASURE ->
          terminal.can(Terminal.Ability.OHMS) && group.isEmpty()
              || terminal.can(Terminal.Ability.ANALOG)
                  && terminal.keep().filter(keep -> keep == Terminal.Keep.RADIO).isEmpty();
      case DRIVE -> terminal.can(Terminal.Ability.DRIVE);
      case EDGE ->
          terminal.can(Terminal.Ability.DIGITAL) && terminal.can(Terminal.Ability.INTERRUPT);
      case SHARE -> terminal.can(Terminal.Ability.DIGITAL) && terminal.can(Terminal.Ability.DRIVE);
      case TOUCH -> senses(board, terminal);
      case RECEIVE -> terminal.can(Terminal.Ability.RECEIVE);
      case SEND -> terminal.can(Terminal.Ability.SEND);
      case HOST_PLUS -> terminal.can(Terminal.Ability.HOST_PLUS);
      case HOST_MINUS -> terminal.can(Terminal.Ability.HOST_MINUS);
      case READ ->
          terminal.can(Terminal.Ability.DIGITAL)
              && (group.isEmpty() || !board.bringsProgram() || plainly());
    };
  }

  /** {@return whether a terminal is kept back from it} */
  boolean keptFrom(Terminal terminal) {
    return PinPlan.keptBack(terminal) && !bytesAt(terminal);
  }

  /** {@return whether it takes in or sends bytes at a terminal that is kept for just that} */
  boolean bytesAt(Terminal terminal) {
    return (needs == Need.RECEIVE || needs == Need.SEND)
        && terminal.keep().equals(Optional.of(Terminal.Keep.SERIAL));
  }

  /** {@return whether it is a contact of a pad on a line of its own, as any contact has} */
  boolean plainly() {
    return group.filter(g -> g.topology() == Topology.PAD).isPresent()
        && contacts.size() == 1
        && contacts.get(0).id().equals(id);
  }

  /** A finger is told from none by a terminal made for it, or under a pull-up of megohms. */
  static boolean senses(BoardKind board, Terminal terminal) {
    return terminal.can(Terminal.Ability.TOUCH)
        || terminal.can(Terminal.Ability.PULL_UP) && board.pullLeastOhm() >= TOUCH_PULL_OHM;
  }

  /**
   * {@return whether a socket gives what the contact is mapped to, as it comes; else the socket's
   * meaning wins, or has to be set}
   */
  boolean meant(BoardKind board, Terminal terminal) {
    return !board.bringsProgram()
        || fixed.isEmpty()
        || terminal.fixed().isEmpty()
        || terminal.fixed().equals(fixed);
  }
}
