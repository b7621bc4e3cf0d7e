package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.lead.AtPin;
import kumite.lead.Function;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Nature;
import kumite.name.Joint;
import kumite.name.Jumper;

/** Whether the terminals on which links and cores of leads land can do what is asked of them. */
final class LandingRules {
  private final Build build;
  private final Wiring wiring;
  private final Nets nets;
  private final Removable removable;
  private final List<NetFault> faults = new ArrayList<>();

  private LandingRules(Build build, Wiring wiring, Removable removable) {
    this.build = build;
    this.wiring = wiring;
    this.nets = wiring.nets();
    this.removable = removable;
  }

  static List<NetFault> of(Build build, Wiring wiring, Removable removable) {
    LandingRules rules = new LandingRules(build, wiring, removable);
    if (!removable.joins().isEmpty()) {
      rules.lands();
      rules.lines();
    }
    return rules.faults;
  }

  private void lands() {
    for (Jumper wire : removable.joins()) {
      for (Joint joint : List.of(wire.a(), wire.b())) {
        if (!joint.part().equals(Joint.BOARD)) {
          continue;
        }
        Joint far = joint.equals(wire.a()) ? wire.b() : wire.a();
        Optional<Terminal> terminal = wiring.board().terminal(joint.tab());
        if (terminal.isPresent() && bad(terminal.get(), far)) {
          tell(NetFault.Kind.LANDS_BADLY, joint, far);
        } else if (terminal.isPresent() && unpulled(terminal.get(), joint, far)) {
          tell(NetFault.Kind.NO_PULL_UP, joint, far);
        }
      }
    }
  }

  private boolean bad(Terminal terminal, Joint far) {
    Optional<AtPin> pin = pin(far);
    boolean idle =
        pin.filter(p -> p.nature() == Nature.NOTHING || p.nature() == Nature.UNKNOWN).isPresent();
    boolean listens = pin.filter(p -> p.nature() == Nature.LISTENS).isPresent();
    boolean boots = terminal.keep().filter(k -> k == Terminal.Keep.BOOT).isPresent();
    boolean mute =
        listens
            && terminal.role() == Terminal.Role.INPUT
            && !terminal.can(Terminal.Ability.DRIVE)
            && !terminal.can(Terminal.Ability.SEND);
    return build.loom().dead().contains(terminal.name())
        || !idle && (boots || mute || terminal.role() == Terminal.Role.OTHER);
  }

  private Optional<AtPin> pin(Joint far) {
    return wiring.neighbours().stream()
        .filter(Neighbour.OfLead.class::isInstance)
        .flatMap(n -> ((Neighbour.OfLead) n).at(far).stream())
        .findFirst();
  }

  /** A line that only ever closes to ground, and nothing on it leads to a supply. */
  private boolean unpulled(Terminal terminal, Joint here, Joint far) {
    Optional<AtPin> pin = pin(far);
    boolean closes =
        pin.filter(
                p ->
                    p.nature() == Nature.CONTACT
                        || p.nature() == Nature.SHARES
                            && !p.function().equals(Optional.of(Function.Known.DATA_PLUS))
                            && !p.function().equals(Optional.of(Function.Known.DATA_MINUS)))
            .isPresent();
    if (!closes
        || terminal.role() != Terminal.Role.INPUT
        || terminal.can(Terminal.Ability.PULL_UP)) {
      return false;
    }
    Net net = nets.of(here).orElseThrow();
    boolean resistor =
        wiring.parts().stream()
            .anyMatch(
                part ->
                    part instanceof Component.Resistor
                        && part.ends().stream().anyMatch(net::holds)
                        && part.ends().stream()
                            .anyMatch(
                                end ->
                                    nets.of(end).flatMap(Net::source).isPresent()
                                        && !net.holds(end)));
    return !resistor && !pulledInLead(net);
  }

  private boolean pulledInLead(Net net) {
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfLead lead) {
        for (LeadPart part : lead.lead().parts()) {
          if (part instanceof LeadPart.PullUp pull) {
            boolean near = pull.at().end() == lead.where();
            String pin = pull.at().pin();
            if (net.holds(near ? lead.terminal(pin) : lead.pin(pin))) {
              return true;
            }
          }
        }
      }
    }
    return false;
  }

  /** Far ends that listen share a line only if it is for the same thing. */
  private void lines() {
    Map<Net, Map<Joint, Function>> listening = new HashMap<>();
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfLead lead) {
        for (var core : lead.lead().cores()) {
          Joint far = lead.pin(Lead.pin(core, lead.where().across()));
          lead.at(far)
              .filter(p -> p.nature() == Nature.LISTENS)
              .flatMap(AtPin::function)
              .ifPresent(
                  function ->
                      listening
                          .computeIfAbsent(
                              nets.of(far).orElseThrow(), n -> new java.util.TreeMap<>())
                          .put(far, function));
        }
      }
    }
    listening.forEach(
        (net, lines) -> {
          Joint one = lines.keySet().iterator().next();
          lines.forEach(
              (other, function) -> {
                if (!function.equals(lines.get(one))) {
                  tell(NetFault.Kind.LINES_CROSSED, one, other);
                }
              });
        });
  }

  private void tell(NetFault.Kind kind, Joint one, Joint other) {
    faults.add(
        new NetFault(
            kind, List.of(one, other), removable.between(nets, one, other), List.of(), List.of()));
  }
}
