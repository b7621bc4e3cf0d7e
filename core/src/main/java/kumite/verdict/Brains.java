package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.brief.Host;
import kumite.device.Delays;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Line;
import kumite.loom.Loom;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import kumite.timing.Delay;
import kumite.working.Working;

/**
 * All boards side by side for one brief, with reasons, the best first.
 *
 * <p>A board that cannot do it at all comes last. Of the others, each answer counts 2 for good, 1
 * for so-so and 0 for bad, and a good answer to what the builder says matters counts threefold: the
 * order can be argued with.
 */
public final class Brains {
  private static final int MATTERS = 3;

  private Brains() {}

  /** What can matter more to a builder. */
  public enum Wish {
    NO_CODE("no program to write"),
    NO_SOLDER("little soldering"),
    QUICK("short delay"),
    WIRELESS("no cable"),
    CHEAP("low cost");

    private final String words;

    Wish(String words) {
      this.words = words;
    }

    /** {@return the wish in words for people} */
    public String words() {
      return words;
    }
  }

  /** How well a board answers a question. */
  public enum Answer {
    GOOD("good"),
    SO_SO("so-so"),
    BAD("bad"),
    /** The board cannot do it. */
    IMPOSSIBLE("cannot");

    private final String words;

    Answer(String words) {
      this.words = words;
    }

    /** {@return in a word} */
    public String words() {
      return words;
    }
  }

  /**
   * One question about one board.
   *
   * @param question such as {@code terminals}
   * @param answer how well
   * @param words the reason, short
   */
  public record Point(String question, Answer answer, String words) {}

  /**
   * One board.
   *
   * @param board its kind
   * @param points the questions, the same ones in the same order for all
   * @param score what they add up to
   * @param possible whether it can do it at all
   */
  public record Candidate(BoardKind board, List<Point> points, int score, boolean possible) {
    public Candidate {
      points = List.copyOf(points);
    }

    /** {@return why it stands where it stands, one sentence} */
    public String because() {
      List<String> against =
          points.stream()
              .filter(p -> p.answer() == Answer.IMPOSSIBLE || p.answer() == Answer.BAD)
              .map(Point::words)
              .toList();
      List<String> good =
          points.stream().filter(p -> p.answer() == Answer.GOOD).map(Point::words).toList();
      if (!possible) {
        return String.join("; ", against);
      }
      return String.join("; ", good)
          + (against.isEmpty() ? "" : "; against it: " + String.join(", ", against));
    }
  }

  /** {@return all boards of the catalogue for a build, the best first} */
  public static List<Candidate> of(Build build, Catalogue shipped, Set<Wish> wishes) {
    Catalogue catalogue = shipped.with(build);
    Set<Wish> wanted = wishes.isEmpty() ? EnumSet.noneOf(Wish.class) : EnumSet.copyOf(wishes);
    List<Candidate> candidates = new ArrayList<>();
    for (List<BoardKind> some : List.of(catalogue.boards(), catalogue.readyBoards())) {
      some.forEach(board -> candidates.add(candidate(build, catalogue, board, wanted)));
    }
    candidates.sort(
        Comparator.comparing((Candidate c) -> !c.possible())
            .thenComparing(c -> -c.score())
            .thenComparing(c -> c.board().brain().costClass()));
    return candidates;
  }

  private static Candidate candidate(
      Build build, Catalogue catalogue, BoardKind board, Set<Wish> wishes) {
    Build with =
        Arrange.withBoard(build.withLoom(build.loom().withLocks(java.util.Map.of())), board);
    Loom loom = Loom.of(with.flat(), catalogue);
    List<Point> points = new ArrayList<>();
    points.add(terminals(board, loom));
    points.add(host(build, board));
    points.add(volts(board, loom));
    points.add(code(board));
    points.add(delay(build, board));
    points.add(joints(board, loom));
    points.add(cost(board));
    int score = 0;
    for (Point point : points) {
      int worth =
          switch (point.answer()) {
            case GOOD -> 2;
            case SO_SO -> 1;
            case BAD, IMPOSSIBLE -> 0;
          };
      boolean triple = point.answer() == Answer.GOOD && matters(point.question(), wishes);
      score += worth * (triple ? MATTERS : 1);
    }
    if (wishes.contains(Wish.WIRELESS) && board.brain().link() == BoardKind.Link.RADIO) {
      score += 2 * MATTERS * MATTERS; // no other board can do it at all
    }
    boolean possible = points.stream().noneMatch(p -> p.answer() == Answer.IMPOSSIBLE);
    return new Candidate(board, points, score, possible);
  }

