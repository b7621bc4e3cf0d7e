package kumite.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.SupplyKind;
import kumite.kind.Terminal;
import kumite.loom.Supplied;
import kumite.name.SeatId;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of what feeds a build. */
public final class SupplyChecks {
  /** A bank that gives less takes it for nothing and switches off: common practice. */
  private static final double BANK_AWAKE_MA = 50;

  /** So much below its volts an inlet is well fed, and runs at all: common practice, no source. */
  private static final double INLET_WITHIN = 0.06;

  private static final double INLET_LEAST = 0.8;

  /** The next press waits so long at most before it is felt: common practice, a frame's quarter. */
  private static final int TELLS_LONG_US = 4000;

  /** Lamps of strips turn red below: common practice, no source. */
  private static final double STRIP_LEAST_V = 4.0;

  private final Build build;
  private final SupplyBook book;
  private final SupplyTree tree;
  private final Map<SeatId, BoardKind> boards;
  private final List<Finding> findings = new ArrayList<>();

  private SupplyChecks(Build build, SupplyTree tree, Map<SeatId, BoardKind> boards) {
    this.build = build;
    this.book = build.get(SupplyBook.PART);
    this.tree = tree;
    this.boards = boards;
  }

  /**
   * {@return what is to be said of what feeds a build}
   *
   * @param boards the board of each seat that has one
   */
  public static List<Finding> of(Build build, SupplyTree tree, Map<SeatId, BoardKind> boards) {
    SupplyChecks checks = new SupplyChecks(build, tree, boards);
    for (SupplyTree.Branch branch : tree.branches()) {
      branch.part().ifPresent(part -> checks.part(branch, part, branch.kind().orElseThrow()));
      branch.seat().ifPresent(seat -> checks.board(branch, seat));
    }
    checks.seats();
    return checks.findings;
  }

  private void part(SupplyTree.Branch branch, SupplyPart part, SupplyKind kind) {
    SupplyKind.Does does = kind.does();
    boolean source = does instanceof SupplyKind.Source;
    boolean through = does instanceof SupplyKind.Through;
    boolean only = does.out().isEmpty();
    if (!source && !only && part.from().isEmpty()) {
      say(
          SupplyCode.FED_BY_NOTHING,
          Severity.STOP,
          part,
          part.label() + " is fed by nothing",
          "Say what feeds it: a jack, a bank, a cell or another part that passes current on");
      return;
    }
    if (through && part.inGround()) {
      findings.add(
          finding(
                  SupplyCode.SWITCH_IN_GROUND,
                  Severity.STOP,
                  part,
                  part.label() + " is in the ground wire",
                  "Open, it leaves all behind it at plus, and what else is joined to ground feeds it"
                      + " backwards")
              .mendedBy(
                  Fix.of(
                      "Put " + part.label() + " into the plus",
                      b ->
                          b.with(
                              SupplyBook.PART,
                              b.get(SupplyBook.PART).with(part.inGround(false))))));
    }
    if (through && part.open()) {
      findings.add(
          finding(
                  SupplyCode.OPEN,
                  Severity.LOOK,
                  part,
                  part.label() + " is open",
                  "Nothing behind it is fed")
              .mendedBy(
                  Fix.of(
                      "Close " + part.label(),
                      b ->
                          b.with(
                              SupplyBook.PART, b.get(SupplyBook.PART).with(part.opened(false))))));
    }
    load(branch, part);
    volts(branch, part, does);
    if (does instanceof SupplyKind.Source of) {
      cell(part, of);
      if (of.form() == SupplyKind.Form.BANK
          && branch.usualMilliamps() > 0
          && branch.usualMilliamps() < BANK_AWAKE_MA) {
        say(
            SupplyCode.BANK_SLEEPS,
            Severity.LOOK,
            part,
            part.label() + " may switch itself off",
            "It gives "
                + ma(branch.usualMilliamps())
                + " in play; below some 50 mA many banks take"
                + " that for nothing (common practice)");
      }
    }
    if (does instanceof SupplyKind.Strip strip) {
      strip(branch, part, strip);
    }
  }

