package kumite.desktop.shell;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * One thing that can be done.
 *
 * @param name what the finder and buttons call it
 * @param keys its keys, if it has any
 * @param possible whether it can be done now
 * @param run does it
 */
public record Command(
    String name, Optional<KeyCombination> keys, BooleanSupplier possible, Runnable run) {

  static Command of(String name, String keys, Runnable run) {
    return new Command(
        name,
        keys.isEmpty() ? Optional.empty() : Optional.of(KeyCombination.valueOf(keys)),
        () -> true,
        run);
  }

  Command when(BooleanSupplier newPossible) {
    return new Command(name, keys, newPossible, run);
  }

  /** {@return the keys as written for people, or an empty text} */
  public String keyText() {
    return keys.map(KeyCombination::getName)
        .map(name -> name.replace("Shortcut", "Ctrl").replace("Equals", "=").replace("Minus", "-"))
        .orElse("");
  }
}
