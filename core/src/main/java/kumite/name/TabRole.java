package kumite.name;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a tab of a part is, where that does not depend on the part, and how it is called. */
public enum TabRole {
  /** The side of a switch that contacts share. */
  COMMON("COM"),
  /** Joined to the common when pressed. */
  OPEN("NO"),
  /** Joined to the common at rest. */
  CLOSED("NC"),
  /** Where the travel of a resistance begins. */
  FIRST_END("end 1"),
  /** Where it ends. */
  LAST_END("end 2"),
  LAMP_PLUS("lamp+"),
  LAMP_MINUS("lamp-"),
  /** What feeds a part that needs a supply. */
  SUPPLY("VCC"),
  /** The ground of such a part. */
  GROUND("GND"),
  /** The free lead of a resistor that sits on another tab. */
  RESISTOR("R"),
  /** The free lead of a diode that sits on another tab. */
  DIODE("D"),
  /** The free lead of a pull-up. */
  PULL_UP("PULL");

  private static final Map<String, TabRole> BY_TEXT =
      Arrays.stream(values()).collect(Collectors.toMap(TabRole::text, role -> role));

  private final String text;

  TabRole(String text) {
    this.text = text;
  }

  /** {@return how it is called in wires, files and on paper} */
  public String text() {
    return text;
  }

  /** {@return which of these a place is, whatever contact's name stands before it} */
  public static Optional<TabRole> of(Joint place) {
    String tab = place.tab();
    return Optional.ofNullable(BY_TEXT.get(tab.substring(tab.lastIndexOf('.') + 1)));
  }

  /** {@return whether it is the free lead of a part, and no tab of what that is soldered to} */
  public boolean freeLead() {
    return this == RESISTOR || this == DIODE || this == PULL_UP;
  }
}
