package kumite.signal;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/**
 * What the console's side made of one frame.
 *
 * @param endNs when it had all of it, in ns from the beginning of the play
 * @param buttons whether each button is held
 * @param axes where axes stand, 0 to 1, as finely as the mechanism tells; those it could not read
 *     are not there
 * @param presence whether a pad is there; unclear where the mechanism does not tell
 */
public record Reading(
    long endNs, Map<String, Answer> buttons, Map<String, Double> axes, Answer presence) {
  public Reading {
    buttons = Collections.unmodifiableMap(new LinkedHashMap<>(buttons));
    axes = Collections.unmodifiableMap(new LinkedHashMap<>(axes));
  }

  /** {@return the buttons that are surely held} */
  public Set<String> held() {
    Set<String> held = new LinkedHashSet<>();
    buttons.forEach(
        (name, answer) -> {
          if (answer == Answer.YES) {
            held.add(name);
          }
        });
    return held;
  }
}
