package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.ContactId;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Strand;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.power.InputLevels;
import kumite.power.Wire;
import kumite.timing.Latency;

/**
 * The way of one contact from finger to function; what is not decided yet is empty.
 *
 * @param site the contact, its control and its meaning
 * @param strand its strand
 * @param pin its terminal
 * @param levels the volts there
 * @param field its place in a report
 * @param delay from first edge to report
 */
public record SignalPath(
    ContactSite site,
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
    Map<String, CommonRun> runs = new HashMap<>();
    loom.runs().forEach(run -> runs.put(run.name(), run));
    List<SignalPath> paths = new ArrayList<>();
    for (ContactSite site : loom.sites()) {
      Optional<Strand> strand = Optional.ofNullable(strands.get(site.id()));
      Optional<PinChoice> pin = loom.plan().of(site.id());
      Optional<InputLevels> levels =
          pin.flatMap(
              choice ->
                  board.map(
                      b ->
                          InputLevels.of(
                              b,
                              choice.terminal(),
                              site.contact(),
                              site.common(),
                              wireOhm(build, strand, runs.get(site.common().words())))));
      Optional<InputField> field = site.entry().flatMap(entry -> layout.fieldOf(entry.target()));
      paths.add(new SignalPath(site, strand, pin, levels, field, delay));
    }
    return List.copyOf(paths);
  }

  private static double wireOhm(Build build, Optional<Strand> strand, CommonRun run) {
    // At worst the current comes along the whole common and back along the strand.
    double lengthMm = strand.map(Strand::lengthMm).orElse(0) + (run == null ? 0 : run.lengthMm());
    return Wire.ofAwg(build.loom().gaugeAwg()).ohm(lengthMm);
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
