package kumite.box;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kumite.finding.Subject;
import kumite.working.Working;

/**
 * Screws of one size at one kind of joint.
 *
 * @param count how many
 * @param holds what sort of joint
 * @param screw its size, such as {@code M3} or {@code 3.5 wood}
 * @param lengthMm its length; empty where no standard one both holds and stays inside
 * @param head which head
 * @param joint what it holds, in words
 * @param leastMm the shortest that holds
 * @param mostMm the longest that does not come through
 * @param pilotMm the hole it cuts its thread in; 0 where it has a nut or an insert
 * @param sinkMm the widest of the countersink; 0 for none
 * @param with what belongs to it: washer, nut, insert, in words; may be empty
 * @param about whose screws they are
 * @param working how the length came about
 */
public record ScrewLine(
    int count,
    Holds holds,
    String screw,
    Optional<Double> lengthMm,
    Head head,
    String joint,
    double leastMm,
    double mostMm,
    double pilotMm,
    double sinkMm,
    String with,
    List<Subject> about,
    Working working) {
  /** What sort of joint it is. */
  public enum Holds {
    CONTROL,
    LID,
    WALL,
    FOOT,
    BOARD
  }

  /** The head of a screw. */
  public enum Head {
    FLAT("flat"),
    ROUND("round");

    private final String words;

    Head(String words) {
      this.words = words;
    }

    /** {@return in words} */
    public String words() {
      return words;
    }
  }

  public ScrewLine {
    about = List.copyOf(about);
  }

  /** {@return such as {@code 8 x M3 x 12 round}} */
  public String words() {
    return count + " x " + size();
  }

  /** {@return such as {@code M3 x 12 round}} */
  public String size() {
    return screw
        + lengthMm.map(mm -> String.format(Locale.ROOT, " x %.0f", mm)).orElse(", no length suits")
        + " "
        + head.words();
  }
}
