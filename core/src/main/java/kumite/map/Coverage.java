package kumite.map;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kumite.build.Build;
import kumite.build.brief.HostFunction;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.name.ContactId;

/**
 * What the host asks for, held against what the mapping gives.
 *
 * @param rows one for each function of the brief, in its order
 * @param clashes meanings that more than one contact gives, each with those contacts
 */
public record Coverage(List<Row> rows, Map<Target, List<ContactId>> clashes) {

  /**
   * One function the host asks for.
   *
   * @param function what it asks
   * @param by the contacts that serve it
   * @param fits whether all of those give the kind of input it takes
   */
  public record Row(HostFunction function, List<ContactId> by, boolean fits) {
    /** {@return whether the function is served by an input of the right kind} */
    public boolean covered() {
      return !by.isEmpty() && fits;
    }
  }

  public Coverage {
    rows = List.copyOf(rows);
    clashes = Map.copyOf(clashes);
  }

  /** Compares the brief of a build with its mapping. */
  public static Coverage of(Build build) {
    Map<String, List<ContactId>> byFunction = new LinkedHashMap<>();
    Map<Target, List<ContactId>> byTarget = new LinkedHashMap<>();
    build
        .mapping()
        .entries()
        .forEach(
            (contact, entry) -> {
              byFunction.computeIfAbsent(entry.function(), f -> new ArrayList<>()).add(contact);
              byTarget.computeIfAbsent(entry.target(), t -> new ArrayList<>()).add(contact);
            });
    List<Row> rows = new ArrayList<>();
    for (HostFunction function : build.brief().functions()) {
      List<ContactId> by = byFunction.getOrDefault(function.name(), List.of());
      boolean fits =
          by.stream()
              .map(contact -> build.mapping().of(contact))
              .flatMap(java.util.Optional::stream)
              .map(Mapping.Entry::target)
              .allMatch(target -> fits(function.wants(), target));
      rows.add(new Row(function, List.copyOf(by), fits));
    }
    // A whole axis and one of its ends are one number to the host.
    byTarget.forEach(
        (target, contacts) -> {
          if (target instanceof Target.Axis whole) {
            for (boolean high : new boolean[] {false, true}) {
              contacts.addAll(
                  byTarget.getOrDefault(new Target.AxisEnd(whole.axis(), high), List.of()));
            }
          }
        });
    byTarget.values().removeIf(contacts -> contacts.size() < 2);
    return new Coverage(rows, byTarget);
  }

  /** {@return how many functions are covered} */
  public long covered() {
    return rows.stream().filter(Row::covered).count();
  }

  private static boolean fits(HostFunction.Wants wants, Target target) {
    boolean travel = target instanceof Target.Axis;
    return switch (wants) {
      case AXIS -> travel;
      case PRESS -> !travel;
      case DIRECTION -> !travel;
    };
  }
}