  private void load(SupplyTree.Branch branch, SupplyPart part) {
    double rated = branch.ratedMilliamps();
    if (rated <= 0) {
      return;
    }
    boolean stop = branch.usualMilliamps() > rated;
    if (stop || branch.worstMilliamps() > rated) {
      findings.add(
          finding(
                  SupplyCode.OVERLOADED,
                  stop ? Severity.STOP : Severity.LOOK,
                  part,
                  part.label()
                      + " has to "
                      + (feeds(branch) ? "give" : "bear")
                      + " more than it can",
                  words(branch)
                      + (stop
                          ? "; it gets hot, drops its volts or cuts off: take a larger one, or feed a"
                              + " part of it from elsewhere"
                          : "; everything on at once is too much: limit it in the program, or take a"
                              + " larger one"))
              .showing(working(branch)));
    } else if (feeds(branch) && branch.worstMilliamps() > 0) {
      findings.add(
          finding(
                  SupplyCode.ENOUGH,
                  Severity.FINE,
                  part,
                  part.label() + " gives enough",
                  words(branch)
                      + (branch.hours() > 0
                          ? "; " + Working.number(branch.hours(), 1) + " h in play"
                          : ""))
              .showing(working(branch)));
    }
  }

  private static boolean feeds(SupplyTree.Branch branch) {
    return branch.kind().filter(k -> k.does() instanceof SupplyKind.Source).isPresent();
  }

  private static String words(SupplyTree.Branch branch) {
    return "Usually "
        + ma(branch.usualMilliamps())
        + ", at worst "
        + ma(branch.worstMilliamps())
        + " of "
        + ma(branch.ratedMilliamps())
        + " that it is rated for";
  }

  private Working working(SupplyTree.Branch branch) {
    List<Working.Value> values = new ArrayList<>();
    int at = tree.branches().indexOf(branch);
    for (int i = at + 1; i < tree.branches().size(); i++) {
      SupplyTree.Branch below = tree.branches().get(i);
      if (below.depth() <= branch.depth()) {
        break;
      }
      if (below.depth() == branch.depth() + 1) {
        values.add(
            Working.value(
                "I",
                below.worstMilliamps(),
                1,
                "mA",
                below.label() + ", usually " + ma(below.usualMilliamps())));
      }
    }
    return new Working(
        "current of " + branch.label(),
        "sum of all that it feeds; behind a converter by power",
        values,
        words(branch),
        Source.derived("a strip takes of its full white what its colours ask for"));
  }

  private void volts(SupplyTree.Branch branch, SupplyPart part, SupplyKind.Does does) {
    double given =
        part.from().flatMap(book::part).flatMap(tree::of).map(SupplyTree.Branch::volts).orElse(0.0);
    if (given == 0) {
      return;
    }
    if (does instanceof SupplyKind.Strip strip && off(given, strip.volts())) {
      say(
          SupplyCode.OTHER_VOLTS,
          Severity.STOP,
          part,
          part.label() + " is made for " + v(strip.volts()),
          "It is given "
              + v(given)
              + (given > strip.volts() ? ", which burns it" : "")
              + ": put a converter before it");
    } else if (does instanceof SupplyKind.Converter converter
        && (given < converter.leastVolts() || given > converter.mostVolts())) {
      say(
          SupplyCode.OTHER_VOLTS,
          Severity.STOP,
          part,
          part.label()
              + " works from "
              + v(converter.leastVolts())
              + " to "
              + v(converter.mostVolts()),
          "It is given " + v(given) + ": take one made for that");
    } else if (does instanceof SupplyKind.Indicator lamp
        && lamp.lamp().resistorInside()
        && off(given, lamp.lamp().ratedVolts())) {
      boolean over = given > lamp.lamp().ratedVolts();
      say(
          SupplyCode.OTHER_VOLTS,
          over ? Severity.STOP : Severity.LOOK,
          part,
          part.label() + " is made for " + v(lamp.lamp().ratedVolts()),
          "It is given " + v(given) + (over ? ", which burns it" : ": it stays dim"));
    }
  }

