package kumite.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.table.Table;
import org.jgrapht.alg.util.UnionFind;

/**
 * What a continuity meter said, place by place, held against the plan.
 *
 * <p>A table of pairs: {@code from,to} and, where silence was noted too, {@code beeps} with yes or
 * no. Without any noted silence, two probed places that the plan joins and the meter never joined
 * count as missing.
 *
 * @param readings what was probed, in order
 */
public record Probe(List<Reading> readings) {
  /** More pairs than anyone probes by hand. */
  public static final int MOST_READINGS = 20_000;

  private static final List<String> COLUMNS = List.of("from", "to", "beeps");

  /**
   * One probing.
   *
   * @param row its line in the table, 1 upward, the header counted
   * @param beeps whether the meter did
   */
  public record Reading(int row, Joint a, Joint b, boolean beeps) {}

  /** How what is wired differs from the plan. */
  public enum Difference {
    TWO_GROUNDS("the ground is in two pieces"),
    SWAPPED("swapped"),
    EXTRA("joined, and should not be"),
    MISSING("not joined, and should be"),
    UNKNOWN("not a place of this build");

    private final String words;

    Difference(String words) {
      this.words = words;
    }

    /** {@return the difference in words for people} */
    public String words() {
      return words;
    }
  }

  /**
   * One difference.
   *
   * @param kind how it differs
   * @param at the places it is about
   * @param words what is wrong and what to do, one sentence
   */
  public record Found(Difference kind, List<Joint> at, String words) {
    public Found {
      at = List.copyOf(at);
    }
  }

  public Probe {
    readings = List.copyOf(readings);
  }

  /**
   * Reads a table of pairs.
   *
   * @throws IllegalArgumentException if a line does not fit; the message names its row
   */
  public static Probe parse(String csv) {
    Table table = Table.read(csv, COLUMNS);
    List<Reading> readings = new ArrayList<>();
    List<String> columns = COLUMNS;
    for (Table.Row row : table.rows()) {
      boolean header = row == table.rows().get(0) && !row.cells().get(0).contains(":");
      if (header) {
        columns = row.cells().stream().map(c -> c.toLowerCase(Locale.ROOT)).toList();
        continue;
      }
      readings.add(reading(row.line(), row.cells(), columns.indexOf("beeps")));
      if (readings.size() > MOST_READINGS) {
        throw new IllegalArgumentException(
            "row " + row.line() + ": more than " + MOST_READINGS + " pairs; is it the right file?");
      }
    }
    if (readings.isEmpty()) {
      throw new IllegalArgumentException(
          "row 1: the table has no pairs; write lines such as horn:NO,board:D9");
    }
    requireAgreement(readings);
    return new Probe(readings);
  }

  /** Two places that beep to a third beep to each other; a meter that says otherwise misread. */
  private static void requireAgreement(List<Reading> readings) {
    Set<Joint> places = new LinkedHashSet<>();
    for (Reading reading : readings) {
      places.add(reading.a());
      places.add(reading.b());
    }
    UnionFind<Joint> joined = new UnionFind<>(places);
    readings.stream().filter(Reading::beeps).forEach(r -> joined.union(r.a(), r.b()));
    for (Reading silent : readings) {
      if (silent.beeps() || !joined.inSameSet(silent.a(), silent.b())) {
        continue;
      }
      String others =
          readings.stream()
              .filter(r -> r.beeps() && joined.inSameSet(r.a(), silent.a()))
              .sorted(
                  java.util.Comparator.comparing(
                      (Reading r) -> !Set.of(r.a(), r.b()).equals(Set.of(silent.a(), silent.b()))))
              .limit(3)
              .map(r -> String.valueOf(r.row()))
              .collect(java.util.stream.Collectors.joining(", "));
      throw new IllegalArgumentException(
          "row "
              + silent.row()
              + ": says "
              + silent.a()
              + " and "
              + silent.b()
              + " are silent, against row "
              + others
              + ", by which they beep; probe them again and keep one");
    }
  }

