package kumite.loom;

import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.kind.Looks;
import kumite.kind.TabSpot;
import kumite.measure.Point;
import kumite.name.Joint;

/** Where tabs of controls are on the panel, however these are turned. */
public final class Spots {
  private Spots() {}

  /** {@return where a tab is, seen from the face; the control's middle where it has no such tab} */
  public static Point of(Control control, ControlKind kind, Joint tab) {
    return kind.tabs()
        .spot(tab.tab())
        .map(spot -> control.placement().place(spot.at()))
        .orElseGet(() -> control.placement().centre());
  }

  /** {@return which way a tab looks, towards which edge of the panel; down where it is unknown} */
  public static Looks looks(Control control, ControlKind kind, Joint tab) {
    return kind.tabs()
        .spot(tab.tab())
        .map(TabSpot::looks)
        .orElse(Looks.DOWN)
        .turned(control.placement().turnDegrees());
  }
}
