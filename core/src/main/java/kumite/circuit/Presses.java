package kumite.circuit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.wiring.Wiring;

/**
 * What the board takes in otherwise than planned, with nobody pressing and with each contact held
 * alone. Nothing is known of the fault here: two wirings are solved and what they show is compared.
 *
 * @param rest what is seen otherwise while nobody presses
 * @param held what is seen otherwise while a contact is held alone; no list is empty
 */
public record Presses(List<Otherwise> rest, Map<ContactId, List<Otherwise>> held) {
  /** Nothing is seen otherwise. */
  public static final Presses AS_PLANNED = new Presses(List.of(), Map.of());

  /** Measured volts that differ by less than this share of the supply are the same: our choice. */
  private static final double SAME_SHARE = 0.02;

  public Presses {
    rest = List.copyOf(rest);
    held = Collections.unmodifiableMap(new LinkedHashMap<>(held));
  }

  /**
   * {@return the contacts that show as pressed when one is held alone, where it does not itself; a
   * contact that shows at rest too is none of them}
   */
  public List<ContactId> arrivesAs(ContactId contact) {
    List<Otherwise> seen = held.getOrDefault(contact, List.of());
    boolean lost = seen.stream().anyMatch(o -> o.contact().equals(contact) && !o.is().pressed());
    List<ContactId> before = rest.stream().map(Otherwise::contact).toList();
    return lost
        ? seen.stream()
            .filter(o -> o.is().pressed() && !o.planned().pressed())
            .map(Otherwise::contact)
            .filter(c -> !c.equals(contact) && !before.contains(c))
            .toList()
        : List.of();
  }

  /**
   * One contact that is seen otherwise.
   *
   * @param contact which one the look is meant for
   * @param planned what the look should take in
   * @param is what it takes in
   */
  public record Otherwise(ContactId contact, Seen planned, Seen is) {}

  /**
   * {@return what is seen otherwise}
   *
   * @param inputs the wiring as it is, solved; where a supply is shorted nothing is compared
   */
  public static Presses of(Wiring planned, Inputs inputs, Solves solves) {
    if (inputs.wiring().equals(planned) || inputs.dead().isPresent()) {
      return AS_PLANNED;
    }
    Side plan = new Side(new Network(planned, inputs.looks(), solves));
    Side built = new Side(inputs.network());
    List<Otherwise> rest = differing(plan.rest, built.rest, inputs);
    Map<ContactId, List<Otherwise>> held = new LinkedHashMap<>();
    for (ContactId contact : inputs.levels().keySet()) {
      List<Otherwise> otherwise = differing(plan.holding(contact), built.holding(contact), inputs);
      if (!otherwise.isEmpty()) {
        held.put(contact, otherwise);
      }
    }
    return new Presses(rest, held);
  }

  /** One wiring: what a look takes in is worked out anew only if the held contact can change it. */
  private static final class Side {
    private final Network network;
    private final Function<Look, Seen> rest;
    private final Map<Look, Optional<Set<ContactId>>> movers = new HashMap<>();

    Side(Network network) {
      this.network = network;
      Scan scan = new Scan(network, contact -> 0);
      Map<Look, Seen> seen = new HashMap<>();
      for (Look look : network.looks().all()) {
        seen.put(look, scan.see(look));
        movers.put(look, movers(scan, look));
      }
      rest = seen::get;
    }

    private Optional<Set<ContactId>> movers(Scan scan, Look look) {
      int net = scan.place(look);
      if (Scan.inside(look).isPresent() || look.how() instanceof Look.Channel) {
        return Optional.empty();
      }
      return network.rail(net)
          ? Optional.of(Set.of())
          : Island.movers(network, net, scan.during(look));
    }

    Function<Look, Seen> holding(ContactId contact) {
      Scan scan = new Scan(network, c -> c.equals(contact) ? 1 : 0);
      return look ->
          movers.get(look).filter(may -> !may.contains(contact)).isPresent()
              ? rest.apply(look)
              : scan.see(look);
    }
  }

  private static List<Otherwise> differing(
      Function<Look, Seen> planned, Function<Look, Seen> asBuilt, Inputs inputs) {
    double near = SAME_SHARE * inputs.network().board().logicVolts();
    List<Otherwise> differing = new ArrayList<>();
    inputs
        .looks()
        .byContact()
        .forEach(
            (contact, look) -> {
              Seen wanted = planned.apply(look);
              Seen is = asBuilt.apply(look);
              boolean step = look.how() instanceof Look.Step;
              boolean same =
                  look.heard() && look.measured()
                      ? wanted.code() == is.code() && wanted.reading() == is.reading()
                      : look.measured() && !step
                          ? Math.abs(wanted.volts() - is.volts()) <= near
                          : wanted.pressed() == is.pressed();
              if (!same) {
                differing.add(new Otherwise(contact, wanted, is));
              }
            });
    return differing;
  }
}
