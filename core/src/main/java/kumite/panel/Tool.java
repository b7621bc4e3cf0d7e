package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kumite.build.panel.Material;
import kumite.measure.Length;

/**
 * A tool that makes a round hole.
 *
 * @param type what it is
 * @param diameterMm the hole it makes
 * @param name as written on it
 */
public record Tool(Type type, double diameterMm, String name) {

  /** What makes a round hole. */
  public enum Type {
    TWIST("twist bit"),
    SPADE("spade bit"),
    HOLE_SAW("hole saw"),
    STEP("step bit");

    private final String words;

    Type(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  /**
   * Number drills 1 to 60 in thousandths of an inch (ASME B94.11M, from memory). They differ from
   * all fractions.
   */
  private static final double[] NUMBERS = {
    228.0, 221.0, 213.0, 209.0, 205.5, 204.0, 201.0, 199.0, 196.0, 193.5, 191.0, 189.0, 185.0,
    182.0, 180.0, 177.0, 173.0, 169.5, 166.0, 161.0, 159.0, 157.0, 154.0, 152.0, 149.5, 147.0,
    144.0, 140.5, 136.0, 128.5, 120.0, 116.0, 113.0, 111.0, 110.0, 106.5, 104.0, 101.5, 99.5, 98.0,
    96.0, 93.5, 89.0, 86.0, 82.0, 81.0, 78.5, 76.0, 73.0, 70.0, 67.0, 63.5, 59.5, 55.0, 52.0, 46.5,
    43.0, 42.0, 41.0, 40.0
  };

  /** Sizes sold everywhere: common practice, no source. */
  private static final double[] SPADES = {
    6, 8, 10, 12, 13, 14, 15, 16, 18, 20, 22, 24, 25, 26, 28, 30, 32, 35, 38
  };

  /** Sizes sold everywhere: common practice, no source. */
  private static final double[] HOLE_SAWS = {
    14, 16, 17, 19, 20, 21, 22, 24, 25, 27, 28.6, 29, 30, 32, 33, 35, 37, 38, 40, 41, 43, 44, 46,
    48, 51, 52, 54, 57, 60, 64, 65, 67, 68, 70, 73, 76, 79, 83, 86, 89, 92, 95, 98, 102
  };

  private static final double LARGEST_TWIST_MM = 13;
  private static final double LARGEST_STEP_MM = 30;

  /** A step bit cuts no sheet thicker than one of its steps: common practice, no source. */
  private static final double STEP_SHEET_MM = 5;

  private static final List<Tool> ALL = all();

  private static List<Tool> all() {
    List<Tool> tools = new ArrayList<>();
    for (int tenths = 10; tenths <= LARGEST_TWIST_MM * 10; tenths += tenths < 100 ? 1 : 5) {
      tools.add(new Tool(Type.TWIST, tenths / 10.0, plain(tenths / 10.0) + " mm twist bit"));
    }
    for (int parts = 1; parts <= 32; parts++) {
      double mm = parts / 64.0 * Length.MM_PER_INCH;
      tools.add(new Tool(Type.TWIST, mm, Length.nearest64th(mm) + " twist bit"));
    }
    for (int i = 0; i < NUMBERS.length; i++) {
      tools.add(
          new Tool(
              Type.TWIST, NUMBERS[i] / 1000 * Length.MM_PER_INCH, "No. " + (i + 1) + " twist bit"));
    }
    for (double mm : SPADES) {
      tools.add(new Tool(Type.SPADE, mm, plain(mm) + " mm spade bit"));
    }
    for (double mm : HOLE_SAWS) {
      tools.add(new Tool(Type.HOLE_SAW, mm, plain(mm) + " mm hole saw"));
    }
    for (int mm = 4; mm <= LARGEST_STEP_MM; mm += 2) {
      tools.add(new Tool(Type.STEP, mm, mm + " mm step bit"));
    }
    return List.copyOf(tools);
  }

  private static String plain(double mm) {
    return mm == Math.rint(mm) ? String.valueOf((int) mm) : String.valueOf(mm);
  }

  /**
   * The tool for a round hole.
   *
   * @param tool the tool
   * @param playMm how much wider its hole is than asked; negative has to be filed out
   */
  public record Choice(Tool tool, double playMm) {
    /** {@return the play in words} */
    public String playWords() {
      if (Math.abs(playMm) < 0.05) {
        return "exact";
      }
      return playMm > 0
          ? String.format(java.util.Locale.ROOT, "%.1f mm play", playMm)
          : String.format(java.util.Locale.ROOT, "file out %.1f mm", -playMm);
    }
  }

  /**
   * Chooses the tool whose hole is nearest and not too narrow.
   *
   * @param holeMm the diameter asked for
   * @param mostPlayMm how much wider the hole may be, so that the flange still covers it
   * @return empty where no tool comes near: cut it with a jigsaw, a router or a laser
   */
  public static Optional<Choice> forHole(
      double holeMm, double mostPlayMm, Material material, double thicknessMm) {
    Choice best = null;
    double bestCost = Double.POSITIVE_INFINITY;
    for (Tool tool : ALL) {
      double play = tool.diameterMm() - holeMm;
      if (play < -1.5 || play > mostPlayMm + 1e-9 || !tool.cuts(material, thicknessMm)) {
        continue;
      }
      // Filing out costs more than play; an uncommon bit more than a common one.
      double cost = play >= -0.05 ? Math.abs(play) : 1 - play;
      cost += tool.name().startsWith("No.") ? 0.08 : tool.name().contains(" in ") ? 0.05 : 0;
      cost += tool.type() == Type.STEP ? 0.01 : 0;
      if (cost < bestCost) {
        bestCost = cost;
        best = new Choice(tool, play);
      }
    }
    return Optional.ofNullable(best);
  }

  /** {@return whether it can cut that material} */
  private boolean cuts(Material material, double thicknessMm) {
    boolean wood = material == Material.PLYWOOD || material == Material.MDF;
    return switch (type) {
      case TWIST, HOLE_SAW -> true;
      case SPADE -> wood;
      case STEP -> !wood && thicknessMm <= STEP_SHEET_MM;
    };
  }

  /** {@return the hole to drill before it, in mm; 0 where none is needed} */
  public double pilotMm() {
    return switch (type) {
      case TWIST -> diameterMm > 6 ? 3 : 0;
      case SPADE -> 3;
      case HOLE_SAW -> 6;
      case STEP -> 4;
    };
  }

  /** {@return all tools of a type, smallest first} */
  public static List<Tool> of(Type type) {
    return ALL.stream()
        .filter(tool -> tool.type() == type)
        .sorted(Comparator.comparingDouble(Tool::diameterMm))
        .toList();
  }
}
