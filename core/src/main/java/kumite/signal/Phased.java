package kumite.signal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Buttons on lines of their own, low for held; where a select line of the console turns, the same
 * lines say something else.
 *
 * <p>With a select line the pad counts its changes: the first phase is select high at rest, each
 * change takes the next, and after the last the first two take turns. Left alone for {@link
 * Timed#FORGET} it counts from the first again.
 *
 * @param select the select line; empty where there is none
 * @param phases what each line says in each phase; one without a select line, else an even number
 */
public record Phased(Optional<String> select, List<Map<String, Says>> phases) implements Mechanism {
  /** What a line says. */
  public sealed interface Says {
    /** Whether a button is held. */
    record Button(String name) implements Says {}

    /** Always the same, which a host knows the pad by. */
    record Always(Level level) implements Says {}

    /** {@return the word of a file: low, high, or the name of a button} */
    default String word() {
      return this instanceof Button button ? button.name() : ((Always) this).level().word();
    }

    /** {@return what a word of a file means} */
    static Says of(String word) {
      return word.equals(Level.LOW.word())
          ? new Always(Level.LOW)
          : word.equals(Level.HIGH.word()) ? new Always(Level.HIGH) : new Button(word);
    }
  }

  public Phased {
    phases = phases.stream().<Map<String, Says>>map(LinkedHashMap::new).toList();
    boolean apt =
        select.isEmpty() ? phases.size() == 1 : phases.size() >= 2 && phases.size() % 2 == 0;
    if (!apt) {
      throw new IllegalArgumentException(
          select.isEmpty()
              ? "without a select line there is one phase, not " + phases.size()
              : "with a select line phases come in pairs, high and low, but there are "
                  + phases.size());
    }
  }

  private boolean counts() {
    return phases.size() > 2;
  }

  @Override
  public Set<Timed> times() {
    Set<Timed> times = EnumSet.of(Timed.FRAME, Timed.SETTLE);
    if (select.isPresent()) {
      times.add(Timed.ANSWER);
    }
    if (counts()) {
      times.add(Timed.FORGET);
    }
    return times;
  }

  @Override
  public void check(PortKind kind) {
    select.ifPresent(name -> kind.from(name, SignalLine.From.CONSOLE));
    Set<String> said = new HashSet<>();
    for (Map<String, Says> phase : phases) {
      phase.forEach(
          (line, says) -> {
            kind.from(line, SignalLine.From.PAD, SignalLine.From.PAD_LOW);
            if (says instanceof Says.Button button) {
              if (!kind.buttons().contains(button.name())) {
                throw new IllegalArgumentException(
                    "line " + line + " says \"" + button.name() + "\", which is no button of it");
              }
              said.add(button.name());
            }
          });
    }
    for (String button : kind.buttons()) {
      if (!said.contains(button)) {
        throw new IllegalArgumentException("no line says button \"" + button + "\"");
      }
    }
    if (select.isPresent()
        && kind.time(Timed.SETTLE).leastNs() <= kind.time(Timed.ANSWER).mostNs()) {
      throw new IllegalArgumentException(
          "the lines are read before the pad's answer stands: settle must be longer than answer");
    }
    if (counts()) {
      long frame = kind.time(Timed.FRAME).leastNs();
      long asking = phases.size() * kind.time(Timed.SETTLE).mostNs();
      long forget = kind.time(Timed.FORGET).mostNs();
      if (frame <= asking + forget) {
        throw new IllegalArgumentException(
            "the pad would not count anew before the next reading: frame must be longer than all"
                + " settling and forget");
      }
      if (kind.time(Timed.FORGET).leastNs() <= kind.time(Timed.SETTLE).mostNs()) {
        throw new IllegalArgumentException(
            "the pad forgets while it is read: forget must be longer than settle");
      }
    }
  }

  @Override
  public Map<String, String> ownLines(PortKind kind) {
    Map<String, String> lines = new LinkedHashMap<>();
    phases
        .get(0)
        .forEach(
            (line, says) -> {
              if (select.isEmpty() && says instanceof Says.Button button) {
                lines.put(button.name(), line);
              }
            });
    return lines;
  }

  @Override
  public long readingNs(PortKind kind) {
    return select.isEmpty() ? 0 : phases.size() * kind.time(Timed.SETTLE).usualNs();
  }

  /** A pad that counts is asked phase by phase; another one is looked at line by line. */
  @Override
  public Optional<Asking> asking(PortKind kind) {
    if (!counts()) {
      return Optional.empty();
    }
    Asking.Draft draft = new Asking.Draft();
    Set<String> said = new HashSet<>();
    for (int phase = 0; phase < phases.size(); phase++) {
      draft.drive(select.orElseThrow(), phase % 2 == 0, kind.time(Timed.SETTLE));
      for (Map.Entry<String, Says> entry : phases.get(phase).entrySet()) {
        if (entry.getValue() instanceof Says.Button button && said.add(button.name())) {
          draft.button(button.name(), draft.take(entry.getKey()));
        }
      }
    }
    draft.drive(select.orElseThrow(), true, kind.time(Timed.SETTLE));
    return Optional.of(draft.done(kind.time(Timed.FORGET).mostNs()));
  }

  private static Level level(Says says, Held held) {
    return says instanceof Says.Button button
        ? Level.of(!held.holds(button.name()))
        : ((Says.Always) says).level();
  }

  /** {@return what the pad's lines say in a phase} */
  public Map<String, Level> truth(PortKind kind, int phase, Held held) {
    Map<String, Level> truth = new LinkedHashMap<>();
    for (SignalLine line : kind.lines()) {
      if (line.from().byPad()) {
        Says says = phases.get(phase).get(line.name());
        truth.put(line.name(), says == null ? Level.HIGH : level(says, held));
      }
    }
    return truth;
  }

  // ---- the pad

  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    new Pad(kind, hands, side).begin();
  }

  private final class Pad {
    private final PortKind kind;
    private final Supplier<Held> hands;
    private final Side side;
    private int changes;
    private long since;
    private Level stands = Level.HIGH;

    Pad(PortKind kind, Supplier<Held> hands, Side side) {
      this.kind = kind;
      this.hands = hands;
      this.side = side;
    }

    void begin() {
      select.map(kind::line).ifPresent(line -> side.hear(line, this::turned));
      select.map(kind::line).ifPresent(line -> stands = side.read(line));
      show();
      move();
    }

    /** Hands move whenever they like: they are asked as often as lines are read. */
    private void move() {
      side.after(
          Timed.SETTLE,
          () -> {
            show();
            move();
          });
    }

    private void turned(Level level) {
      if (counts() && side.now() - since > side.lasts(Timed.FORGET)) {
        changes = 0;
      }
      since = side.now();
      stands = level;
      changes++;
      side.after(Timed.ANSWER, this::show);
    }

    /** The phase that the count says, so that high is even and low is odd. */
    private int phase() {
      int low = stands == Level.LOW ? 1 : 0;
      if (!counts()) {
        return low;
      }
      return changes < phases.size() && changes % 2 == low ? changes : low;
    }

    private void show() {
      Map<String, Level> truth = truth(kind, phase(), hands.get());
      for (SignalLine line : kind.lines()) {
        if (line.from() == SignalLine.From.PAD) {
          side.drive(line, stands.clear() ? truth.get(line.name()) : Level.UNCLEAR);
        } else if (line.from() == SignalLine.From.PAD_LOW) {
          side.pullLow(line, truth.get(line.name()) == Level.LOW);
        }
      }
    }
  }

  // ---- the console

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    select.map(kind::line).ifPresent(line -> side.drive(line, true));
    return () -> ask(kind, side, told, 0, new ArrayList<>());
  }

  private void ask(
      PortKind kind, Side side, Consumer<Reading> told, int phase, List<Map<String, Level>> seen) {
    select.map(kind::line).ifPresent(line -> side.drive(line, phase % 2 == 0));
    if (phase == phases.size()) {
      told.accept(made(kind, side.now(), seen));
      return;
    }
    side.after(
        Timed.SETTLE,
        () -> {
          Map<String, Level> levels = new LinkedHashMap<>();
          phases.get(phase).keySet().forEach(name -> levels.put(name, side.read(kind.line(name))));
          seen.add(levels);
          ask(kind, side, told, phase + 1, seen);
        });
  }

  @Override
  public List<Taken> taken(PortKind kind) {
    List<Taken> taken = new ArrayList<>();
    for (int phase = 0; phase < phases.size(); phase++) {
      long after = (phase + 1) * kind.time(Timed.SETTLE).usualNs();
      String where = phase % 2 == 0 ? " high" : " low";
      String turn = counts() ? ", turn " + (phase / 2 + 1) : "";
      String words = select.map(name -> name + where + turn).orElse("at any time");
      for (SignalLine line : kind.lines()) {
        Says says = phases.get(phase).get(line.name());
        if (says != null) {
          Optional<String> button =
              says instanceof Says.Button b ? Optional.of(b.name()) : Optional.empty();
          taken.add(new Taken(after, line.name(), words, button, Level.LOW));
        }
      }
    }
    return taken;
  }

  private Reading made(PortKind kind, long now, List<Map<String, Level>> seen) {
    Map<String, Answer> buttons = new LinkedHashMap<>();
    kind.buttons().forEach(name -> buttons.put(name, Answer.UNCLEAR));
    boolean constants = false;
    boolean wrong = false;
    boolean unclear = false;
    for (int phase = phases.size() - 1; phase >= 0; phase--) {
      for (Map.Entry<String, Says> entry : phases.get(phase).entrySet()) {
        Level level = seen.get(phase).get(entry.getKey());
        if (entry.getValue() instanceof Says.Button button) {
          buttons.put(button.name(), Answer.low(level));
        } else {
          constants = true;
          wrong |= level.clear() && level != ((Says.Always) entry.getValue()).level();
          unclear |= !level.clear();
        }
      }
    }
    Answer presence =
        !constants || unclear && !wrong ? Answer.UNCLEAR : wrong ? Answer.NO : Answer.YES;
    return new Reading(now, buttons, Map.of(), presence);
  }
}
