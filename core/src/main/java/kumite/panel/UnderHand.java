package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.name.ControlId;
import kumite.parts.Catalogue;

/**
 * Flush controls that the hand on a lever, stick or knob lies on. Two that both stand above the
 * panel are a matter of their gap.
 */
public final class UnderHand {
  /**
   * One of them.
   *
   * @param pressed what is pressed unmeant
   * @param held what the hand holds
   * @param gapMm from where that swings to the other's face, not below 0
   * @param fingersMm what the fingers round it take
   */
  public record Found(ControlId pressed, ControlId held, double gapMm, double fingersMm) {}

  private UnderHand() {}

  /** {@return all of them, in the order of the controls} */
  public static List<Found> of(Build build, Catalogue catalogue) {
    List<Placed> held = new ArrayList<>();
    List<Placed> flush = new ArrayList<>();
    for (Control control : build.controls()) {
      ControlKind kind = catalogue.kindOf(control);
      boolean stands = kind.above().heightMm() >= Gaps.STANDS_MM;
      if (stands && kind.above().fingersMm() > 0 && kind.gate().isPresent()) {
        held.add(Placed.of(control, kind));
      } else if (!stands && pressed(kind)) {
        flush.add(Placed.of(control, kind));
      }
    }
    List<Found> found = new ArrayList<>();
    for (Placed hand : held) {
      double fingers = hand.kind().above().fingersMm();
      for (Placed other : flush) {
        if (!hand.swing().clearlyBeyond(other.face(), fingers)) {
          double gap = hand.swing().to(other.face()).gapMm();
          if (gap < fingers) {
            found.add(new Found(other.id(), hand.id(), Math.max(0, gap), fingers));
          }
        }
      }
    }
    return found;
  }

  private static boolean pressed(ControlKind kind) {
    return switch (kind.family()) {
      case BUTTON, KEY, PAD -> true;
      default -> false;
    };
  }
}
