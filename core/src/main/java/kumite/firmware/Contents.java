package kumite.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a program holds.
 *
 * @param holds what it does, such as {@code 17 contacts}
 * @param leaves what it could do and this build does not use, so that no code for it is written
 */
public record Contents(List<String> holds, List<String> leaves) {
  public Contents {
    holds = List.copyOf(holds);
    leaves = List.copyOf(leaves);
  }

  static Contents of(Blueprint blueprint, Score score) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    counts.put("contact", score.size("N_LOOKS"));
    counts.put("profile", score.size("N_PROFILES"));
    counts.put("layer", score.size("N_LAYERS"));
    counts.put("chord", score.size("N_CHORDS"));
    counts.put("rule for opposites", score.size("N_LEVERS") + score.size("N_PAIRS"));
    counts.put("lever with four ways", score.size("N_GATES"));
    counts.put("rapid fire", score.size("N_REPEATS"));
    counts.put("pair that counts", score.size("N_PULSES"));
    counts.put("axis", score.size("N_AXES"));
    counts.put("measured travel", score.size("N_TRAVELS"));
    counts.put("mouse", score.size("USE_MOUSE"));
    counts.put("matrix", score.size("N_ROWS"));
    counts.put("chain of registers", score.size("N_CHAINS"));
    counts.put("multiplexer", score.size("N_MUXES"));
    counts.put("ladder", score.size("USE_STEPS"));
    counts.put("touch", score.size("USE_TOUCH"));
    counts.put("lamp terminal", score.size("N_LAMPS"));
    counts.put("strip", score.size("N_STRIPS"));
    counts.put("console", score.size("N_CONSOLES"));
    counts.put("pad asked in frames", score.size("N_PADS"));
    counts.put("keyboard", score.size("N_KEYBOARDS"));
    counts.put("pad that tells reports", score.size("N_TOLD_PADS"));
    counts.put("serial wire to another board", blueprint.tells() ? 1 : 0);
    counts.put("board whose reports it passes on", blueprint.heard().size());
    List<String> holds = new ArrayList<>();
    List<String> leaves = new ArrayList<>();
    counts.forEach(
        (what, count) -> {
          if (count == 0) {
            leaves.add(plural(what));
          } else {
            holds.add(count + " " + (count == 1 ? what : plural(what)));
          }
        });
    return new Contents(holds, leaves);
  }

  private static String plural(String what) {
    return switch (what) {
      case "axis" -> "axes";
      case "matrix" -> "matrices";
      case "mouse", "touch", "rapid fire" -> what;
      case "rule for opposites" -> "rules for opposites";
      case "lever with four ways" -> "levers with four ways";
      case "pair that counts" -> "pairs that count";
      case "pad asked in frames" -> "pads asked in frames";
      case "pad that tells reports" -> "pads that tell reports";
      case "serial wire to another board" -> "serial wires to another board";
      case "board whose reports it passes on" -> "boards whose reports it passes on";
      case "chain of registers" -> "chains of registers";
      default -> what + "s";
    };
  }
}
