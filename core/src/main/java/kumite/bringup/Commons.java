package kumite.bringup;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.kind.Terminal;
import kumite.name.Joint;
import org.jgrapht.alg.util.UnionFind;

/**
 * What beeps say of a board whose contacts may or may not share a side, such as that of a pad which
 * is being reused: nobody knows what is joined inside, so each reading is as good as the other.
 *
 * @param sides the second sides of its contacts, and its grounds
 * @param verdict what follows from the readings
 * @param asked how many of the questions that settle it were answered
 * @param of how many there are
 */
record Commons(List<Joint> sides, Verdict verdict, int asked, int of) {
  /** What is known of the second sides. */
  enum Verdict {
    /** Too little was read. */
    OPEN,
    /** All are joined: one common. */
    SHARED,
    /** None is joined to another one. */
    APART,
    /** Some are joined, some are not. */
    SOME
  }

  Commons {
    sides = List.copyOf(sides);
  }

  /** {@return the second sides of a seat's board, as its wiring calls them; none on most boards} */
  static List<Joint> sides(View view) {
    List<Joint> sides = new ArrayList<>();
    view.wires()
        .board()
        .terminals(Terminal.Role.RETURN)
        .forEach(terminal -> sides.add(Joint.board(terminal.name())));
    return sides;
  }

  /** {@return what settles it: each second side against the first, with the names of questions} */
  static List<Ask.Probe> asks(View view) {
    List<Joint> sides = sides(view);
    List<Ask.Probe> asks = new ArrayList<>();
    for (int i = 1; i < sides.size(); i++) {
      // What the wires join themselves tells nothing of the board.
      if (!view.wiring().nets().joined(sides.get(i), sides.get(0))) {
        asks.add(
            new Ask.Probe(
                view.global(sides.get(i)), view.global(sides.get(0)), Power.UNPOWERED, Held.NONE));
      }
    }
    return asks;
  }

  /** {@return whether nobody knows what a question gives: it is about what is inside of a board} */
  static boolean open(View view, Ask.Probe ask) {
    List<Joint> sides = sides(view);
    if (sides.isEmpty() || ask.power().live()) {
      return false;
    }
    Joint red = view.local(ask.red());
    Joint black = view.local(ask.black());
    return ofSide(view, sides, red)
        && (ofSide(view, sides, black) || ofGround(view, black))
        && !view.wiring().nets().joined(red, black);
  }

  private static boolean ofSide(View view, List<Joint> sides, Joint place) {
    return sides.stream().anyMatch(side -> view.wiring().nets().joined(side, place));
  }

  private static boolean ofGround(View view, Joint place) {
    return view.wires().board().terminals(Terminal.Role.GROUND).stream()
        .anyMatch(t -> view.wiring().nets().joined(Joint.board(t.name()), place));
  }

  /** {@return what readings say of a seat's board} */
  static Commons of(View view, List<Evidence.Reading> readings) {
    List<Joint> sides = sides(view);
    List<Ask.Probe> asks = asks(view);
    Set<Joint> all = new LinkedHashSet<>(sides);
    UnionFind<Joint> joined = new UnionFind<>(all);
    Set<Ask> silent = new LinkedHashSet<>();
    Set<Ask> told = new LinkedHashSet<>();
    for (Evidence.Reading reading : readings) {
      if (reading.ask() instanceof Ask.Probe probe
          && asks.contains(probe)
          && reading.slip() <= Evidence.SLIP) {
        told.add(probe);
        boolean beeps =
            reading.answer() instanceof Answer.Beep beep
                ? beep.beeps()
                : reading.answer() instanceof Answer.Ohms ohms && ohms.ohm() < 50;
        if (beeps) {
          joined.union(view.local(probe.red()), view.local(probe.black()));
        } else {
          silent.add(probe);
        }
      }
    }
    Verdict verdict = Verdict.OPEN;
    if (!asks.isEmpty() && told.size() == asks.size()) {
      verdict =
          silent.isEmpty()
              ? Verdict.SHARED
              : silent.size() == asks.size() ? Verdict.APART : Verdict.SOME;
    }
    return new Commons(sides, verdict, told.size(), asks.size());
  }
}
