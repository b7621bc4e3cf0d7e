package kumite.bringup;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.component.Component;
import kumite.loom.ContactSite;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.TabRole;
import kumite.wiring.Change;

/** Contacts on the wrong tab, levers that are turned, lamps mixed with contacts. */
final class ContactFaults extends FaultList {

  ContactFaults(FaultList list) {
    super(list);
  }

  void poles() {
    for (Component part : wiring.ownParts()) {
      if (part instanceof Component.Pole pole) {
        tabs(pole);
        add(
            FaultKind.NEVER_CLOSES,
            "never " + pole.contact(),
            1,
            "The contact of " + pole.contact() + " never closes",
            List.of(pole.common(), pole.open()),
            "Try it off the wires; clean or replace it",
            Change.without(pole));
      }
    }
  }

  private void tabs(Component.Pole pole) {
    List<Jumper> open = at.getOrDefault(pole.open(), List.of());
    List<Jumper> closed = at.getOrDefault(pole.closed(), List.of());
    List<Jumper> common = at.getOrDefault(pole.common(), List.of());
    if (!open.isEmpty() && closed.isEmpty()) {
      add(
          FaultKind.RESTING_TAB,
          "nc " + pole.contact(),
          1,
          pole.contact()
              + " is wired to "
              + words(pole.closed())
              + ", which is closed until it is pressed",
          List.of(pole.open(), pole.closed()),
          "Move the wire from " + words(pole.closed()) + " to " + words(pole.open()),
          all(open, pole.open(), pole.closed()));
    }
    if (!closed.isEmpty() && open.isEmpty()) {
      add(
          FaultKind.OPEN_TAB,
          "no " + pole.contact(),
          1,
          pole.contact() + " is wired to " + words(pole.open()) + ", which is open at rest",
          List.of(pole.open(), pole.closed()),
          "Move the wire from " + words(pole.open()) + " to " + words(pole.closed()),
          all(closed, pole.closed(), pole.open()));
    }
    if (!common.isEmpty() && !(open.isEmpty() && closed.isEmpty())) {
      Joint signal = open.isEmpty() ? pole.closed() : pole.open();
      Joint free = open.isEmpty() ? pole.open() : pole.closed();
      add(
          FaultKind.ONE_SIDE,
          "one-side " + pole.contact(),
          1,
          "Both wires of "
              + pole.contact()
              + " are on "
              + words(signal)
              + ", or a bridge joins its tabs",
          List.of(pole.common(), signal),
          "Put the wires of the shared side on " + words(pole.common()),
          all(common, pole.common(), signal));
      if (at.getOrDefault(free, List.of()).isEmpty()) {
        add(
            FaultKind.COMMON_AT_RESTING,
            "common-at " + pole.contact(),
            1,
            "The shared side of " + pole.contact() + " is on " + words(free),
            List.of(pole.common(), free),
            "Move it from " + words(free) + " to " + words(pole.common()),
            all(common, pole.common(), free));
      }
    }
  }

  // ---- levers

  private static final List<String> ROUND = List.of("up", "right", "down", "left");

  void levers() {
    Map<kumite.name.ControlId, Map<String, Component.Pole>> levers = new LinkedHashMap<>();
    for (Component part : wiring.ownParts()) {
      if (part instanceof Component.Pole pole && ROUND.contains(pole.contact().contact())) {
        levers
            .computeIfAbsent(pole.contact().control(), c -> new LinkedHashMap<>())
            .put(pole.contact().contact(), pole);
      }
    }
    levers.forEach(
        (control, poles) -> {
          if (poles.keySet().containsAll(ROUND)) {
            turned(control, poles, 1, "a quarter to the right");
            turned(control, poles, 2, "half a turn");
            turned(control, poles, 3, "a quarter to the left");
          }
        });
  }

  private void turned(
      kumite.name.ControlId control, Map<String, Component.Pole> poles, int by, String words) {
    Map<Component, Optional<Component>> parts = new LinkedHashMap<>();
    List<Joint> where = new ArrayList<>();
    for (int i = 0; i < ROUND.size(); i++) {
      Component.Pole pole = poles.get(ROUND.get(i));
      ContactId moves = new ContactId(control, ROUND.get((i + by) % ROUND.size()));
      parts.put(
          pole, Optional.of(new Component.Pole(moves, pole.common(), pole.open(), pole.closed())));
      where.add(pole.open());
    }
    add(
        FaultKind.TURNED,
        "turned " + control + " " + by,
        1,
        "The lever " + control + " is mounted " + words,
        where,
        "Turn its body back, or turn its wires on",
        new Change(Set.of(), Set.of(), parts));
  }

  void lamps() {
    for (ContactSite site : view.wires().loom().sites()) {
      if (!site.kind().lit() || !site.switched()) {
        continue;
      }
      Joint plus = site.own(TabRole.LAMP_PLUS);
      Joint minus = site.own(TabRole.LAMP_MINUS);
      Joint signal = new Joint(site.control().id().text(), site.signalTab());
      Joint common = new Joint(site.control().id().text(), site.commonTab());
      mixed(site, plus, signal);
      mixed(site, plus, common);
      mixed(site, minus, signal);
      mixed(site, minus, common);
    }
  }

  private void mixed(ContactSite site, Joint lamp, Joint tab) {
    List<Jumper> atLamp = at.getOrDefault(lamp, List.of());
    List<Jumper> atTab = at.getOrDefault(tab, List.of());
    if (atLamp.isEmpty() || atTab.isEmpty() || joined(lamp, tab)) {
      return;
    }
    add(
        FaultKind.LAMP_TABS,
        "lamp " + words(lamp) + " " + words(tab),
        1,
        "Of "
            + site.label()
            + " the wires at "
            + words(lamp)
            + " and "
            + words(tab)
            + " are mixed up",
        List.of(lamp, tab),
        "Change them over",
        all(atLamp, lamp, tab).and(all(atTab, tab, lamp)));
  }
}
