package kumite.device;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.circuit.Inputs;
import kumite.circuit.LampCurrent;
import kumite.circuit.PowerCode;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Lamp;
import kumite.kind.Terminal;
import kumite.loom.Lamps;
import kumite.name.ControlId;
import kumite.power.ESeries;
import kumite.power.Heat;
import kumite.power.Judgement;
import kumite.power.LampResistor;
import kumite.working.Working;

/** Checks of lamps: does each light, and does it last? Judged by the current that flows. */
final class LampChecks {
  /** A lamp fed this much over its current is overfed: common practice, no source. */
  private static final double OVERFED = 1.1;

  /** Without a resistor, from this many times its current on it does not last. */
  private static final double RUINED = 2;

  /** Below this share of its current a lamp barely lights: common practice, no source. */
  private static final double BARELY = 0.2;

  /** The same of a lamp with its resistor inside, such as one for 12 V on 5 V: common practice. */
  private static final double BARELY_INSIDE = 1.0 / 3;

  /** Below this share it does not light at all: common practice, no source. */
  private static final double DARK = 0.01;

  private final Build build;
  private final BoardKind board;
  private final Inputs inputs;
  private final List<Finding> before;
  private final List<Finding> findings = new ArrayList<>();

  private LampChecks(Build build, BoardKind board, Inputs inputs, List<Finding> before) {
    this.build = build;
    this.board = board;
    this.inputs = inputs;
    this.before = before;
  }

  static List<Finding> of(
      Build build, BoardKind board, List<SignalPath> paths, Inputs inputs, List<Finding> before) {
    LampChecks checks = new LampChecks(build, board, inputs, before);
    Set<ControlId> done = new HashSet<>();
    for (SignalPath path : paths) {
      Control control = path.site().control();
      Optional<Lamp> lamp = path.site().kind().lamp();
      if (inputs.dead().isEmpty() && lamp.isPresent() && done.add(control.id())) {
        checks.lamp(control, lamp.get());
      }
    }
    return checks.findings;
  }

  private void lamp(Control control, Lamp lamp) {
    Optional<Terminal> feed = Lamps.supply(board, control);
    Optional<LampCurrent> current =
        inputs.lamps().stream().filter(l -> l.light().control().equals(control.id())).findFirst();
    double milliamps = current.map(LampCurrent::litMilliamps).orElse(0.0);
    if (feed.isEmpty() && milliamps < DARK * lamp.milliamps()) {
      findings.add(
          finding(
              PowerCode.LAMP_WITHOUT_SUPPLY,
              Severity.LOOK,
              control,
              control.label() + "'s lamp has no supply",
              "This board has no terminal that gives volts to a lamp; the lamp stays dark"));
      return;
    }
    double volts = Lamps.volts(board, control);
    boolean bare = !lamp.resistorInside() && control.hookup().lampOhm().isEmpty() && volts > 0;
    hot(control, milliamps);
    if (!bare && Math.min(milliamps, limit(feed)) > RUINED * lamp.milliamps()) {
      ruined(control, lamp, volts, milliamps);
    } else if (lamp.resistorInside()) {
      inside(control, lamp, volts, milliamps);
    } else {
      bare(control, lamp, feed, volts, milliamps);
    }
  }

  /** What is lost in the resistor that was fitted. */
  private void hot(Control control, double milliamps) {
    double ohm = control.hookup().lampOhm().orElse(0);
    double amps = milliamps / 1000;
    Heat.ofResistor(amps * amps * ohm)
        .ifPresent(
            said ->
                findings.add(
                    finding(
                        PowerCode.PART_HOT,
                        said.grade() == Judgement.Grade.STOP ? Severity.STOP : Severity.LOOK,
                        control,
                        control.label() + "'s resistor gets hot",
                        milliamps(milliamps)
                            + " flow through "
                            + LampResistor.ohms(ohm)
                            + ": "
                            + said.why()
                            + ". Keep it off wood, plastic and other wires")));
  }

  /** Twice what it is made for, wherever that comes from: another feed, or a resistor led round. */
  private void ruined(Control control, Lamp lamp, double volts, double milliamps) {
    Finding finding =
        finding(
            PowerCode.LAMP_OVERFED,
            Severity.STOP,
            control,
            control.label() + "'s lamp is far overfed",
            milliamps(milliamps)
                + " flow as it is wired; it is made for "
                + milliamps(lamp.milliamps())
                + (lamp.resistorInside()
                    ? " at " + Working.number(lamp.ratedVolts(), 0) + " V"
                    : "")
                + ", and burns out");
    LampResistor wanted =
        LampResistor.of(Math.max(0.1, volts), lamp.forwardVolts(), lamp.milliamps(), ESeries.E24);
    findings.add(
        wanted.lights() && !lamp.resistorInside()
            ? finding.showing(wanted.working()).mendedBy(fit(control, wanted))
            : finding);
  }

  /** A lamp with its resistor inside. */
  private void inside(Control control, Lamp lamp, double volts, double milliamps) {
    if (control.hookup().lampOhm().isPresent()) {
      findings.add(
          finding(
                  PowerCode.RESISTOR_TWICE,
                  Severity.LOOK,
                  control,
                  control.label() + "'s lamp has its resistor inside",
                  "It is made for "
                      + Working.number(lamp.ratedVolts(), 0)
                      + " V as it is; the one added dims it to "
                      + milliamps(milliamps)
                      + " of "
                      + milliamps(lamp.milliamps()))
              .mendedBy(
                  Fix.of(
                      "Take the resistor out",
                      b ->
                          b.withControl(
                              control.id(), c -> c.withLampOhm(OptionalDouble.empty())))));
      return;
    }
    if (!dim(control, lamp, volts, milliamps)) {
      fed(control, lamp, volts, milliamps);
    }
  }

