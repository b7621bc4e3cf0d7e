package kumite.loom;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.build.ContactId;
import kumite.build.WireColour;
import kumite.build.WireColour.Hue;

/**
 * Colours for signal strands, each once in its bundle.
 *
 * <p>Black is kept for ground and red for supply. Ten plain colours come first, the least used of
 * the whole loom before others; then white, grey and so on with a stripe.
 */
final class Colours {
  private static final List<Hue> PLAIN =
      List.of(Hue.YE, Hue.GN, Hue.BU, Hue.OG, Hue.BN, Hue.VT, Hue.WH, Hue.GY, Hue.PK, Hue.TQ);

  private Colours() {}

  static Map<ContactId, WireColour> assign(
      Map<String, List<ContactId>> bundles, Map<ContactId, WireColour> chosen) {
    Map<ContactId, WireColour> colours = new TreeMap<>();
    Map<Hue, Integer> uses = new EnumMap<>(Hue.class);
    for (List<ContactId> bundle : bundles.values()) {
      Set<WireColour> taken = new HashSet<>();
      for (ContactId contact : bundle) {
        if (chosen.containsKey(contact)) {
          taken.add(chosen.get(contact));
          colours.put(contact, chosen.get(contact));
        }
      }
      for (ContactId contact : bundle) {
        if (!chosen.containsKey(contact)) {
          WireColour colour = next(taken, uses);
          taken.add(colour);
          uses.merge(colour.base(), 1, Integer::sum);
          colours.put(contact, colour);
        }
      }
    }
    return colours;
  }

  /** {@return a colour that the bundle does not hold yet} */
  static WireColour next(Set<WireColour> taken, Map<Hue, Integer> uses) {
    Optional<Hue> plain =
        PLAIN.stream()
            .filter(hue -> !taken.contains(WireColour.of(hue)))
            .min(java.util.Comparator.comparingInt(hue -> uses.getOrDefault(hue, 0)));
    return plain.map(WireColour::of).orElseGet(() -> striped(taken));
  }

  private static WireColour striped(Set<WireColour> taken) {
    List<Hue> bases = new ArrayList<>(List.of(Hue.WH, Hue.GY, Hue.YE, Hue.PK));
    PLAIN.stream().filter(hue -> !bases.contains(hue)).forEach(bases::add);
    for (Hue base : bases) {
      for (Hue stripe : Hue.values()) {
        if (stripe != base) {
          WireColour colour = new WireColour(base, Optional.of(stripe));
          if (!taken.contains(colour)) {
            return colour;
          }
        }
      }
    }
    return WireColour.of(Hue.WH); // 120 colours in one bundle are used up: labels must tell
  }
}
