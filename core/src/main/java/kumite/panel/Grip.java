package kumite.panel;

import kumite.build.panel.Panel;
import kumite.kind.ControlKind;

/** What a part holds between its flange and what holds it from below. */
public final class Grip {
  private Grip() {}

  /**
   * {@return the material that a part grips, in mm: the panel with its cover, or the panel alone
   * for a part that is screwed to the underside}
   */
  public static double mm(ControlKind kind, Panel panel) {
    return kind.mount().how() == ControlKind.Mount.How.SCREWS
            && kind.mount().from() == ControlKind.Mount.From.BELOW
        ? panel.thicknessMm()
        : panel.stackMm();
  }

  /** {@return whether it holds in a panel} */
  public static boolean holds(ControlKind kind, Panel panel) {
    double grip = mm(kind, panel);
    return grip >= kind.thinnestMm() && grip <= kind.thickestMm();
  }
}
