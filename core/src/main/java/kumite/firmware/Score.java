package kumite.firmware;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.hid.ReportLayout;

/**
 * What a build makes of the program, in no language: how much there is of what, and the tables.
 *
 * <p>What a build does not use has the size 0, no table, and no code.
 *
 * @param sizes by their names in code
 * @param tables all tables that hold something
 * @param labels of its looks, for people, in their order
 * @param contacts names of its looks in code
 * @param terminals names of the terminals it uses, in their order; the board's own words
 * @param terminalNames the same in code
 * @param twins labels that could not be their own name in code, with the name they got
 */
record Score(
    Map<String, Integer> sizes,
    List<Table> tables,
    List<String> labels,
    List<String> contacts,
    List<String> terminals,
    List<String> terminalNames,
    List<String> twins) {

  /** In place of a number: none. Of each width the largest. */
  private static final int SMALL = 255;

  private static final int LARGE = 65535;

  /** So many of anything and fewer are numbered in one byte. */
  private static final int MOST_SMALL = 250;

  Score {
    sizes = Collections.unmodifiableMap(new LinkedHashMap<>(sizes));
    tables = List.copyOf(tables);
    labels = List.copyOf(labels);
    contacts = List.copyOf(contacts);
    terminals = List.copyOf(terminals);
    terminalNames = List.copyOf(terminalNames);
    twins = List.copyOf(twins);
  }

  static Score of(Blueprint blueprint) {
    Sheet sheet = new Sheet(small(blueprint));
    LookRows looks = new LookRows(blueprint, sheet);
    looks.write();
    new ProfileRows(blueprint, sheet, looks).write();
    List<String> twins = new ArrayList<>(looks.names().changed());
    return new Score(
        sheet.sizes(),
        sheet.tables(),
        looks.labels(),
        looks.contacts(),
        looks.terminals(),
        looks.terminalNames(),
        twins);
  }

  private static boolean small(Blueprint blueprint) {
    int most =
        Math.max(blueprint.looks().all().size(), blueprint.board().terminals().size())
            + blueprint.looks().lamps().values().stream().mapToInt(List::size).sum();
    for (var profile : blueprint.profiles()) {
      int meanings = profile.chords().size() + blueprint.looks().all().size();
      for (var layer : profile.layers()) {
        meanings += layer.mapping().entries().size();
      }
      most = Math.max(most, meanings);
      most = Math.max(most, profile.choice().contacts().size() * blueprint.profiles().size());
    }
    return most <= MOST_SMALL;
  }

  /** {@return a size, 0 where the build does not use it} */
  int size(String name) {
    return sizes.getOrDefault(name, 0);
  }

  /** {@return whether numbers of things take one byte} */
  boolean small() {
    return size("NUMBER_BITS") == 8;
  }

  /** {@return a table, if the build has it} */
  Optional<Table> table(String name) {
    return tables.stream().filter(t -> t.name().equals(name)).findFirst();
  }

  /** {@return the bytes of all tables} */
  int tableBytes() {
    return tables.stream().mapToInt(t -> t.bytes(small())).sum();
  }

  /** Tables and sizes as they are put down. */
  static final class Sheet {
    private final Map<String, Integer> sizes = new LinkedHashMap<>();
    private final Map<String, Table.Draft> drafts = new LinkedHashMap<>();
    private final boolean small;

    Sheet(boolean small) {
      this.small = small;
      sizes.put("NUMBER_BITS", small ? 8 : 16);
    }

    Table.Draft of(String name, Table.Type type) {
      return drafts.computeIfAbsent(name, n -> new Table.Draft(n, type));
    }

    Table.Draft bytes(String name) {
      return of(name, Table.Type.BYTE);
    }

    Table.Draft words(String name) {
      return of(name, Table.Type.WORD);
    }

    Table.Draft numbers(String name) {
      return of(name, Table.Type.NUMBER);
    }

    /** Adds a number, or none below 0. */
    void number(String table, int value, String note) {
      numbers(table).add(value < 0 ? none() : value, value < 0 ? "NONE" : "", note);
    }

    int none() {
      return small ? SMALL : LARGE;
    }

    void size(String name, int value) {
      sizes.put(name, value);
    }

    /** Keeps the largest that was said. */
    void most(String name, int value) {
      sizes.merge(name, value, Math::max);
    }

    void uses(String name, boolean does) {
      most(name, does ? 1 : 0);
    }

    int get(String name) {
      return sizes.getOrDefault(name, 0);
    }

    Map<String, Integer> sizes() {
      return sizes;
    }

    /** Rows are numbered in two bytes at most. */
    private static Table whole(Table table) {
      if (table.rows().size() > LARGE) {
        throw new IllegalArgumentException(
            "no firmware: its table "
                + table.name()
                + " would have "
                + table.rows().size()
                + " rows, more than "
                + LARGE
                + "; take fewer profiles, layers or contacts");
      }
      return table;
    }

    List<Table> tables() {
      Set<String> unused = unused();
      return drafts.values().stream()
          .map(Table.Draft::done)
          .filter(t -> !t.rows().isEmpty() && !unused.contains(t.name()))
          .map(Sheet::whole)
          .toList();
    }

    /** {@return tables that a build has no use for, by the size that says so} */
    private Set<String> unused() {
      Map<String, List<String>> by =
          Map.ofEntries(
              Map.entry("N_TRAVELS", List.of("look_travel")),
              Map.entry(
                  "USE_SHAPES",
                  List.of(
                      "shape_flags",
                      "shape_least",
                      "shape_centre",
                      "shape_most",
                      "shape_dead",
                      "shape_full",
                      "shape_curve")),
              Map.entry("USE_STEPPED", List.of("travel_steps")),
              Map.entry("USE_HATS", List.of("report_hat")),
              Map.entry("USE_SERIAL", List.of("told_begin")),
              Map.entry("USE_KEYS", List.of("report_keys", "report_keys_at")),
              Map.entry("USE_MOUSE", List.of("mouse_at")),
              Map.entry(
                  "LONGEST_SAID",
                  List.of("console_says_at", "console_says", "console_asks", "console_axes")),
              Map.entry("USE_BYTES", List.of("console_every_us")),
              Map.entry("USE_PACKETS", List.of("console_command")),
              Map.entry("USE_COUNTED", List.of("console_phases", "console_forget_us")),
              Map.entry("USE_ENDS", List.of("axis_low", "axis_high")),
              Map.entry("USE_RAMPS", List.of("axis_rise_ms", "axis_return_ms")));
      Set<String> unused = new HashSet<>();
      by.forEach(
          (size, tables) -> {
            if (get(size) == 0) {
              unused.addAll(tables);
            }
          });
      if (get("N_ROWS") + get("N_MUXES") + get("N_FRAMES") + get("N_TOLD_PADS") == 0) {
        unused.add("look_with");
      }
      if (get("N_MUXES")
              + get("N_CHAINS")
              + get("N_FRAMES")
              + get("N_KEYBOARDS")
              + get("N_TOLD_PADS")
              + get("USE_STEPS")
          == 0) {
        unused.add("look_place");
      }
      if (get("N_PROFILES") < 2) {
        unused.addAll(List.of("choice_kind", "choice_at", "choice_looks"));
      }
      if (get("USE_HATS") + get("USE_KEYS") + get("USE_AXES") == 0) {
        unused.add("target_more");
      }
      return unused;
    }
  }

  /** {@return the bytes of the largest report of a layout, and of all together} */
  static int[] reportBytes(ReportLayout layout) {
    int longest = 0;
    int all = 0;
    for (int id : layout.reportIds()) {
      longest = Math.max(longest, layout.lengthBytes(id));
      all += layout.lengthBytes(id);
    }
    return new int[] {longest, all};
  }
}
