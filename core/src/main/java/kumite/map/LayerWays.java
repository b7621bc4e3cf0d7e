package kumite.map;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.name.ContactId;

/**
 * Which layers of a profile can be reached, and from which of them there is no way back.
 *
 * <p>Follows step 6 of {@code docs/semantics.md}: a layer's key counts as such unless the layer in
 * force names it. States are the sets of layers that are toggled on; while they are changed one
 * held layer may be held too.
 *
 * @param unreached layers that nothing leads to
 * @param trapped layers in force in states from which the base cannot be come back to
 */
public record LayerWays(Set<Layer> unreached, Set<Layer> trapped) {
  /** So many states are followed; a profile of twelve toggled layers has as many. */
  private static final int MOST_STATES = 4096;

  /** {@return the ways of a profile, with contacts that can be pressed} */
  public static LayerWays of(Profile profile, Set<ContactId> pressable) {
    List<Layer> layers = profile.layers();
    Map<Integer, Set<Integer>> back = new HashMap<>();
    Set<Integer> reached = new HashSet<>(Set.of(0)); // numbers of layers in force, 0 the base
    Deque<Integer> open = new ArrayDeque<>(List.of(0));
    Set<Integer> seen = new HashSet<>(Set.of(0));
    while (!open.isEmpty()) {
      int state = open.remove();
      int top = top(state);
      for (int inForce : inForce(layers, top, pressable)) {
        reached.add(inForce);
        for (int l = 0; l < layers.size(); l++) {
          Layer layer = layers.get(l);
          if (layer.reach() == Layer.Reach.TOGGLE && leads(layers, inForce, layer, pressable)) {
            int next = state ^ 1 << l;
            back.computeIfAbsent(next, s -> new HashSet<>()).add(state);
            if (seen.size() < MOST_STATES && seen.add(next)) {
              open.add(next);
            }
          }
        }
      }
    }
    Set<Integer> returning = new HashSet<>(Set.of(0));
    open.add(0);
    while (!open.isEmpty()) {
      for (int before : back.getOrDefault(open.remove(), Set.of())) {
        if (returning.add(before)) {
          open.add(before);
        }
      }
    }
    Set<Layer> trapped = new HashSet<>();
    for (int state : seen) {
      if (!returning.contains(state)) {
        trapped.add(layers.get(top(state) - 1));
      }
    }
    Set<Layer> unreached = new HashSet<>();
    for (int l = 0; l < layers.size(); l++) {
      if (!reached.contains(l + 1)) {
        unreached.add(layers.get(l));
      }
    }
    return new LayerWays(Set.copyOf(unreached), Set.copyOf(trapped));
  }

  /** The last layer that is toggled on, from 1; 0 for the base. */
  private static int top(int state) {
    return 32 - Integer.numberOfLeadingZeros(state);
  }

  /** The layers that can be in force: the toggled one, and those held from there. */
  private static List<Integer> inForce(List<Layer> layers, int top, Set<ContactId> pressable) {
    List<Integer> inForce = new ArrayList<>(List.of(top));
    for (int l = top; l < layers.size(); l++) {
      Layer layer = layers.get(l);
      if (layer.reach() == Layer.Reach.HOLD && leads(layers, top, layer, pressable)) {
        inForce.add(l + 1);
      }
    }
    return inForce;
  }

  private static boolean leads(
      List<Layer> layers, int inForce, Layer to, Set<ContactId> pressable) {
    return !to.by().isEmpty()
        && pressable.containsAll(to.by())
        && (inForce == 0
            || to.by().stream()
                .noneMatch(c -> layers.get(inForce - 1).mapping().of(c).isPresent()));
  }
}
