package kumite.finding;

import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;

/** What a finding is about. */
public sealed interface Subject {
  /** The board, where only one can be meant. */
  Subject BOARD = new Thing("board");

  /** The sheet that all is in. */
  Subject PANEL = new Thing("panel");

  /** {@return how it is called in files and by the command line} */
  String text();

  /** {@return whether it is that control, or a contact of it} */
  default boolean concerns(ControlId control) {
    return false;
  }

  /** A control. */
  record OfControl(ControlId id) implements Subject {
    @Override
    public String text() {
      return id.text();
    }

    @Override
    public boolean concerns(ControlId control) {
      return id.equals(control);
    }
  }

  /** One of several contacts of a control. */
  record OfContact(ContactId id) implements Subject {
    @Override
    public String text() {
      return id.toString();
    }

    @Override
    public boolean concerns(ControlId control) {
      return id.control().equals(control);
    }
  }

  /** A place where wires end. */
  record Place(Joint joint) implements Subject {
    @Override
    public String text() {
      return joint.toString();
    }
  }

  /** A group of contacts that share wires. */
  record Group(ControlId name) implements Subject {
    @Override
    public String text() {
      return name.text();
    }
  }

  /** A lead or a cable. */
  record OfLead(String name) implements Subject {
    @Override
    public String text() {
      return "lead " + name;
    }
  }

  /**
   * A pin of a lead.
   *
   * @param lead the lead's name
   * @param pin its place in words
   */
  record Pin(String lead, String pin) implements Subject {
    @Override
    public String text() {
      return lead + " " + pin;
    }
  }

  /** A ring-out. */
  record OfRingOut(String name) implements Subject {
    @Override
    public String text() {
      return "ring-out " + name;
    }
  }

  /** A thing of the wiring or of the whole build. */
  record Thing(String text) implements Subject {}

  /** {@return a control as a subject} */
  static Subject of(ControlId control) {
    return new OfControl(control);
  }

  /** {@return a contact as a subject: the control itself where it has no other contact} */
  static Subject of(ContactId contact) {
    return contact.contact().isEmpty() ? new OfControl(contact.control()) : new OfContact(contact);
  }

  /** {@return a place as a subject} */
  static Subject of(Joint joint) {
    return new Place(joint);
  }

  /** {@return controls as subjects} */
  static List<Subject> ofControls(Collection<ControlId> controls) {
    return controls.stream().map(Subject::of).toList();
  }

  /** {@return contacts as subjects} */
  static List<Subject> ofContacts(Collection<ContactId> contacts) {
    return ofContacts(contacts.stream());
  }

  /** {@return contacts as subjects} */
  static List<Subject> ofContacts(Stream<ContactId> contacts) {
    return contacts.map(Subject::of).toList();
  }
}
