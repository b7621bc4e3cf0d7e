package kumite.build.box;

import kumite.build.panel.Material;
import kumite.measure.Range;

/** How a case is made. */
public sealed interface Making {
  /** Thickness of a wall. */
  Range THICKNESS = Range.of(0.5, 60, "mm");

  /** How wide a beam or cutter cuts. */
  Range KERF = Range.of(0, 5, "mm");

  /** Tighter than measured, for a press fit. */
  Range TIGHT = Range.of(-0.5, 0.5, "mm");

  /** A side of a printer's bed or of a bought box. */
  Range SIDE = Range.of(20, 3000, "mm");

  /** How deep a bought box is inside. */
  Range INSIDE = Range.of(5, 2000, "mm");

  /** {@return how thick its walls are, in mm} */
  double thicknessMm();

  /** {@return what its walls are made of where nothing else is said} */
  Material usual();

  /** {@return in words for people} */
  String words();

  /**
   * Boards with butt joints, glued and screwed; the floor lies below the walls.
   *
   * @param thicknessMm of all its boards
   * @param kerfMm of the saw
   */
  record Boards(double thicknessMm, double kerfMm) implements Making {
    public Boards {
      THICKNESS.check(thicknessMm, "thickness_mm");
      KERF.check(kerfMm, "kerf_mm");
    }

    @Override
    public Material usual() {
      return Material.PLYWOOD;
    }

    @Override
    public String words() {
      return "boards, glued and screwed";
    }
  }

  /**
   * Sheet cut by a laser, with finger joints.
   *
   * @param thicknessMm as measured with a caliper
   * @param kerfMm of the beam
   * @param tightMm how much wider than its slot a tab is left once cut
   */
  record Laser(double thicknessMm, double kerfMm, double tightMm) implements Making {
    public Laser {
      THICKNESS.check(thicknessMm, "thickness_mm");
      KERF.check(kerfMm, "kerf_mm");
      TIGHT.check(tightMm, "tight_mm");
    }

    @Override
    public Material usual() {
      return Material.ACRYLIC;
    }

    @Override
    public String words() {
      return "laser-cut sheet, finger joints";
    }
  }

  /**
   * A tray from a printer, walls and floor in one.
   *
   * @param thicknessMm of walls and floor
   * @param bedWidthMm what the printer prints, left to right
   * @param bedDepthMm front to back
   * @param bedHeightMm upward
   */
  record Printed(double thicknessMm, double bedWidthMm, double bedDepthMm, double bedHeightMm)
      implements Making {
    public Printed {
      THICKNESS.check(thicknessMm, "thickness_mm");
      SIDE.check(bedWidthMm, "bed_width_mm");
      SIDE.check(bedDepthMm, "bed_depth_mm");
      SIDE.check(bedHeightMm, "bed_height_mm");
    }

    @Override
    public Material usual() {
      return Material.PRINTED;
    }

    @Override
    public String words() {
      return "printed tray";
    }
  }

  /**
   * A box that is bought, under the panel as its lid.
   *
   * @param thicknessMm of its walls
   * @param insideWidthMm left to right
   * @param insideDepthMm front to back
   * @param insideHeightMm from under the lid to its floor
   */
  record Bought(
      double thicknessMm, double insideWidthMm, double insideDepthMm, double insideHeightMm)
      implements Making {
    public Bought {
      THICKNESS.check(thicknessMm, "thickness_mm");
      SIDE.check(insideWidthMm, "inside_width_mm");
      SIDE.check(insideDepthMm, "inside_depth_mm");
      INSIDE.check(insideHeightMm, "inside_height_mm");
    }

    @Override
    public Material usual() {
      return Material.PRINTED;
    }

    @Override
    public String words() {
      return "a bought box";
    }
  }
}
