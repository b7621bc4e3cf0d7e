package kumite.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.ControlKind.Above;
import kumite.kind.ControlKind.Bounce;
import kumite.kind.ControlKind.Family;
import kumite.kind.ControlKind.Feel;
import kumite.kind.ControlKind.Mount;
import kumite.measure.Shape;
import kumite.signal.OneShot;
import kumite.signal.PortKind;

/**
 * A pad as a kind of control, so that its buttons are contacts wherever contacts are. It is never
 * on a panel: the outlines are those of a small socket.
 */
final class PadKind {
  private static final double SOCKET_MM = 16;
  private static final double DEPTH_MM = 12;

  /** Rubber domes: common practice, no source. */
  private static final Bounce BOUNCE = new Bounce(500, 5000);

  /** From end to end of a stick's track: common practice, no source. */
  private static final double TRACK_OHM = 10_000;

  /** Sticks spring back. */
  private static final double MIDDLE = 0.5;

  private PadKind() {}

  private static double ohm(PortKind kind) {
    return kind.axes().isEmpty()
        ? 0
        : kind.mechanism() instanceof OneShot shot ? shot.potOhm() : TRACK_OHM;
  }

  static ControlKind of(PortKind kind) {
    Shape socket = new Shape.Rect(SOCKET_MM, SOCKET_MM, 0);
    List<ContactKind> contacts = new ArrayList<>();
    for (PortKind.Bit bit : kind.contacts()) {
      contacts.add(new ContactKind(bit.contact(), ContactKind.Type.SWITCH, "", "", 0));
    }
    for (PortKind.Bit bit : kind.axisContacts()) {
      contacts.add(new ContactKind(bit.contact(), ContactKind.Type.WIPER, "", "", MIDDLE));
    }
    return new ControlKind(
        kind.id(),
        kind.what(),
        kind.what(),
        Family.BUTTON,
        socket,
        socket,
        socket,
        DEPTH_MM,
        0,
        20,
        new Mount(Mount.How.SCREWS, 0),
        List.of(),
        new Above(socket, 0, 0),
        new Feel(0, 0),
        Optional.empty(),
        contacts,
        0,
        BOUNCE,
        Optional.empty(),
        0,
        ohm(kind),
        false,
        Optional.empty(),
        Optional.empty(),
        kumite.kind.Tabs.NONE);
  }
}
