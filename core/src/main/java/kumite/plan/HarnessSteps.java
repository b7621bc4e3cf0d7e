package kumite.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kumite.build.Control;
import kumite.kind.Landing;
import kumite.loom.Serves;
import kumite.loom.Strand;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.name.Joint;

/** Wires of one seat: cut, joined at the controls, proved, landed. Minutes: common practice. */
final class HarnessSteps {
  /** Ready jumpers are as long as this, at most, as a rule: common practice, no source. */
  private static final int JUMPER_MM = 300;

  private static final double CUT_MINUTES = 1;
  private static final double PUSH_MINUTES = 1;
  private static final double SOLDER_MINUTES = 2;

  private record At(Strand strand, Strand.End end) {
    boolean tubed() {
      return end.landing().how() == Landing.How.LEAD;
    }

    String words() {
      return strand.id()
          + " "
          + strand.colour()
          + " "
          + Length.text(strand.lengthMm(), LengthUnit.MM)
          + " to "
          + end.tab()
          + ": "
          + end.joint()
          + (end.landing().fit(strand.gaugeAwg()) == Landing.Fit.FOLDED ? ", folded double" : "");
    }

    double minutes() {
      return end.landing().soldered() ? SOLDER_MINUTES : PUSH_MINUTES;
    }
  }

  private final Worksheet sheet;
  private final SeatWork seat;
  private final Set<String> hands = new HashSet<>();
  private final Set<ControlId> lit = new HashSet<>();

  HarnessSteps(Worksheet sheet, SeatWork seat) {
    this.sheet = sheet;
    this.seat = seat;
    seat.build().hands().forEach(control -> hands.add(control.id().text()));
    seat.loom().sites().stream()
        .filter(site -> site.kind().lit())
        .forEach(site -> lit.add(site.control().id()));
  }

  void write() {
    List<Strand> strands =
        seat.loom().strands().stream().filter(this::wanted).filter(Strand::cutHere).toList();
    if (strands.isEmpty()) {
      return;
    }
    cut(strands);
    Map<String, List<At>> places = new LinkedHashMap<>();
    List<At> board = new ArrayList<>();
    List<Strand> base = new ArrayList<>();
    for (Strand strand : strands) {
      boolean hand = false;
      for (Strand.End end : List.of(strand.from(), strand.to())) {
        String part = end.place().part();
        if (hand(part)) {
          hand = true;
          places.computeIfAbsent(part, p -> new ArrayList<>()).add(new At(strand, end));
        } else if (part.equals(Joint.BOARD)) {
          board.add(new At(strand, end));
        }
      }
      if (!hand) {
        base.add(strand);
      }
    }
    if (!base.isEmpty()) {
      sheet
          .step("base" + seat.suffix(), Act.WIRE_BASE, "Wire the base: " + ids(base))
          .details(
              base.stream()
                  .map(s -> s.id() + " " + s.from().words() + " - " + s.to().words())
                  .toList())
          .at(seat.at())
          .wires(seat, base)
          .add(SOLDER_MINUTES * 2 * base.size());
    }
    for (Control control : seat.build().hands()) {
      List<At> some = places.get(control.id().text());
      if (some != null) {
        at(control, some);
      }
    }
    land(board);
  }

  private boolean hand(String part) {
    return hands.contains(part);
  }

  /** Wires of what is not used are not made. */
  private boolean wanted(Strand strand) {
    return List.of(strand.from(), strand.to()).stream()
        .noneMatch(end -> sheet.book().unused().contains(end.place().part()));
  }

  private void cut(List<Strand> strands) {
    int longest = strands.stream().mapToInt(Strand::lengthMm).max().orElse(0);
    long over = strands.stream().filter(s -> s.lengthMm() > JUMPER_MM).count();
    if (over > 0) {
      sheet
          .step(
              "measure" + seat.suffix(),
              Act.MEASURE_WIRE,
              "Measure the way of the longest wire before you count on ready ones" + seat.words())
          .details(
              "longest " + Length.text(longest, LengthUnit.MM),
              over
                  + " of "
                  + strands.size()
                  + " are over "
                  + JUMPER_MM
                  + " mm: ready jumpers do not reach")
          .at(seat.at())
          .add(3);
    }
    Map<String, List<Strand>> spools = new TreeMap<>();
    for (Strand strand : strands) {
      spools
          .computeIfAbsent(strand.gaugeAwg() + " AWG " + strand.colour(), k -> new ArrayList<>())
          .add(strand);
    }
    List<String> lines = new ArrayList<>();
    spools.forEach(
        (spool, own) ->
            lines.add(
                spool
                    + ": "
                    + own.stream()
                        .map(s -> s.id() + " " + Length.text(s.lengthMm(), LengthUnit.MM))
                        .collect(Collectors.joining(", "))));
    sheet
        .step(
            "wire" + seat.suffix(),
            Act.CUT_WIRE,
            "Cut, strip and letter " + PanelSteps.count(strands.size(), "wire") + seat.words())
        .details(lines)
        .at(seat.at())
        .wires(seat, strands)
        .add(CUT_MINUTES * strands.size());
  }