  private static Reading reading(int row, List<String> cells, int beepsAt) {
    if (cells.size() < 2) {
      throw new IllegalArgumentException(
          "row " + row + ": needs two places, such as horn:NO,board:D9");
    }
    try {
      boolean beeps = true;
      if (beepsAt >= 0 && cells.size() > beepsAt && !cells.get(beepsAt).isEmpty()) {
        beeps =
            switch (cells.get(beepsAt).toLowerCase(Locale.ROOT)) {
              case "yes", "y", "1", "true", "beep" -> true;
              case "no", "n", "0", "false", "silent" -> false;
              default ->
                  throw new IllegalArgumentException(
                      "beeps is \"" + cells.get(beepsAt) + "\"; write yes or no");
            };
      }
      Joint a = Joint.parse(cells.get(0));
      Joint b = Joint.parse(cells.get(1));
      if (a.equals(b)) {
        throw new IllegalArgumentException(
            "both probes were on " + a + "; a meter reads between two places");
      }
      return new Reading(row, a, b, beeps);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("row " + row + ": " + e.getMessage(), e);
    }
  }

  /**
   * {@return how what was probed differs from the plan, the gravest first; empty if it does not}
   */
  public List<Found> against(Nets plan, Loom loom) {
    List<Found> found = new ArrayList<>();
    Set<Joint> probed = new LinkedHashSet<>();
    for (Reading reading : readings) {
      for (Joint joint : List.of(reading.a(), reading.b())) {
        if (probed.add(joint) && !plan.places().containsKey(joint)) {
          found.add(
              new Found(
                  Difference.UNKNOWN,
                  List.of(joint),
                  "Row " + reading.row() + ": the plan has no " + joint + "; check its name"));
        }
      }
    }
    UnionFind<Joint> seen = new UnionFind<>(probed);
    readings.stream().filter(Reading::beeps).forEach(r -> seen.union(r.a(), r.b()));
    Set<Joint> swapped = swapped(loom, plan, probed, seen, found);
    grounds(plan, probed, seen, found);
    extra(plan, swapped, found);
    missing(plan, probed, seen, swapped, found);
    found.sort(java.util.Comparator.comparing(Found::kind));
    return found;
  }

  private static Set<Joint> swapped(
      Loom loom, Nets plan, Set<Joint> probed, UnionFind<Joint> seen, List<Found> found) {
    Map<ContactId, Joint> tabs = new LinkedHashMap<>();
    Map<Joint, ContactId> owners = new LinkedHashMap<>();
    Map<ContactId, Joint> terminals = new LinkedHashMap<>();
    loom.strands().stream()
        .filter(s -> s.contact().isPresent())
        .filter(s -> probed.contains(s.from().place()) && probed.contains(s.to().place()))
        .forEach(
            s -> {
              tabs.put(s.contact().get(), s.from().place());
              terminals.put(s.contact().get(), s.to().place());
              owners.put(s.to().place(), s.contact().get());
            });
    Map<ContactId, ContactId> goesTo = new LinkedHashMap<>();
    tabs.forEach(
        (contact, tab) -> {
          boolean right = seen.inSameSet(tab, terminals.get(contact));
          owners.entrySet().stream()
              .filter(e -> !right && seen.inSameSet(tab, e.getKey()))
              .findFirst()
              .ifPresent(e -> goesTo.put(contact, e.getValue()));
        });
    Set<Joint> places = new LinkedHashSet<>();
    goesTo.forEach(
        (one, other) -> {
          boolean mutual = one.equals(goesTo.get(other));
          if (mutual && one.compareTo(other) < 0) {
            List<Joint> at =
                List.of(tabs.get(one), terminals.get(one), tabs.get(other), terminals.get(other));
            places.addAll(at);
            found.add(
                new Found(
                    Difference.SWAPPED,
                    at,
                    one
                        + " and "
                        + other
                        + " are swapped: change over the wires at "
                        + terminals.get(one).tab()
                        + " and "
                        + terminals.get(other).tab()));
          }
        });
    return places;
  }

