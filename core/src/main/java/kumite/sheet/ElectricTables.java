package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.component.Component;
import kumite.device.SignalPath;
import kumite.loom.Look;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.verdict.Bench;
import kumite.wiring.Wiring;

/** What a meter should show at each contact, and each chip pin by pin, as tables of a sheet. */
final class ElectricTables {
  private final Bench bench;
  private final Flow flow;

  ElectricTables(Bench bench, Flow flow) {
    this.bench = bench;
    this.flow = flow;
  }

  /** {@return where a contact is read; of a matrix its row and its column} */
  static String terminal(Bench bench, SignalPath path) {
    return bench
        .circuit()
        .flatMap(circuit -> circuit.inputs().looks().of(path.id()))
        .map(
            look ->
                look.how() instanceof Look.Row row
                    ? "row " + row.row().name() + ", col " + look.read().name()
                    : look.read().name())
        .orElseGet(() -> path.pin().map(pin -> pin.terminal().name()).orElse("-"));
  }

  /** Each contact's volts idle and held; a stepped control has a row for each step. */
  void volts() throws IOException {
    if (bench.circuit().isEmpty() || bench.paths().isEmpty()) {
      return;
    }
    List<String[]> rows = new ArrayList<>();
    for (SignalPath path : bench.paths()) {
      path.levels().ifPresent(levels -> rows(path, levels, rows));
    }
    flow.table(
        "Expected volts, black probe on ground, board plugged in",
        List.of(
            Flow.Column.of("contact", 40),
            Flow.Column.of("red probe on", 52),
            Flow.Column.mono("idle", 17),
            Flow.Column.mono("held", 17),
            Flow.Column.mono("idle may be", 28),
            Flow.Column.mono("held may be", 28)),
        rows,
        "No contact has a terminal yet.");
  }

  private void rows(SignalPath path, InputLevels levels, List<String[]> rows) {
    Inputs inputs = bench.circuit().orElseThrow().inputs();
    String place = levels.sketch().place();
    String how = levels.sketch().how();
    String where = how.contains(place) || how.isEmpty() ? how : place + ", " + how;
    boolean unknown = levels.trouble().isPresent();
    boolean floats = levels.floating().isPresent();
    int steps = path.site().kind().steps();
    if (steps > 1 && !unknown) {
      for (int step = 1; step <= steps; step++) {
        double travel = (step - 1.0) / (steps - 1);
        double at =
            inputs.see(path.id(), c -> c.equals(path.id()) ? travel : inputs.rest(c)).volts();
        rows.add(
            new String[] {path.site().label() + ", step " + step, place, "", volts(at), "", ""});
      }
      return;
    }
    boolean idleFloats = floats && !levels.floating().get().held();
    rows.add(
        new String[] {
          path.site().label(),
          where,
          unknown ? "-" : idleFloats ? "floats" : sure(levels.sureIdleVolts()),
          unknown ? "-" : floats && !idleFloats ? "floats" : sure(levels.sureHeldVolts()),
          unknown ? levels.trouble().get() : span(levels.idleRange()),
          unknown ? "" : span(levels.heldRange())
        });
  }

  private static String span(kumite.circuit.Span span) {
    return String.format(Locale.ROOT, "%.2f to %.2f", span.least(), span.most());
  }

  private static String sure(Optional<Double> volts) {
    return volts.map(ElectricTables::volts).orElse("no sure volts");
  }

  private static String volts(double volts) {
    return Double.isNaN(volts) ? "-" : String.format(Locale.ROOT, "%.2f V", volts);
  }

  /** Every pin of every chip: what it is for, its weight, and which wires go there. */
  void chips() throws IOException {
    if (bench.wiring().isEmpty()) {
      return;
    }
    List<String[]> rows = new ArrayList<>();
    for (Component part : bench.wiring().get().ownParts()) {
      if (!part.fitted()) {
        continue; // a pad's own chips are in the pad
      }
      if (part instanceof Component.Multiplexer chip) {
        multiplexer(chip, rows);
      } else if (part instanceof Component.Register chip) {
        register(chip, rows);
      }
    }
    if (rows.isEmpty()) {
      return;
    }
    flow.table(
        "Chips, pin by pin",
        List.of(
            Flow.Column.of("chip", 34),
            Flow.Column.mono("pin", 22),
            Flow.Column.of("what it is", 72),
            Flow.Column.of("strands", 46),
            Flow.Column.tick("done", 8)),
        rows,
        "");
  }

  private void multiplexer(Component.Multiplexer chip, List<String[]> rows) {
    for (int i = 0; i < chip.channels().size(); i++) {
      rows.add(row(chip.channels().get(i), "channel " + i + ", picked by code " + i));
    }
    for (int bit = 0; bit < chip.selects().size(); bit++) {
      rows.add(row(chip.selects().get(bit), "select, weight " + (1 << bit)));
    }
    rows.add(row(chip.out(), "common of the channels, to the terminal that reads"));
    rows.add(row(chip.supply(), "supply"));
    rows.add(row(chip.ground(), "ground"));
    rows.add(
        new String[] {
          chip.ground().part(), "EN", "enable, active low: tie it to ground on the carrier", "", ""
        });
  }

  private void register(Component.Register chip, List<String[]> rows) {
    for (int i = 0; i < chip.inputs().size(); i++) {
      rows.add(
          row(
              chip.inputs().get(i),
              "input, comes out as number " + (i + 1) + ", weight " + (1 << i)));
    }
    rows.add(row(chip.load(), "load, active low: takes the inputs in"));
    rows.add(row(chip.clock(), "clock: each rise shifts one out"));
    boolean last = chip.next().equals(chip.supply()) || chip.next().equals(chip.ground());
    rows.add(
        row(
            chip.next(),
            last
                ? "serial input of the last chip, tied off"
                : "serial input, from the chip behind"));
    rows.add(row(chip.out(), "serial output"));
    rows.add(row(chip.supply(), "supply"));
    rows.add(row(chip.ground(), "ground"));
    rows.add(
        new String[] {
          chip.ground().part(),
          "clock enable",
          "active low: tie it to ground on the carrier",
          "",
          ""
        });
  }

  private String[] row(Joint pin, String what) {
    return new String[] {pin.part(), pin.tab(), what, strands(pin), ""};
  }

  private String called(Joint far) {
    if (far.part().equals(Joint.BOARD)) {
      return far.tab();
    }
    return bench.build().labelled().stream()
            .filter(control -> control.id().text().equals(far.part()))
            .map(kumite.build.Control::label)
            .findFirst()
            .orElse(far.part())
        + " "
        + far.tab();
  }

  private String strands(Joint pin) {
    Wiring wiring = bench.wiring().orElseThrow();
    return wiring.wires().values().stream()
        .filter(wire -> wire.ends().a().equals(pin) || wire.ends().b().equals(pin))
        .map(
            wire -> {
              Jumper ends = wire.ends();
              Joint far = ends.a().equals(pin) ? ends.b() : ends.a();
              return wire.strand().map(id -> id + " ").orElse("by hand ") + called(far);
            })
        .collect(Collectors.joining(", "));
  }
}
