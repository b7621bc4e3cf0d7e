package kumite.wiring;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.build.supply.SupplyBook;
import kumite.kind.BoardKind;
import kumite.lead.End;
import kumite.lead.Ends;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.lead.Where;
import kumite.loom.Looks;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.SeatId;

/**
 * What is joined to the board of a seat by links and leads: the boards of other seats, however many
 * links away, and what leads plug into.
 */
public final class Neighbourhood {
  /**
   * A seat's own wiring, before it is joined to others.
   *
   * @param board the kind of its board
   * @param looks how its program uses its terminals
   * @param asBuilt its wiring as it is
   */
  public record Alone(BoardKind board, Looks looks, Wiring asBuilt) {}

  private Neighbourhood() {}

  /**
   * {@return the seats that are joined to one by links, leads or what feeds both, itself left out}
   */
  public static Set<SeatId> joined(Build build, SeatId here) {
    Set<SeatId> joined = new LinkedHashSet<>(List.of(here));
    boolean more = true;
    while (more) {
      more = false;
      for (List<SeatId> pair : pairs(build)) {
        if (joined.contains(pair.get(0)) != joined.contains(pair.get(1))) {
          more |= joined.addAll(pair);
        }
      }
    }
    joined.remove(here);
    return joined;
  }

  private static List<List<SeatId>> pairs(Build build) {
    List<List<SeatId>> pairs = new ArrayList<>();
    for (Link link : build.links()) {
      pairs.add(List.of(link.from().seat(), link.to().seat()));
    }
    pairs.addAll(SupplyBook.across(build));
    for (Lead lead : build.leads().leads()) {
      if (lead.from() instanceof End.OfBoard from && lead.to() instanceof End.OfBoard to) {
        pairs.add(List.of(from.seat(), to.seat()));
      }
    }
    return pairs;
  }

  /**
   * {@return what stands beside a seat}
   *
   * @param seats the wirings of the seats that have a board, by seat
   */
  public static List<Neighbour> of(Build build, Map<SeatId, Alone> seats, SeatId here) {
    List<Neighbour> all = new ArrayList<>();
    Set<SeatId> joined = joined(build, here);
    Set<ControlId> hands = new TreeSet<>();
    build.labelled().forEach(control -> hands.add(control.id()));
    Map<String, SeatId> feeds = new LinkedHashMap<>();
    build
        .get(SupplyBook.PART)
        .parts()
        .forEach(part -> feeds.put(part.id().text(), SupplyBook.seat(build, part)));
    for (Seat seat : build.seats()) {
      Alone alone = seats.get(seat.id());
      if (joined.contains(seat.id()) && alone != null) {
        all.add(
            new Neighbour.OfSeat(
                seat.id(),
                alone.board(),
                alone.looks(),
                alone.asBuilt(),
                seat.loom().leftOut(),
                hands,
                feeds,
                here));
      }
    }
    all.addAll(leads(build, seats, here, joined));
    return all;
  }

  private static List<Neighbour> leads(
      Build build, Map<SeatId, Alone> seats, SeatId here, Set<SeatId> joined) {
    List<Neighbour> all = new ArrayList<>();
    Plugs plugs = build.leads().plugs();
    Set<String> names = new HashSet<>();
    for (Lead lead : build.leads().leads()) {
      Where where = lead.from() instanceof End.OfBoard ? Where.FROM : Where.TO;
      if (!(lead.end(where) instanceof End.OfBoard near)
          || !(near.seat().equals(here) || joined.contains(near.seat()))
          || !seats.containsKey(near.seat())) {
        continue;
      }
      if (lead.end(where.across()) instanceof End.OfBoard far) {
        if (seats.containsKey(far.seat())) {
          all.add(
              new Neighbour.OfLead(
                  boardName(far.seat(), here),
                  lead,
                  where,
                  Map.of(),
                  boardName(near.seat(), here)));
        }
      } else {
        all.add(
            Neighbour.OfLead.of(
                part(lead, names),
                lead,
                where,
                Ends.of(lead, plugs),
                boardName(near.seat(), here)));
      }
    }
    return all;
  }

  private static String boardName(SeatId seat, SeatId here) {
    return seat.equals(here) ? Joint.BOARD : Joint.boardOf(seat);
  }

  /** {@return the name of a lead's far end among places, where no other lead's is like it} */
  public static String partOf(Lead lead) {
    return "LEAD-" + ControlId.fromLabel(lead.name()).text().toUpperCase(Locale.ROOT);
  }

  private static String part(Lead lead, Set<String> names) {
    String plain = partOf(lead);
    String name = plain;
    for (int i = 2; !names.add(name); i++) {
      name = plain + "-" + i;
    }
    return name;
  }

  /**
   * To which seat places belong, so that what is wrong between seats is told once: by the first
   * seat that has a part in it.
   */
  static final class Whose {
    private final Map<String, SeatId> controls = new LinkedHashMap<>();
    private final Map<String, SeatId> leads = new LinkedHashMap<>();
    private final List<SeatId> others = new ArrayList<>();
    private final Map<SeatId, Integer> order = new LinkedHashMap<>();
    private final SeatId here;

    Whose(Build build, Wiring wiring) {
      here = build.seat().id();
      for (Seat seat : build.seats()) {
        order.put(seat.id(), order.size());
      }
      for (Control control : build.labelled()) {
        controls.put(control.id().text(), control.seat().orElse(here));
      }
      for (Neighbour neighbour : wiring.neighbours()) {
        if (neighbour instanceof Neighbour.OfSeat seat) {
          others.add(seat.seat());
        } else if (neighbour instanceof Neighbour.OfLead lead && !lead.far().isEmpty()) {
          lead.seat().ifPresent(seat -> leads.put(lead.part(), seat));
        }
      }
      // The longest name first: one may end as another does.
      others.sort(
          java.util.Comparator.comparingInt((SeatId s) -> s.text().length())
              .reversed()
              .thenComparing(s -> s));
    }

    SeatId of(Joint joint) {
      SeatId known = controls.getOrDefault(joint.part(), leads.get(joint.part()));
      if (known != null) {
        return known;
      }
      return Character.isUpperCase(joint.part().charAt(0))
          ? others.stream()
              .filter(s -> joint.part().endsWith("-" + s.text().toUpperCase(Locale.ROOT)))
              .findFirst()
              .orElse(here)
          : here;
    }

    /** {@return whether this seat is the first that has one of the places} */
    boolean tells(Collection<Joint> at) {
      Optional<Integer> first =
          at.stream().map(this::of).map(order::get).min(java.util.Comparator.naturalOrder());
      return others.isEmpty() || first.filter(order.get(here)::equals).isPresent();
    }
  }

  /**
   * {@return whether what is wrong between two places is told at the seat that is looked at}
   *
   * <p>What is done to one place is told by its seat; a short by the first seat that has a supply,
   * a ground or a driver on it, whichever of these each seat names.
   *
   * @param victim whether something is done to the first place; else both are alike
   */
  static boolean tells(Whose whose, Nets nets, Joint one, Joint other, boolean victim) {
    if (victim) {
      return whose.tells(List.of(one));
    }
    List<Joint> parties = new ArrayList<>();
    for (Joint end : List.of(one, other)) {
      nets.of(end).stream()
          .flatMap(net -> net.places().stream())
          .filter(p -> p.gives() || p.zero() || p.drives())
          .map(Place::joint)
          .forEach(parties::add);
    }
    return whose.tells(parties.isEmpty() ? List.of(one, other) : parties);
  }
}
