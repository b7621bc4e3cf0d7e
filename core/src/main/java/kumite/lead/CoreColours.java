package kumite.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;

/**
 * Colours for the cores of a lead, each once: ground black, supply red, and white with a stripe
 * when the plain ones are used up (common practice, no source).
 */
final class CoreColours {
  private static final List<Hue> PLAIN =
      List.of(Hue.BN, Hue.BU, Hue.GN, Hue.OG, Hue.PK, Hue.TQ, Hue.WH, Hue.YE, Hue.VT, Hue.GY);

  private final Set<WireColour> taken = new HashSet<>();

  /** Keeps a colour from being given. */
  void took(WireColour colour) {
    taken.add(colour);
  }

  /** {@return a colour that was not given yet, fit for what a pin does} */
  WireColour next(Optional<Pinout.Pin> pin) {
    Flow flow = pin.map(Pinout.Pin::flow).orElse(Flow.FREE);
    WireColour colour =
        switch (flow) {
          case GROUND -> first(List.of(Hue.BK));
          case HOST_SUPPLIES, PAD_SUPPLIES -> first(List.of(Hue.RD));
          default -> first(PLAIN);
        };
    taken.add(colour);
    return colour;
  }

  private WireColour first(List<Hue> hues) {
    List<WireColour> wanted = new ArrayList<>();
    hues.forEach(hue -> wanted.add(WireColour.of(hue)));
    List<Hue> bases = new ArrayList<>(hues.size() == 1 ? hues : List.of(Hue.WH, Hue.GY));
    bases.addAll(PLAIN);
    for (Hue base : bases) {
      for (Hue stripe : Hue.values()) {
        if (stripe != base) {
          wanted.add(new WireColour(base, Optional.of(stripe)));
        }
      }
    }
    return wanted.stream().filter(c -> !taken.contains(c)).findFirst().orElse(wanted.get(0));
  }
}
