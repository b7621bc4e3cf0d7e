package kumite.box;

import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Making;
import kumite.build.panel.Material;
import kumite.parts.Catalogue;

/**
 * A case worked out: as it was decided, or a plain one where nobody spoke of it.
 *
 * @param spoken whether somebody decided anything about it
 * @param build the build, with the plain case where none was spoken of
 * @param shape its measures
 * @param pieces all that is cut or printed, the panel first
 * @param screws joint by joint
 * @param nest the pieces on their sheets
 */
public record BoxPlan(
    boolean spoken,
    Build build,
    BoxShape shape,
    List<Piece> pieces,
    List<ScrewLine> screws,
    Nest nest) {
  public BoxPlan {
    pieces = List.copyOf(pieces);
    screws = List.copyOf(screws);
  }

  /** Works a case out. */
  public static BoxPlan of(Build build, Catalogue catalogue) {
    boolean spoken = build.get(BoxBook.PART).box().isPresent();
    Build cased = spoken ? build : PlainBox.in(build, catalogue);
    Box box = cased.get(BoxBook.PART).box().orElseThrow();
    BoxShape shape = new BoxShape(cased.panel(), box);
    List<Piece> pieces = Pieces.of(cased, catalogue, shape);
    return new BoxPlan(
        spoken, cased, shape, pieces, Screws.of(cased, catalogue, shape), Nest.of(box, pieces));
  }

  /** {@return how it is made} */
  public Box box() {
    return shape.box();
  }

  /** {@return the piece of that id, if there is one} */
  public Optional<Piece> piece(String id) {
    return pieces.stream().filter(piece -> piece.id().equals(id)).findFirst();
  }

  /** {@return the pieces that a printer makes} */
  public List<Piece> printed() {
    return pieces.stream()
        .filter(
            p ->
                p.part() == Piece.Part.TRAY
                    || p.part() == Piece.Part.BLOCK && box().making() instanceof Making.Printed
                    || p.part() == Piece.Part.PANEL && p.material() == Material.PRINTED)
        .toList();
  }

  /** {@return an opening as near to its place as it troubles nobody; where it is, if nowhere} */
  public Cutout placed(Cutout opening, Catalogue catalogue) {
    return OpeningChecks.placed(build, catalogue, shape, opening);
  }

  /** {@return the surface of a piece} */
  public Mesh solid(Piece piece, Catalogue catalogue) {
    return piece.part() == Piece.Part.TRAY
        ? Parting.solid(Tray.of(build, catalogue, shape), piece, Pieces.whole(shape))
        : Tray.plate(piece);
  }
}
