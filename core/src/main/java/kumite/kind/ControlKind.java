package kumite.kind;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import kumite.measure.Check;
import kumite.measure.Shape;

/**
 * A kind of control.
 *
 * <p>Longer than most files: one record with the small records that it is made of.
 *
 * @param id its id in builds, such as {@code button-30}
 * @param name short, for the tray
 * @param trait what tells it from its neighbours, one line
 * @param family what a hand does with it
 * @param cutout the hole in the panel
 * @param face what it covers on the finished face: flange, bezel or plate
 * @param body what is below the panel, with its terminals
 * @param bodyDepthMm how far it reaches below the underside of a panel of its thinnest thickness;
 *     where it is held from below, of any panel
 * @param thinnestMm the thinnest panel it can be mounted in
 * @param thickestMm the thickest
 * @param mount how it is held
 * @param screws its mounting holes beside the cut-out; empty for most
 * @param above what moves above the face
 * @param feel what it asks of a finger
 * @param gate what only levers have: gate, shaft and plug
 * @param contacts its contacts, in the order they are wired
 * @param tabMm width of its push-on tabs; 0 where wires are soldered
 * @param bounce how long its contacts bounce
 * @param lamp its lamp, if it has one
 * @param steps how many places a stepped control has; 0 for others
 * @param ohm resistance end to end of a pot or of one rung of a ladder; 0 for switches
 * @param latching whether it stays where it was put
 * @param feed the supply its outputs need; empty for plain contacts
 * @param cap the outline of the cap or stem that is pressed, where a label fits on it; empty where
 *     there is none to write on
 * @param tabs where its tabs are; what is not said is where it usually is
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
    Mount mount,
    List<ScrewHole> screws,
    Above above,
    Feel feel,
    Optional<Gate> gate,
    List<ContactKind> contacts,
    double tabMm,
    Bounce bounce,
    Optional<Lamp> lamp,
    int steps,
    double ohm,
    boolean latching,
    Optional<Feed> feed,
    Optional<Shape> cap,
    Tabs tabs) {

  /** What a hand does with a control. */
  public enum Family {
    BUTTON("Button", "Buttons"),
    LEVER("Lever", "Levers"),
    STICK("Stick", "Sticks"),
    BALL("Trackball", "Trackballs"),
    SLIDER("Slider", "Sliders"),
    KNOB("Knob", "Knobs"),
    ENCODER("Encoder", "Encoders"),
    TOGGLE("Toggle", "Toggles"),
    ROTARY("Rotary", "Rotaries"),
    KEY("Key", "Keys"),
    PAD("Pad", "Pads"),
    SENSOR("Sensor", "Sensors");

    private final String word;
    private final String plural;

    Family(String word, String plural) {
      this.word = word;
      this.plural = plural;
    }

    /** {@return the family as one word for people} */
    public String word() {
      return word;
    }

    /** {@return the family as the name of a list} */
    public String plural() {
      return plural;
    }
  }

  /**
   * {@return whether it is a lever: its contacts are directions, and a hand gives some together}
   */
  public boolean pushesDirections() {
    return family == Family.LEVER;
  }

  /** {@return whether it rolls in two directions, each told by a pair of contacts} */
  public boolean rolls() {
    return family == Family.BALL;
  }

  /** {@return whether its pairs of contacts give pulses that a board has to count} */
  public boolean givesPulses() {
    return family == Family.ENCODER || family == Family.BALL;
  }

  /** {@return whether it looks alike from all sides, and runs backwards when it is turned round} */
  public boolean hidesItsFront() {
    return givesPulses() || family == Family.STICK;
  }

  /** {@return whether its rest lies between its ends, so that a calibration takes that too} */
  public boolean restsBetweenEnds() {
    return family == Family.STICK;
  }

  /** {@return whether one of several contacts is closed, whichever way it stands} */
  public boolean choosesOneOfSeveral() {
    return family == Family.ROTARY;
  }

  /** {@return whether a person's skin closes it: a pad of metal or foil} */
  public boolean feelsTouch() {
    return family == Family.PAD;
  }

  /** {@return whether it is a thing of the same sort as another} */
  public boolean alike(ControlKind other) {
    return family == other.family;
  }

  /**
   * How a control is held in the panel.
   *
   * @param how by what
   * @param from the side it comes from: what is put in from above loses the panel's thickness below
   *     it, what is held against the underside hangs there whole
   * @param wrenchMm the circle that a wrench or a hand sweeps about the centre below the panel; 0
   *     where nothing is turned there
   */
  public record Mount(How how, From from, double wrenchMm) {
    /** The side of the panel that a part is put to. */
    public enum From {
      ABOVE("put in from above"),
      BELOW("held from below");

      private final String words;

      From(String words) {
        this.words = words;
      }

      /** {@return in words for people} */
      public String words() {
        return words;
      }
    }

    /** By what a control is held. */
    public enum How {
      SNAP("snaps in", From.ABOVE),
      NUT("nut from below", From.ABOVE),
      FACE_NUT("nut from above", From.BELOW),
      SCREWS("screws", From.BELOW),
      GLUE("glue", From.ABOVE);

      private final String words;
      private final From usual;

      How(String words, From usual) {
        this.words = words;
        this.usual = usual;
      }

      /** {@return the side that such parts as a rule come from} */
      public From usual() {
        return usual;
      }

      /** {@return in words for people} */
      public String words() {
        return words;
      }
    }

    public Mount {
      Objects.requireNonNull(how, "how");
      Objects.requireNonNull(from, "from");
      Check.between(0, 500, wrenchMm, "wrench_mm");
    }

    /** A mount from its usual side. */
    public Mount(How how, double wrenchMm) {
      this(how, how.usual(), wrenchMm);
    }
  }

  /**
   * What stands and moves above the face.
   *
   * @param swing the outline swept by the moving part, over its whole travel
   * @param heightMm how far it stands above the face of the thinnest panel; 0 where it is flush
   * @param fingersMm the room that fingers need around the swing; 0 where they come from above
   */
  public record Above(Shape swing, double heightMm, double fingersMm) {
    public Above {
      Objects.requireNonNull(swing, "swing");
      Check.between(0, 500, heightMm, "above height_mm");
      Check.between(0, 100, fingersMm, "fingers_mm");
    }
  }

  /**
   * What a control asks of a finger.
   *
   * @param newton force to close its contact or move it; 0 where it needs none or it is not known
   * @param throwMm how far it moves until it closes, or its whole travel
   */
  public record Feel(double newton, double throwMm) {
    public Feel {
      Check.between(0, 500, newton, "force_n");
      Check.between(0, 500, throwMm, "throw_mm");
    }
  }

  /**
   * What only levers have.
   *
   * @param ways the gates it can be set to: 4, 8, or both
   * @param shaftMm height of the top's centre above the face of the thinnest panel
   * @param plug the words for its connector: single tabs, or one ribbon
   */
  public record Gate(List<Integer> ways, double shaftMm, String plug) {
    public Gate {
      ways = List.copyOf(ways);
      if (ways.isEmpty() || !List.of(2, 4, 8).containsAll(ways)) {
        throw new IllegalArgumentException("a gate has 2, 4 or 8 ways, but was " + ways);
      }
      Check.between(0, 300, shaftMm, "shaft_mm");
      Objects.requireNonNull(plug, "plug");
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
      if (leastUs < 0 || mostUs < leastUs || mostUs > 1_000_000) {
        throw new IllegalArgumentException(
            "bounce must run from 0 or more upward, but was " + leastUs + " to " + mostUs);
      }
    }
  }

  /**
   * What a part with outputs of its own is fed with.
   *
   * @param leastVolts below this it does not work
   * @param mostVolts above this it is harmed
   * @param milliamps what it takes
   */
  public record Feed(double leastVolts, double mostVolts, double milliamps) {
    public Feed {
      Check.between(0.5, 24, leastVolts, "feed least_v");
      Check.between(leastVolts, 24, mostVolts, "feed most_v");
      Check.between(0, 2000, milliamps, "feed current_ma");
    }
  }

  public ControlKind {
    if (!id.matches("[a-z0-9]+(-[a-z0-9]+)*")) {
      throw new IllegalArgumentException(
          "id must be lower-case words with hyphens, such as button-30, but was \"" + id + "\"");
    }
    Check.writable(name, "name");
    Objects.requireNonNull(trait, "trait");
    Objects.requireNonNull(family, "family");
    Objects.requireNonNull(cutout, "cutout");
    Objects.requireNonNull(face, "face");
    Objects.requireNonNull(body, "body");
    Check.between(0, 1000, bodyDepthMm, "body_depth_mm");
    Check.between(0, 100, thinnestMm, "thinnest panel");
    Check.between(thinnestMm, 100, thickestMm, "thickest panel");
    Objects.requireNonNull(mount, "mount");
    screws = List.copyOf(screws);
    Objects.requireNonNull(above, "above");
    Objects.requireNonNull(feel, "feel");
    Objects.requireNonNull(gate, "gate");
    contacts = List.copyOf(contacts);
    if (contacts.isEmpty()) {
      throw new IllegalArgumentException("a control has at least one contact");
    }
    if (contacts.stream().map(ContactKind::name).distinct().count() != contacts.size()
        || contacts.size() > 1 && contacts.stream().anyMatch(c -> c.name().isEmpty())) {
      throw new IllegalArgumentException("each of several contacts needs a name of its own");
    }
    Check.between(0, 20, tabMm, "tab_mm");
    Objects.requireNonNull(bounce, "bounce");
    Objects.requireNonNull(lamp, "lamp");
    Check.between(0, 64, steps, "steps");
    Check.between(0, 100_000_000, ohm, "ohm");
    Objects.requireNonNull(feed, "feed");
    Objects.requireNonNull(cap, "cap");
    boolean analog = contacts.stream().anyMatch(contact -> contact.type().analog());
    if (analog && ohm <= 0 && feed.isEmpty()) {
      throw new IllegalArgumentException("a control that is measured needs its ohm");
    }
    if (contacts.stream().anyMatch(c -> c.type() == ContactKind.Type.LADDER) && steps < 2) {
      throw new IllegalArgumentException("a ladder needs steps, 2 or more");
    }
    tabs =
        tabs.completed(
            UsualTabs.of(family, body, contacts, tabMm, lamp.isPresent(), steps, feed.isPresent()));
    for (TabSpot spot : tabs.spots()) {
      if (insideMm(body, Math.abs(spot.at().xMm()), Math.abs(spot.at().yMm())) < -TAB_OUT_MM) {
        throw new IllegalArgumentException(
            "tab \"" + spot.tab() + "\" is beside the body; measure from the middle of the hole");
      }
    }
  }

  /** So far a tab may stand out of the body. */
  private static final double TAB_OUT_MM = 15;

  /** {@return whether it bears a lamp} */
  public boolean lit() {
    return lamp.isPresent();
  }

  /** {@return the same kind with another bounce} */
  public ControlKind withBounce(Bounce newBounce) {
    return new ControlKind(
        id,
        name,
        trait,
        family,
        cutout,
        face,
        body,
        bodyDepthMm,
        thinnestMm,
        thickestMm,
        mount,
        screws,
        above,
        feel,
        gate,
        contacts,
        tabMm,
        newBounce,
        lamp,
        steps,
        ohm,
        latching,
        feed,
        cap,
        tabs);
  }

  /** {@return how far it reaches below the underside of a panel of that thickness, in mm} */
  public double depthBelowMm(double panelThicknessMm) {
    return mount.from() == Mount.From.BELOW
        ? bodyDepthMm
        : Math.max(0, bodyDepthMm - Math.max(0, panelThicknessMm - thinnestMm));
  }

  /** {@return how much of a height above the face is left on a panel of that thickness, in mm} */
  public double leftAboveMm(double heightMm, double panelThicknessMm) {
    // What hangs from below is swallowed by the panel; what sits on the face is not.
    return mount.from() == Mount.From.BELOW
        ? Math.max(0, heightMm - Math.max(0, panelThicknessMm - thinnestMm))
        : heightMm;
  }

  /**
   * {@return by how much the face covers the edge of the cut-out where it covers it least, in mm;
   * negative where the hole shows}
   */
  public double coverMm() {
    // Both outlines are convex and on one centre: the place that is covered least lies on the
    // rounding of a corner of the cut-out, its two ends included.
    double least = Double.POSITIVE_INFINITY;
    double hw = cutout.widthMm() / 2 - cornerMm(cutout);
    double hh = cutout.heightMm() / 2 - cornerMm(cutout);
    for (int degrees = 0; degrees <= 90; degrees += 5) {
      double x = hw + cornerMm(cutout) * Math.cos(Math.toRadians(degrees));
      double y = hh + cornerMm(cutout) * Math.sin(Math.toRadians(degrees));
      least = Math.min(least, insideMm(face, x, y));
    }
    return least;
  }

  private static double cornerMm(Shape shape) {
    return shape instanceof Shape.Rect rect ? rect.cornerMm() : shape.widthMm() / 2;
  }

  /** How far a place of the first quarter lies inside a centred outline. */
  private static double insideMm(Shape shape, double x, double y) {
    double corner = cornerMm(shape);
    double beyondX = x - (shape.widthMm() / 2 - corner);
    double beyondY = y - (shape.heightMm() / 2 - corner);
    double outside = Math.hypot(Math.max(0, beyondX), Math.max(0, beyondY));
    double inside = Math.min(0, Math.max(beyondX, beyondY));
    return corner - outside - inside;
  }
}
