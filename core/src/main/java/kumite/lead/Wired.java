package kumite.lead;

import java.util.Objects;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * One way to put a wire on a connector.
 *
 * @param how by what
 * @param stripMm how far the insulation is taken off, in mm
 * @param thickestAwg the thickest wire that goes in, AWG
 * @param thinnestAwg the thinnest that holds, AWG; not below the thickest's number
 * @param tool what it takes, in words
 */
public record Wired(How how, double stripMm, int thickestAwg, int thinnestAwg, String tool) {
  /** How much is stripped. */
  public static final Range STRIP = Range.of(0, 30, "mm");

  /** Wire gauges. */
  public static final Range AWG = Range.of(0, 40, "AWG");

  /** By what a wire is held. */
  public enum How {
    SOLDER_CUP("solder cup"),
    SOLDER("soldered tail"),
    CRIMP("crimp"),
    SCREW("screw"),
    PIERCED("pierced insulation"),
    /** Cast in one piece with its cable: it cannot be opened. */
    MOULDED("moulded on"),
    /** A cut end: nothing holds it yet. */
    BARE("bare end");

    private final String words;

    How(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }

    /** {@return whether it takes an iron, so that tube goes on before the joint} */
    public boolean soldered() {
      return this == SOLDER_CUP || this == SOLDER;
    }
  }

  /** A plug that was moulded on: it is left as it is, whatever the shape and the wire. */
  public static final Wired AS_MOULDED =
      new Wired(How.MOULDED, 0, 0, 40, "leave the moulded plug as it is");

  public Wired {
    Objects.requireNonNull(how, "how");
    Objects.requireNonNull(tool, "tool");
    STRIP.check(stripMm, "strip length in mm");
    AWG.check(thickestAwg, "thickest wire in AWG");
    Check.between(thickestAwg, (int) AWG.most(), thinnestAwg, "thinnest wire in AWG");
  }

  /** {@return whether a wire of a gauge can be put on so} */
  public boolean takes(int awg) {
    return awg >= thickestAwg && awg <= thinnestAwg;
  }
}
