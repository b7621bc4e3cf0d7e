package kumite.build;

/**
 * The inside of the case below the panel.
 *
 * @param wallMm how far the walls and battens come in from the panel's edge, on all four sides; 0
 *     to 200
 * @param depthMm from the underside of the panel to the case floor; above 0 to 2000
 */
public record CaseInside(double wallMm, double depthMm) {
  public CaseInside {
    Check.between(0, 200, wallMm, "wall_mm");
    Check.between(1, 2000, depthMm, "depth_mm");
  }
}
