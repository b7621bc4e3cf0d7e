package kumite.program;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.name.ContactId;

/**
 * The meanings of a profile by number: what each contact means on each layer, and each chord.
 *
 * @param targets all meanings, each once
 * @param contacts by layer (0 the base) and contact, the number of its meaning; below 0 for none
 * @param chords by chord, the number of its meaning
 */
public record Meanings(List<Target> targets, int[][] contacts, int[] chords) {

  /** {@return the meanings of some looks under a profile} */
  public static Meanings of(Profile profile, List<Sense> senses) {
    Map<Target, Integer> numbers = new HashMap<>();
    List<Target> targets = new ArrayList<>();
    int[][] contacts = new int[profile.layers().size() + 1][senses.size()];
    for (int l = 0; l < contacts.length; l++) {
      String layer = l == 0 ? Layer.BASE : profile.layers().get(l - 1).name();
      for (int i = 0; i < senses.size(); i++) {
        Sense sense = senses.get(i);
        Optional<ContactId> contact = sense.contact();
        Optional<Target> target =
            sense
                .fixed()
                .or(
                    () ->
                        contact.flatMap(c -> profile.meaning(layer, c)).map(Mapping.Entry::target));
        contacts[l][i] = target.map(t -> number(t, numbers, targets)).orElse(-1);
      }
    }
    int[] chords = new int[profile.chords().size()];
    for (int c = 0; c < chords.length; c++) {
      Chord chord = profile.chords().get(c);
      chords[c] = number(chord.entry().target(), numbers, targets);
    }
    return new Meanings(List.copyOf(targets), contacts, chords);
  }

  private static int number(Target target, Map<Target, Integer> numbers, List<Target> targets) {
    return numbers.computeIfAbsent(
        target,
        t -> {
          targets.add(t);
          return targets.size() - 1;
        });
  }

  /** {@return the number of a gamepad's meaning, below 0 where nothing means it} */
  public int at(int pad, Target plain) {
    return targets.indexOf(pad == 1 ? plain : new Target.OnPad(pad, plain));
  }
}
