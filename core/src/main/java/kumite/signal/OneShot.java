package kumite.signal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import kumite.measure.Check;

/**
 * Potentiometers to the supply, each of which times a one-shot of the console, and buttons to
 * ground. A line of an axis is shown as the one-shot gives it: high from the trigger until its
 * time, 24.2 us and 0.011 us for each ohm (a game adapter's reference, from memory), is over.
 *
 * @param potOhm of each potentiometer from end to end
 * @param nsPerOhm what each ohm adds, in ns
 */
public record OneShot(double potOhm, double nsPerOhm) implements Mechanism {
  public OneShot {
    Check.between(1000, 1e7, potOhm, "pot_ohm");
    Check.between(0.001, 1000, nsPerOhm, "ns_per_ohm");
  }

  @Override
  public Set<Timed> times() {
    return EnumSet.of(Timed.FRAME, Timed.ONE_SHOT);
  }

  @Override
  public void check(PortKind kind) {
    if (pots(kind).size() != kind.axes().size()) {
      throw new IllegalArgumentException(
          "there are "
              + kind.axes().size()
              + " axes on "
              + pots(kind).size()
              + " lines with a potentiometer; each axis needs one");
    }
    if (contacts(kind).size() != kind.order().size()) {
      throw new IllegalArgumentException(
          "there are "
              + kind.order().size()
              + " buttons on "
              + contacts(kind).size()
              + " lines that are pulled low; each button needs one");
    }
    if (contacts(kind).size() + pots(kind).size() != kind.lines().size()) {
      throw new IllegalArgumentException("lines are potentiometers or pulled low, nothing else");
    }
    if (kind.time(Timed.FRAME).leastNs() <= lasts(kind.time(Timed.ONE_SHOT).mostNs(), potOhm)) {
      throw new IllegalArgumentException("a frame is shorter than the longest time of an axis");
    }
  }

  private static List<SignalLine> pots(PortKind kind) {
    return kind.lines().stream().filter(line -> line.from() == SignalLine.From.POT).toList();
  }

  private static List<SignalLine> contacts(PortKind kind) {
    return kind.lines().stream().filter(line -> line.from() == SignalLine.From.PAD_LOW).toList();
  }

  @Override
  public Map<String, String> ownLines(PortKind kind) {
    Map<String, String> lines = new LinkedHashMap<>();
    List<SignalLine> contacts = contacts(kind);
    for (int i = 0; i < contacts.size(); i++) {
      lines.put(kind.order().get(i), contacts.get(i).name());
    }
    List<SignalLine> pots = pots(kind);
    for (int i = 0; i < pots.size(); i++) {
      lines.put(kind.axes().get(i), pots.get(i).name());
    }
    return lines;
  }

  /** {@return how long the one-shot of an axis lasts, in ns} */
  public long lasts(long noOhmNs, double ohm) {
    return noOhmNs + Math.round(nsPerOhm * ohm);
  }

  /** Hands are asked as often as the console asks, and no oftener. */
  @Override
  public void pad(PortKind kind, Supplier<Held> hands, Side side) {
    stand(kind, hands.get(), side);
    side.after(Timed.ONE_SHOT, () -> pad(kind, hands, side));
  }

  private void stand(PortKind kind, Held held, Side side) {
    List<SignalLine> contacts = contacts(kind);
    for (int i = 0; i < contacts.size(); i++) {
      side.pullLow(contacts.get(i), held.holds(kind.order().get(i)));
    }
    List<SignalLine> pots = pots(kind);
    for (int i = 0; i < pots.size(); i++) {
      side.pot(pots.get(i), potOhm * held.at(kind.axes().get(i)));
    }
  }

  @Override
  public Console console(PortKind kind, Side side, Consumer<Reading> told) {
    List<SignalLine> pots = pots(kind);
    pots.forEach(line -> side.drive(line, false));
    return () -> {
      long base = side.lasts(Timed.ONE_SHOT);
      long most = lasts(base, potOhm);
      Map<String, Double> axes = new LinkedHashMap<>();
      List<Long> timed = new ArrayList<>();
      for (SignalLine line : pots) {
        double ohm = side.pots(line);
        timed.add(ohm <= potOhm * 2 ? lasts(base, ohm) : -1);
        side.drive(line, true);
      }
      for (int i = 0; i < pots.size(); i++) {
        SignalLine line = pots.get(i);
        String axis = kind.axes().get(i);
        long lasts = timed.get(i);
        if (lasts >= 0) {
          double at = (lasts - base) / (nsPerOhm * potOhm);
          side.afterNs(
              lasts,
              () -> {
                side.drive(line, false);
                axes.put(axis, Math.min(1, at));
              });
        }
      }
      side.afterNs(most + 1, () -> told.accept(made(kind, side, axes)));
    };
  }

  private Reading made(PortKind kind, Side side, Map<String, Double> axes) {
    Map<String, Answer> buttons = new LinkedHashMap<>();
    List<SignalLine> contacts = contacts(kind);
    for (int i = 0; i < contacts.size(); i++) {
      buttons.put(kind.order().get(i), Answer.low(side.read(contacts.get(i))));
    }
    boolean none = !kind.axes().isEmpty() && axes.isEmpty();
    Answer presence = kind.axes().isEmpty() ? Answer.UNCLEAR : Answer.of(!none);
    return new Reading(side.now(), buttons, axes, presence);
  }
}
