package kumite.bringup;

/**
 * What can be wrong. How often each is met, against a wire that is open, is common practice without
 * a source.
 */
public enum FaultKind {
  /** Nothing is wrong. */
  NONE("nothing is wrong", 0),
  OPEN("a wire is open", 10),
  WRONG_TERMINAL("a wire is at the wrong terminal", 4),
  WRONG_COMMON("a shared side goes to the wrong rail", 3),
  SWAPPED("two wires are swapped", 6),
  BRIDGED("two neighbours are bridged", 4),
  RESTING_TAB("the wire is on the tab that is closed at rest", 5),
  OPEN_TAB("the wire is on the tab that is open at rest", 5),
  ONE_SIDE("both wires are on one side", 4),
  COMMON_AT_RESTING("the shared side is on the tab that is closed at rest", 1.5),
  NEVER_CLOSES("the contact never closes", 2),
  TURNED("the lever is turned", 5),
  PART_MISSING("a part is missing", 3),
  PART_WRONG("a part has the wrong value", 2),
  REVERSED("a part is the wrong way round", 5),
  LAMP_TABS("lamp and contact tabs are mixed", 4),
  TERMINAL_DEAD("a terminal is dead", 1),
  NOT_ASSIGNED("the host is not assigned", 4),
  WRONG_PROGRAM("the board runs another program", 3);

  private final String words;
  private final double weight;

  FaultKind(String words, double weight) {
    this.words = words;
    this.weight = weight;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  double weight() {
    return weight;
  }
}
