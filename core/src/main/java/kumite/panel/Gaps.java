package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kumite.build.Build;
import kumite.build.Control;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * All gaps of a panel that are narrow enough to matter, those that cannot be built first, then the
 * one missing most; and the depth of every control.
 *
 * <pre>{@code
 * Gaps gaps = Gaps.of(build, Catalogue.standard());
 * gaps.list().get(0).stops();
 * }</pre>
 *
 * <p>Costs about 10 ms for 300 parts side by side. Of parts piled on one spot each is measured
 * against its {@value #MOST_NEIGHBOURS} nearest only.
 *
 * @param list the gaps
 * @param unmeasured how many pairs in piles were left out
 */
public record Gaps(List<Gap> list, int unmeasured) {
  /** Gaps wider than this are nobody's worry. */
  public static final double INTEREST_MM = 12;

  /** Room between two flanges for a fingertip to tell them apart: common practice, no source. */
  public static final double FLANGE_MM = 2;

  /** Room between two bodies, or a body and a wall, to get them in: common practice, no source. */
  public static final double BODY_MM = 1;

  /** Room below the tabs for the bend of the wire: common practice, no source. */
  public static final double BEND_MM = 8;

  /** Room above a board, so that nothing presses on it: common practice, no source. */
  public static final double BOARD_MM = 1;

  /** Room between two caps, so that neither drags the other: common practice, no source. */
  public static final double CAP_MM = 0.5;

  /** Room between a screw's head and a neighbour's flange: common practice, no source. */
  public static final double HEAD_MM = 0.5;

  /** What stands less than this above the face lets a hand pass over: common practice. */
  public static final double STANDS_MM = 10;

  /** No part laid out to be used has so many neighbours within reach; a pile has. */
  static final int MOST_NEIGHBOURS = 100;

  public Gaps {
    list = List.copyOf(list);
  }

  /** Measures all gaps of a build. */
  public static Gaps of(Build build, Catalogue catalogue) {
    Surroundings around = Surroundings.of(build, catalogue);
    Measured into = new Measured();
    List<Placed> placed = new ArrayList<>();
    STRtree tree = new STRtree();
    for (Control control : build.onPanel()) {
      Placed part = Placed.of(control, catalogue.kindOf(control));
      PartGaps.measure(part, around, into);
      tree.insert(part.all(), placed.size());
      placed.add(part);
    }
    BoardGaps.measure(around, into);
    LidGaps.measure(around, into);
    int unmeasured = 0;
    for (int i = 0; i < placed.size(); i++) {
      List<Integer> near = neighbours(placed, tree, i);
      for (int j : near.subList(0, Math.min(near.size(), MOST_NEIGHBOURS))) {
        PairGaps.measure(placed.get(j), placed.get(i), around.webMm(), into);
      }
      unmeasured += Math.max(0, near.size() - MOST_NEIGHBOURS);
    }
    List<Gap> found = into.found();
    found.sort(
        Comparator.comparing((Gap gap) -> !gap.stops())
            .thenComparingDouble(gap -> -gap.missingMm())
            .thenComparingDouble(gap -> gap.gapMm() - gap.neededMm())
            .thenComparing(Gap::kind)
            .thenComparing(Gaps::byNames));
    return new Gaps(found, unmeasured);
  }

  /** The same order whatever order the parts came in. */
  private static int byNames(Gap one, Gap other) {
    for (int i = 0; i < Math.min(one.controls().size(), other.controls().size()); i++) {
      int order = one.controls().get(i).compareTo(other.controls().get(i));
      if (order != 0) {
        return order;
      }
    }
    return Integer.compare(one.controls().size(), other.controls().size());
  }

  /** Earlier parts that come near one; of too many, the nearest. */
  private static List<Integer> neighbours(List<Placed> placed, STRtree tree, int i) {
    Placed part = placed.get(i);
    List<Integer> near = new ArrayList<>();
    for (Object hit : tree.query(reach(part))) {
      int j = (Integer) hit;
      if (j < i) {
        near.add(j);
      }
    }
    if (near.size() > MOST_NEIGHBOURS) {
      var centre = part.control().placement().centre();
      near.sort(
          Comparator.comparingDouble(
                  (Integer j) -> placed.get(j).control().placement().centre().distanceMm(centre))
              .thenComparing(j -> j));
    }
    return near;
  }

  /** {@return the box in which a neighbour may be too near} */
  static Envelope reach(Placed part) {
    Envelope near = new Envelope(part.all());
    near.expandBy(Math.max(INTEREST_MM, part.kind().above().fingersMm()));
    return near;
  }

  /** {@return the gaps in which a control takes part} */
  public List<Gap> of(ControlId control) {
    return list.stream().filter(gap -> gap.touches(control)).toList();
  }

  /** {@return the gaps that are too narrow, worst first} */
  public List<Gap> tooNarrow() {
    return list.stream().filter(gap -> gap.missingMm() > 0).toList();
  }

  /** {@return the gaps between things, without the depths, worst first} */
  public List<Gap> sideways() {
    return list.stream().filter(gap -> !gap.kind().downward()).toList();
  }
}
