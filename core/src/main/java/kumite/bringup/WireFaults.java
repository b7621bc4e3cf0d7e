package kumite.bringup;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.wiring.Change;
import kumite.wiring.Wiring;

/** Wires that are open, elsewhere, changed over or bridged. */
final class WireFaults extends FaultList {
  /** A wire that sits further from its terminal is rarer by this: common practice, no source. */
  private static final double FAR = 0.15;

  /** Terminals so far apart on one side of a board are next to each other. */
  private static final int NEXT = 2;

  WireFaults(FaultList list) {
    super(list);
  }

  void open() {
    for (Wiring.Wire wire : own) {
      add(
          FaultKind.OPEN,
          "open " + plain(wire.ends()),
          1,
          "Wire " + label(wire) + " is open: broken, not landed, or a cold joint",
          List.of(wire.ends().a(), wire.ends().b()),
          "Tug both its ends, then join or replace it",
          Change.without(wire.ends()));
    }
  }

  private Optional<Joint> boardEnd(Jumper wire) {
    boolean a = wire.a().part().equals(Joint.BOARD);
    boolean b = wire.b().part().equals(Joint.BOARD);
    // A wire put in by hand may end where the board has no terminal.
    return a == b
        ? Optional.empty()
        : Optional.of(a ? wire.a() : wire.b())
            .filter(end -> wiring.board().terminal(end.tab()).isPresent());
  }

  private static Jumper moved(Jumper wire, Joint from, Joint to) {
    return new Jumper(wire.a().equals(from) ? to : wire.a(), wire.b().equals(from) ? to : wire.b());
  }

  private List<Terminal> side(Terminal terminal) {
    return wiring.board().terminals().stream()
        .filter(t -> t.side() == terminal.side())
        .sorted(Comparator.comparingDouble(t -> t.at().yMm()))
        .toList();
  }

  private int apart(Terminal one, Terminal other) {
    List<Terminal> side = side(one);
    return one.side() == other.side()
        ? Math.abs(side.indexOf(one) - side.indexOf(other))
        : Integer.MAX_VALUE;
  }

  private boolean rail(Terminal terminal) {
    return switch (terminal.role()) {
      case GROUND, SUPPLY, COMMON -> true;
      default -> false;
    };
  }

  void terminals(boolean near) {
    for (Wiring.Wire wire : own) {
      Optional<Joint> end = boardEnd(wire.ends());
      Optional<Terminal> here = end.flatMap(e -> wiring.board().terminal(e.tab()));
      if (here.isEmpty()) {
        continue;
      }
      for (Terminal there : wiring.board().terminals()) {
        Joint to = Joint.board(there.name());
        Jumper other = there.equals(here.get()) ? wire.ends() : moved(wire.ends(), end.get(), to);
        boolean wrongRail = rail(here.get()) && rail(there);
        boolean close = wrongRail || apart(here.get(), there) <= NEXT;
        if (there.equals(here.get()) || joined(to, end.get()) || close != near) {
          continue;
        }
        add(
            wrongRail ? FaultKind.WRONG_COMMON : FaultKind.WRONG_TERMINAL,
            "at " + words(to) + " " + plain(wire.ends()),
            near ? apart(here.get(), there) == 1 ? 1 : 0.5 : FAR,
            "Wire " + label(wire) + " is at " + words(to) + " and not at " + words(end.get()),
            List.of(end.get(), to),
            "Move it from " + words(to) + " to " + words(end.get()),
            Change.moved(wire.ends(), other));
      }
    }
  }

  void swaps(boolean near) {
    List<Wiring.Wire> ended =
        own.stream().filter(wire -> boardEnd(wire.ends()).isPresent()).toList();
    for (int i = 0; i < ended.size(); i++) {
      Joint one = boardEnd(ended.get(i).ends()).orElseThrow();
      Terminal first = wiring.board().terminal(one.tab()).orElseThrow();
      for (int j = i + 1; j < ended.size(); j++) {
        Joint other = boardEnd(ended.get(j).ends()).orElseThrow();
        Terminal second = wiring.board().terminal(other.tab()).orElseThrow();
        if (joined(one, other)) {
          continue;
        }
        boolean kin =
            farEnd(ended.get(i).ends(), one)
                .part()
                .equals(farEnd(ended.get(j).ends(), other).part());
        boolean close = kin || apart(first, second) <= NEXT;
        if (close == near) {
          swap(ended.get(i), one, ended.get(j), other, near ? 1 : FAR);
        }
      }
    }
  }

  private void swap(Wiring.Wire a, Joint one, Wiring.Wire b, Joint other, double share) {
    add(
        FaultKind.SWAPPED,
        "swapped "
            + words(one)
            + " "
            + words(other)
            + " "
            + plain(a.ends())
            + " "
            + plain(b.ends()),
        share,
        "Wires " + label(a) + " and " + label(b) + " are swapped",
        List.of(one, other),
        "Change them over at " + words(one) + " and " + words(other),
        new Change(
            Set.of(a.ends(), b.ends()),
            Set.of(moved(a.ends(), one, other), moved(b.ends(), other, one)),
            Map.of()));
  }

  void bridges() {
    for (Terminal.Side side : Terminal.Side.values()) {
      List<Terminal> row =
          wiring.board().terminals().stream()
              .filter(t -> t.side() == side)
              .sorted(Comparator.comparingDouble(t -> t.at().yMm()))
              .toList();
      for (int i = 1; i < row.size(); i++) {
        Joint one = Joint.board(row.get(i - 1).name());
        Joint other = Joint.board(row.get(i).name());
        boolean wired = at.containsKey(one) || at.containsKey(other);
        if (wired && !joined(one, other)) {
          bridge(one, other, at.containsKey(one) && at.containsKey(other) ? 1 : 0.3);
        }
      }
    }
  }

  private void bridge(Joint one, Joint other, double share) {
    add(
        FaultKind.BRIDGED,
        "bridged " + words(one) + " " + words(other),
        share,
        words(one) + " and " + words(other) + " are bridged, by solder or a loose strand",
        List.of(one, other),
        "Clear what lies between them",
        Change.with(new Jumper(one, other)));
  }
}
