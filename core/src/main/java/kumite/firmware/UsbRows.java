package kumite.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.loom.Look;
import kumite.loom.Talk;
import kumite.signal.UsbPad;
import kumite.signal.UsbReport;

/** The tables of USB pads, whose reports the board's own host brings. */
final class UsbRows {
  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final List<Talk> pads;
  private final Map<Talk, Map<String, Integer>> fields = new LinkedHashMap<>();

  UsbRows(Blueprint blueprint, Score.Sheet sheet) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.pads = pads(blueprint);
  }

  /** {@return the USB pads that a program takes reports of, in the order of its looks} */
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
    return ((UsbPad) pad.kind().mechanism()).layout(pad.kind());
  }

  void write() {
    sheet.size("N_USB_PADS", pads.size());
    int bytes = 0;
    for (Talk pad : pads) {
      UsbReport report = layout(pad);
      sheet.bytes("usb_id").add(report.id(), "", pad.pad().port().label());
      sheet.words("usb_bytes_at").add(bytes);
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
      sheet.words("usb_bytes_at").add(bytes);
    }
    sheet.size("N_USB_BYTES", bytes);
  }

  private int field(String name, UsbReport.Place place, int turn) {
    int row = sheet.words("usb_bit").size();
    sheet.words("usb_bit").add(place.bit(), "", name);
    sheet.bytes("usb_bits").add(place.bits());
    sheet.bytes("usb_signed").add(place.least() < 0 ? 1 : 0);
    sheet.words("usb_least").add(place.least() & 0xFFFF);
    sheet.words("usb_span").add(place.most() - place.least());
    sheet.bytes("usb_turn").add(turn);
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
