package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.map.TargetText;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.TabRole;
import kumite.parts.Catalogue;

/**
 * One contact of a build with everything known about it before wiring.
 *
 * @param number its place among the contacts of the build, 1 upward; its wires are numbered by it
 * @param id its id
 * @param control the control it belongs to
 * @param kind that control's kind
 * @param contact the contact's kind
 * @param common the rail its shared side is tied to
 * @param entry its meaning in the profile looked at, if it has one
 * @param wish its meaning in the first profile, which sockets are planned by
 * @param pad the port that its pad is at; empty for a contact of the panel
 * @param rest where it stands while no hand is on it, 0 to 1 of its travel: at the centre that its
 *     axis was given, which was measured, else where its kind springs back to
 */
public record ContactSite(
    int number,
    ContactId id,
    Control control,
    ControlKind kind,
    ContactKind contact,
    Common common,
    Optional<Mapping.Entry> entry,
    Optional<Mapping.Entry> wish,
    Optional<Pad> pad,
    double rest) {

  /** What a person holds while touching pads. */
  static final Joint PERSON = new Joint(Joint.PERSON, "hold");

  /** {@return all contacts of a build, in the order of its controls} */
  public static List<ContactSite> all(Build build, Catalogue catalogue) {
    Common usual = catalogue.boardOf(build).map(BoardKind::common).orElse(Common.GROUND);
    List<ContactSite> sites = new ArrayList<>();
    for (Control control : build.seated()) {
      ControlKind kind = catalogue.kindOf(control);
      Optional<Pad> pad = Pad.of(build, catalogue, control);
      for (ContactKind contact : kind.contacts()) {
        ContactId id = new ContactId(control.id(), contact.name());
        sites.add(
            new ContactSite(
                sites.size() + 1,
                id,
                control,
                kind,
                contact,
                grounded(kind, contact) ? Common.GROUND : control.hookup().common().orElse(usual),
                build.mapping().of(id),
                build.seat().profiles().get(0).base().of(id),
                pad,
                rest(contact, build.tuning().centre(id))));
      }
    }
    return List.copyOf(sites);
  }

  /** {@return whether its shared side is at ground whatever was chosen: one pin with its pots'} */
  public boolean atGround() {
    return grounded(kind, contact);
  }

  /** Whether its shared side is one pin with the end of a pot, which is at ground. */
  private static boolean grounded(ControlKind kind, ContactKind contact) {
    String common = contact.named(TabRole.COMMON.text());
    return kind.tabs()
        .spot(common)
        .filter(
            spot ->
                kind.contacts().stream()
                    .anyMatch(c -> spot.stands().contains(c.named(TabRole.FIRST_END.text()))))
        .isPresent();
  }

  private static double rest(ContactKind contact, double centre) {
    boolean wiper = contact.type() == ContactKind.Type.WIPER;
    return centre > 0 && wiper ? centre : contact.rest();
  }

  /** {@return the same contact with another meaning; it is planned as before} */
  ContactSite meaning(Optional<Mapping.Entry> newEntry) {
    return new ContactSite(number, id, control, kind, contact, common, newEntry, wish, pad, rest);
  }

  /** {@return the label for people: {@code Horn} or {@code Rudder lever left}} */
  public String label() {
    return contact.name().isEmpty() ? control.label() : control.label() + " " + contact.name();
  }

  /** {@return the wire it wants where it has a terminal of its own} */
  Line line() {
    return new Line(
        id,
        label(),
        needs(),
        place(),
        Optional.empty(),
        List.of(this),
        kind.givesPulses(),
        wish.map(e -> TargetText.of(e.target())));
  }

  private Line.Need needs() {
    return contact.type().analog()
        ? Line.Need.MEASURE
        : touched() ? Line.Need.TOUCH : Line.Need.READ;
  }

  /** {@return whether a person closes it: a pad of metal or foil} */
  public boolean touched() {
    return kind.feelsTouch();
  }

  /** {@return whether it is an output that needs a supply} */
  public boolean fed() {
    return kind.feed().isPresent();
  }

  /** {@return whether it is a plain switch, so that it may share terminals} */
  public boolean switched() {
    return contact.type() == ContactKind.Type.SWITCH && !touched() && !fed() && pad.isEmpty();
  }

  /** {@return the tab its signal lands on: NO, or NC where it is wired so} */
  public String signalTab() {
    boolean resting = switched() && control.hookup().restsClosed();
    return resting ? tabOf(TabRole.CLOSED) : openTab();
  }

  private String openTab() {
    return tabOf(contact.tab().isEmpty() ? TabRole.OPEN.text() : contact.tab());
  }

  /** {@return the tab its shared side lands on} */
  public String commonTab() {
    return tabOf(TabRole.COMMON);
  }

  /**
   * {@return a tab of this contact, with its name before it where the control has several; the pin
   * of its connector where one stands for it}
   */
  String tabOf(String tab) {
    return kind.tabs().pin(contact.named(tab));
  }

  /** {@return whether its control has a tab that is closed at rest} */
  public boolean hasClosedTab() {
    return pad.isPresent() || kind.tabs().spot(contact.named(TabRole.CLOSED.text())).isPresent();
  }

  /** {@return the pin that its shared side is on, where other contacts are on it too} */
  Optional<Joint> sharedCommon() {
    Joint common = joint(TabRole.COMMON);
    return kind.tabs().shared(common.tab()) ? Optional.of(common) : Optional.empty();
  }

  /** {@return where a tab of its control is, on the panel; the middle where it has no such tab} */
  public Point at(Joint tab) {
    return Spots.of(control, kind, tab);
  }

  private String tabOf(TabRole tab) {
    return tabOf(tab.text());
  }

  /** {@return a tab of this contact as a place} */
  Joint joint(TabRole tab) {
    return new Joint(control.id().text(), tabOf(tab));
  }

  /** {@return the tab its signal lands on, as a place} */
  Joint signal() {
    return new Joint(control.id().text(), signalTab());
  }

  /** {@return a tab that its control has once, such as those of a lamp} */
  public Joint own(TabRole tab) {
    return new Joint(control.id().text(), kind.tabs().pin(tab.text()));
  }

  /** {@return its electrical part} */
  Component part() {
    Joint signal = new Joint(control.id().text(), openTab());
    if (pad.isPresent()) {
      Optional<Joint> own = PadGrouping.lineOf(pad.get(), contact.name());
      Joint supply = pad.get().pin(Plugged.SUPPLY);
      if (contact.type().analog()) {
        // A pot to the supply has the more ohms the further it is moved.
        return own.isPresent()
            ? new Component.Pot(id, supply, own.get(), joint(TabRole.LAST_END), kind.ohm(), rest)
            : new Component.Pot(
                id, pad.get().pin(Plugged.GROUND), signal, supply, kind.ohm(), rest);
      }
      Joint open = own.orElse(signal);
      return new Component.Pole(id, pad.get().pin(Plugged.GROUND), open, joint(TabRole.CLOSED));
    }
    if (fed()) {
      return new Component.Output(
          id,
          signal,
          own(TabRole.SUPPLY),
          own(TabRole.GROUND),
          contact.type() == ContactKind.Type.WIPER,
          rest);
    }
    if (touched()) {
      return new Component.Skin(id, signal, PERSON);
    }
    return switch (contact.type()) {
      case SWITCH -> new Component.Pole(id, joint(TabRole.COMMON), signal, joint(TabRole.CLOSED));
      case WIPER ->
          new Component.Pot(
              id, joint(TabRole.FIRST_END), signal, joint(TabRole.LAST_END), kind.ohm(), rest);
      case LADDER -> new Component.Selector(id, signal, taps());
    };
  }

  /** {@return the taps of a stepped switch; the first and the last are the ends of its ladder} */
  List<Joint> taps() {
    List<Joint> taps = new ArrayList<>();
    for (int step = 1; step <= kind.steps(); step++) {
      taps.add(new Joint(control.id().text(), tabOf(ContactKind.tap(step, kind.steps()))));
    }
    return taps;
  }

  /** {@return where its control sits} */
  public Point place() {
    return control.placement().centre();
  }

  /** Sites are keys here and there: their ids tell them apart well enough. */
  @Override
  public int hashCode() {
    return id().hashCode();
  }
}
