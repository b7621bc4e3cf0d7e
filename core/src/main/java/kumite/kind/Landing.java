package kumite.kind;

/**
 * How a wire is joined to a place, and how many wires go there. All counts and strip lengths are
 * common practice without a source.
 *
 * @param how by what
 * @param tabMm width of a push-on tab; 0 for others
 */
public record Landing(How how, double tabMm) {
  /** A wire this thin or thinner goes into a plated hole with another one. */
  public static final int THIN_AWG = 26;

  /** By what a wire is joined. */
  public enum How {
    PUSH_ON("push-on", 2, 6),
    /** A pin of a header, reached by a crimped housing. */
    HEADER_PIN("crimp housing", 1, 3),
    SCREW("screw", 2, 5),
    /** A plated hole of a board. */
    HOLE("solder", 1, 4),
    /** A solder tab of a control: two wires, and the lead of a part on top. */
    LUG("solder", 3, 4),
    /** The lead of a part, with tube over the joint. */
    LEAD("solder, tube", 2, 8),
    /** A bare wire that runs on through a solder tab. */
    BUS("bare wire through, solder", 2, 0),
    /** Foil and its like, which no solder holds: a clip, or the wire folded in under a screw. */
    CLIP("clip, or folded under a screw", 2, 15),
    /** A strip or splice made for many. */
    JUNCTION("junction", 24, 6);

    private final String words;
    private final int takes;
    private final double stripMm;

    How(String words, int takes, double stripMm) {
      this.words = words;
      this.takes = takes;
      this.stripMm = stripMm;
    }
  }

  /** {@return the tab of a control: push-on where it has a width, else soldered} */
  public static Landing tab(double tabMm) {
    return new Landing(tabMm > 0 ? How.PUSH_ON : How.LUG, tabMm);
  }

  /** {@return a landing without a tab} */
  public static Landing of(How how) {
    return new Landing(how, 0);
  }

  /** {@return how many wires of a gauge it takes} */
  public int takes(int gaugeAwg) {
    return how == How.HOLE && gaugeAwg >= THIN_AWG ? 2 : how.takes;
  }

  /** How a wire of some gauge suits a joint. */
  public enum Fit {
    FITS,
    /** Thin wire in a large tab is folded double. */
    FOLDED,
    TOO_THIN,
    TOO_THICK
  }

  /** Folded double a wire is as thick as one of a gauge three lower: twice the copper. */
  private static final int DOUBLE_AWG = 3;

  /**
   * {@return how a wire suits this joint}: push-on connectors of 2.8, 4.8 and 6.3 mm take 28 to 20,
   * 26 to 16 and 24 to 14 AWG
   */
  public Fit fit(int gaugeAwg) {
    if (how != How.PUSH_ON) {
      return Fit.FITS;
    }
    int thinnest = tabMm <= 3 ? 28 : tabMm <= 5 ? 26 : 24;
    int thickest = tabMm <= 3 ? 20 : tabMm <= 5 ? 16 : 14;
    if (gaugeAwg < thickest) {
      return Fit.TOO_THICK;
    }
    return gaugeAwg <= thinnest
        ? Fit.FITS
        : gaugeAwg <= thinnest + DOUBLE_AWG ? Fit.FOLDED : Fit.TOO_THIN;
  }

  /** {@return how far the insulation is taken off, in mm} */
  public double stripMm() {
    return how.stripMm;
  }

  /** {@return whether the joint is made with an iron} */
  public boolean soldered() {
    return how == How.HOLE || how == How.LUG || how == How.LEAD || how == How.BUS;
  }

  /** {@return in words for people, such as {@code push-on 4.8}} */
  public String words() {
    return how == How.PUSH_ON ? "push-on " + Math.round(tabMm * 10) / 10.0 : how.words;
  }
}
