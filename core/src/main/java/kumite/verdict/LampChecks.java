package kumite.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Lamp;
import kumite.parts.BoardKind;
import kumite.parts.Catalogue;
import kumite.parts.Terminal;
import kumite.power.ESeries;
import kumite.power.LampResistor;
import kumite.working.Working;

/** Checks of lamps and their resistors. */
final class LampChecks {
  /** A lamp fed this much over its current is overfed: common practice, no source. */
  private static final double OVERFED = 1.1;

  private LampChecks() {}

  static List<Finding> of(Build build, Catalogue catalogue) {
    List<Finding> findings = new ArrayList<>();
    Optional<BoardKind> board = catalogue.boardOf(build);
    Optional<Terminal> supply =
        board.flatMap(
            b ->
                b.terminals(Terminal.Role.SUPPLY).stream()
                    .max(Comparator.comparingDouble(Terminal::volts)));
    for (Control control : build.controls()) {
      Optional<Lamp> lamp = catalogue.kindOf(control).lamp();
      if (lamp.isPresent() && board.isPresent()) {
        findings.add(
            supply
                .map(terminal -> lit(control, lamp.get(), terminal))
                .orElseGet(() -> unlit(control)));
      }
    }
    return findings;
  }

  private static Finding unlit(Control control) {
    return Finding.of(
        "PW-04",
        Severity.LOOK,
        Station.LOOM,
        List.of(control.id().text()),
        control.label() + "'s lamp has no supply",
        "This board has no terminal that gives volts to a lamp; the lamp stays dark");
  }

  private static Finding lit(Control control, Lamp lamp, Terminal terminal) {
    LampResistor wanted =
        LampResistor.of(terminal.volts(), lamp.forwardVolts(), lamp.milliamps(), ESeries.E24);
    List<String> about = List.of(control.id().text());
    String feed = terminal.name() + ", " + Working.number(terminal.volts(), 1) + " V";
    if (!wanted.lights()) {
      return Finding.of(
              "PW-02",
              Severity.STOP,
              Station.LOOM,
              about,
              control.label() + "'s lamp will not light",
              "It needs "
                  + Working.number(lamp.forwardVolts(), 1)
                  + " V; "
                  + feed
                  + " gives no more")
          .showing(wanted.working());
    }
    Fix fix =
        Fix.of(
            "Fit " + LampResistor.ohms(wanted.chosenOhm()) + " to " + control.label(),
            b ->
                b.withControl(
                    control.id(), c -> c.withLampOhm(OptionalDouble.of(wanted.chosenOhm()))));
    if (control.lampOhm().isEmpty()) {
      return Finding.of(
              "PW-01",
              Severity.LOOK,
              Station.LOOM,
              about,
              control.label() + "'s lamp has no resistor",
              "On "
                  + feed
                  + " nothing but the lamp itself limits the current; it dies early and may"
                  + " take the board's supply with it")
          .showing(wanted.working())
          .mendedBy(fix);
    }
    double ohm = control.lampOhm().getAsDouble();
    double milliamps = (terminal.volts() - lamp.forwardVolts()) / ohm * 1000;
    if (milliamps > lamp.milliamps() * OVERFED) {
      return Finding.of(
              "PW-03",
              Severity.LOOK,
              Station.LOOM,
              about,
              control.label() + "'s lamp is overfed",
              LampResistor.ohms(ohm)
                  + " passes "
                  + Working.number(milliamps, 1)
                  + " mA; the lamp is made for "
                  + Working.number(lamp.milliamps(), 0)
                  + " mA")
          .showing(wanted.working())
          .mendedBy(fix);
    }
    return Finding.of(
            "PW-20",
            Severity.FINE,
            Station.LOOM,
            about,
            control.label() + "'s lamp is fed rightly",
            LampResistor.ohms(ohm)
                + " from "
                + feed
                + " passes "
                + Working.number(milliamps, 1)
                + " mA")
        .showing(wanted.working());
  }
}
