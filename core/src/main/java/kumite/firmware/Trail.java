package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.program.Meanings;

/**
 * Where one contact stands in the tables of the program, from its terminal to its place in a
 * report.
 *
 * @param contact which one; empty for a socket that nothing is planned for
 * @param label the contact's, for people
 * @param name its name in code
 * @param lines the rows that speak of it, in the order the program reads them
 */
public record Trail(Optional<ContactId> contact, String label, String name, List<Line> lines) {
  /**
   * One row of a table.
   *
   * @param code as it stands in the code, such as {@code look_terminal[4] = 6}
   * @param words what it says
   */
  public record Line(String code, String words) {}

  public Trail {
    lines = List.copyOf(lines);
  }

  static List<Trail> of(Blueprint blueprint, Score score) {
    List<Trail> trails = new ArrayList<>();
    List<Meanings> meanings =
        blueprint.profiles().stream().map(p -> Meanings.of(p, blueprint.senses())).toList();
    for (int look = 0; look < score.contacts().size(); look++) {
      trails.add(new Writer(blueprint, score, look).write(meanings));
    }
    return trails;
  }

  /** Writes one trail. */
  private static final class Writer {
    private final Blueprint blueprint;
    private final Score score;
    private final int look;
    private final List<Line> lines = new ArrayList<>();

    Writer(Blueprint blueprint, Score score, int look) {
      this.blueprint = blueprint;
      this.score = score;
      this.look = look;
    }

    Trail write(List<Meanings> meanings) {
      row("look_kind", look, kind());
      value("look_terminal", look)
          .ifPresent(t -> row("look_terminal", look, "terminal " + score.terminals().get(t)));
      Optional<Integer> kind = value("look_kind", look);
      boolean row = kind.filter(k -> k == Codes.of("LOOK_ROW")).isPresent();
      boolean placed = kind.filter(k -> k >= Codes.of("LOOK_BIT") && k < 8).isPresent();
      if (row) {
        value("look_with", look)
            .ifPresent(t -> row("look_with", look, "its row, " + score.terminals().get(t)));
      }
      if (placed) {
        row("look_place", look, "its bit, channel or step");
      }
      value("look_travel", look).filter(this::is).ifPresent(this::travel);
      value("look_pulse", look).filter(this::is).ifPresent(p -> row("look_pulse", look, "counts"));
      value("look_repeat", look)
          .filter(this::is)
          .ifPresent(r -> row("look_repeat", look, "rapid fire"));
      for (int p = 0; p < meanings.size(); p++) {
        meant(p, meanings.get(p));
      }
      return new Trail(
          blueprint.looks().all().get(look).contact(),
          score.labels().get(look),
          score.contacts().get(look),
          lines);
    }

    private boolean is(int number) {
      return number < (score.small() ? 254 : 65534);
    }

    private Optional<Integer> value(String table, int row) {
      return score.table(table).map(t -> t.at(row));
    }

    private void row(String table, int row, String words) {
      score
          .table(table)
          .ifPresent(
              t ->
                  lines.add(
                      new Line(table + "[" + row + "] = " + t.rows().get(row).text(), words)));
    }

    private String kind() {
      return switch (score.table("look_kind").orElseThrow().rows().get(look).word()) {
        case "LOOK_LOW" -> "low is pressed";
        case "LOOK_HIGH" -> "high is pressed";
        case "LOOK_TOUCH" -> "a finger is pressed";
        case "LOOK_ROW" -> "low is pressed while its row is driven";
        case "LOOK_BIT" -> "shifted out of the registers";
        case "LOOK_CHANNEL" -> "low is pressed while its channel is picked";
        case "LOOK_CHANNEL_CODE" -> "measured while its channel is picked";
        case "LOOK_STEP" -> "a step of a ladder";
        default -> "measured";
      };
    }

    private void travel(int t) {
      row("look_travel", look, "its code counts");
      row("travel_on", t, "pressed from this code on");
      row("travel_smoothing", t, "smoothing");
    }

    /** What it means under a profile, layer by layer, and where the report tells it. */
    private void meant(int profile, Meanings meanings) {
      List<Table.Row> stretch = score.table("profiles").orElseThrow().rows();
      int width = stretch.size() / score.size("N_PROFILES");
      int at = stretch.get(profile * width).value();
      int targets = stretch.get(profile * width + 1).value();
      String whose =
          blueprint.profiles().size() > 1 ? blueprint.profiles().get(profile).name() : "";
      for (int layer = 0; layer < meanings.contacts().length; layer++) {
        int target = meanings.contacts()[layer][look];
        boolean same = layer > 0 && target == meanings.contacts()[0][look];
        if (target < 0 || same) {
          continue;
        }
        String on =
            layer == 0
                ? ""
                : ", on " + blueprint.profiles().get(profile).layers().get(layer - 1).name();
        row(
            "meanings",
            at + layer * score.contacts().size() + look,
            (TargetText.of(meanings.targets().get(target))
                + on
                + (whose.isEmpty() ? "" : ", " + whose)));
        row("target_kind", targets + target, "how the report tells it");
        row("target_bit", targets + target, "at this bit of the report");
      }
    }
  }
}
