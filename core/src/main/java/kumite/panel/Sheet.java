package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import kumite.build.panel.Block;
import kumite.build.panel.Panel;
import kumite.working.Source;
import kumite.working.Working;

/**
 * How far a panel bends under a hand that presses on it, in the middle of the largest field that
 * nothing below holds.
 *
 * <p>A plate held along its four sides and pressed at its middle: {@code w = k F a^2 / D} with
 * {@code D = E t^3 / (12 (1 - v^2))} and k by the ratio of its sides (Timoshenko and
 * Woinowsky-Krieger, Theory of Plates and Shells, table 23, from memory).
 *
 * @param longMm the longer side of that field
 * @param shortMm its shorter side
 * @param bendsMm how far its middle goes down
 */
public record Sheet(double longMm, double shortMm, double bendsMm) {
  /** A firm press with a flat hand, in N: common practice, no source. */
  public static final double PRESS_N = 30;

  /** More than this under it feels loose, in mm: common practice, no source. */
  public static final double MOST_MM = 3;

  private static final double POISSON = 0.3;

  private static final double[] RATIOS = {1, 1.2, 1.4, 1.6, 1.8, 2, 3};
  private static final double[] K = {0.01160, 0.01353, 0.01484, 0.01570, 0.01620, 0.01651, 0.01690};

  /** Blocks beyond this many are not searched for fields between them; the walls hold then. */
  private static final int MOST_HOLDING = 24;

  /** {@return the panel's largest free field and how far it bends} */
  public static Sheet of(Panel panel) {
    double in = panel.inside().wallMm();
    List<Block> holding =
        panel.inside().blocks().stream()
            .filter(block -> block.stands() != Block.Stands.FLOOR)
            .limit(MOST_HOLDING)
            .toList();
    double[] field = {in, in, panel.widthMm() - in, panel.heightMm() - in};
    if (field[2] <= field[0] || field[3] <= field[1]) {
      return new Sheet(0, 0, 0);
    }
    Sheet worst = new Sheet(0, 0, 0);
    for (double[] free : free(field, holding)) {
      Sheet sheet = of(panel, free[2] - free[0], free[3] - free[1]);
      worst = sheet.bendsMm() > worst.bendsMm() ? sheet : worst;
    }
    return worst;
  }

  private static Sheet of(Panel panel, double wide, double high) {
    double a = Math.min(wide, high) / 1000;
    double b = Math.max(wide, high) / 1000;
    double t = panel.thicknessMm() / 1000;
    double stiffness =
        panel.material().youngGpa() * 1e9 * t * t * t / (12 * (1 - POISSON * POISSON));
    return new Sheet(b * 1000, a * 1000, k(b / a) * PRESS_N * a * a / stiffness * 1000);
  }

  /** {@return the factor for a plate whose longer side is so many times the shorter} */
  static double k(double ratio) {
    for (int i = 1; i < RATIOS.length; i++) {
      if (ratio <= RATIOS[i]) {
        double share = (ratio - RATIOS[i - 1]) / (RATIOS[i] - RATIOS[i - 1]);
        return K[i - 1] + share * (K[i] - K[i - 1]);
      }
    }
    return K[K.length - 1];
  }

  /** Rectangles between the sides of what holds, that hold nothing of it inside. */
  private static List<double[]> free(double[] field, List<Block> holding) {
    TreeSet<Double> xs = new TreeSet<>(List.of(field[0], field[2]));
    TreeSet<Double> ys = new TreeSet<>(List.of(field[1], field[3]));
    for (Block block : holding) {
      add(xs, block.leftMm(), field[0], field[2]);
      add(xs, block.leftMm() + block.widthMm(), field[0], field[2]);
      add(ys, block.frontMm(), field[1], field[3]);
      add(ys, block.frontMm() + block.heightMm(), field[1], field[3]);
    }
    List<double[]> all = new ArrayList<>();
    for (double left : xs) {
      for (double right : xs.tailSet(left, false)) {
        for (double front : ys) {
          for (double back : ys.tailSet(front, false)) {
            boolean held =
                holding.stream()
                    .anyMatch(
                        b ->
                            b.leftMm() < right
                                && b.leftMm() + b.widthMm() > left
                                && b.frontMm() < back
                                && b.frontMm() + b.heightMm() > front);
            if (held) {
              break; // further back it holds that block still
            }
            all.add(new double[] {left, front, right, back});
          }
        }
      }
    }
    return all;
  }

  private static void add(TreeSet<Double> lines, double at, double from, double to) {
    if (at > from && at < to) {
      lines.add(at);
    }
  }

  /** {@return how it comes about} */
  public Working working(Panel panel) {
    return new Working(
        "bend of the panel under a hand",
        "w = k F a^2 / D, D = E t^3 / (12 (1 - v^2))",
        List.of(
            Working.value("a", shortMm, 0, "mm", "shorter side of the largest field"),
            Working.value("b", longMm, 0, "mm", "its longer side"),
            Working.value("k", k(longMm / shortMm), 4, "", "by b / a"),
            Working.value("F", PRESS_N, 0, "N", "a firm press"),
            Working.value("E", panel.material().youngGpa(), 1, "GPa", panel.material().words()),
            Working.value("t", panel.thicknessMm(), 1, "mm", "this panel")),
        Working.number(bendsMm, 1) + " mm",
        Source.memory("Timoshenko and Woinowsky-Krieger, plates held along four sides, table 23"));
  }
}
