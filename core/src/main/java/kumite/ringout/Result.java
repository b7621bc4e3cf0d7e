package kumite.ringout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.kind.WireColour;
import kumite.lead.ConnectorKind;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Plugs;

/** What a ring-out has found, in words and as a lead. */
public final class Result {
  private Result() {}

  /** {@return what is known of a core, in words} */
  public static String words(Known.Fate fate) {
    StringBuilder text = new StringBuilder(fate.near()).append(": ");
    if (!fate.far().isEmpty()) {
      text.append("goes to ").append(String.join(" and ", fate.far()));
    } else if (fate.open()) {
      text.append("goes nowhere: broken");
    } else if (fate.may().isEmpty()) {
      text.append(
          "seems to go nowhere; the places that are free were not touched often enough yet");
    } else {
      text.append("may go to ").append(String.join(", ", fate.may()));
    }
    if (!fate.touching().isEmpty()) {
      text.append("; touches ").append(String.join(", ", fate.touching()));
    }
    return text.toString();
  }

  /**
   * {@return the lead that was found: a core for each place that goes somewhere}
   *
   * <p>A colour in the name of a place becomes the core's; so does a cut end's.
   *
   * @throws IllegalArgumentException if answers contradict each other, or a core is not settled
   */
  public static Lead lead(Known known, Plugs plugs) {
    RingOut ringOut = known.ringOut();
    if (known.facts().contradiction().isPresent()) {
      throw new IllegalArgumentException(
          "the readings of \""
              + ringOut.name()
              + "\" contradict each other; repeat the one that is named first");
    }
    List<String> left =
        known.fates().stream().filter(f -> !f.settled()).map(Known.Fate::near).toList();
    boolean done = NextProbe.of(known).isEmpty();
    if (!done && left.isEmpty()) {
      throw new IllegalArgumentException(
          "\""
              + ringOut.name()
              + "\" is not done: what was found is still to be touched once more; go on with"
              + " its probes");
    }
    if (!left.isEmpty()) {
      throw new IllegalArgumentException(
          "\""
              + ringOut.name()
              + "\" is not done: "
              + String.join(", ", left)
              + " may still go to several places");
    }
    ConnectorKind from = plugs.needed(ringOut.from().connector());
    ConnectorKind to = plugs.needed(ringOut.to().connector());
    List<String[]> pairs = new ArrayList<>();
    List<Optional<WireColour>> colours = new ArrayList<>();
    for (Known.Fate fate : known.fates()) {
      for (String far : fate.far()) {
        pairs.add(
            new String[] {pin(fate.near(), ringOut.near(), from), pin(far, ringOut.far(), to)});
        colours.add(colour(fate.near()).or(() -> colour(far)));
      }
    }
    if (pairs.isEmpty()) {
      throw new IllegalArgumentException(
          "no core of \"" + ringOut.name() + "\" goes anywhere, so there is no lead");
    }
    List<WireColour> given =
        Making.colours(
            colours,
            pairs.stream()
                .map(
                    pair ->
                        plugs.at(ringOut.from(), pair[0]).or(() -> plugs.at(ringOut.to(), pair[1])))
                .toList());
    List<Core> cores = new ArrayList<>();
    for (int i = 0; i < pairs.size(); i++) {
      cores.add(new Core(pairs.get(i)[0], pairs.get(i)[1], given.get(i), Optional.empty()));
    }
    return Making.between(ringOut.name(), ringOut.from(), ringOut.to(), cores, plugs);
  }

  /** A place that is called after no pin has the pin of its place in the list. */
  private static String pin(String name, List<String> names, ConnectorKind kind) {
    if (kind.has(name) && !kind.bare()) {
      return name;
    }
    int at = names.indexOf(name);
    if (at >= kind.pins().size()) {
      throw new IllegalArgumentException(
          "\""
              + name
              + "\" is no pin of "
              + kind.name()
              + ", and it has no pin number "
              + (at + 1)
              + "; name the pins that were touched");
    }
    return kind.names().get(at);
  }

  private static Optional<WireColour> colour(String name) {
    try {
      return Optional.of(WireColour.parse(name));
    } catch (IllegalArgumentException e) {
      return Optional.empty(); // a number, say
    }
  }
}