  private void at(Control control, List<At> some) {
    String id = control.id().text();
    String at = "control " + id;
    String tail = seat.build().seats().size() > 1 ? id + seat.suffix() : id;
    List<At> lamps =
        some.stream()
            .filter(a -> lit.contains(control.id()) && a.strand().serves() == Serves.LAMP)
            .toList();
    List<At> contacts = some.stream().filter(a -> !lamps.contains(a)).toList();
    List<At> tubed = some.stream().filter(At::tubed).toList();
    if (!tubed.isEmpty()) {
      sheet
          .step(
              "tube-" + tail, Act.TUBE, "Slide tube on " + names(tubed) + " of " + control.label())
          .parts(List.of(PanelSteps.count(tubed.size(), "piece") + " of tube, 20 mm"))
          .at(at)
          .wires(seat, strands(tubed))
          .add(tubed.size());
    }
    if (!contacts.isEmpty()) {
      joints(sheet.step("join-" + tail, Act.JOIN, joined(contacts, control)), contacts, at);
      sheet
          .step("beep-" + tail, Act.BEEP, "Beep " + names(contacts) + " at " + control.label())
          .details("from the far end to its tab; a contact held, then let go")
          .at(at)
          .add(0.5 * contacts.size());
    }
    if (!tubed.isEmpty()) {
      sheet
          .step("shrink-" + tail, Act.SHRINK, "Shrink the tube at " + control.label())
          .at(at)
          .add(tubed.size());
    }
    if (!lamps.isEmpty()) {
      joints(
          sheet.step(
              "lamp-" + tail,
              Act.LAMPS,
              "Join the lamp of " + control.label() + ": " + names(lamps)),
          lamps,
          at);
    }
  }

  private static String joined(List<At> some, Control control) {
    boolean soldered = some.stream().anyMatch(a -> a.end().landing().soldered());
    return (soldered ? "Solder " : "Push ")
        + names(some)
        + (soldered ? " to " : " on ")
        + control.label();
  }

  private void joints(Worksheet.Draft step, List<At> some, String at) {
    if (some.stream().anyMatch(a -> a.end().landing().soldered())) {
      step.with(Implement.IRON);
    }
    if (some.stream().anyMatch(a -> a.end().landing().how() == Landing.How.PUSH_ON)) {
      step.with(Implement.CRIMPER);
    }
    step.details(some.stream().map(At::words).toList())
        .at(at)
        .wires(seat, strands(some))
        .add(some.stream().mapToDouble(At::minutes).sum());
  }

  private static List<Strand> strands(List<At> some) {
    return some.stream().map(At::strand).toList();
  }

  private void land(List<At> board) {
    if (board.isEmpty()) {
      return;
    }
    Worksheet.Draft step =
        sheet.step(
            "land" + seat.suffix(),
            Act.LAND,
            "Bring " + PanelSteps.count(board.size(), "wire end") + " to the board" + seat.words());
    if (board.stream().anyMatch(a -> a.end().landing().soldered())) {
      step.with(Implement.IRON);
    }
    step.details(board.stream().map(a -> a.strand().id() + " to " + a.end().tab()).toList())
        .at(seat.at())
        .wires(seat, strands(board))
        .add(board.stream().mapToDouble(At::minutes).sum());
    sheet
        .step(
            "relief" + seat.suffix(),
            Act.RELIEF,
            "Tie the wires down, give cables their strain relief")
        .details("no joint takes a pull")
        .at(seat.at())
        .add(10);
  }

  private static String names(List<At> some) {
    return some.stream().map(a -> a.strand().id()).distinct().collect(Collectors.joining(", "));
  }

  private static String ids(List<Strand> some) {
    return some.stream().map(Strand::id).collect(Collectors.joining(", "));
  }
}
