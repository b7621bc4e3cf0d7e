package kumite.lead;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A turn of a stick: what the host reads when the hand pushes a direction. The eight of them are
 * the symmetries of a square.
 *
 * <p>First left and right are swapped where it mirrors, then all is turned counter-clockwise, as
 * the player sees it.
 *
 * @param quarters quarter turns counter-clockwise, 0 to 3
 * @param mirrored whether left and right are swapped first
 */
public record Turn(int quarters, boolean mirrored) {

  /** The four directions, counter-clockwise from the right, as the player sees them. */
  public enum Direction {
    RIGHT(Function.Known.RIGHT),
    UP(Function.Known.UP),
    LEFT(Function.Known.LEFT),
    DOWN(Function.Known.DOWN);

    private final Function.Known function;

    Direction(Function.Known function) {
      this.function = function;
    }

    /** {@return the function of the contact that this push closes} */
    public Function.Known function() {
      return function;
    }

    /** {@return it in words} */
    public String words() {
      return function.words();
    }
  }

  /** No turn. */
  public static final Turn PLAIN = new Turn(0, false);

  public Turn {
    if (quarters < 0 || quarters > 3) {
      throw new IllegalArgumentException("quarter turns are 0 to 3, but were " + quarters);
    }
  }

  /** {@return all eight} */
  public static List<Turn> all() {
    return java.util.stream.IntStream.range(0, 8).mapToObj(i -> new Turn(i % 4, i > 3)).toList();
  }

  /**
   * {@return the turn by so many degrees counter-clockwise; below 0 clockwise}
   *
   * @throws IllegalArgumentException if they are no whole quarters
   */
  public static Turn degrees(double degrees) {
    if (!Double.isFinite(degrees) || degrees % 90 != 0 || Math.abs(degrees) > 3600) {
      throw new IllegalArgumentException(
          "a stick is turned by quarters: 90, 180, 270 or -90 degrees, but was "
              + (degrees == Math.rint(degrees) ? String.valueOf((long) degrees) : degrees));
    }
    return new Turn(Math.floorMod((int) (degrees / 90), 4), false);
  }

  /** {@return what the host reads when a direction is pushed} */
  public Direction of(Direction pushed) {
    int at = mirrored ? 2 - pushed.ordinal() : pushed.ordinal();
    return Direction.values()[Math.floorMod(at + quarters, 4)];
  }

  /** {@return this turn with another one after it} */
  public Turn then(Turn next) {
    Map<Direction, Direction> both = new TreeMap<>();
    Arrays.stream(Direction.values()).forEach(d -> both.put(d, next.of(of(d))));
    return of(both).orElseThrow();
  }

  /** {@return the turn that undoes this one} */
  public Turn inverse() {
    return all().stream().filter(t -> then(t).equals(PLAIN)).findFirst().orElseThrow();
  }

  /** {@return the turn that does this with the directions, if one does} */
  public static Optional<Turn> of(Map<Direction, Direction> read) {
    return all().stream()
        .filter(
            turn -> Arrays.stream(Direction.values()).allMatch(d -> turn.of(d).equals(read.get(d))))
        .findFirst();
  }

  /** {@return degrees counter-clockwise, 0 to 270; empty where it mirrors} */
  public Optional<Integer> degrees() {
    return mirrored ? Optional.empty() : Optional.of(quarters * 90);
  }

  /** {@return what it does to a stick, in words} */
  public String words() {
    if (mirrored) {
      return switch (quarters) {
        case 0 -> "mirrors left and right";
        case 1 -> "mirrors, swapping up with left and down with right";
        case 2 -> "mirrors up and down";
        default -> "mirrors, swapping up with right and down with left";
      };
    }
    return switch (quarters) {
      case 0 -> "leaves the stick as it is held";
      case 1 -> "turns the stick a quarter to the left (counter-clockwise)";
      case 2 -> "turns the stick by half";
      default -> "turns the stick three quarters to the left, which is a quarter to the right";
    };
  }

  /** {@return its name, for a lead that does it} */
  public String title() {
    if (mirrored) {
      return switch (quarters) {
        case 0 -> "Mirror left and right";
        case 1 -> "Mirror up-left";
        case 2 -> "Mirror up and down";
        default -> "Mirror up-right";
      };
    }
    return switch (quarters) {
      case 0 -> "Plain extension";
      case 1 -> "Quarter left";
      case 2 -> "Half turn";
      default -> "Quarter right";
    };
  }
}
