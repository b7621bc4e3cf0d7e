package kumite.lead;

/** Who does what at a pin of a pad that is plugged into its host. */
public enum Flow {
  /** The pad closes it to ground; the host pulls it up and reads it. */
  CONTACT("closed to ground by the pad"),
  /** The pad has a potentiometer there; the host measures it. */
  POT("a potentiometer of the pad"),
  /** The pad drives it both high and low; the host reads it. */
  FROM_PAD("driven by the pad"),
  /** The host drives it; the pad reads it. */
  FROM_HOST("driven by the host"),
  /** Both drive it in turn, to low only or by agreement. */
  BOTH("driven by both in turn"),
  /** The host gives supply; the pad takes it. */
  HOST_SUPPLIES("supply from the host"),
  /** The pad gives supply. */
  PAD_SUPPLIES("supply from the pad"),
  GROUND("ground"),
  /** Nothing is there. */
  FREE("not used");

  private final String words;

  Flow(String words) {
    this.words = words;
  }

  /** {@return it in words} */
  public String words() {
    return words;
  }

  /** {@return what is found at the pin, seen into one of the two ends} */
  public Nature at(Beyond beyond) {
    boolean pad = beyond == Beyond.PAD;
    return switch (this) {
      case CONTACT -> pad ? Nature.CONTACT : Nature.LISTENS;
      case POT -> pad ? Nature.POT : Nature.LISTENS;
      case FROM_PAD -> pad ? Nature.DRIVES : Nature.LISTENS;
      case FROM_HOST -> pad ? Nature.LISTENS : Nature.DRIVES;
      case BOTH -> Nature.SHARES;
      case HOST_SUPPLIES -> pad ? Nature.TAKES_SUPPLY : Nature.GIVES_SUPPLY;
      case PAD_SUPPLIES -> pad ? Nature.GIVES_SUPPLY : Nature.TAKES_SUPPLY;
      case GROUND -> Nature.GROUND;
      case FREE -> Nature.NOTHING;
    };
  }
}
