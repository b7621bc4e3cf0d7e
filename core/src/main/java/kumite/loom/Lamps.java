package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kumite.build.Control;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.name.Joint;
import kumite.name.TabRole;

/**
 * How lamps are fed. A lamp on tabs of its own stands between its supply and ground; one that
 * shares its contact hangs on the contact's signal tab and lights only while that is held. Its
 * resistor is soldered to its plus tab.
 */
public final class Lamps {
  /** Resistors of lamps are bought with this tolerance: common practice, no source. */
  private static final double TOLERANCE = 0.05;

  private Lamps() {}

  /** {@return the terminal that feeds a control's lamp, if the board has one} */
  public static Optional<Terminal> supply(BoardKind board, Control control) {
    List<Terminal> supplies = board.terminals(Terminal.Role.SUPPLY);
    Optional<Terminal> chosen =
        control
            .hookup()
            .lampFrom()
            .flatMap(board::terminal)
            .filter(t -> t.role() == Terminal.Role.SUPPLY || t.can(Terminal.Ability.DRIVE));
    if (chosen.isPresent()) {
      return chosen;
    }
    Optional<Terminal> logic =
        supplies.stream().filter(t -> t.volts() == board.logicVolts()).findFirst();
    // On the contact itself, more than the logic supply would reach the terminal.
    return control.hookup().lampShares() && logic.isPresent()
        ? logic
        : supplies.stream().max(Comparator.comparingDouble(Terminal::volts));
  }

  /** {@return the volts that feed a control's lamp; 0 where nothing does} */
  public static double volts(BoardKind board, Control control) {
    // A terminal that drives gives the logic supply.
    return supply(board, control)
        .map(t -> t.role() == Terminal.Role.SUPPLY ? t.volts() : board.logicVolts())
        .orElse(0.0);
  }

  static Rail rail(Terminal terminal) {
    return terminal.role() == Terminal.Role.SUPPLY
        ? new Rail.Supply(terminal.volts())
        : new Rail.Driven(terminal.name());
  }

  /** {@return the lamp's tab that is joined to the contact, where the lamp shares it} */
  static Optional<Joint> sharedTab(BoardKind board, ContactSite site) {
    return shares(board, site)
        ? Optional.of(site.common() == Common.GROUND ? site.own(TabRole.LAMP_MINUS) : feedTab(site))
        : Optional.empty();
  }

  /** {@return the terminal that drives a contact's lamp; empty where a supply feeds it} */
  static Optional<Terminal> driver(BoardKind board, ContactSite site) {
    return supply(board, site.control()).filter(t -> t.role() != Terminal.Role.SUPPLY);
  }

  /** {@return the terminals that drive lamps} */
  public static List<String> drivers(BoardKind board, Loom loom) {
    return loom.sites().stream()
        .filter(site -> site.kind().lit() && first(site))
        .flatMap(site -> driver(board, site).stream())
        .map(Terminal::name)
        .distinct()
        .toList();
  }

  static boolean shares(BoardKind board, ContactSite site) {
    return site.kind().lit()
        && first(site)
        && site.switched()
        && site.control().hookup().lampShares()
        && supply(board, site.control()).isPresent();
  }

  /** Of several contacts the first bears the lamp. */
  private static boolean first(ContactSite site) {
    return site.kind().contacts().get(0).equals(site.contact());
  }

  private static Joint feedTab(ContactSite site) {
    return site.own(
        site.control().hookup().lampOhm().isPresent() ? TabRole.RESISTOR : TabRole.LAMP_PLUS);
  }

  /** {@return the lamp and its resistor, of a control that has a lamp} */
  static List<Component> parts(ContactSite site) {
    List<Component> parts = new ArrayList<>();
    if (site.kind().lit() && first(site)) {
      Joint plus = site.own(TabRole.LAMP_PLUS);
      parts.add(
          new Component.Light(
              site.control().id(),
              plus,
              site.own(TabRole.LAMP_MINUS),
              site.kind().lamp().orElseThrow()));
      site.control()
          .hookup()
          .lampOhm()
          .ifPresent(
              ohm ->
                  parts.add(
                      new Component.Resistor(
                          Component.Job.LAMP, site.own(TabRole.RESISTOR), plus, ohm, TOLERANCE)));
    }
    return parts;
  }

  /** Wires a control's lamp, where the board can feed it. */
  static void wire(BoardKind board, ContactSite site, Cutter cutter) {
    Optional<Terminal> supply = supply(board, site.control());
    if (!site.kind().lit() || !first(site) || supply.isEmpty()) {
      return;
    }
    Strand.End feed =
        site.control().hookup().lampOhm().isPresent()
            ? cutter.lead(site, feedTab(site), "resistor on lamp+")
            : cutter.tab(site, feedTab(site));
    Strand.End minus = cutter.tab(site, site.own(TabRole.LAMP_MINUS));
    boolean shares = shares(board, site);
    boolean onRail = site.common() == Common.RAIL;
    if (shares) {
      cutter.jumper(
          site, Serves.LAMP, onRail ? feed : minus, cutter.signalIn(site), Cutter.lampColour());
    }
    if (!shares || !onRail) {
      cutter
          .runs()
          .land(
              rail(supply.get()),
              Runs.Land.of(site, List.of(new Runs.Tap(feed, site, Serves.LAMP))));
    }
    if (!shares || onRail) {
      cutter
          .runs()
          .land(
              new Rail.Ground(),
              Runs.Land.of(site, List.of(new Runs.Tap(minus, site.number(), Serves.GROUND, true))));
    }
  }
}
