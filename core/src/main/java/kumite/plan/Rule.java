package kumite.plan;

import java.util.Collections;
import java.util.List;

/**
 * What must come before what, and what goes wrong without it.
 *
 * @param id its name
 * @param before the act that comes first
 * @param after the act that comes later
 * @param same whether it speaks of steps at the same thing only: a control, a kind, a board, a lead
 * @param why the reason, as it is shown at a step
 * @param slip what happens without it
 */
public record Rule(String id, Act before, Act after, boolean same, String why, String slip) {
  /** {@return whether it puts one step before another} */
  boolean puts(Step first, Step later) {
    return first.act() == before
        && later.act() == after
        && !first.id().equals(later.id())
        && (!same || !Collections.disjoint(first.at(), later.at()));
  }

  /** {@return the rules that ship with the application, read once} */
  public static List<Rule> standard() {
    return RuleFile.standard();
  }
}