  private void bare(
      Control control, Lamp lamp, Optional<Terminal> feed, double volts, double milliamps) {
    if (volts <= 0) {
      fed(control, lamp, volts, milliamps); // fed by hand from somewhere else
      return;
    }
    LampResistor wanted =
        LampResistor.of(volts, lamp.forwardVolts(), lamp.milliamps(), ESeries.E24);
    if (dim(control, lamp, volts, milliamps)) {
      return;
    }
    boolean none = control.hookup().lampOhm().isEmpty();
    if (none) {
      double most = Math.min(milliamps, limit(feed));
      boolean ruined = most > RUINED * lamp.milliamps();
      findings.add(
          finding(
                  PowerCode.LAMP_WITHOUT_RESISTOR,
                  ruined ? Severity.STOP : Severity.LOOK,
                  control,
                  control.label() + "'s lamp has no resistor",
                  "On "
                      + where(feed, volts)
                      + " nothing but the lamp itself limits the current: about "
                      + milliamps(most)
                      + " through a lamp made for "
                      + milliamps(lamp.milliamps())
                      + (ruined
                          ? "; it burns out and may take the board's supply with it"
                          : "; it dies early"))
              .showing(wanted.working())
              .mendedBy(fit(control, wanted)));
    } else if (milliamps > lamp.milliamps() * OVERFED) {
      findings.add(
          finding(
                  PowerCode.LAMP_OVERFED,
                  Severity.LOOK,
                  control,
                  control.label() + "'s lamp is overfed",
                  LampResistor.ohms(control.hookup().lampOhm().getAsDouble())
                      + " passes "
                      + milliamps(milliamps)
                      + "; the lamp is made for "
                      + milliamps(lamp.milliamps()))
              .showing(wanted.working())
              .mendedBy(fit(control, wanted)));
    } else {
      fed(control, lamp, volts, milliamps);
    }
  }

  private static Fix fit(Control control, LampResistor wanted) {
    return Fix.of(
        "Fit " + LampResistor.ohms(wanted.chosenOhm()) + " to " + control.label(),
        b ->
            b.withControl(control.id(), c -> c.withLampOhm(OptionalDouble.of(wanted.chosenOhm()))));
  }

  /** What its feed can give at all: the logic supply has a limit, the port's 5 V another. */
  private double limit(Optional<Terminal> feed) {
    if (feed.filter(t -> t.role() == Terminal.Role.INPUT).isPresent()) {
      return Double.POSITIVE_INFINITY; // its own resistance is solved with it
    }
    boolean logic = feed.filter(t -> t.volts() == board.logicVolts()).isPresent();
    double supply = board.current().supplyMilliamps();
    return logic && supply > 0 ? supply : 500;
  }

  /** {@return whether it is too dark, which is told then} */
  private boolean dim(Control control, Lamp lamp, double volts, double milliamps) {
    double barely = lamp.resistorInside() ? BARELY_INSIDE : BARELY;
    if (milliamps >= barely * lamp.milliamps()) {
      return false;
    }
    boolean dark = milliamps < DARK * lamp.milliamps();
    boolean low = !lamp.resistorInside() && volts > 0 && volts <= lamp.forwardVolts();
    LampResistor wanted =
        LampResistor.of(Math.max(0.1, volts), lamp.forwardVolts(), lamp.milliamps(), ESeries.E24);
    Finding finding =
        dark
            ? finding(
                PowerCode.LAMP_DARK,
                Severity.STOP,
                control,
                control.label() + "'s lamp will not light",
                low
                    ? "It needs "
                        + Working.number(lamp.forwardVolts(), 1)
                        + " V; its feed of "
                        + Working.number(volts, 1)
                        + " V is no more"
                    : "No current flows through it as it is wired")
            : finding(
                PowerCode.LAMP_DIM,
                Severity.LOOK,
                control,
                control.label() + "'s lamp barely lights",
                milliamps(milliamps)
                    + " flow; it is made for "
                    + milliamps(lamp.milliamps())
                    + (lamp.resistorInside()
                        ? " at " + Working.number(lamp.ratedVolts(), 0) + " V"
                        : ""));
    if (wanted.lights()) {
      finding = finding.showing(wanted.working());
      if (!lamp.resistorInside()) {
        finding = finding.mendedBy(fit(control, wanted));
      }
    }
    findings.add(finding);
    return true;
  }

  /** Not said beside a stop about the same control. */
  private void fed(Control control, Lamp lamp, double volts, double milliamps) {
    boolean stopped =
        before.stream().anyMatch(f -> f.severity() == Severity.STOP && f.isAbout(control.id()));
    if (!stopped) {
      findings.add(
          finding(
              PowerCode.LAMP_FINE,
              Severity.FINE,
              control,
              control.label() + "'s lamp is fed rightly",
              milliamps(milliamps)
                  + " from "
                  + Working.number(volts, 1)
                  + " V; it is made for "
                  + milliamps(lamp.milliamps())));
    }
  }

  private static String where(Optional<Terminal> feed, double volts) {
    return feed.map(t -> t.name() + ", ").orElse("") + Working.number(volts, 1) + " V";
  }

  private static String milliamps(double milliamps) {
    return Working.number(milliamps, milliamps < 10 ? 1 : 0) + " mA";
  }

  private Finding finding(
      Code code, Severity severity, Control control, String title, String detail) {
    return Finding.of(code, severity, List.of(Subject.of(control.id())), title, detail);
  }
}
