package kumite.build.box;

import java.util.List;
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

  /** A hole in an inside corner. */
  Range RELIEF = Range.of(0, 5, "mm");

  /** Where a seam runs. */
  Range SEAM = Range.of(-3000, 3000, "mm");

  /** Seams each way. */
  int MOST_SEAMS = 20;

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
   * @param reliefMm how wide the hole is, once cut, that frees an inside corner; 0 for none
   */
  record Laser(double thicknessMm, double kerfMm, double tightMm, double reliefMm)
      implements Making {
    /** A beam leaves inside corners round, and brittle sheet cracks from sharp ones. */
    public static final double USUAL_RELIEF_MM = 1; // common practice, no source

    public Laser {
      THICKNESS.check(thicknessMm, "thickness_mm");
      KERF.check(kerfMm, "kerf_mm");
      TIGHT.check(tightMm, "tight_mm");
      RELIEF.check(reliefMm, "relief_mm");
    }

    /** With the usual relief. */
    public Laser(double thicknessMm, double kerfMm, double tightMm) {
      this(thicknessMm, kerfMm, tightMm, USUAL_RELIEF_MM);
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
   * @param seamsXMm where it is parted left from right, from the panel's left edge
   * @param seamsYMm where it is parted front from back, from the panel's front edge
   */
  record Printed(
      double thicknessMm,
      double bedWidthMm,
      double bedDepthMm,
      double bedHeightMm,
      List<Double> seamsXMm,
      List<Double> seamsYMm)
      implements Making {
    /** A tray in one piece. */
    public Printed(double thicknessMm, double bedWidthMm, double bedDepthMm, double bedHeightMm) {
      this(thicknessMm, bedWidthMm, bedDepthMm, bedHeightMm, List.of(), List.of());
    }

    public Printed {
      seamsXMm = seams(seamsXMm, "seams_x_mm");
      seamsYMm = seams(seamsYMm, "seams_y_mm");
      THICKNESS.check(thicknessMm, "thickness_mm");
      SIDE.check(bedWidthMm, "bed_width_mm");
      SIDE.check(bedDepthMm, "bed_depth_mm");
      SIDE.check(bedHeightMm, "bed_height_mm");
    }

    private static List<Double> seams(List<Double> seams, String name) {
      if (seams.size() > MOST_SEAMS) {
        throw new IllegalArgumentException(
            name + " must be at most " + MOST_SEAMS + ", but were " + seams.size());
      }
      seams.forEach(at -> SEAM.check(at, name));
      return seams.stream().distinct().sorted().toList();
    }

    /** {@return whether a seam runs through a place so wide and so deep, in mm} */
    public boolean seamed(double leftMm, double frontMm, double wideMm, double deepMm) {
      return seamsXMm.stream().anyMatch(x -> x > leftMm && x < leftMm + wideMm)
          || seamsYMm.stream().anyMatch(y -> y > frontMm && y < frontMm + deepMm);
    }

    /** {@return the same of another thickness} */
    public Printed thick(double mm) {
      return new Printed(mm, bedWidthMm, bedDepthMm, bedHeightMm, seamsXMm, seamsYMm);
    }

    /** {@return the same on another bed} */
    public Printed onBed(double widthMm, double depthMm, double heightMm) {
      return new Printed(thicknessMm, widthMm, depthMm, heightMm, seamsXMm, seamsYMm);
    }

    /** {@return the same parted elsewhere} */
    public Printed parted(List<Double> x, List<Double> y) {
      return new Printed(thicknessMm, bedWidthMm, bedDepthMm, bedHeightMm, x, y);
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
