package kumite.panel;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.parts.Catalogue;

/** Tells whether one control would have all its room if it were moved and all others stayed. */
final class PartRoom {
  private final Build build;
  private final Catalogue catalogue;
  private final double web;
  private final Map<ControlId, Gaps.Placed> parts = new LinkedHashMap<>();

  private PartRoom(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.web = build.panel().material().webMm(build.panel().thicknessMm());
    for (Control control : build.controls()) {
      parts.put(control.id(), Gaps.Placed.of(control, catalogue.kindOf(control)));
    }
  }

  static PartRoom of(Build build, Catalogue catalogue) {
    return new PartRoom(build, catalogue);
  }

  /** {@return whether the control has its room after the move; depth is not looked at} */
  boolean clear(ControlId id, double dxMm, double dyMm) {
    Gaps.Placed part = parts.get(id);
    Control control = part.control();
    Gaps.Placed moved =
        Gaps.Placed.of(
            control.withPlacement(
                control
                    .placement()
                    .movedTo(control.placement().xMm() + dxMm, control.placement().yMm() + dyMm)),
            part.kind());
    List<Gap> found = new ArrayList<>();
    Gaps.alone(moved, build, catalogue, web, found);
    if (found.stream().anyMatch(gap -> gap.missingMm() > 0)) {
      return false;
    }
    for (Gaps.Placed other : parts.values()) {
      if (!other.control().id().equals(id)
          && moved.all().distance(other.all()) <= Gaps.INTEREST_MM) {
        Gaps.pair(moved, other, web, found);
        if (found.stream().anyMatch(gap -> gap.missingMm() > 0)) {
          return false;
        }
      }
    }
    return true;
  }
}
