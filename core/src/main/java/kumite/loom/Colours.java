package kumite.loom;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.build.loom.Laying;
import kumite.build.loom.WireSort;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;
import kumite.name.ContactId;

/**
 * Colours for signal strands, each once in its bundle.
 *
 * <p>Black is kept for ground and red for supply. Ten plain colours come first, the least used of
 * the whole loom before others; then, unless only a stock of colours is at hand, white, grey and so
 * on with a stripe.
 */
final class Colours {
  private static final List<Hue> PLAIN =
      List.of(Hue.YE, Hue.GN, Hue.BU, Hue.OG, Hue.BN, Hue.VT, Hue.WH, Hue.GY, Hue.PK, Hue.TQ);

  private Colours() {}

  /** One colour for all where the builder's own code says so; those chosen by hand stay. */
  static Map<ContactId, WireColour> assign(
      Map<String, List<ContactId>> bundles, Map<ContactId, WireColour> chosen, Laying laying) {
    Optional<Hue> code = laying.sort(WireSort.Use.SIGNAL).colour();
    if (code.isEmpty()) {
      return assign(bundles, chosen, laying.stock());
    }
    Map<ContactId, WireColour> colours = new TreeMap<>();
    bundles
        .values()
        .forEach(
            bundle ->
                bundle.forEach(
                    contact ->
                        colours.put(
                            contact, chosen.getOrDefault(contact, WireColour.of(code.get())))));
    return colours;
  }

  private static Map<ContactId, WireColour> assign(
      Map<String, List<ContactId>> bundles, Map<ContactId, WireColour> chosen, Set<Hue> stock) {
    List<Hue> plainHues = PLAIN.stream().filter(h -> stock.isEmpty() || stock.contains(h)).toList();
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
          WireColour colour = next(taken, uses, plainHues, stock);
          taken.add(colour);
          uses.merge(colour.base(), 1, Integer::sum);
          colours.put(contact, colour);
        }
      }
    }
    return colours;
  }

  /** {@return a colour that is not taken yet, of those at hand} */
  static WireColour fresh(Set<WireColour> taken, Set<Hue> stock) {
    List<Hue> plain = PLAIN.stream().filter(h -> stock.isEmpty() || stock.contains(h)).toList();
    return next(taken, Map.of(), plain, stock);
  }

  /** {@return a colour that the bundle does not hold yet} */
  static WireColour next(
      Set<WireColour> taken, Map<Hue, Integer> uses, List<Hue> plainHues, Set<Hue> stock) {
    Optional<Hue> plain =
        plainHues.stream()
            .filter(hue -> !taken.contains(WireColour.of(hue)))
            .min(java.util.Comparator.comparingInt(hue -> uses.getOrDefault(hue, 0)));
    return plain.map(WireColour::of).orElseGet(() -> striped(taken, stock));
  }

  private static WireColour striped(Set<WireColour> taken, Set<Hue> stock) {
    if (!stock.isEmpty()) {
      // Only plain colours are at hand: the one used least here is used again, and its label tells.
      List<Hue> hues = stock.stream().filter(PLAIN::contains).toList();
      return WireColour.of(
          hues.isEmpty() ? stock.iterator().next() : hues.get(taken.size() % hues.size()));
    }
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
