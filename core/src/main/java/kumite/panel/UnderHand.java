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
    List<Found> found = new ArrayList<>();
    for (Control hand : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(hand);
      double fingers = kind.above().fingersMm();
      if (!stands(kind) || fingers <= 0 || kind.gate().isEmpty()) {
        continue;
      }
      Swept swing = Swept.of(kind.above().swing(), hand.placement());
      for (Control other : build.onPanel()) {
        ControlKind flush = catalogue.kindOf(other);
        if (stands(flush) || !pressed(flush)) {
          continue;
        }
        Swept face = Swept.of(flush.face(), other.placement());
        if (!swing.clearlyBeyond(face, fingers)) {
          double gap = swing.to(face).gapMm();
          if (gap < fingers) {
            found.add(new Found(other.id(), hand.id(), Math.max(0, gap), fingers));
          }
        }
      }
    }
    return found;
  }

  private static boolean stands(ControlKind kind) {
    return kind.above().heightMm() >= Gaps.STANDS_MM;
  }

  private static boolean pressed(ControlKind kind) {
    return switch (kind.family()) {
      case BUTTON, KEY, PAD -> true;
      default -> false;
    };
  }
}
