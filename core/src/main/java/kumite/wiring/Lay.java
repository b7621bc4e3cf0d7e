package kumite.wiring;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.loom.Harness;
import kumite.loom.Loom;
import kumite.loom.Routes;
import kumite.loom.Strand;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;

/**
 * Where the wires of a build lie behind its panel, as they are and side by side: what is drawn at
 * the bench and printed to lay them on. Places are seen from the face, in mm from the panel's front
 * left corner.
 *
 * <pre>{@code
 * Lay lay = Lay.of(build, catalogue, bench.loom(), bench.wiring().orElseThrow());
 * }</pre>
 *
 * @param wires all wires that have a place, those of the plan first
 * @param tabs where each end of a wire or a soldered-in part is
 * @param parts the small parts between two of those places
 * @param ties across the bundles, on each side of where they part
 * @param astray wires with an end that the build has nowhere
 */
public record Lay(
    List<Laid> wires,
    Map<Joint, Point> tabs,
    List<Small> parts,
    List<Tie> ties,
    List<Jumper> astray) {

  /** From the middle of a wire to that of its neighbour: common practice, no source. */
  public static final double PITCH_MM = 1.6;

  /** Wires of one line crowd rather than lie wider than that. */
  private static final double WIDEST_MM = 40;

  /** A tie sits this far from where wires part: common practice, no source. */
  private static final double TIE_MM = 6;

  /** How a wire came to be there, or not. */
  public enum State {
    /** Planned, and there. */
    PLANNED,
    /** Planned, but left out by hand. */
    LEFT_OUT,
    /** Put in by hand. */
    ADDED
  }

  /**
   * One wire.
   *
   * @param ends between which places
   * @param strand the strand of the plan; empty for one put in by hand
   * @param way from tab to tab in its lane, two points or more
   */
  public record Laid(Jumper ends, Optional<Strand> strand, State state, List<Point> way) {
    public Laid {
      way = List.copyOf(way);
    }

    /** {@return where it crosses a line through a place, across a bundle that runs so} */
    private OptionalDouble across(Point at, boolean alongX) {
      double along = alongX ? at.xMm() : at.yMm();
      double beside = alongX ? at.yMm() : at.xMm();
      OptionalDouble nearest = OptionalDouble.empty();
      for (int i = 1; i < way.size(); i++) {
        Point a = way.get(i - 1);
        Point b = way.get(i);
        double a1 = alongX ? a.xMm() : a.yMm();
        double b1 = alongX ? b.xMm() : b.yMm();
        double lane = alongX ? a.yMm() : a.xMm();
        boolean level = lane == (alongX ? b.yMm() : b.xMm());
        if (level
            && Math.min(a1, b1) <= along
            && along <= Math.max(a1, b1)
            && Math.abs(lane - beside) <= WIDEST_MM / 2
            && (nearest.isEmpty()
                || Math.abs(lane - beside) < Math.abs(nearest.getAsDouble() - beside))) {
          nearest = OptionalDouble.of(lane);
        }
      }
      return nearest;
    }

    /** {@return its number, or for a wire put in by hand its two ends} */
    public String name() {
      return strand.map(Strand::id).orElse(ends.toString());
    }
  }

  /**
   * A part with two ends, as it sits between them.
   *
   * @param from where its first end is; of a diode, its anode
   * @param to where its other end is; of a diode, its banded end
   */
  public record Small(Component part, Point from, Point to) {}

  /**
   * A tie round a bundle, drawn across it.
   *
   * @param from beside its outermost wire
   * @param to beside the outermost one on the other side
   * @param wires how many it holds, two or more
   */
  public record Tie(Point from, Point to, int wires) {}

  public Lay {
    wires = List.copyOf(wires);
    tabs = Collections.unmodifiableMap(tabs);
    parts = List.copyOf(parts);
    ties = List.copyOf(ties);
    astray = List.copyOf(astray);
  }

  /**
   * Lays the wires of a build.
   *
   * @param wiring as it is
   * @throws java.util.NoSuchElementException if the build has no board
   */
  public static Lay of(Build build, Catalogue catalogue, Loom loom, Wiring wiring) {
    BoardKind board = wiring.board();
    Map<Joint, Point> tabs = TabPlaces.of(build, catalogue, loom, wiring);
    Routes routes = Routes.of(build, board, loom);
    Map<Jumper, Strand> strands = new HashMap<>();
    loom.strands().forEach(strand -> strands.putIfAbsent(strand.wire(), strand));
    Map<Jumper, List<Point>> ways = new LinkedHashMap<>();
    List<Jumper> astray = new ArrayList<>();
    Stream.concat(loom.strands().stream().map(Strand::wire), wiring.laid().stream())
        .distinct()
        .forEach(
            wire -> {
              Joint from = from(wire, strands);
              Joint to = from.equals(wire.a()) ? wire.b() : wire.a();
              List<Point> way = routes.way(from, to);
              if (way.isEmpty() || !tabs.containsKey(from) || !tabs.containsKey(to)) {
                astray.add(wire);
              } else {
                ways.put(wire, way);
              }
            });
    List<Laid> laid = new ArrayList<>();
    Lanes.apart(ways, PITCH_MM, WIDEST_MM)
        .forEach(
            (wire, lane) -> {
              Joint from = from(wire, strands);
              List<Point> way = new ArrayList<>(lane);
              way.set(0, tabs.get(from));
              way.set(way.size() - 1, tabs.get(from.equals(wire.a()) ? wire.b() : wire.a()));
              Optional<Strand> strand = Optional.ofNullable(strands.get(wire));
              State state =
                  strand.isEmpty()
                      ? State.ADDED
                      : wiring.wires().containsKey(wire) ? State.PLANNED : State.LEFT_OUT;
              laid.add(new Laid(wire, strand, state, way));
            });
    return new Lay(
        laid, tabs, small(wiring, tabs), ties(Harness.of(build, board, loom), laid), astray);
  }

  /** A strand runs from its control to the board, a wire put in by hand from its first name. */
  private static Joint from(Jumper wire, Map<Jumper, Strand> strands) {
    Strand strand = strands.get(wire);
    return strand == null ? wire.a() : strand.from().place();
  }

  /** Two wires or more are tied together on each side of a point where some leave. */
  private static List<Tie> ties(Harness harness, List<Laid> laid) {
    Map<String, Laid> there = new HashMap<>();
    laid.stream()
        .filter(wire -> wire.state() == State.PLANNED)
        .forEach(wire -> there.put(wire.name(), wire));
    List<Tie> ties = new ArrayList<>();
    for (Harness.Bundle bundle : harness.bundles()) {
      double length = bundle.from().distanceMm(bundle.to());
      double in = Math.min(TIE_MM, length / 2);
      for (Point end : List.of(bundle.from(), bundle.to())) {
        boolean last = in == length / 2 && end.equals(bundle.to());
        if (harness.branches().contains(end) && !last) {
          Point other = end.equals(bundle.from()) ? bundle.to() : bundle.from();
          double part = in / length;
          Point at = end.plus((other.xMm() - end.xMm()) * part, (other.yMm() - end.yMm()) * part);
          tie(bundle, at, there).ifPresent(ties::add);
        }
      }
    }
    return ties;
  }

  private static Optional<Tie> tie(Harness.Bundle bundle, Point at, Map<String, Laid> there) {
    boolean alongX = bundle.from().yMm() == bundle.to().yMm();
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    int count = 0;
    for (String name : bundle.strands()) {
      OptionalDouble across =
          there.containsKey(name) ? there.get(name).across(at, alongX) : OptionalDouble.empty();
      if (across.isPresent()) {
        least = Math.min(least, across.getAsDouble());
        most = Math.max(most, across.getAsDouble());
        count++;
      }
    }
    if (count < 2) {
      return Optional.empty();
    }
    double from = least - PITCH_MM;
    double to = most + PITCH_MM;
    return Optional.of(
        alongX
            ? new Tie(new Point(at.xMm(), from), new Point(at.xMm(), to), count)
            : new Tie(new Point(from, at.yMm()), new Point(to, at.yMm()), count));
  }

  private static List<Small> small(Wiring wiring, Map<Joint, Point> tabs) {
    List<Small> parts = new ArrayList<>();
    for (Component part : wiring.ownParts()) {
      List<Joint> ends = part.ends();
      if (part.fitted() && ends.size() == 2 && tabs.keySet().containsAll(ends)) {
        parts.add(new Small(part, tabs.get(ends.get(0)), tabs.get(ends.get(1))));
      }
    }
    return parts;
  }

  /** {@return where a place is, if a wire or a part ends there} */
  public Optional<Point> place(Joint joint) {
    return Optional.ofNullable(tabs.get(joint));
  }

  /** {@return the wires that end at a place} */
  public List<Laid> at(Joint joint) {
    return wires.stream()
        .filter(laid -> laid.ends().a().equals(joint) || laid.ends().b().equals(joint))
        .toList();
  }
}
