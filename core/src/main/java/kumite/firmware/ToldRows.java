package kumite.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.loom.Look;
import kumite.loom.Talk;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.UsbPad;
import kumite.signal.UsbReport;

/** The tables of pads that tell reports, which the board's own host or serial port brings. */
final class ToldRows {
  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final List<Talk> pads;
  private final Map<Talk, Map<String, Integer>> fields = new LinkedHashMap<>();

  ToldRows(Blueprint blueprint, Score.Sheet sheet) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.pads = pads(blueprint);
  }

  /** {@return the pads that a program takes reports of, in the order of its looks} */
  static List<Talk> pads(Blueprint blueprint) {
    Set<Talk> pads = new LinkedHashSet<>();
    for (Look look : blueprint.looks().all()) {
      if (look.reported() && look.how() instanceof Look.Frame frame) {
        pads.add(frame.talk());
      }
    }
    return List.copyOf(pads);
  }

  static UsbReport layout(Talk pad) {
    PortKind kind = pad.kind();
    return kind.mechanism() instanceof SerialBytes serial
        ? serial.layout(kind)
        : ((UsbPad) kind.mechanism()).layout(kind);
  }

  /** {@return the byte that a frame on a serial wire begins with; empty over USB} */
  static Optional<Integer> begin(Talk pad) {
    return pad.kind().mechanism() instanceof SerialBytes serial
        ? Optional.of(serial.begin())
        : Optional.empty();
  }

  /** {@return bits in a second on a serial wire; empty over USB} */
  static Optional<Long> baud(Talk pad) {
    return pad.kind().mechanism() instanceof SerialBytes serial
        ? Optional.of(serial.baud(pad.kind()))
        : Optional.empty();
  }

  void write() {
    sheet.size("N_TOLD_PADS", pads.size());
    int bytes = 0;
    for (Talk pad : pads) {
      UsbReport report = layout(pad);
      sheet.bytes("told_begin").add(begin(pad).orElse(0));
      sheet.uses("USE_SERIAL", begin(pad).isPresent());
      sheet.bytes("told_id").add(report.id(), "", pad.pad().port().label());
      sheet.words("told_bytes_at").add(bytes);
      bytes += report.bytes();
      Map<String, Integer> own = new LinkedHashMap<>();
      report.buttons().forEach((name, place) -> own.put(name, field(name, place, 0)));
      report.axes().forEach((name, place) -> own.put(name, field(name, place, 0)));
      report
          .hat()
          .ifPresent(
              hat -> {
                List<String> says = new ArrayList<>(hat.says());
                for (int i = 0; i < says.size(); i++) {
                  own.put(says.get(i), field(says.get(i), hat.place(), i + 1));
                }
              });
      fields.put(pad, own);
    }
    if (!pads.isEmpty()) {
      sheet.words("told_bytes_at").add(bytes);
    }
    sheet.size("N_TOLD_BYTES", bytes);
  }

  private int field(String name, UsbReport.Place place, int turn) {
    int row = sheet.words("told_bit").size();
    sheet.words("told_bit").add(place.bit(), "", name);
    sheet.bytes("told_bits").add(place.bits());
    sheet.bytes("told_signed").add(place.least() < 0 ? 1 : 0);
    sheet.words("told_least").add(place.least() & 0xFFFF);
    sheet.words("told_span").add(place.most() - place.least());
    sheet.bytes("told_turn").add(turn);
    return row;
  }

  /** {@return the number of a look's pad} */
  int pad(Look.Frame look) {
    return pads.indexOf(look.talk());
  }

  /** {@return the field that says a look, of all fields of all pads} */
  int place(Look.Frame look) {
    return fields.get(look.talk()).get(look.says());
  }
}
