package kumite.lead;

/** From where a connector is looked at. */
public enum Side {
  MATING("the mating face"),
  WIRES("the wire side");

  private final String words;

  Side(String words) {
    this.words = words;
  }

  /** {@return the side in words} */
  public String words() {
    return words;
  }
}
