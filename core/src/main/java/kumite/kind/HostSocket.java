package kumite.kind;

/**
 * A socket of a board that one USB device plugs into.
 *
 * @param plus the terminal of its data plus
 * @param minus the terminal of its data minus
 */
public record HostSocket(Terminal plus, Terminal minus) {
  /** {@return whether a terminal is one of its two} */
  public boolean has(Terminal terminal) {
    return terminal.equals(plus) || terminal.equals(minus);
  }
}
