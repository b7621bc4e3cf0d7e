package kumite.build;

import java.util.Objects;

/**
 * The board in the case.
 *
 * @param kind the id of its kind in the catalogue
 * @param placement where its centre sits below the panel
 */
public record BoardChoice(String kind, Placement placement) {
  public BoardChoice {
    Check.filled(kind, "board kind");
    Objects.requireNonNull(placement, "placement");
  }
}
