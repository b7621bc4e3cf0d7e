package kumite.build.supply;

import java.util.Objects;
import java.util.Optional;
import kumite.measure.Check;
import kumite.measure.Placement;
import kumite.measure.Range;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * One thing that feeds the build, passes its current on, or takes it.
 *
 * @param id its id, unlike that of any control
 * @param label what people call it
 * @param kind the id of its kind
 * @param placement where it sits, on the face of the panel
 * @param seat the seat whose board it belongs to; empty for the first
 * @param from what feeds it: another of these; empty for a source, and for what the board feeds
 * @param milliamps what a source is rated for by its own label; empty as its kind says
 * @param count of the lamps of a strip; 0 for all else
 * @param open whether a switch stands open, or a fuse is out
 * @param inGround whether a switch or fuse is in the ground wire, where it should not be
 * @param shows what a strip is told
 */
public record SupplyPart(
    ControlId id,
    String label,
    String kind,
    Placement placement,
    Optional<SeatId> seat,
    Optional<ControlId> from,
    Optional<Double> milliamps,
    int count,
    boolean open,
    boolean inGround,
    Shows shows) {
  /** What a label says. */
  public static final Range RATED = Range.of(1, 20_000, "mA");

  /** Lamps of one strip. */
  public static final Range LAMPS = Range.of(0, 1000, "");

  public SupplyPart {
    Objects.requireNonNull(id, "id");
    Check.writable(label, "label");
    Check.filled(kind, "kind");
    Objects.requireNonNull(placement, "placement");
    milliamps.ifPresent(ma -> RATED.check(ma, "rated_ma"));
    LAMPS.check(count, "count");
    if (from.filter(id::equals).isPresent()) {
      throw new IllegalArgumentException("\"" + id + "\" cannot feed itself; name what feeds it");
    }
  }

  /** {@return a closed one of the first seat, as its kind is} */
  public static SupplyPart of(
      ControlId id, String label, String kind, Placement placement, Optional<ControlId> from) {
    return new SupplyPart(
        id,
        label,
        kind,
        placement,
        Optional.empty(),
        from,
        Optional.empty(),
        0,
        false,
        false,
        Shows.USUAL);
  }

  /** {@return the same fed by another; empty for the board} */
  public SupplyPart withFrom(Optional<ControlId> newFrom) {
    return new SupplyPart(
        id, label, kind, placement, seat, newFrom, milliamps, count, open, inGround, shows);
  }

  /** {@return the same with so many lamps} */
  public SupplyPart withCount(int newCount) {
    return new SupplyPart(
        id, label, kind, placement, seat, from, milliamps, newCount, open, inGround, shows);
  }

  /** {@return the same elsewhere} */
  public SupplyPart withPlacement(Placement newPlacement) {
    return new SupplyPart(
        id, label, kind, newPlacement, seat, from, milliamps, count, open, inGround, shows);
  }

  /** {@return the same open or closed} */
  public SupplyPart opened(boolean newOpen) {
    return new SupplyPart(
        id, label, kind, placement, seat, from, milliamps, count, newOpen, inGround, shows);
  }

  /** {@return the same in the plus, or in the ground} */
  public SupplyPart inGround(boolean newInGround) {
    return new SupplyPart(
        id, label, kind, placement, seat, from, milliamps, count, open, newInGround, shows);
  }

  /** {@return the same with what its label says; empty as its kind says} */
  public SupplyPart rated(Optional<Double> newMilliamps) {
    return new SupplyPart(
        id, label, kind, placement, seat, from, newMilliamps, count, open, inGround, shows);
  }

  /** {@return the same at another seat; empty for the first} */
  public SupplyPart withSeat(Optional<SeatId> newSeat) {
    return new SupplyPart(
        id, label, kind, placement, newSeat, from, milliamps, count, open, inGround, shows);
  }

  /** {@return the same told otherwise} */
  public SupplyPart showing(Shows newShows) {
    return new SupplyPart(
        id, label, kind, placement, seat, from, milliamps, count, open, inGround, newShows);
  }
}
