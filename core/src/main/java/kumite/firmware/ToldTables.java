package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import kumite.circuit.Talking;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.signal.Pin;
import kumite.signal.PortKind;
import kumite.signal.SignalLine;
import kumite.signal.UsbReport;

/** Pads that tell reports as tables for the simulated board: what they say, and if it is heard. */
final class ToldTables {
  private final List<String> pads = new ArrayList<>();
  private final List<String> fields = new ArrayList<>();
  private final List<String> hats = new ArrayList<>();
  private final Map<ContactId, Integer> contacts;

  ToldTables(List<Talking> talks, Map<ContactId, Integer> contacts) {
    this.contacts = contacts;
    talks.stream().filter(talk -> talk.asked().pad().tells()).forEach(this::pad);
  }

  /** {@return what there is} */
  String header() {
    return pads.isEmpty()
        ? ""
        : """

        extern const struct told_pad world_told_pads[];
        extern const struct told_field world_told_fields[];
        extern const struct told_hat world_told_hats[];
        """;
  }

  /** {@return the tables; C has no empty ones} */
  String source() {
    if (pads.isEmpty()) {
      return "";
    }
    if (hats.isEmpty()) {
      hats.add(World.braced("{-1, -1, -1, -1}", 0, 0, 0, 0));
    }
    return PadTables.table("struct told_pad world_told_pads", pads)
        + PadTables.table("struct told_field world_told_fields", fields)
        + PadTables.table("struct told_hat world_told_hats", hats);
  }

  /** Both ends of both lines must be right; what is heard else is played in the workbench alone. */
  private void pad(Talking talk) {
    PortKind kind = talk.asked().kind();
    boolean right = talk.fed().contains(1);
    for (SignalLine each : kind.lines()) {
      String line = each.name();
      int net = talk.nets().get(new Pin(Pin.CONSOLE, line));
      long there = talk.nets().values().stream().filter(n -> n == net).count();
      right &= talk.nets().get(new Pin(1, line)) == net && there == 2;
      right &= !talk.rails().containsKey(net);
    }
    UsbReport report = ToldRows.layout(talk.asked());
    int fieldsAt = fields.size();
    int hatsAt = hats.size();
    report.buttons().forEach((name, at) -> fields.add(field(talk.asked(), name, false, at)));
    report.axes().forEach((name, at) -> fields.add(field(talk.asked(), name, true, at)));
    report.hat().ifPresent(hat -> hats.add(hat(talk.asked(), hat)));
    pads.add(
        World.braced(
            right,
            ToldRows.begin(talk.asked()).orElse(-1),
            report.id(),
            report.bytes(),
            fieldsAt,
            fields.size() - fieldsAt,
            hatsAt,
            hats.size() - hatsAt));
  }

  private String field(Talk pad, String name, boolean axis, UsbReport.Place at) {
    return World.braced(contact(pad, name), axis, at.bit(), at.bits(), at.least(), at.most());
  }

  private String hat(Talk pad, UsbReport.Hat hat) {
    List<Integer> ways = hat.says().stream().map(name -> contact(pad, name)).toList();
    UsbReport.Place at = hat.place();
    return World.braced(World.braced(ways.toArray()), at.bit(), at.bits(), at.least(), at.most());
  }

  private int contact(Talk pad, String name) {
    return Stream.concat(pad.kind().contacts().stream(), pad.kind().axisContacts().stream())
        .filter(bit -> bit.button().equals(name))
        .findFirst()
        .map(bit -> contacts.get(new ContactId(pad.pad().port().id(), bit.contact())))
        .orElse(-1);
  }
}
