package kumite.loom;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.name.Joint;

/** What an end of a strand needs: how far it is stripped, and whether two wires share it. */
public final class Joints {
  private Joints() {}

  /** {@return how far insulation is taken off for a joint, in mm: common practice, no source} */
  public static double stripMm(String joint) {
    return joint.startsWith("push-on") ? 6 : joint.startsWith("crimp") ? 3 : 4;
  }

  /**
   * Ends that two wires share, such as a tab in the middle of a chain.
   *
   * @return each place with the two strands that meet there
   */
  public static Map<Joint, List<String>> shared(Loom loom) {
    Map<Joint, List<String>> at = new HashMap<>();
    for (Strand strand : loom.strands()) {
      at.computeIfAbsent(strand.from().place(), j -> new ArrayList<>()).add(strand.id());
      at.computeIfAbsent(strand.to().place(), j -> new ArrayList<>()).add(strand.id());
    }
    at.values().removeIf(strands -> strands.size() < 2);
    return at;
  }

  /** {@return the other strand at an end of one, if two share it} */
  public static Optional<String> partner(Map<Joint, List<String>> shared, Strand strand, Joint at) {
    return shared.getOrDefault(at, List.of()).stream()
        .filter(id -> !id.equals(strand.id()))
        .findFirst();
  }
}
