package kumite.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.map.FourWay;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * Step 8: opposite directions, and levers of which one direction passes. First the pairs of levers,
 * then four ways, then hats and axes. Not thread-safe.
 */
final class Arbiter {
  /** A pair of the contacts of a lever; below 0 for one that is not there. */
  private record LeverPair(int low, int high, Contest contest) {}

  /** A lever with one direction at a time. */
  private record Gate(int[] upright, int[] across, Contest contest) {}

  /** A pair of meanings. */
  private record TargetPair(int low, int high, Contest contest) {}

  private final List<LeverPair> levers = new ArrayList<>();
  private final List<Gate> gates = new ArrayList<>();
  private final List<TargetPair> targets = new ArrayList<>();

  private Arbiter() {}

  static Arbiter of(Profile profile, Meanings meanings, List<Sense> senses) {
    Arbiter arbiter = new Arbiter();
    for (Map.Entry<Opposed, OppositesRule> rule : profile.opposites().entrySet()) {
      if (rule.getKey() instanceof Opposed.Lever lever) {
        arbiter.levers.add(
            new LeverPair(
                at(senses, lever.control(), lever.upright() ? "up" : "left"),
                at(senses, lever.control(), lever.upright() ? "down" : "right"),
                new Contest(rule.getValue())));
      }
    }
    // Where nothing is chosen hats and axes give neither, at this step and before rapid fire.
    for (Opposed.OfReport pair : Opposed.ofReports()) {
      OppositesRule rule = profile.opposites().getOrDefault(pair, OppositesRule.NEUTRAL);
      for (int pad = 1; pad <= 8; pad++) {
        arbiter.pair(pair, pad, meanings, rule);
      }
    }
    for (Map.Entry<ControlId, FourWay> way : profile.fourWays().entrySet()) {
      ControlId lever = way.getKey();
      arbiter.gates.add(
          new Gate(
              new int[] {at(senses, lever, "up"), at(senses, lever, "down")},
              new int[] {at(senses, lever, "left"), at(senses, lever, "right")},
              new Contest(
                  way.getValue() == FourWay.FIRST ? OppositesRule.FIRST : OppositesRule.LAST)));
    }
    return arbiter;
  }

  private void pair(Opposed.OfReport pair, int pad, Meanings meanings, OppositesRule rule) {
    int low = meanings.at(pad, pair.low());
    int high = meanings.at(pad, pair.high());
    if (low >= 0 && high >= 0) {
      targets.add(new TargetPair(low, high, new Contest(rule)));
    }
  }

  private static int at(List<Sense> senses, ControlId control, String contact) {
    Optional<ContactId> wanted = Optional.of(new ContactId(control, contact));
    for (int i = 0; i < senses.size(); i++) {
      if (senses.get(i).contact().equals(wanted)) {
        return i;
      }
    }
    return -1;
  }

  /**
   * Takes back what does not pass.
   *
   * @param asks by source whether it asks; changed
   * @param targetOf by source the number of its meaning, below 0 for none
   */
  void look(boolean[] asks, int[] targetOf) {
    for (LeverPair pair : levers) {
      boolean low = pair.low >= 0 && asks[pair.low];
      boolean high = pair.high >= 0 && asks[pair.high];
      Contest.Winner winner = pair.contest.look(low, high);
      if (low && high) {
        asks[pair.low] = winner == Contest.Winner.LOW;
        asks[pair.high] = winner == Contest.Winner.HIGH;
      }
    }
    for (Gate gate : gates) {
      boolean upright = any(asks, gate.upright);
      boolean across = any(asks, gate.across);
      Contest.Winner winner = gate.contest.look(upright, across);
      if (upright && across) {
        // Both from the same look: up and down pass, so that a push to a corner is not lost.
        drop(asks, winner == Contest.Winner.HIGH ? gate.upright : gate.across);
      }
    }
    for (TargetPair pair : targets) {
      boolean low = gives(asks, targetOf, pair.low);
      boolean high = gives(asks, targetOf, pair.high);
      Contest.Winner winner = pair.contest.look(low, high);
      for (int source = 0; low && high && source < asks.length; source++) {
        boolean loses =
            targetOf[source] == pair.low && winner != Contest.Winner.LOW
                || targetOf[source] == pair.high && winner != Contest.Winner.HIGH;
        asks[source] &= !loses;
      }
    }
  }

  private static boolean any(boolean[] asks, int[] contacts) {
    return contacts[0] >= 0 && asks[contacts[0]] || contacts[1] >= 0 && asks[contacts[1]];
  }

  private static void drop(boolean[] asks, int[] contacts) {
    for (int i : contacts) {
      if (i >= 0) {
        asks[i] = false;
      }
    }
  }

  private static boolean gives(boolean[] asks, int[] targetOf, int target) {
    for (int source = 0; source < asks.length; source++) {
      if (asks[source] && targetOf[source] == target) {
        return true;
      }
    }
    return false;
  }

  Arbiter copy() {
    Arbiter copy = new Arbiter();
    levers.forEach(p -> copy.levers.add(new LeverPair(p.low, p.high, p.contest.copy())));
    gates.forEach(g -> copy.gates.add(new Gate(g.upright, g.across, g.contest.copy())));
    targets.forEach(p -> copy.targets.add(new TargetPair(p.low, p.high, p.contest.copy())));
    return copy;
  }
}
