package kumite.build.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;

/**
 * The rounds of a build.
 *
 * @param rounds the first first; the last is the one that goes on
 */
public record RoundBook(List<Round> rounds) implements Decided<RoundBook> {
  /** Nothing was asked yet. */
  public static final RoundBook EMPTY = new RoundBook(List.of());

  /** The rounds as a part of a build. */
  public static final Part<RoundBook> PART = new Part<>("bring_up", EMPTY);

  /** More rounds than this are taken for a damaged file. */
  public static final int MOST = 200;

  public RoundBook {
    rounds = List.copyOf(rounds);
    Check.between(0, MOST, rounds.size(), "number of rounds");
  }

  /** {@return the round that goes on} */
  public Optional<Round> now() {
    return rounds.isEmpty() ? Optional.empty() : Optional.of(rounds.get(rounds.size() - 1));
  }

  /** {@return the same with another round in place of the one that goes on} */
  public RoundBook withNow(Round round) {
    List<Round> next = new ArrayList<>(rounds);
    if (!next.isEmpty()) {
      next.remove(next.size() - 1);
    }
    next.add(round);
    return new RoundBook(next);
  }

  /** {@return the same with a round begun anew} */
  public RoundBook with(Round round) {
    List<Round> next = new ArrayList<>(rounds);
    next.add(round);
    return new RoundBook(next);
  }
}
