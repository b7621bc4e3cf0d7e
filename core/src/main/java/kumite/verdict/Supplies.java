package kumite.verdict;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.port.Port;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.circuit.Budget;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Supplied;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import kumite.supply.SupplyChecks;
import kumite.supply.SupplyCode;
import kumite.supply.SupplyTree;
import kumite.wiring.Net;
import kumite.wiring.Place;

/** What follows from what feeds a build, with what its boards take. */
public final class Supplies {
  private static final Sight SEEN =
      Sight.of(Facet.of(SupplyBook.PART), Facet.CONTROLS, Facet.BOARDS);

  /** The tree of supplies. */
  public static final Derivation<SupplyTree> TREE =
      Derivation.<SupplyTree>of(
              "supply tree",
              SEEN,
              given -> SupplyTree.of(given.build(), loads(given.get(Desks.ALL))))
          .from(Desks.ALL);

  /** What is to be said of it. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of supplies",
              SEEN,
              given -> {
                Build build = given.build();
                if (build.get(SupplyBook.PART).parts().isEmpty()) {
                  return List.of();
                }
                Map<SeatId, BoardKind> boards = new LinkedHashMap<>();
                for (Desk desk : given.get(Desks.ALL)) {
                  given
                      .catalogue()
                      .boardOf(desk.build())
                      .ifPresent(b -> boards.put(desk.build().seat().id(), b));
                }
                List<Finding> findings =
                    new ArrayList<>(SupplyChecks.of(build, given.get(TREE), boards));
                joined(build, given.get(Desks.ALL), findings);
                boolean stopped = findings.stream().anyMatch(f -> f.severity() == Severity.STOP);
                if (stopped) {
                  findings.removeIf(f -> f.severity() == Severity.FINE);
                }
                return findings;
              })
          .from(Desks.ALL, TREE);

  private Supplies() {}

  /** {@return a build with each of its switches and fuses closed} */
  static Build closed(Build build) {
    SupplyBook book = build.get(SupplyBook.PART);
    for (SupplyPart part : book.parts()) {
      book = part.open() ? book.with(part.opened(false)) : book;
    }
    return build.with(SupplyBook.PART, book);
  }

  private static Map<SeatId, SupplyTree.Load> loads(List<Desk> desks) {
    Map<SeatId, SupplyTree.Load> loads = new LinkedHashMap<>();
    for (Desk desk : desks) {
      desk.circuit()
          .ifPresent(
              wired ->
                  loads.put(
                      desk.build().seat().id(),
                      new SupplyTree.Load(
                          wired.asBuilt().board().name(),
                          wired.budget().usual(Budget.Taker.BOARD, Budget.Taker.PART),
                          wired.budget().worst(Budget.Taker.BOARD, Budget.Taker.PART),
                          Supplied.inlet(wired.asBuilt().board())
                              .map(Terminal::volts)
                              .orElse(0.0))));
    }
    return loads;
  }

  /** Two sources on one net push against each other, be their volts the same: told once. */
  private static void joined(Build build, List<Desk> desks, List<Finding> findings) {
    Set<Set<String>> told = new HashSet<>();
    for (Desk desk : desks) {
      if (desk.circuit().isEmpty()) {
        continue;
      }
      Map<String, SupplyPart> byName = new LinkedHashMap<>();
      for (SupplyPart part : build.get(SupplyBook.PART).parts()) {
        Joint here = new Joint(part.id().text(), "+");
        SeatId seat = SupplyBook.seat(build, part);
        byName.put((seat.equals(desk.build().seat().id()) ? here : here.at(seat)).part(), part);
      }
      for (Net net : desk.circuit().get().asBuilt().nets().joined()) {
        Map<String, SupplyPart> own = new TreeMap<>();
        Set<String> givers = new TreeSet<>();
        for (Place place : net.places()) {
          if (place.gives()) {
            SupplyPart part = byName.get(place.joint().part());
            String words = part == null ? boardOf(desk, place.joint()) : part.label();
            givers.add(words);
            if (part != null) {
              own.put(words, part);
            }
          }
        }
        if (givers.size() > 1 && !own.isEmpty() && told.add(givers)) {
          findings.add(
              Finding.of(
                  SupplyCode.SOURCES_JOINED,
                  Severity.STOP,
                  own.values().stream().map(SupplyPart::id).map(Subject::of).toList(),
                  "Two sources are joined: " + String.join(" and ", givers),
                  "The stronger one feeds the other backwards, and a cell or a port bears that"
                      + " badly: let one of them feed, or put a switch that chooses between them"));
        }
      }
    }
  }

  /** A board by its seat, whichever seat is looked at, so that it is the same one everywhere. */
  private static String boardOf(Desk desk, Joint joint) {
    return joint.part().equals(Joint.BOARD)
        ? "the board of " + desk.build().seat().id()
        : joint.part().startsWith(Joint.BOARD_OF)
            ? "the board of "
                + joint.part().substring(Joint.BOARD_OF.length()).toLowerCase(Locale.ROOT)
            : desk.build().ports().ports().stream()
                .filter(port -> port.id().text().equals(joint.part()))
                .findFirst()
                .map(Port::label)
                .orElse(joint.part());
  }
}
