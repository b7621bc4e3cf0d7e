package kumite.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.loom.Look;
import kumite.loom.Talk;
import kumite.signal.Level;
import kumite.signal.Pin;

/**
 * A board and a pad that talk in frames over the wires as they are, for whoever plays it elsewhere.
 *
 * @param asked the pad that is asked
 * @param pads all that have a say, the one that is asked first; they are numbered from 1
 * @param nets the net of each pin of the board's side and of each pad, from 0
 * @param fed the numbers of the pads that have what they need
 * @param unpulled lines of the board's side without a pull-up
 * @param rails nets that are held
 */
public record Talking(
    Talk asked,
    List<Talk> pads,
    Map<Pin, Integer> nets,
    List<Integer> fed,
    Set<String> unpulled,
    Map<Integer, Level> rails) {
  /** {@return all pads that a board asks in frames, in the order of its looks} */
  static List<Talking> of(Network network) {
    Map<Talk, Talking> talking = new LinkedHashMap<>();
    for (Look look : network.looks().all()) {
      if (look.how() instanceof Look.Frame frame) {
        talking.computeIfAbsent(frame.talk(), talk -> of(network, talk));
      }
    }
    return List.copyOf(talking.values());
  }

  private static Talking of(Network network, Talk talk) {
    Frames.Line line = network.talking(talk, Frames.Line::of);
    PadPlay.Joined joined = line.joined();
    return new Talking(
        talk, line.play().talks(), joined.nets(), joined.fed(), joined.unpulled(), joined.rails());
  }
}
