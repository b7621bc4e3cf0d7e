package kumite.build.plan;

import java.util.List;
import kumite.measure.Check;
import kumite.measure.Range;

/**
 * A step that the builder added.
 *
 * @param id unlike that of any other own step; small letters, digits and hyphens
 * @param what is to be done
 * @param why it stands where it stands; may be empty
 * @param after ids of steps that come first
 * @param before ids of steps that come later
 * @param minutes it takes
 * @param waitMinutes what follows has to wait so long
 * @param noReturn whether it cannot be undone
 */
public record OwnStep(
    String id,
    String what,
    String why,
    List<String> after,
    List<String> before,
    int minutes,
    int waitMinutes,
    boolean noReturn) {
  /** Of one step. */
  public static final Range MINUTES = Range.of(0, 10_000, "min");

  /** Two weeks. */
  public static final Range WAIT = Range.of(0, 20_160, "min");

  public OwnStep {
    if (!id.matches("[a-z0-9]+(-[a-z0-9]+)*")) {
      throw new IllegalArgumentException(
          "\"" + id + "\" is no id of a step; use small letters, digits and hyphens");
    }
    Check.writable(what, "what is to be done");
    after = List.copyOf(after);
    before = List.copyOf(before);
    MINUTES.check(minutes, "minutes");
    WAIT.check(waitMinutes, "wait_min");
  }
}