  /** Within a tenth all is well: common practice. */
  private static boolean off(double given, double wanted) {
    return Math.abs(given - wanted) > 0.1 * wanted + 1e-9;
  }

  private void cell(SupplyPart part, SupplyKind.Source cell) {
    if (!cell.lithium()) {
      return;
    }
    boolean guarded =
        book.fedBy(part.id()).stream()
            .allMatch(
                next ->
                    kumite.parts.SupplyFile.find(next.kind()).orElseThrow().does()
                        instanceof SupplyKind.Guard);
    boolean straight = book.boards().containsValue(part.id());
    if (!guarded || straight) {
      say(
          SupplyCode.CELL_UNGUARDED,
          Severity.STOP,
          part,
          part.label() + " has no guard",
          "A bare lithium cell that is drawn too empty, charged too full or shorted can burn: put a"
              + " guard first behind it, and nothing else on it");
    }
    say(
        SupplyCode.CELL_CARE,
        Severity.LOOK,
        part,
        part.label() + " wants care",
        "Charge it with a charger made for it, never alone; do not solder to it, and never join it to"
            + " another one side by side");
  }

  private void strip(SupplyTree.Branch branch, SupplyPart part, SupplyKind.Strip strip) {
    if (part.count() == 0) {
      say(
          SupplyCode.STRIP_EMPTY,
          Severity.LOOK,
          part,
          part.label() + " has no lamps yet",
          "Say how many: its current follows from that, and the program has to know it");
      return;
    }
    BoardKind board = boards.get(SupplyBook.seat(build, part));
    if (board != null && !board.tellsStrips()) {
      say(
          SupplyCode.STRIP_UNTOLD,
          Severity.LOOK,
          part,
          part.label() + " is told no colours",
          "The program of \""
              + board.name()
              + "\" knows no strip: put it on a board whose program Kumite writes");
    } else if (board != null && board.logicVolts() < SupplyKind.Strip.HIGH * strip.volts()) {
      say(
          SupplyCode.DATA_MARGINAL,
          Severity.LOOK,
          part,
          "The data of " + part.label() + " is too low to be sure",
          v(board.logicVolts())
              + " from the board; "
              + v(SupplyKind.Strip.HIGH * strip.volts())
              + " is high for a strip at "
              + v(strip.volts())
              + " (common practice): put a level shifter at its first lamp, or feed the strip less");
    }
    colours(part);
    double metres = part.count() * strip.pitchMm() / 1000;
    // Each lamp takes its part, so the mean current in the copper is half of what goes in.
    double drop = branch.worstMilliamps() / 1000 * strip.ohmPerMetre() * metres / 2;
    double end = strip.volts() - drop;
    if (end < STRIP_LEAST_V) {
      findings.add(
          finding(
                  SupplyCode.STRIP_DROPS,
                  Severity.LOOK,
                  part,
                  "The far end of " + part.label() + " is short of volts",
                  "At full white "
                      + v(Math.max(0, end))
                      + " are left there: feed it from both ends,"
                      + " or limit its light")
              .showing(
                  new Working(
                      "drop along a strip",
                      "U = I R l / 2",
                      List.of(
                          Working.value("I", branch.worstMilliamps() / 1000, 2, "A", "full white"),
                          Working.value("R", strip.ohmPerMetre(), 2, "ohm/m", "copper, both ways"),
                          Working.value("l", metres, 2, "m", "of strip")),
                      v(drop),
                      Source.derived("each lamp takes its part along the way"))));
    }
  }