  private static void grounds(
      Nets plan, Set<Joint> probed, UnionFind<Joint> seen, List<Found> found) {
    Optional<Net> ground = plan.all().stream().filter(Net::grounded).findFirst();
    if (ground.isEmpty()) {
      return;
    }
    Map<Joint, Set<Joint>> pieces = new LinkedHashMap<>();
    for (Joint joint : probed) {
      if (ground.get().holds(joint)) {
        pieces.computeIfAbsent(seen.find(joint), root -> new TreeSet<>()).add(joint);
      }
    }
    List<Set<Joint>> real = pieces.values().stream().filter(p -> p.size() > 1).toList();
    if (real.size() > 1) {
      Joint one = real.get(0).iterator().next();
      Joint other = real.get(1).iterator().next();
      found.add(
          new Found(
              Difference.TWO_GROUNDS,
              List.of(one, other),
              "The ground is in "
                  + real.size()
                  + " pieces that do not beep through: "
                  + one
                  + " with "
                  + (real.get(0).size() - 1)
                  + " more, "
                  + other
                  + " with "
                  + (real.get(1).size() - 1)
                  + " more; join them with one wire"));
    }
  }

  private void extra(Nets plan, Set<Joint> swapped, List<Found> found) {
    Set<String> told = new LinkedHashSet<>();
    for (Reading reading : readings) {
      boolean known =
          plan.places().containsKey(reading.a()) && plan.places().containsKey(reading.b());
      boolean explained = swapped.contains(reading.a()) && swapped.contains(reading.b());
      if (reading.beeps()
          && known
          && !explained
          && !plan.joined(reading.a(), reading.b())
          && told.add(new TreeSet<>(List.of(reading.a(), reading.b())).toString())) {
        found.add(
            new Found(
                Difference.EXTRA,
                List.of(reading.a(), reading.b()),
                reading.a()
                    + " beeps to "
                    + reading.b()
                    + " (row "
                    + reading.row()
                    + "), which the plan keeps apart: look for a bridge or a wire too many"));
      }
    }
  }

  private void missing(
      Nets plan, Set<Joint> probed, UnionFind<Joint> seen, Set<Joint> swapped, List<Found> found) {
    boolean silenceNoted = readings.stream().anyMatch(reading -> !reading.beeps());
    boolean twoGrounds = found.stream().anyMatch(f -> f.kind() == Difference.TWO_GROUNDS);
    if (silenceNoted) {
      for (Reading reading : readings) {
        boolean wanted =
            plan.places().containsKey(reading.a())
                && plan.places().containsKey(reading.b())
                && plan.joined(reading.a(), reading.b());
        boolean onGround = plan.of(reading.a()).filter(Net::grounded).isPresent();
        if (!reading.beeps()
            && wanted
            && !seen.inSameSet(reading.a(), reading.b())
            && !(twoGrounds && onGround)
            && !(swapped.contains(reading.a()) && swapped.contains(reading.b()))) {
          found.add(missing(reading.a(), reading.b(), " (row " + reading.row() + ")"));
        }
      }
      return;
    }
    for (var wire : plan.wiring().wires().keySet()) {
      boolean both = probed.contains(wire.a()) && probed.contains(wire.b());
      boolean onGround = plan.of(wire.a()).filter(Net::grounded).isPresent();
      if (both
          && !seen.inSameSet(wire.a(), wire.b())
          && !(twoGrounds && onGround)
          && !(swapped.contains(wire.a()) && swapped.contains(wire.b()))) {
        found.add(missing(wire.a(), wire.b(), ""));
      }
    }
  }

  private static Found missing(Joint a, Joint b, String where) {
    return new Found(
        Difference.MISSING,
        List.of(a, b),
        a + " does not beep to " + b + where + ": look for a broken or forgotten wire");
  }
}
