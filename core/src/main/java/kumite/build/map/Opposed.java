package kumite.build.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import kumite.name.ControlId;

/** Two directions that a hand or two hands can ask for at once, and that cannot both be had. */
public sealed interface Opposed {
  /** {@return in words that {@link #parse} reads back} */
  String text();

  /** {@return the lever whose contacts they are; empty where they are meanings} */
  default Optional<ControlId> lever() {
    return Optional.empty();
  }

  /**
   * Two contacts of a lever, whatever they mean.
   *
   * @param control the lever
   * @param upright whether up and down, or left and right
   */
  record Lever(ControlId control, boolean upright) implements Opposed {
    public Lever {
      Objects.requireNonNull(control, "control");
    }

    @Override
    public Optional<ControlId> lever() {
      return Optional.of(control);
    }

    @Override
    public String text() {
      return control + (upright ? " up down" : " left right");
    }
  }

  /** Two meanings of a report, whichever contacts give them. */
  sealed interface OfReport extends Opposed {
    /** {@return the left, upper or low one} */
    Target low();

    /** {@return the right, lower or high one} */
    Target high();
  }

  /** {@return all pairs of meanings that a gamepad's report can hold} */
  static List<OfReport> ofReports() {
    List<OfReport> pairs = new ArrayList<>(List.of(new HatPair(false), new HatPair(true)));
    for (AxisName axis : AxisName.values()) {
      pairs.add(new AxisPair(axis));
    }
    return List.copyOf(pairs);
  }

  /**
   * Two directions of a hat, whichever contacts give them.
   *
   * @param upright whether north and south, or west and east
   */
  record HatPair(boolean upright) implements OfReport {
    @Override
    public Target low() {
      return new Target.Hat(upright ? Target.Direction.N : Target.Direction.W);
    }

    @Override
    public Target high() {
      return new Target.Hat(upright ? Target.Direction.S : Target.Direction.E);
    }

    @Override
    public String text() {
      return upright ? "Hat up down" : "Hat left right";
    }
  }

  /** Both ends of an axis, whichever contacts drive them. */
  record AxisPair(AxisName axis) implements OfReport {
    public AxisPair {
      Objects.requireNonNull(axis, "axis");
    }

    @Override
    public Target low() {
      return new Target.AxisEnd(axis, false);
    }

    @Override
    public Target high() {
      return new Target.AxisEnd(axis, true);
    }

    @Override
    public String text() {
      return "Axis " + axis.words();
    }
  }

  /**
   * Reads such a pair.
   *
   * @throws IllegalArgumentException if the text names none; the message lists the forms
   */
  static Opposed parse(String typed) {
    String[] words = typed.strip().toLowerCase(Locale.ROOT).split("\\s+");
    if (words.length == 2 && words[0].equals("axis")) {
      for (AxisName axis : AxisName.values()) {
        if (axis.name().equalsIgnoreCase(words[1])) {
          return new AxisPair(axis);
        }
      }
    }
    boolean upright = words.length == 3 && words[1].equals("up") && words[2].equals("down");
    boolean across = words.length == 3 && words[1].equals("left") && words[2].equals("right");
    if (upright || across) {
      return words[0].equals("hat")
          ? new HatPair(upright)
          : new Lever(new ControlId(words[0]), upright);
    }
    throw new IllegalArgumentException(
        "\""
            + typed.strip()
            + "\" is no pair of directions; write Hat left right, Hat up down, Axis X, or a lever's"
            + " id before left right or up down");
  }
}
