package kumite.verdict;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.bringup.SeatWires;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.brief.Brief;
import kumite.build.lead.LeadBook;
import kumite.build.map.Tuning;
import kumite.build.panel.Panel;
import kumite.build.supply.SupplyBook;
import kumite.circuit.Solves;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.leads.AtSeat;
import kumite.leads.LeadBookChecks;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.plan.SeatWork;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import kumite.wiring.Neighbour;
import kumite.wiring.Neighbourhood;
import kumite.wiring.Wiring;

/** What follows from the seats of a build: boards that share wires are worked out together. */
public final class Desks {
  /** Terminals of the seat looked at where leads end. */
  private static final Facet LANDED =
      new Facet("where leads land", Loom::landed, (from, to) -> to.take(LeadBook.PART));

  /** Where what is tuned rests, which says how it is wired. */
  private static final Facet CENTRES =
      new Facet("centres", build -> build.tuning().centres(), (from, to) -> to.take(Tuning.PART));

  /** What decides how the wires of other boards are laid. */
  private static final Facet LAYINGS =
      Facet.ofSeats(
          "layings",
          seat -> List.of(seat.board(), seat.loom().laying()),
          (seat, from) -> seat.withBoard(from.board()).withLoom(from.loom()));

  /** What the strands of one seat are worked out from. */
  private static final Sight OF_LOOM =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.CONTROLS,
          Facet.of(SupplyBook.PART),
          LAYINGS.where(
              "linked", build -> !build.links().isEmpty() || !SupplyBook.across(build).isEmpty()),
          Facet.BOARD,
          Facet.WIRES,
          Facet.MEANINGS,
          CENTRES,
          LANDED,
          Facet.LINKS);

  /** What all that follows from one seat is worked out from, beside its neighbours. */
  private static final Sight OF_DESK =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.of(Brief.PART),
          Facet.CONTROLS,
          Facet.of(SupplyBook.PART),
          Facet.of(Tuning.PART),
          Facet.SEATS.where("joined", Desks::joined),
          Facet.SEAT,
          LANDED,
          Facet.LINKS);

  private static final Sight OF_ALL =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.of(Brief.PART),
          Facet.CONTROLS,
          Facet.of(SupplyBook.PART),
          Facet.of(Tuning.PART),
          Facet.SEATS,
          Facet.of(LeadBook.PART),
          Facet.LINKS);

  /** Circuits solved before, for as long as the kinds of things are the same. */
  static final Derivation<Solves> SOLVES =
      Derivation.of("solved circuits", Sight.of(), given -> new Solves());

  /** What follows from each seat, in their order. */
  static final Derivation<List<Desk>> ALL =
      Derivation.<List<Desk>>of(
              "seats",
              OF_ALL,
              given ->
                  of(
                      given.build(),
                      given.catalogue(),
                      given.get(SOLVES),
                      given.before().orElse(List.of())))
          .from(SOLVES);

  /** What is wired at each seat, for whoever plans the work. */
  public static final Derivation<List<SeatWork>> WORK =
      Derivation.of(
              "work at the seats",
              Sight.of(),
              (Derivation.Work<List<SeatWork>>)
                  given ->
                      given.get(ALL).stream()
                          .map(
                              desk ->
                                  new SeatWork(
                                      desk.build(),
                                      desk.loom(),
                                      given.catalogue().boardOf(desk.build())))
                          .toList())
          .from(ALL);

  /** The wires of each seat that has a board, for whoever holds a meter to them. */
  public static final Derivation<List<SeatWires>> METERED =
      Derivation.of(
              "wires for a meter",
              Sight.of(),
              (Derivation.Work<List<SeatWires>>)
                  given ->
                      given.get(ALL).stream()
                          .flatMap(desk -> desk.metered(given.catalogue()).stream())
                          .toList())
          .from(ALL);

  /** What is to be said of all seats, and between them. */
  private static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of seats",
              OF_ALL,
              given -> {
                List<Desk> desks = given.get(ALL);
                List<Finding> findings = new ArrayList<>(new OnePlug(desks).findings());
                findings.addAll(SeatChecks.between(given.build(), given.catalogue(), desks));
                return findings;
              })
          .from(ALL);

  /** What leads and cables find at each seat. */
  private static final Derivation<List<AtSeat>> AT_SEATS =
      Derivation.of(
              "what leads find",
              Sight.of(),
              (Derivation.Work<List<AtSeat>>)
                  given -> given.get(ALL).stream().map(Desk::atSeat).toList())
          .from(ALL);

  /** What is to be said of leads that know no board; nothing where one does. */
  private static final Derivation<List<Finding>> LEADS_ALONE =
      Derivation.of(
          "findings of leads by themselves",
          Sight.of(
              Facet.of(LeadBook.PART)
                  .where("they know no board", build -> build.leads().standsAlone())),
          given -> LeadBookChecks.of(given.build(), given.catalogue(), List.of()));

  /** What is to be said of leads, cables and ring-outs. */
  public static final Derivation<List<Finding>> LEAD_FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of leads",
              OF_ALL,
              given ->
                  given.build().leads().standsAlone()
                      ? given.get(LEADS_ALONE)
                      : LeadBookChecks.of(given.build(), given.catalogue(), given.get(AT_SEATS)))
          .from(LEADS_ALONE, AT_SEATS);

  private Desks() {}

  /** {@return what is to be said of all seats at one station} */
  public static Derivation<List<Finding>> findings(Station station) {
    return Derivation.<List<Finding>>of(
            "findings of " + station.title(),
            Sight.of(),
            given -> given.get(FINDINGS).stream().filter(f -> f.station().equals(station)).toList())
        .from(FINDINGS);
  }

  private static List<Desk> of(Build build, Catalogue catalogue, Solves solves, List<Desk> before) {
    Build home = build.flat();
    Map<SeatId, Loom> looms = new LinkedHashMap<>();
    Map<SeatId, Neighbourhood.Alone> alone = new LinkedHashMap<>();
    boolean joined = joined(home);
    for (Seat seat : home.seats()) {
      Build faced = home.facing(Aspect.of(seat));
      Optional<Desk> was = was(before, seat);
      Loom loom =
          was.filter(desk -> OF_LOOM.same(desk.build(), faced))
              .map(Desk::loom)
              .orElseGet(() -> Loom.of(OF_LOOM.only(faced), catalogue, was.map(Desk::loom)));
      looms.put(seat.id(), loom);
      if (joined) {
        catalogue
            .boardOf(faced)
            .ifPresent(
                board ->
                    alone.put(
                        seat.id(),
                        new Neighbourhood.Alone(
                            board, Looks.of(board, loom), Wiring.asBuilt(faced, board, loom))));
      }
    }
    List<Desk> desks = new ArrayList<>();
    for (Seat seat : home.seats()) {
      Build faced = home.facing(Aspect.of(seat));
      List<Neighbour> beside =
          joined ? Neighbourhood.of(home, alone, seat.id()) : List.<Neighbour>of();
      Optional<Desk> was = was(before, seat);
      desks.add(
          was.filter(desk -> desk.beside().equals(beside) && OF_DESK.same(desk.build(), faced))
              .orElseGet(
                  () ->
                      Desk.of(
                          OF_DESK.only(faced),
                          catalogue,
                          looms.get(seat.id()),
                          solves,
                          was,
                          beside)));
    }
    return desks;
  }

  /** Whether what happens at one board may depend on another one. */
  private static boolean joined(Build build) {
    return !build.links().isEmpty()
        || !build.leads().leads().isEmpty()
        || !SupplyBook.across(build).isEmpty();
  }

  private static Optional<Desk> was(List<Desk> before, Seat seat) {
    return before.stream().filter(desk -> desk.build().seat().id().equals(seat.id())).findFirst();
  }
}
