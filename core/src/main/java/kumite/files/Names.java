package kumite.files;

import java.util.Set;
import kumite.build.Link;
import kumite.codec.Codec;
import kumite.codec.Plain;
import kumite.json.Topic;
import kumite.json.Value;
import kumite.kind.WireColour;
import kumite.measure.Length;
import kumite.measure.Range;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.room.Around;

/** How names of things stand in the file, and are held against what there is. */
final class Names {
  private static final String NAME = "[a-z][a-z0-9-]{0,39}";
  private static final String PLACE = "([a-z][a-z0-9-]*|[A-Z][A-Z0-9-]*):.+";

  private static final Codec<String> NAMED = Plain.form("^" + NAME + "$").named("name");

  /** The groups of the seat that is read: their wires are locked and coloured as contacts are. */
  static final Topic<Set<ControlId>> GROUPS = new Topic<>("groups");

  /** The lines of ports, which are locked and coloured as contacts are. */
  static final Topic<Set<ContactId>> LINES = new Topic<>("lines of ports");

  /** A control's name, whether or not the build has it. */
  static final Codec<ControlId> CONTROL = NAMED.as(ControlId::new, ControlId::text);

  /** A seat's name, whether or not the build has it. */
  static final Codec<SeatId> SEAT = NAMED.as(SeatId::new, SeatId::text);

  private static final Codec<ContactId> ANY_CONTACT =
      Plain.form("^" + NAME + "(\\.[a-z][a-z0-9]*)?$")
          .as(ContactId::parse, ContactId::toString)
          .named("contact");

  /** A contact that the build has. */
  static final Codec<ContactId> CONTACT = ANY_CONTACT.asAt(Names::there, id -> id);

  /** A contact that the build has, or a wire of a group or port. */
  static final Codec<ContactId> WIRE_OF_CONTACT =
      ANY_CONTACT.asAt(
          (id, at) ->
              at.scope().get(GROUPS).contains(id.control()) || at.scope().get(LINES).contains(id)
                  ? id
                  : there(id, at),
          id -> id);

  /** A control that has contacts here. */
  static final Codec<ControlId> CONTROL_WITH_CONTACTS =
      CONTROL.asAt((id, at) -> withContacts(id, at), id -> id);

  /** A wire between two places. */
  static final Codec<Jumper> WIRE =
      Plain.form("^" + PLACE + " - " + PLACE + "$")
          .as(Jumper::parse, Jumper::toString)
          .named("wire");

  /** A wire between two boards. */
  static final Codec<Link> LINK =
      Plain.form("^" + NAME + ":\\S+ - " + NAME + ":\\S+$").as(Link::parse, Link::toString);

  private static final String HUES =
      String.join("|", java.util.Arrays.stream(WireColour.Hue.values()).map(Enum::name).toList());

  /** A colour, plain or striped. */
  static final Codec<WireColour> COLOUR =
      Plain.form("^((" + HUES + ")){1,2}$").as(WireColour::parse, WireColour::code).named("colour");

  /** A place on the panel or beside it, along one axis. */
  static final Codec<Double> ALONG =
      Plain.number(Range.of(-Length.LARGEST_MM, Length.LARGEST_MM, "mm")).named("place");

  private Names() {}

  private static ContactId there(ContactId id, Value at) {
    if (!at.scope().get(Around.CONTACTS).contains(id)) {
      throw at.misfit(
          "the build has no such contact \"" + id + "\"",
          "name a control, or control.contact for a lever; take the entry out if the control is"
              + " gone");
    }
    return id;
  }

  static ControlId withContacts(ControlId id, Value at) {
    if (at.scope().get(Around.CONTACTS).stream().noneMatch(c -> c.control().equals(id))) {
      throw at.misfit("the build has no control \"" + id + "\"", "take the entry out");
    }
    return id;
  }
}
