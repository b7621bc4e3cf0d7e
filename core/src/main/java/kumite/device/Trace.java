package kumite.device;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import kumite.build.map.Target;
import kumite.build.supply.Rgb;
import kumite.build.supply.Shows;
import kumite.name.ContactId;

/**
 * What happened on the way from one set of holds to the next.
 *
 * @param hops the times of each contact that was moved
 * @param reports all reports sent, in order; the last of each id tells the state at the end
 * @param changes what the board's program knew, where that changed, in order
 * @param told what consoles are answered, where that changed, in order; empty where none is
 * @param lit when strips were told their colours, in order; empty where none is
 * @param turns when the board took another profile, in order
 * @param endUs when nothing changed any more
 */
public record Trace(
    Map<ContactId, Hops> hops,
    List<Report> reports,
    List<Change> changes,
    List<Told> told,
    List<Lit> lit,
    List<Turn> turns,
    long endUs) {
  public Trace {
    hops = Map.copyOf(hops);
    reports = List.copyOf(reports);
    changes = List.copyOf(changes);
    told = List.copyOf(told);
    lit = List.copyOf(lit);
    turns = List.copyOf(turns);
  }

  /**
   * What the board's program knows from some time on.
   *
   * @param us the time
   * @param layer the layer in force: 0 the base, else its number from 1
   * @param settled the contacts that it takes for pressed
   * @param chords the chords that it takes for held, by their ids
   * @param undetermined the contacts whose level lies where the board may read either; they are
   *     played as released
   * @param off whether a short holds the board down, so that it knows and tells nothing
   */
  public record Change(
      long us,
      int layer,
      Set<ContactId> settled,
      Set<String> chords,
      Set<ContactId> undetermined,
      boolean off) {
    public Change {
      settled = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(settled));
      undetermined = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(undetermined));
      chords = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(chords));
    }

    boolean same(Change other) {
      return layer == other.layer
          && settled.equals(other.settled)
          && chords.equals(other.chords)
          && undetermined.equals(other.undetermined)
          && off == other.off;
    }
  }

  /**
   * What consoles are answered from some time on.
   *
   * @param us the time of the poll
   * @param on the meanings that were given at it
   */
  public record Told(long us, Set<Target> on) {
    public Told {
      on = Set.copyOf(on);
    }
  }

  /**
   * Strips are told their colours.
   *
   * @param us the time of the poll
   * @param gives whether anything is given to the host
   * @param anew whether all are told, be their colour new or not: after power-up
   */
  public record Lit(long us, boolean gives, boolean anew) {
    /** {@return the colour that a strip is told now; empty where it stays as it is} */
    public Optional<Rgb> colour(Shows shows, String profile) {
      Rgb colour = shows.at(profile, gives);
      return Optional.of(colour).filter(c -> anew || !c.equals(shows.at(profile, !gives)));
    }
  }

  /**
   * The board keeps a profile that a combination chose, and begins anew with it.
   *
   * @param us the time of the look
   * @param profile its name
   */
  public record Turn(long us, String profile) {}

  /**
   * {@return the name of the profile that is in force after some time}
   *
   * @param first the one at the begin
   */
  public String profile(long us, String first) {
    return turns.stream()
        .filter(turn -> turn.us() < us)
        .reduce((a, b) -> b)
        .map(Turn::profile)
        .orElse(first);
  }

  /**
   * When a move got where; times count from the move.
   *
   * @param bounceUs when the contact came to rest
   * @param seenUs when the board first read the new level; empty if it never did
   * @param settledUs when the debounce took it; empty if it never did
   * @param reportedUs when a report told of it; empty if none did
   */
  public record Hops(
      long bounceUs, OptionalLong seenUs, OptionalLong settledUs, OptionalLong reportedUs) {}

  /**
   * One report.
   *
   * @param us when it was sent
   * @param id its report id, 0 where none is used
   * @param bytes the transfer, with its id first where there is one
   */
  public record Report(long us, int id, List<Integer> bytes) {
    public Report {
      bytes = List.copyOf(bytes);
    }

    /** {@return the transfer} */
    public byte[] toBytes() {
      byte[] transfer = new byte[bytes.size()];
      for (int i = 0; i < transfer.length; i++) {
        transfer[i] = (byte) (int) bytes.get(i);
      }
      return transfer;
    }

    /** {@return the transfer as hexadecimal digits, two a byte, no spaces} */
    public String hex() {
      StringBuilder hex = new StringBuilder();
      bytes.forEach(b -> hex.append(String.format("%02X", b & 0xFF)));
      return hex.toString();
    }
  }

  /** {@return what the program knew in the end, if it ever looked} */
  public Optional<Change> end() {
    return changes.stream().reduce((a, b) -> b);
  }

  /** {@return the last report of an id, if any was sent} */
  public Optional<Report> last(int reportId) {
    return reports.stream().filter(report -> report.id() == reportId).reduce((a, b) -> b);
  }
}
