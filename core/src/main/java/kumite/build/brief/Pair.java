package kumite.build.brief;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Two functions wanted at the same moment.
 *
 * @param one the name of a function
 * @param other the name of another
 */
public record Pair(String one, String other) {
  public Pair {
    if (one.equals(other)) {
      throw new IllegalArgumentException(
          "\"" + one + "\" cannot be wanted together with itself; name two functions");
    }
  }

  /**
   * Makes sure that functions have names of their own, and pairs name some of them.
   *
   * @throws IllegalArgumentException where not
   */
  public static void check(List<HostFunction> functions, List<Pair> pairs) {
    Set<String> names = new HashSet<>();
    for (HostFunction function : functions) {
      if (!names.add(function.name())) {
        throw new IllegalArgumentException("two host functions have the same name");
      }
    }
    for (Pair pair : pairs) {
      if (!names.contains(pair.one()) || !names.contains(pair.other())) {
        throw new IllegalArgumentException(
            "together names \""
                + (names.contains(pair.one()) ? pair.other() : pair.one())
                + "\", which the host does not ask for");
      }
    }
  }

  /** {@return the pairs of which both functions are still asked for} */
  public static List<Pair> kept(List<Pair> pairs, List<HostFunction> functions) {
    Set<String> names = new HashSet<>();
    functions.forEach(function -> names.add(function.name()));
    return pairs.stream()
        .filter(pair -> names.contains(pair.one()) && names.contains(pair.other()))
        .toList();
  }
}
