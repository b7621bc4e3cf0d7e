package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import kumite.build.map.Target;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.Presses;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Sharing;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.timing.Delay;

/**
 * The way of one contact from finger to function; what is not decided yet is empty.
 *
 * @param site the contact and its control
 * @param sharing the group it shares terminals in, where it does
 * @param strand its strand in the plan
 * @param pin its terminal in the plan
 * @param levels the volts there, by the wires as they are
 * @param target what it means to the host: the meaning of its socket where the board fixes one
 * @param field its place in a report
 * @param delay from first edge to report
 * @param arrivesAs the contacts that the board takes it for when it is held alone, where that is
 *     not as itself, by the wires as they are
 * @param heard whether what its board reads comes to the host at all
 */
public record SignalPath(
    ContactSite site,
    Optional<Sharing> sharing,
    Optional<Strand> strand,
    Optional<PinChoice> pin,
    Optional<InputLevels> levels,
    Optional<Target> target,
    Optional<InputField> field,
    Delay delay,
    List<ContactId> arrivesAs,
    boolean heard,
    boolean ofHost) {

  public SignalPath {
    arrivesAs = List.copyOf(arrivesAs);
  }

  /**
   * Follows all contacts of a build.
   *
   * @param inputs what the board reads; empty without a board
   * @param presses what the board takes in otherwise than planned
   * @param heard whether what the board reads comes to the host
   * @param ofHost whether the host reads its contacts itself, without a report
   * @param delay of a contact, by how it is read
   */
  public static List<SignalPath> all(
      Loom loom,
      ReportLayout layout,
      Optional<Inputs> inputs,
      Presses presses,
      boolean heard,
      boolean ofHost,
      BiFunction<ContactId, Optional<Look>, Delay> delay) {
    Map<ContactId, Strand> strands = loom.byContact();
    Map<ContactId, InputLevels> levels = inputs.map(Inputs::levels).orElse(Map.of());
    Map<ContactId, Sharing> sharings = new HashMap<>();
    loom.sharings().forEach(s -> s.seats().forEach(seat -> sharings.put(seat.site().id(), s)));
    Map<ContactId, Look> looks = new HashMap<>();
    inputs.ifPresent(
        in -> in.looks().all().forEach(l -> l.contact().ifPresent(c -> looks.put(c, l))));
    Map<ContactId, Target> sockets = new HashMap<>();
    inputs.ifPresent(
        in ->
            Senses.of(in.looks(), loom)
                .forEach(
                    sense ->
                        sense
                            .contact()
                            .ifPresent(
                                c -> sense.fixed().ifPresent(fixed -> sockets.put(c, fixed)))));
    Map<ContactId, Target> targets = new HashMap<>();
    for (ContactSite site : loom.sites()) {
      Optional.ofNullable(sockets.get(site.id()))
          .or(() -> site.entry().map(entry -> entry.target()))
          .ifPresent(target -> targets.put(site.id(), target));
    }
    // What a console takes reaches it, whether a host is there or not.
    Set<Target> asked = new HashSet<>();
    inputs.ifPresent(
        in ->
            loom.answered(in.wiring().board())
                .forEach(
                    console ->
                        console.kind().buttons().stream()
                            .map(console.chart()::target)
                            .forEach(asked::add)));
    List<SignalPath> paths = new ArrayList<>();
    for (ContactSite site : loom.sites()) {
      Optional<Target> target = Optional.ofNullable(targets.get(site.id()));
      paths.add(
          new SignalPath(
              site,
              Optional.ofNullable(sharings.get(site.id())),
              Optional.ofNullable(strands.get(site.id())),
              loom.pinOf(site.id()),
              Optional.ofNullable(levels.get(site.id())),
              target,
              target.flatMap(layout::fieldOf),
              delay.apply(site.id(), Optional.ofNullable(looks.get(site.id()))),
              presses.arrivesAs(site.id()).stream()
                  .filter(other -> targets.containsKey(other))
                  .filter(other -> ofHost || layout.fieldOf(targets.get(other)).isPresent())
                  .toList(),
              heard || target.filter(asked::contains).isPresent(),
              ofHost));
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

  /** {@return whether a press gets all the way to the host, as itself} */
  public boolean whole() {
    return heard && told() && levels.filter(InputLevels::readable).isPresent();
  }

  /** {@return whether a press shows at the host at all, as itself or as others} */
  public boolean arrives() {
    return whole() || heard && !arrivesAs.isEmpty();
  }

  /** {@return what is missing first on the way, or an empty text where it is whole} */
  public String missing() {
    if (pin.isEmpty()) {
      return "no terminal";
    }
    if (!arrivesAs.isEmpty() && heard) {
      return "arrives as "
          + String.join(" and ", arrivesAs.stream().map(ContactId::toString).toList());
    }
    if (levels.filter(InputLevels::readable).isEmpty()) {
      return "no clear level";
    }
    return !told() ? "no meaning" : heard ? "" : "nobody hears this board";
  }

  /** Whether the host has a word for it: a field of a report, or its own reading. */
  private boolean told() {
    return ofHost ? target.isPresent() : field.isPresent();
  }
}
