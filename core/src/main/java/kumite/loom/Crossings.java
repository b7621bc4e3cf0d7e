package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.lead.Core;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.Where;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.working.Working;

/**
 * The wires from the board that is looked at to the boards of other seats, as strands: {@code X01}
 * is the build's first link, whichever seat is looked at.
 */
final class Crossings {

  private static final List<WireColour.Hue> SIGNALS =
      List.of(
          WireColour.Hue.YE,
          WireColour.Hue.GN,
          WireColour.Hue.BU,
          WireColour.Hue.WH,
          WireColour.Hue.VT,
          WireColour.Hue.OG);

  private final Build build;
  private final Catalogue catalogue;
  private final BoardKind board;

  private Crossings(Build build, Catalogue catalogue, BoardKind board) {
    this.build = build;
    this.catalogue = catalogue;
    this.board = board;
  }

  /**
   * {@return the strands of all links that touch the board looked at and end at terminals there
   * are}
   */
  static List<Strand> strands(Build build, Catalogue catalogue, BoardKind board) {
    Crossings crossings = new Crossings(build, catalogue, board);
    List<Strand> strands = new ArrayList<>();
    for (int i = 0; i < build.links().size(); i++) {
      crossings.strand(i).ifPresent(strands::add);
    }
    return strands;
  }

  /** {@return where the boards at their far ends are, by the names they have here} */
  static Map<String, Point> spots(Build build, Catalogue catalogue) {
    Map<String, Point> spots = new LinkedHashMap<>();
    for (Link link : build.links()) {
      for (Link.End end : List.of(link.from(), link.to())) {
        if (!end.seat().equals(build.seat().id())) {
          seat(build, end.seat())
              .flatMap(Seat::board)
              .ifPresent(
                  choice -> spots.put(Joint.boardOf(end.seat()), choice.placement().centre()));
        }
      }
    }
    return spots;
  }

  /** {@return the terminals of the board looked at on which links and cores of leads land} */
  static Set<String> landed(Build build) {
    SeatId here = build.seat().id();
    Set<String> landed = new TreeSet<>();
    for (Link link : build.links()) {
      for (Link.End end : List.of(link.from(), link.to())) {
        if (end.seat().equals(here)) {
          landed.add(end.terminal());
        }
      }
    }
    for (Lead lead : build.leads().leads()) {
      for (Where where : Where.values()) {
        if (lead.end(where) instanceof End.OfBoard there && there.seat().equals(here)) {
          for (Core core : lead.cores()) {
            landed.add(Lead.pin(core, where));
          }
        }
      }
    }
    return landed;
  }

  private Optional<Strand> strand(int number) {
    Link link = build.links().get(number);
    SeatId here = build.seat().id();
    boolean from = link.from().seat().equals(here);
    if (!from && !link.to().seat().equals(here)) {
      return Optional.empty();
    }
    Link.End near = from ? link.from() : link.to();
    Link.End far = from ? link.to() : link.from();
    Optional<Seat> other = seat(build, far.seat());
    Optional<BoardKind> kind =
        other.flatMap(Seat::board).flatMap(choice -> catalogue.board(choice.kind()));
    Optional<Terminal> mine = board.terminal(near.terminal());
    Optional<Terminal> theirs = kind.flatMap(k -> k.terminal(far.terminal()));
    if (mine.isEmpty() || theirs.isEmpty()) {
      return Optional.empty();
    }
    // Both ends see the same wire: the seat that the link names first has the say, and cuts it.
    Seat first = from ? build.seat() : other.get();
    Lengths.Cut cut = length(first, mine.get(), other.get(), theirs.get(), from);
    Strand.End own = end(build.seat(), board, mine.get(), Joint.board(near.terminal()), "board");
    Strand.End their =
        end(
            other.get(),
            kind.orElseThrow(),
            theirs.get(),
            new Joint(Joint.boardOf(far.seat()), far.terminal()),
            "board of " + far.seat());
    return Optional.of(
        new Strand(
            Serves.LINK,
            Serves.LINK.id(number + 1),
            Optional.empty(),
            from ? own : their,
            from ? their : own,
            colour(mine.get(), theirs.get(), number),
            first.loom().laying().gaugeAwg(),
            cut.lengthMm(),
            Optional.empty(),
            cut.working(),
            Serves.LINK.use()));
  }

  private static Strand.End end(
      Seat seat, BoardKind kind, Terminal terminal, Joint place, String part) {
    boolean soldered = seat.board().filter(choice -> choice.soldered(kind)).isPresent();
    return new Strand.End(
        place,
        part,
        terminal.name(),
        Landing.of(soldered ? Landing.How.HOLE : Landing.How.HEADER_PIN),
        seat.board().orElseThrow().placement().place(terminal.at()));
  }

  private Lengths.Cut length(Seat first, Terminal mine, Seat other, Terminal theirs, boolean from) {
    Point a = build.board().orElseThrow().placement().place(mine.at());
    Point b = other.board().orElseThrow().placement().place(theirs.at());
    // Measured from the end that is named first, so that both seats cut the same.
    double along = new Lengths(build, board).along(from ? a : b, from ? b : a);
    double slack = first.loom().laying().slackMm();
    return Lengths.Cut.of(
        "L = way + 2 slack",
        List.of(
            Working.value("way", along, 0, "mm", "along the edges, from board to board"),
            Working.value("slack", slack, 0, "mm", "at each end")),
        along + 2 * slack);
  }

  private static WireColour colour(Terminal one, Terminal other, int number) {
    boolean ground = one.role() == Terminal.Role.GROUND && other.role() == Terminal.Role.GROUND;
    boolean supply = one.role() == Terminal.Role.SUPPLY || other.role() == Terminal.Role.SUPPLY;
    return WireColour.of(
        ground
            ? WireColour.Hue.BK
            : supply ? WireColour.Hue.RD : SIGNALS.get(number % SIGNALS.size()));
  }

  private static Optional<Seat> seat(Build build, SeatId id) {
    return build.seats().stream().filter(seat -> seat.id().equals(id)).findFirst();
  }
}
