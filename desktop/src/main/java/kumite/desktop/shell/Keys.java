package kumite.desktop.shell;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import kumite.device.SignalPath;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/**
 * Letter keys that press contacts: each contact gets the first free letter of its label, so that
 * holding H presses Horn. They work wherever no text is being typed.
 */
public final class Keys {
  private static final String ANY = "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789";

  private final Workbench workbench;
  private final Map<ContactId, String> letters = new HashMap<>();
  private final Map<String, ContactId> contacts = new HashMap<>();
  private final Set<String> downNow = new HashSet<>();
  private Optional<Consumer<ContactId>> listener = Optional.empty();
  private BooleanSupplier covered = () -> false;

  Keys(Workbench workbench) {
    this.workbench = workbench;
    workbench.bench().addListener((o, was, is) -> assign(is));
    assign(workbench.bench().get());
  }

  private void assign(Bench bench) {
    letters.clear();
    contacts.clear();
    List<SignalPath> switches =
        bench.paths().stream().filter(p -> !p.site().contact().type().analog()).toList();
    for (SignalPath path : switches) {
      // A lever's contacts are told apart by their own names first.
      give(path.id(), path.site().contact().name() + path.site().control().label());
    }
    for (SignalPath path : switches) {
      if (!letters.containsKey(path.id())) {
        give(path.id(), ANY); // its own letters were taken: any that is left will do
      }
    }
  }

  /** Gives a contact the first letter of a text that no other has yet. */
  private void give(ContactId contact, String text) {
    text.toUpperCase(Locale.ROOT)
        .chars()
        .filter(c -> ANY.indexOf(c) >= 0)
        .mapToObj(c -> String.valueOf((char) c))
        .filter(letter -> !contacts.containsKey(letter))
        .findFirst()
        .ifPresent(
            letter -> {
              contacts.put(letter, contact);
              letters.put(contact, letter);
            });
  }

  /** {@return the letter of a contact, if one was free} */
  public Optional<String> of(ContactId contact) {
    return Optional.ofNullable(letters.get(contact));
  }

  /** Sends the next press to a listener instead of the device; empty ends that. */
  public void listen(Optional<Consumer<ContactId>> next) {
    listener = next;
  }

  /** A contact goes down, by mouse or key. */
  public void down(ContactId contact) {
    if (listener.isPresent()) {
      Consumer<ContactId> once = listener.get();
      listener = Optional.empty();
      once.accept(contact);
      return;
    }
    boolean latching =
        workbench.bench().get().path(contact).map(p -> p.site().kind().latching()).orElse(false);
    if (latching && workbench.holds().get().on(contact)) {
      workbench.letGo(contact);
    } else {
      workbench.hold(contact, 1);
    }
  }

  /** A contact is let go; one that stays where it is put stays. */
  public void up(ContactId contact) {
    boolean latching =
        workbench.bench().get().path(contact).map(p -> p.site().kind().latching()).orElse(false);
    if (!latching) {
      workbench.letGo(contact);
    }
  }

  /**
   * Connects the letters to a scene.
   *
   * @param nowCovered whether something lies over the window: letters then press nothing behind it
   * @param station takes a key before it presses a contact, or not
   */
  void install(Scene scene, BooleanSupplier nowCovered, Predicate<KeyCode> station) {
    covered = nowCovered;
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          String letter = covered.getAsBoolean() ? "" : letter(scene, event);
          if (!letter.isEmpty() && station.test(event.getCode())) {
            event.consume();
            return;
          }
          ContactId contact = contacts.get(letter);
          if (contact != null) {
            if (downNow.add(letter)) {
              workbench.select(contact);
              down(contact);
            }
            event.consume();
          }
        });
    scene.addEventFilter(
        KeyEvent.KEY_RELEASED,
        event -> {
          String letter = event.getCode().getName().toUpperCase(Locale.ROOT);
          if (downNow.remove(letter) && contacts.containsKey(letter)) {
            up(contacts.get(letter));
          }
        });
  }

  private static String letter(Scene scene, KeyEvent event) {
    boolean typing =
        scene.getFocusOwner() instanceof TextInputControl
            || scene.getFocusOwner() instanceof javafx.scene.control.ComboBoxBase<?>;
    boolean plain =
        !event.isControlDown() && !event.isAltDown() && !event.isMetaDown() && !event.isShiftDown();
    return typing || !plain ? "" : event.getCode().getName().toUpperCase(Locale.ROOT);
  }
}