  private static boolean matters(String question, Set<Wish> wishes) {
    return switch (question) {
      case "code" -> wishes.contains(Wish.NO_CODE);
      case "joints" -> wishes.contains(Wish.NO_SOLDER);
      case "delay" -> wishes.contains(Wish.QUICK);
      case "cost" -> wishes.contains(Wish.CHEAP);
      default -> false;
    };
  }

  private static Point terminals(BoardKind board, Loom loom) {
    int missing = loom.plan().unplaced().size();
    long pads = loom.plan().unplaced().stream().filter(l -> l.needs() == Line.Need.TOUCH).count();
    if (pads > 0) {
      return new Point("terminals", Answer.IMPOSSIBLE, "cannot sense touch on " + pads + " pads");
    }
    int free = loom.plan().free().size();
    return missing > 0
        ? new Point("terminals", Answer.IMPOSSIBLE, missing + " wires find no terminal")
        : new Point("terminals", free > 1 ? Answer.GOOD : Answer.SO_SO, "fits, " + free + " left");
  }

  private static Point host(Build build, BoardKind board) {
    boolean wantsAxes =
        build.mapping().entries().values().stream()
            .anyMatch(entry -> entry.target().plain() instanceof kumite.build.map.Target.Axis);
    BoardKind.Link link = board.brain().link();
    if (link == BoardKind.Link.SERIAL) {
      return new Point("host", Answer.IMPOSSIBLE, "no host takes it: it needs a second board");
    }
    if (board.brain().keysOnly() && wantsAxes) {
      return new Point("host", Answer.IMPOSSIBLE, "it only types keys, and has no axes");
    }
    if (link == BoardKind.Link.HEADER || link == BoardKind.Link.PORT) {
      return new Point(
          "host",
          build.profile().host() == Host.COMPUTER ? Answer.SO_SO : Answer.IMPOSSIBLE,
          link == BoardKind.Link.PORT
              ? "only a host that has this port"
              : "it has to be the host itself");
    }
    if (board.brain().keysOnly()) {
      return new Point("host", Answer.SO_SO, "a host takes it for a keyboard");
    }
    return new Point("host", Answer.GOOD, link.words());
  }

  private static Point volts(BoardKind board, Loom loom) {
    boolean wantsLamps = loom.sites().stream().anyMatch(site -> site.kind().lit());
    boolean lamps = board.terminals(Terminal.Role.SUPPLY).stream().anyMatch(t -> t.volts() > 0);
    String words = Working.number(board.logicVolts(), 1) + " V";
    return lamps || !wantsLamps
        ? new Point("volts", Answer.GOOD, words)
        : new Point("volts", Answer.SO_SO, words + ", feeds no lamps");
  }

  private static Point code(BoardKind board) {
    return board.brain().needsCode()
        ? new Point("code", Answer.SO_SO, "needs a program")
        : new Point("code", Answer.GOOD, "no program");
  }

  private static Point delay(Build build, BoardKind board) {
    int micros = (int) Math.round(board.brain().rawMillis() * 1000);
    Delay latency =
        Delay.of(
            build.timing().noFasterThan(board.brain().rawMillis()),
            false,
            0,
            Delays.out(Optional.of(board)));
    double millis = latency.meanUs() / 1000;
    return new Point(
        "delay",
        micros <= 1000 ? Answer.GOOD : micros <= 4000 ? Answer.SO_SO : Answer.BAD,
        Working.number(millis, 1) + " ms on average");
  }

  private static Point joints(BoardKind board, Loom loom) {
    long soldered =
        loom.strands().stream()
            .flatMap(s -> java.util.stream.Stream.of(s.from(), s.to()))
            .filter(end -> end.landing().soldered())
            .count();
    return new Point(
        "joints",
        soldered <= 4 ? Answer.GOOD : soldered <= 30 ? Answer.SO_SO : Answer.BAD,
        soldered + " soldered");
  }

  private static Point cost(BoardKind board) {
    return switch (board.brain().costClass()) {
      case 1 -> new Point("cost", Answer.GOOD, "cheap");
      case 2 -> new Point("cost", Answer.SO_SO, "middling");
      default -> new Point("cost", Answer.BAD, "dear");
    };
  }
}
