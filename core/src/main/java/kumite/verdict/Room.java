package kumite.verdict;

import java.util.List;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;

/**
 * A station as the core knows it, declared once: what it keeps in the build, what it checks, what
 * it writes. Files, findings, exports and demos are made from these declarations.
 *
 * <p>The rooms of the application are found as services; docs/architecture.md says how one is
 * added.
 */
public interface Room {
  /** {@return the station that it is the room of} */
  Station station();

  /** {@return what it keeps in the build, with how that stands in the file} */
  default List<PartCodec<?>> parts() {
    return List.of();
  }

  /** {@return all that it may say; docs/findings.md explains each} */
  default List<? extends Code> codes() {
    return List.of();
  }

  /** {@return what it says of a build} */
  default List<Derivation<List<Finding>>> checks() {
    return List.of();
  }

  /**
   * {@return what its view shows at once: worked out with the bench, not on the interface thread
   * when it is first looked at}
   */
  default List<Derivation<?>> shown() {
    return List.of();
  }

  /** {@return what it writes for the bench} */
  default List<Export> exports() {
    return List.of();
  }

  /** {@return the names of demo builds that show it} */
  default List<String> demos() {
    return List.of();
  }

  /** {@return how it stands while it asks for nothing} */
  default State state(Bench bench) {
    return bench.build().hands().isEmpty() ? new State("nothing yet", false) : State.SETTLED;
  }

  /** {@return what is said in place of findings where there are none} */
  default String nothingToSay(Bench bench) {
    return bench.build().hands().isEmpty()
        ? "Nothing to judge yet. Add a control to the panel first."
        : "Nothing to judge here.";
  }

  /**
   * How a station stands.
   *
   * @param words a few words for people
   * @param settled whether all is in order, and not merely nothing there
   */
  record State(String words, boolean settled) {
    /** All is in order. */
    public static final State SETTLED = new State("settled", true);
  }
}
