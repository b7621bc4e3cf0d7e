package kumite.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Sharing;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.timing.Latency;

/**
 * The way of one contact from finger to function; what is not decided yet is empty.
 *
 * @param site the contact, its control and its meaning
 * @param sharing the group it shares terminals in, where it does
 * @param strand its strand
 * @param pin its terminal
 * @param levels the volts there
 * @param field its place in a report
 * @param delay from first edge to report
 */
public record SignalPath(
    ContactSite site,
    Optional<Sharing> sharing,
    Optional<Strand> strand,
    Optional<PinChoice> pin,
    Optional<InputLevels> levels,
    Optional<InputField> field,
    Latency delay) {

  /** Follows all contacts of a build. */
  public static List<SignalPath> all(
      Build build, Catalogue catalogue, Loom loom, ReportLayout layout) {
    Optional<BoardKind> board = catalogue.boardOf(build);
    Latency delay = Latency.of(build.timing());
    Map<ContactId, Strand> strands = loom.byContact();
    Map<ContactId, InputLevels> levels = board.map(b -> Inputs.of(build, b, loom)).orElse(Map.of());
    List<SignalPath> paths = new ArrayList<>();
    for (ContactSite site : loom.sites()) {
      Optional<Strand> strand = Optional.ofNullable(strands.get(site.id()));
      Optional<PinChoice> pin = loom.pinOf(site.id());
      Optional<Sharing> sharing = loom.sharingOf(site.id());
      Optional<InputField> field = site.entry().flatMap(entry -> layout.fieldOf(entry.target()));
      paths.add(
          new SignalPath(
              site,
              sharing,
              strand,
              pin,
              Optional.ofNullable(levels.get(site.id())),
              field,
              delay));
    }
    return List.copyOf(paths);
  }

  /** {@return how its contact comes to its terminal, such as {@code matrix with diodes}} */
  public String topology() {
    return sharing.map(s -> s.group().topology().words()).orElse("direct");
  }

  /** {@return the path's id: what the command line calls it and {@code press} takes} */
  public ContactId id() {
    return site.id();
  }

  /** {@return the host function it serves, or an empty text} */
  public String function() {
    return site.entry().map(entry -> entry.function()).orElse("");
  }

  /** {@return whether a press gets all the way to the host} */
  public boolean whole() {
    return field.isPresent() && levels.filter(InputLevels::readable).isPresent();
  }

  /** {@return what is missing first on the way, or an empty text where it is whole} */
  public String missing() {
    if (pin.isEmpty()) {
      return "no terminal";
    }
    if (levels.filter(InputLevels::readable).isEmpty()) {
      return "level cannot be told";
    }
    return field.isEmpty() ? "no meaning" : "";
  }
}
