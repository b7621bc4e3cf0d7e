package kumite.build.box;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import kumite.build.panel.Material;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * The case under the panel. Its depth, slope, lid and what is in the way are said with the panel
 * ({@link kumite.build.panel.CaseInside}); here is said how it is made.
 *
 * @param making how
 * @param walls of what; empty as that way of making has it
 * @param overhangMm how far the panel stands out over its walls
 * @param feetMm how tall its feet are; 0 for none
 * @param openings in its faces, in the order they were added
 * @param stock what there is to cut it from; empty for the usual sheet of its making
 */
public record Box(
    Making making,
    Optional<Material> walls,
    double overhangMm,
    double feetMm,
    List<Cutout> openings,
    List<StockSheet> stock) {
  /** How far a panel stands out. */
  public static final Range OVERHANG = Range.of(0, 200, "mm");

  /** Height of feet. */
  public static final Range FEET = Range.of(0, 200, "mm");

  /** More openings than this are taken for a damaged file. */
  public static final int MOST_OPENINGS = 200;

  /** More sizes of sheets than this are taken for a damaged file. */
  public static final int MOST_SHEETS = 20;

  public Box {
    Objects.requireNonNull(making, "making");
    Objects.requireNonNull(walls, "walls");
    OVERHANG.check(overhangMm, "overhang_mm");
    FEET.check(feetMm, "feet_mm");
    openings = List.copyOf(openings);
    stock = List.copyOf(stock);
    Check.between(0, MOST_OPENINGS, openings.size(), "number of openings");
    Check.between(0, MOST_SHEETS, stock.size(), "number of sheets");
    for (Cutout one : openings) {
      if (openings.stream().filter(o -> o.name().equals(one.name())).count() > 1) {
        throw new IllegalArgumentException(
            "two openings are called \"" + one.name() + "\"; give each a name of its own");
      }
    }
  }

  /** A case without openings or feet, flush with the panel. */
  public Box(Making making) {
    this(making, Optional.empty(), 0, 0, List.of(), List.of());
  }

  /** {@return what its walls are made of} */
  public Material material() {
    return walls.orElse(making.usual());
  }

  /** {@return the opening of that name, if there is one} */
  public Optional<Cutout> opening(String name) {
    return openings.stream().filter(o -> o.name().equals(name)).findFirst();
  }

  /** {@return the same made otherwise} */
  public Box withMaking(Making other) {
    return new Box(other, walls, overhangMm, feetMm, openings, stock);
  }

  /** {@return the same of another material} */
  public Box withWalls(Optional<Material> other) {
    return new Box(making, other, overhangMm, feetMm, openings, stock);
  }

  /** {@return the same under a panel that stands out so far} */
  public Box withOverhang(double mm) {
    return new Box(making, walls, mm, feetMm, openings, stock);
  }

  /** {@return the same on feet so tall} */
  public Box withFeet(double mm) {
    return new Box(making, walls, overhangMm, mm, openings, stock);
  }

  /** {@return the same cut from other sheets} */
  public Box withStock(List<StockSheet> sheets) {
    return new Box(making, walls, overhangMm, feetMm, openings, sheets);
  }

  /** {@return the same with one more opening, or another in place of the one of its name} */
  public Box with(Cutout opening) {
    List<Cutout> next = new ArrayList<>(openings);
    int at = next.stream().map(Cutout::name).toList().indexOf(opening.name());
    if (at < 0) {
      next.add(opening);
    } else {
      next.set(at, opening);
    }
    return new Box(making, walls, overhangMm, feetMm, next, stock);
  }

  /** {@return the same without the opening of that name} */
  public Box without(String opening) {
    return new Box(
        making,
        walls,
        overhangMm,
        feetMm,
        openings.stream().filter(o -> !o.name().equals(opening)).toList(),
        stock);
  }
}
