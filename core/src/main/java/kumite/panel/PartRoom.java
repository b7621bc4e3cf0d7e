package kumite.panel;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** Tells whether controls would have all their room if they were moved and all others stayed. */
final class PartRoom {
  private final Catalogue catalogue;
  private final Build build;
  private final Gaps.Surroundings around;
  private final Map<ControlId, Gaps.Placed> parts = new LinkedHashMap<>();
  private final STRtree tree = new STRtree();

  private PartRoom(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.around = new Gaps.Surroundings(build, catalogue);
    for (Control control : build.controls()) {
      Gaps.Placed placed = Gaps.Placed.of(control, catalogue.kindOf(control));
      parts.put(control.id(), placed);
      tree.insert(placed.all(), placed);
    }
  }

  static PartRoom of(Build build, Catalogue catalogue) {
    return new PartRoom(build, catalogue);
  }

  /** {@return whether the control has its room after the move; depth is not looked at} */
  boolean clear(ControlId id, double dxMm, double dyMm) {
    Control control = parts.get(id).control();
    return clear(
        Map.of(
            id,
            control
                .placement()
                .movedTo(control.placement().xMm() + dxMm, control.placement().yMm() + dyMm)));
  }

  /** {@return whether controls have their room at new places, against all others and each other} */
  boolean clear(Map<ControlId, Placement> places) {
    List<Gaps.Placed> moved = new ArrayList<>();
    for (Map.Entry<ControlId, Placement> place : places.entrySet()) {
      Gaps.Placed part = parts.get(place.getKey());
      moved.add(Gaps.Placed.of(part.control().withPlacement(place.getValue()), part.kind()));
    }
    return clear(moved, places.keySet());
  }

  /**
   * {@return whether parts have their room}
   *
   * @param instead controls of the build that are not there meanwhile
   */
  boolean clear(List<Gaps.Placed> wanted, Collection<ControlId> instead) {
    for (int i = 0; i < wanted.size(); i++) {
      Gaps.Placed part = wanted.get(i);
      if (!around.edge.holds(part.control().placement().centre())) {
        return false;
      }
      List<Gap> found = new ArrayList<>();
      Gaps.alone(part, around, found);
      if (narrow(found)) {
        return false;
      }
      for (int j = 0; j < i; j++) {
        Gaps.pair(wanted.get(j), part, around.web, found);
      }
      if (narrow(found)) {
        return false;
      }
      Envelope near = new Envelope(part.all());
      near.expandBy(Math.max(Gaps.INTEREST_MM, part.kind().above().fingersMm()));
      for (Object hit : tree.query(near)) {
        Gaps.Placed other = (Gaps.Placed) hit;
        if (!instead.contains(other.control().id())) {
          Gaps.pair(part, other, around.web, found);
          if (narrow(found)) {
            return false;
          }
        }
      }
    }
    return true;
  }

  private static boolean narrow(List<Gap> found) {
    for (Gap gap : found) {
      if (gap.missingMm() > 0) {
        return true;
      }
    }
    return false;
  }

  /** {@return whether the board has its room elsewhere, against walls, blocks and all bodies} */
  boolean boardClear(Placement at) {
    Build moved = build.withBoard(build.board().map((BoardChoice choice) -> choice.at(at)));
    Gaps.Surroundings there = new Gaps.Surroundings(moved, catalogue);
    List<Gap> found = new ArrayList<>();
    Gaps.board(there, found);
    if (narrow(found)) {
      return false;
    }
    for (Gaps.Placed part : parts.values()) {
      found.clear();
      Gaps.alone(part, there, found);
      for (Gap gap : found) {
        boolean boards = gap.kind() == Gap.Kind.BODY_BOARD || gap.kind() == Gap.Kind.BODY_PLUG;
        if (boards && gap.missingMm() > 0) {
          return false;
        }
      }
    }
    return true;
  }

  /** {@return a map of where controls would be after a shift} */
  Map<ControlId, Placement> shifted(Collection<ControlId> ids, double dxMm, double dyMm) {
    Map<ControlId, Placement> places = new HashMap<>();
    for (ControlId id : ids) {
      Placement at = parts.get(id).control().placement();
      places.put(id, at.movedTo(at.xMm() + dxMm, at.yMm() + dyMm));
    }
    return places;
  }
}
