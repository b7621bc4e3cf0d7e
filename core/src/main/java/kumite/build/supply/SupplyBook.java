package kumite.build.supply;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.build.Build;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * What feeds a build.
 *
 * @param parts in the order they were added
 * @param boards which of them feeds the board of a seat; a board that is not named lives on its USB
 *     plug
 */
public record SupplyBook(List<SupplyPart> parts, Map<SeatId, ControlId> boards)
    implements Decided<SupplyBook> {
  /** Every board lives on its plug. */
  public static final SupplyBook EMPTY = new SupplyBook(List.of(), Map.of());

  /** Supplies as a part of a build. */
  public static final Part<SupplyBook> PART = new Part<>("supply", EMPTY);

  /** More than this is taken for a damaged file. */
  public static final int MOST = 200;

  public SupplyBook {
    parts = List.copyOf(parts);
    boards = Collections.unmodifiableMap(new TreeMap<>(boards));
    Check.between(0, MOST, parts.size(), "number of supply parts");
    Map<ControlId, SupplyPart> byId = new TreeMap<>();
    for (SupplyPart part : parts) {
      if (byId.put(part.id(), part) != null) {
        throw new IllegalArgumentException("two supply parts are called \"" + part.id() + "\"");
      }
    }
    Set<ControlId> seen = byId.keySet();
    for (SupplyPart part : parts) {
      part.from().ifPresent(from -> known(seen, from, "feeds \"" + part.id() + "\""));
    }
    boards.forEach((seat, from) -> known(seen, from, "feeds the board of seat \"" + seat + "\""));
    for (SupplyPart part : parts) {
      Set<ControlId> up = new HashSet<>();
      Optional<SupplyPart> at = Optional.of(part);
      while (at.isPresent() && up.add(at.get().id())) {
        at = at.get().from().map(byId::get);
      }
      if (at.isPresent()) {
        throw new IllegalArgumentException(
            "\"" + part.id() + "\" is fed by itself in a ring; name another source for one of it");
      }
    }
  }

  private static void known(Set<ControlId> seen, ControlId id, String what) {
    if (!seen.contains(id)) {
      throw new IllegalArgumentException(
          "there is no supply part \"" + id + "\", which " + what + "; name one that there is");
    }
  }

  /** {@return the seat that a part stands at: the first where it names none} */
  public static SeatId seat(Build build, SupplyPart part) {
    return part.seat().orElse(build.seats().get(0).id());
  }

  /** {@return the pairs of seats of which a part of the first feeds something at the second} */
  public static Set<List<SeatId>> across(Build build) {
    SupplyBook book = build.get(PART);
    Set<List<SeatId>> pairs = new HashSet<>();
    if (build.seats().size() > 1) {
      book.boards().forEach((seat, from) -> book.across(build, Optional.of(from), seat, pairs));
      book.parts.forEach(part -> book.across(build, part.from(), seat(build, part), pairs));
    }
    return pairs;
  }

  private void across(
      Build build, Optional<ControlId> from, SeatId taker, Set<List<SeatId>> pairs) {
    for (Optional<SupplyPart> up = from.flatMap(this::part);
        up.isPresent();
        up = up.get().from().flatMap(this::part)) {
      SeatId giver = seat(build, up.get());
      if (!giver.equals(taker)) {
        pairs.add(List.of(giver, taker));
      }
    }
  }

  /** {@return the part of that id, if there is one} */
  public Optional<SupplyPart> part(ControlId id) {
    return parts.stream().filter(part -> part.id().equals(id)).findFirst();
  }

  /** {@return the parts that another one feeds, in order} */
  public List<SupplyPart> fedBy(ControlId id) {
    return parts.stream().filter(part -> part.from().filter(id::equals).isPresent()).toList();
  }

  /** {@return the same with one more part, or another in place of the one of its id} */
  public SupplyBook with(SupplyPart part) {
    List<SupplyPart> next = new ArrayList<>(parts);
    int at = parts.stream().map(SupplyPart::id).toList().indexOf(part.id());
    if (at < 0) {
      next.add(part);
    } else {
      next.set(at, part);
    }
    return new SupplyBook(next, boards);
  }

  /** {@return the same with a seat's board fed by a part; empty for its plug} */
  public SupplyBook feeding(SeatId seat, Optional<ControlId> from) {
    Map<SeatId, ControlId> next = new TreeMap<>(boards);
    next.remove(seat);
    from.ifPresent(id -> next.put(seat, id));
    return new SupplyBook(parts, next);
  }

  /** What it fed is fed by what fed it. */
  @Override
  public SupplyBook without(ControlId gone) {
    Optional<SupplyPart> part = part(gone);
    if (part.isEmpty()) {
      return this;
    }
    List<SupplyPart> next = new ArrayList<>();
    for (SupplyPart other : parts) {
      if (!other.id().equals(gone)) {
        boolean fed = other.from().filter(gone::equals).isPresent();
        next.add(fed ? other.withFrom(part.get().from()) : other);
      }
    }
    Map<SeatId, ControlId> fed = new TreeMap<>();
    boards.forEach(
        (seat, from) -> {
          if (!from.equals(gone)) {
            fed.put(seat, from);
          } else {
            part.get().from().ifPresent(up -> fed.put(seat, up));
          }
        });
    return new SupplyBook(next, fed);
  }

  @Override
  public SupplyBook within(Set<SeatId> seats, Set<ControlId> controls) {
    if (boards.keySet().stream().allMatch(seats::contains)
        && parts.stream().allMatch(p -> p.seat().filter(s -> !seats.contains(s)).isEmpty())) {
      return this;
    }
    Map<SeatId, ControlId> kept = new TreeMap<>(boards);
    kept.keySet().retainAll(seats);
    return new SupplyBook(
        parts.stream()
            .map(
                p ->
                    p.seat().filter(s -> !seats.contains(s)).isPresent()
                        ? p.withSeat(Optional.empty())
                        : p)
            .toList(),
        kept);
  }
}
