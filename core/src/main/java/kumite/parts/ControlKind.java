package kumite.parts;

import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * A kind of control.
 *
 * @param id its id in builds, such as {@code button-30}
 * @param name short, for the tray
 * @param trait what tells it from its neighbours, one line
 * @param family what a hand does with it
 * @param cutout the hole in the panel
 * @param face what it covers on the finished face: flange, bezel or plate
 * @param body what is below the panel, with its terminals
 * @param bodyDepthMm how far it reaches below the underside of a panel of its thinnest thickness
 * @param thinnestMm the thinnest panel it can be mounted in
 * @param thickestMm the thickest
 * @param screws its mounting holes beside the cut-out; empty for most
 * @param contacts its contacts, in the order they are wired
 * @param tabMm width of its push-on tabs; 0 where wires are soldered
 * @param bounce how long its contacts bounce
 * @param lamp its lamp, if it has one
 * @param steps how many places a stepped control has; 0 for others
 * @param ohm resistance end to end of a pot or of one rung of a ladder; 0 for switches
 * @param latching whether it stays where it was put
 */
public record ControlKind(
    String id,
    String name,
    String trait,
    Family family,
    Shape cutout,
    Shape face,
    Shape body,
    double bodyDepthMm,
    double thinnestMm,
    double thickestMm,
    List<ScrewHole> screws,
    List<ContactKind> contacts,
    double tabMm,
    Bounce bounce,
    Optional<Lamp> lamp,
    int steps,
    double ohm,
    boolean latching) {

  /** What a hand does with a control. */
  public enum Family {
    BUTTON("Button"),
    LEVER("Lever"),
    SLIDER("Slider"),
    KNOB("Knob"),
    TOGGLE("Toggle"),
    ROTARY("Rotary");

    private final String word;

    Family(String word) {
      this.word = word;
    }

    /** {@return the family as one word for people} */
    public String word() {
      return word;
    }
  }

  /**
   * How long contacts of this kind bounce.
   *
   * @param leastUs in a good sample
   * @param mostUs in a worn one
   */
  public record Bounce(int leastUs, int mostUs) {
    public Bounce {
      if (leastUs < 0 || mostUs < leastUs) {
        throw new IllegalArgumentException(
            "bounce must run from 0 or more upward, but was " + leastUs + " to " + mostUs);
      }
    }
  }

  public ControlKind {
    Objects.requireNonNull(family, "family");
    Objects.requireNonNull(bounce, "bounce");
    screws = List.copyOf(screws);
    contacts = List.copyOf(contacts);
  }

  /** {@return whether it bears a lamp} */
  public boolean lit() {
    return lamp.isPresent();
  }
}
