package kumite.panel;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.build.Build;
import kumite.build.Control;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.locationtech.jts.index.strtree.STRtree;

/** Tells whether controls would have all their room if they were moved and all others stayed. */
final class PartRoom {
  private final Catalogue catalogue;
  private final Build build;
  private final Surroundings around;
  private final Map<ControlId, Placed> parts = new LinkedHashMap<>();
  private final STRtree tree = new STRtree();

  private PartRoom(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.around = Surroundings.of(build, catalogue);
    for (Control control : build.onPanel()) {
      Placed placed = Placed.of(control, catalogue.kindOf(control));
      parts.put(control.id(), placed);
      tree.insert(placed.all(), placed);
    }
  }

  static PartRoom of(Build build, Catalogue catalogue) {
    return new PartRoom(build, catalogue);
  }

  /** {@return whether the control has its room after the move} */
  boolean clear(ControlId id, double dxMm, double dyMm) {
    return clear(shifted(List.of(id), dxMm, dyMm));
  }

  /** {@return whether controls have their room at new places, against all others and each other} */
  boolean clear(Map<ControlId, Placement> places) {
    List<Placed> moved = new ArrayList<>();
    for (Map.Entry<ControlId, Placement> place : places.entrySet()) {
      Placed part = parts.get(place.getKey());
      moved.add(Placed.of(part.control().withPlacement(place.getValue()), part.kind()));
    }
    return clear(moved, places.keySet());
  }

  /**
   * {@return whether parts have their room}
   *
   * @param instead controls of the build that are not there meanwhile
   */
  boolean clear(List<Placed> wanted, Collection<ControlId> instead) {
    for (int i = 0; i < wanted.size(); i++) {
      Placed part = wanted.get(i);
      if (!around.edge().holds(part.control().placement().centre()) || deeper(part)) {
        return false;
      }
      Measured found = new Measured();
      PartGaps.measure(part, around, found);
      found.found().removeIf(gap -> gap.kind() == Gap.Kind.DEPTH);
      if (found.narrow()) {
        return false;
      }
      for (int j = 0; j < i; j++) {
        PairGaps.measure(wanted.get(j), part, around.webMm(), found);
      }
      if (found.narrow()) {
        return false;
      }
      for (Object hit : tree.query(Gaps.reach(part))) {
        Placed other = (Placed) hit;
        if (!instead.contains(other.id())) {
          PairGaps.measure(part, other, around.webMm(), found);
          if (found.narrow()) {
            return false;
          }
        }
      }
    }
    return true;
  }

  /** Whether a place costs a part the depth it needs and has where it is now. */
  private boolean deeper(Placed part) {
    Placed now = parts.get(part.id());
    double there = PartGaps.floorMm(part, around.panel()) - part.depthMm(around.panel());
    double here =
        now == null
            ? Double.POSITIVE_INFINITY
            : PartGaps.floorMm(now, around.panel()) - now.depthMm(around.panel());
    return there < Gaps.BEND_MM && there < here && now != null;
  }

  /** {@return whether boards have their room elsewhere, against walls, blocks and all bodies} */
  boolean boardClear(Build moved) {
    Surroundings there = Surroundings.of(moved, catalogue);
    Measured found = new Measured();
    BoardGaps.measure(there, found);
    LidGaps.measure(there, found);
    for (Placed part : parts.values()) {
      if (found.narrow()) {
        return false;
      }
      BoardGaps.toPart(part, there, found);
      LidGaps.measure(part, there, found);
    }
    return !found.narrow();
  }

  /** {@return where controls would be after a shift} */
  Map<ControlId, Placement> shifted(Collection<ControlId> ids, double dxMm, double dyMm) {
    Map<ControlId, Placement> places = new LinkedHashMap<>();
    for (ControlId id : ids) {
      Placement at = parts.get(id).control().placement();
      places.put(id, at.movedTo(at.xMm() + dxMm, at.yMm() + dyMm));
    }
    return places;
  }

  /**
   * {@return the controls that lie in one line with one, itself included}
   *
   * @param alongX whether left to right, or front to back
   */
  List<ControlId> line(ControlId id, boolean alongX) {
    Placement at = parts.get(id).control().placement();
    List<ControlId> line = new ArrayList<>();
    for (Placed part : parts.values()) {
      Placement other = part.control().placement();
      double off = alongX ? other.yMm() - at.yMm() : other.xMm() - at.xMm();
      if (Math.abs(off) < 0.5) {
        line.add(part.id());
      }
    }
    return line;
  }

  /** {@return whether two parts would be too near at another pitch along their line} */
  boolean narrow(ControlId one, ControlId other, boolean alongX, double pitchMm) {
    Placed first = parts.get(one);
    Placement at = first.control().placement();
    Placed moved = parts.get(other);
    Placement was = moved.control().placement();
    Placement there =
        alongX
            ? was.movedTo(at.xMm() + pitchMm, was.yMm())
            : was.movedTo(was.xMm(), at.yMm() + pitchMm);
    Measured found = new Measured();
    PairGaps.measure(
        first,
        Placed.of(moved.control().withPlacement(there), moved.kind()),
        around.webMm(),
        found);
    return found.narrow();
  }

  Placement at(ControlId id) {
    return parts.get(id).control().placement();
  }
}
