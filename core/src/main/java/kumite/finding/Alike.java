package kumite.finding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Edit;

/** Findings that say the same of many parts, word for word but for the parts, as one. */
public final class Alike {
  /** So many cards that say the same are read as one. */
  private static final int MANY = 5;

  /** A list longer than this is cut, and says by how much. */
  private static final int MOST_LISTED = 12;

  /** What findings must share to be one; those told of many may differ in their numbers. */
  private record Said(Code code, Severity severity, String whose, String words) {
    static Said by(Finding f) {
      return new Said(f.code(), f.severity(), f.whose(), f.ofMany().orElse(f.detail()));
    }
  }

  private Alike() {}

  /** {@return the findings in their order, those that say the same of many parts joined} */
  public static List<Finding> joined(List<Finding> findings) {
    Map<Said, List<Finding>> same = new LinkedHashMap<>();
    for (Finding f : findings) {
      same.computeIfAbsent(Said.by(f), s -> new ArrayList<>()).add(f);
    }
    List<Finding> joined = new ArrayList<>();
    for (List<Finding> group : same.values()) {
      boolean aboutParts = group.stream().noneMatch(f -> f.about().isEmpty());
      if (group.size() >= MANY && aboutParts) {
        joined.add(one(group));
      } else {
        joined.addAll(group);
      }
    }
    return joined;
  }

  private static Finding one(List<Finding> group) {
    Finding first = group.get(0);
    Set<Subject> about = new LinkedHashSet<>();
    group.forEach(f -> about.addAll(f.about()));
    Finding all =
        new Finding(
            first.code(),
            first.severity(),
            List.copyOf(about),
            first
                .ofMany()
                .map(words -> first.whose() + group.size() + " " + words)
                .orElse(first.title() + "; " + (group.size() - 1) + " more the same"),
            first.ofMany().isPresent()
                ? each(group)
                : first.detail()
                    + ". The same: "
                    + list(group.stream().skip(1).map(Finding::title).toList()),
            first.working(),
            first.drawn(),
            Optional.empty(),
            first.whose(),
            first.remedy());
    return all.mendedBy(() -> together(group));
  }

  /** The reason once where all have the same, else one by one. */
  private static String each(List<Finding> group) {
    boolean same = group.stream().map(Finding::detail).distinct().count() == 1;
    String titles =
        list(group.stream().map(f -> same ? f.title() : f.title() + ": " + f.detail()).toList());
    return same ? group.get(0).detail() + ": " + titles : titles;
  }

  /** Every one's first repair in one step. */
  private static Optional<Fix> together(List<Finding> group) {
    List<Fix> fixes = new ArrayList<>();
    for (Finding finding : group) {
      Optional<Fix> fix = finding.remedy().first();
      if (fix.isEmpty()) {
        return Optional.empty();
      }
      fixes.add(fix.get());
    }
    String label = fixes.get(0).label() + ", and the " + (group.size() - 1) + " others likewise";
    return Optional.of(
        new Fix(
            label,
            new Edit(
                label,
                before -> {
                  Build after = before;
                  for (Fix fix : fixes) {
                    after = fix.edit().apply(after);
                  }
                  return after;
                })));
  }

  /** {@return names in a row, cut where they are many} */
  public static String list(List<String> names) {
    int shown = names.size() <= MOST_LISTED ? names.size() : MOST_LISTED - 2;
    String more = shown == names.size() ? "" : " and " + (names.size() - shown) + " more";
    return String.join("; ", names.subList(0, shown)) + more;
  }
}
