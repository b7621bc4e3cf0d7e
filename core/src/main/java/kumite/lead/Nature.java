package kumite.lead;

/** What a pin is electrically, seen from the lead into what it plugs into. */
public enum Nature {
  GIVES_SUPPLY("gives supply"),
  TAKES_SUPPLY("takes supply"),
  GROUND("ground"),
  /** A stiff output: fights another one. */
  DRIVES("an output"),
  /** An output that others may share by agreement. */
  SHARES("an input and output"),
  /** Closes to ground. */
  CONTACT("a contact to ground"),
  POT("a potentiometer"),
  LISTENS("an input"),
  NOTHING("not used"),
  /** Nobody said. */
  UNKNOWN("not known");

  private final String words;

  Nature(String words) {
    this.words = words;
  }

  /** {@return it in words} */
  public String words() {
    return words;
  }

  /** {@return whether it carries a signal, not a supply or ground} */
  public boolean signal() {
    return this == DRIVES || this == SHARES || this == CONTACT || this == POT || this == LISTENS;
  }

  /** {@return whether it says something that an input can hear} */
  public boolean speaks() {
    return this == DRIVES || this == SHARES || this == CONTACT || this == POT;
  }
}
