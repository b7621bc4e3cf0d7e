package kumite.build.bringup;

import java.util.Set;
import java.util.TreeSet;
import kumite.measure.Check;
import kumite.name.Joint;

/**
 * Something that was mended during a round: what was read there before counts no more.
 *
 * @param what was done, one sentence
 * @param places it touched
 * @param after how many entries the round had by then
 */
public record Repair(String what, Set<Joint> places, int after) {
  public Repair {
    Check.filled(what, "repair");
    Check.between(0, Round.MOST, after, "after");
    places = java.util.Collections.unmodifiableSet(new TreeSet<>(places));
  }
}
