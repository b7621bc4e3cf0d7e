package kumite.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * A board of logic chips that answers a console by itself, without a program: which chip joins
 * which of its terminals. Terminals are named as on the board; its grounds and supplies are levels.
 *
 * @param answers the id of the kind of port that it is the pad of
 * @param ways what it does from terminal to terminal, in the order of its chips
 */
public record Circuit(String answers, List<Way> ways) {
  /** From terminals that contacts are on to terminals that lines are on. */
  public sealed interface Way {}

  /**
   * Copper: what is on one is on the other.
   *
   * @param in the contact's terminal
   * @param out the line's
   */
  public record Straight(String in, String out) implements Way {}

  /**
   * A quarter of a two-to-one multiplexer.
   *
   * @param select the terminal that chooses
   * @param low what the output follows while select is low
   * @param high what it follows while select is high
   * @param out the line's terminal
   */
  public record Pick(String select, String low, String high, String out) implements Way {}

  /**
   * Parallel-in registers in a chain: high at the latch takes all in, each rising clock brings the
   * next out, and low follows the last.
   *
   * @param inputs what is told first first
   */
  public record Shift(List<String> inputs, String latch, String clock, String data) implements Way {
    public Shift {
      inputs = List.copyOf(inputs);
    }
  }

  public Circuit {
    Objects.requireNonNull(answers, "answers");
    ways = List.copyOf(ways);
  }

  /**
   * A pin of a chip.
   *
   * @param number on the package
   * @param function as data sheets call it
   * @param to the terminal it is joined to, or what else
   */
  public record Leg(int number, String function, String to) {}

  /**
   * A chip as it is bought.
   *
   * @param name on the board, such as {@code U1}
   * @param what it is
   * @param legs all its pins, by number
   */
  public record Chip(String name, String what, List<Leg> legs) {
    public Chip {
      legs = List.copyOf(legs);
    }
  }

  /** {@return whether there is no chip at all, but copper} */
  public boolean bare() {
    return ways.stream().allMatch(Straight.class::isInstance);
  }

  /**
   * {@return the chips it takes, with each of their pins}
   *
   * <p>Pins of the quad two-to-one multiplexer (type 157) and of the eight-bit parallel-in register
   * (type 4021) are from memory of their common data sheets.
   */
  public List<Chip> chips() {
    List<Chip> chips = new ArrayList<>();
    List<Pick> picks = new ArrayList<>();
    for (Way way : ways) {
      if (way instanceof Pick pick) {
        picks.add(pick);
      } else if (way instanceof Shift shift) {
        registers(shift, chips);
      }
    }
    for (int first = 0; first < picks.size(); first += Quad.SIZE) {
      chips.add(
          Quad.of(
              "U" + (chips.size() + 1),
              picks.subList(first, Math.min(picks.size(), first + Quad.SIZE))));
    }
    return chips;
  }

  private static final class Quad {
    static final int SIZE = 4;

    /** Of each quarter: input while select is low, input while it is high, output. */
    private static final int[][] PINS = {{2, 3, 4}, {5, 6, 7}, {11, 10, 9}, {14, 13, 12}};

    static Chip of(String name, List<Pick> picks) {
      List<Leg> legs = new ArrayList<>();
      legs.add(new Leg(1, "select", picks.get(0).select()));
      for (int i = 0; i < SIZE; i++) {
        boolean used = i < picks.size();
        legs.add(new Leg(PINS[i][0], (i + 1) + "I0", used ? picks.get(i).low() : "GND"));
        legs.add(new Leg(PINS[i][1], (i + 1) + "I1", used ? picks.get(i).high() : "GND"));
        legs.add(new Leg(PINS[i][2], (i + 1) + "Y", used ? picks.get(i).out() : "open"));
      }
      legs.add(new Leg(8, "ground", "GND"));
      legs.add(new Leg(15, "enable, low", "GND"));
      legs.add(new Leg(16, "supply", "VCC"));
      return sorted(name, "quad two-to-one multiplexer, type 157", legs);
    }
  }

  private static final int ON_A_REGISTER = 8;

  /** Pins of the inputs, the one that is out first first. */
  private static final int[] INPUT_PINS = {1, 15, 14, 13, 4, 5, 6, 7};

  private static void registers(Shift shift, List<Chip> chips) {
    int count = (shift.inputs().size() + ON_A_REGISTER - 1) / ON_A_REGISTER;
    int before = chips.size();
    for (int chip = 0; chip < count; chip++) {
      List<Leg> legs = new ArrayList<>();
      for (int i = 0; i < ON_A_REGISTER; i++) {
        int at = chip * ON_A_REGISTER + i;
        String to = at < shift.inputs().size() ? shift.inputs().get(at) : "GND";
        legs.add(new Leg(INPUT_PINS[i], "P" + (ON_A_REGISTER - i), to));
      }
      String next = chip + 1 < count ? "U" + (before + chip + 2) + " Q8" : "GND";
      legs.add(new Leg(11, "serial in", next));
      legs.add(new Leg(9, "parallel load", shift.latch()));
      legs.add(new Leg(10, "clock", shift.clock()));
      String out = chip == 0 ? shift.data() : "U" + (before + chip) + " serial in";
      legs.add(new Leg(3, "Q8", out));
      legs.add(new Leg(2, "Q6", "open"));
      legs.add(new Leg(12, "Q7", "open"));
      legs.add(new Leg(8, "ground", "GND"));
      legs.add(new Leg(16, "supply", "VCC"));
      chips.add(
          sorted("U" + (before + chip + 1), "parallel-in register, eight bits, type 4021", legs));
    }
  }

  private static Chip sorted(String name, String what, List<Leg> legs) {
    return new Chip(
        name, what, legs.stream().sorted(java.util.Comparator.comparingInt(Leg::number)).toList());
  }
}