  private void colours(SupplyPart part) {
    Seat seat =
        build.seats().stream()
            .filter(s -> s.id().equals(SupplyBook.seat(build, part)))
            .findFirst()
            .orElseThrow();
    for (String name : part.shows().profiles().keySet()) {
      if (seat.profiles().stream().noneMatch(p -> p.name().equals(name))) {
        findings.add(
            finding(
                    SupplyCode.COLOUR_OF_NO_PROFILE,
                    Severity.LOOK,
                    part,
                    part.label() + " has a colour for a profile that there is not",
                    "No profile of " + seat.id() + " is called \"" + name + "\": it never comes up")
                .mendedBy(
                    Fix.of(
                        "Drop that colour",
                        b ->
                            b.with(
                                SupplyBook.PART,
                                b.get(SupplyBook.PART)
                                    .with(part.showing(part.shows().without(name)))))));
      }
    }
    int us = part.count() * SupplyKind.Strip.US_PER_LAMP;
    boolean changes =
        seat.profiles().stream()
            .anyMatch(
                p -> !part.shows().at(p.name(), true).equals(part.shows().at(p.name(), false)));
    if (changes && us > TELLS_LONG_US) {
      say(
          SupplyCode.STRIP_TELLS_LONG,
          Severity.LOOK,
          part,
          "Telling " + part.label() + " its colours holds presses up",
          Working.number(us / 1000.0, 1)
              + " ms for "
              + part.count()
              + " lamps each time the colour changes, after the report: let it stay one colour, or"
              + " take fewer lamps");
    }
  }

  /** More than its inlet bears is told of the wires; less is told here. */
  private void board(SupplyTree.Branch branch, SeatId seat) {
    Optional<Terminal> inlet = Optional.ofNullable(boards.get(seat)).flatMap(Supplied::inlet);
    Optional<SupplyPart> feeder = Optional.ofNullable(book.boards().get(seat)).flatMap(book::part);
    if (feeder.isEmpty()) {
      return;
    }
    if (inlet.isEmpty()) {
      say(
          SupplyCode.FED_BY_NOTHING,
          Severity.STOP,
          feeder.get(),
          branch.label() + " has no terminal to be fed by",
          "Let it live on its plug, or take a board with a supply terminal");
    } else if (branch.volts() < inlet.get().volts() * (1 - INLET_WITHIN)) {
      boolean stop = branch.volts() < inlet.get().volts() * INLET_LEAST;
      say(
          SupplyCode.OTHER_VOLTS,
          stop ? Severity.STOP : Severity.LOOK,
          feeder.get(),
          branch.label() + " is given " + v(branch.volts()),
          "Its inlet "
              + inlet.get().name()
              + " is made for "
              + v(inlet.get().volts())
              + (stop
                  ? ": it will not run; put a converter before it"
                  : ": it may not run when a" + " cell is nearly empty"));
    }
  }

  /** What feeds another seat is wired with its own, which wants a board there. */
  private void seats() {
    for (List<SeatId> pair : SupplyBook.across(build)) {
      if (!boards.containsKey(pair.get(0))) {
        book.parts().stream()
            .filter(part -> SupplyBook.seat(build, part).equals(pair.get(0)))
            .findFirst()
            .ifPresent(
                part ->
                    say(
                        SupplyCode.NO_BOARD_THERE,
                        Severity.STOP,
                        part,
                        part.label()
                            + " stands at seat "
                            + pair.get(0)
                            + ", which has no board yet",
                        "Its wires to seat "
                            + pair.get(1)
                            + " are planned once there is one: choose a board there, or let "
                            + part.label()
                            + " stand at seat "
                            + pair.get(1)));
      }
    }
  }

  private void say(
      SupplyCode code, Severity severity, SupplyPart part, String title, String detail) {
    findings.add(finding(code, severity, part, title, detail));
  }

  private static Finding finding(
      SupplyCode code, Severity severity, SupplyPart part, String title, String detail) {
    return Finding.of(code, severity, List.of(Subject.of(part.id())), title, detail);
  }

  private static String ma(double milliamps) {
    return milliamps < 10_000
        ? Working.number(milliamps, 0) + " mA"
        : String.format(Locale.ROOT, "%.1f A", milliamps / 1000);
  }

  private static String v(double volts) {
    return Working.number(volts, 2) + " V";
  }
}
