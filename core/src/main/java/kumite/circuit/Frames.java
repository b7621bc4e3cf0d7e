package kumite.circuit;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import kumite.loom.Look;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.signal.Answer;
import kumite.signal.Held;
import kumite.signal.Reading;

/**
 * What a board hears from pads that talk in frames, while hands stand in one way: both sides are
 * played over the wires as they are. Equal questions are answered once. Not thread-safe.
 */
final class Frames {
  /** What lies half way goes up, though a fraction in a double may lie a hair below it. */
  private static final double TIE = 1e-9;

  private final Network network;
  private final Map<Talk, Optional<Reading>> heard = new HashMap<>();

  Frames(Network network) {
    this.network = network;
  }

  /** Joined alike, with equal hands: the same is heard, across edits too. */
  private record Asked(PadPlay.Joined joined, List<Held> hands) {
    Optional<Reading> reading() {
      try {
        return joined.heard(hands);
      } catch (IllegalStateException e) {
        return Optional.empty(); // wires so that the sides answer each other without end
      }
    }
  }

  /**
   * {@return what a look takes in}
   *
   * @param volts at the contact inside of the pad
   */
  Seen see(Look.Frame look, ToDoubleFunction<ContactId> hands, double volts) {
    Optional<Reading> reading = heard.computeIfAbsent(look.talk(), talk -> reading(talk, hands));
    int most = network.board().axisMaximum();
    if (look.axis()) {
      Optional<Double> at = reading.map(r -> r.axes().get(look.says()));
      return new Seen(
          volts,
          at.isPresent() ? InputLevels.Reading.MEASURED : InputLevels.Reading.UNDEFINED,
          false,
          (int) Math.floor(at.orElse(Held.MIDDLE) * most + 0.5 + TIE));
    }
    Answer answer =
        reading
            .map(r -> r.buttons().getOrDefault(look.says(), Answer.UNCLEAR))
            .orElseGet(() -> look.talk().kind().mechanism().unheard());
    // Inside of the pad a held contact is low, whatever its frame says of that.
    InputLevels.Reading level =
        switch (answer) {
          case YES -> InputLevels.Reading.LOW;
          case NO -> InputLevels.Reading.HIGH;
          case UNCLEAR -> InputLevels.Reading.UNDEFINED;
        };
    return new Seen(volts, level, answer == Answer.YES, 0);
  }

  private Optional<Reading> reading(Talk talk, ToDoubleFunction<ContactId> hands) {
    Line line = network.talking(talk, Line::of);
    return network
        .solves()
        .recall(new Asked(line.joined(), line.play().hands(hands)), Asked::reading);
  }

  /** A pad and who is heard beside it, which no hands change. */
  record Line(PadPlay play, PadPlay.Joined joined) {
    static Line of(Network network, Talk talk) {
      Set<Talk> talks = new LinkedHashSet<>(List.of(talk));
      for (Look look : network.looks().all()) {
        if (look.how() instanceof Look.Frame frame && frame.talk().kind().equals(talk.kind())) {
          talks.add(frame.talk());
        }
      }
      PadPlay play = new PadPlay(network.looks(), network.wiring(), List.copyOf(talks));
      return new Line(play, play.joined());
    }
  }
}
