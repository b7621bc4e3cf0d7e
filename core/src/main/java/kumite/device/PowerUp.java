package kumite.device;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.map.Profile;
import kumite.build.map.Tuning;
import kumite.circuit.Inputs;
import kumite.circuit.Seen;
import kumite.loom.Look;
import kumite.map.Chosen;
import kumite.name.ContactId;
import kumite.program.Threshold;

/** What a board does when it is switched on: it looks once, and takes the profile that is meant. */
public final class PowerUp {
  private PowerUp() {}

  /**
   * {@return the profile that a board takes}
   *
   * @param profiles the first is taken when no other is meant
   * @param inputs what it reads: a contact whose wire is not there chooses nothing
   * @param held what hands hold while it is switched on
   */
  public static Profile chosen(
      List<Profile> profiles, Inputs inputs, Tuning tuning, Collection<ContactId> held) {
    return Chosen.of(profiles, read(inputs, tuning, held));
  }

  private static Set<ContactId> read(Inputs inputs, Tuning tuning, Collection<ContactId> held) {
    Map<Look, Seen> seen = inputs.see(c -> held.contains(c) ? 1 : inputs.rest(c));
    int most = inputs.wiring().board().axisMaximum();
    Set<ContactId> pressed = new TreeSet<>();
    seen.forEach(
        (look, what) ->
            look.contact()
                .filter(
                    contact ->
                        look.travels()
                            ? Threshold.next(
                                false,
                                what.code(),
                                most,
                                tuning.press(contact, inputs.rest(contact)))
                            : what.pressed())
                .ifPresent(pressed::add));
    return pressed;
  }
}
