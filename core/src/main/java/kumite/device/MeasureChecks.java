package kumite.device;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.PowerCode;
import kumite.component.Component;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.loom.Look;
import kumite.loom.Sharing;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.power.ESeries;
import kumite.power.Heat;
import kumite.power.Judgement;
import kumite.power.Ladder;
import kumite.power.LampResistor;
import kumite.wiring.Net;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of what is measured: are the steps of a ladder told apart, does a pot drive its input? */
final class MeasureChecks {
  /** A converter's input wants a source no stiffer than this: common practice, no source. */
  private static final double SOURCE_OHM = Judgement.SOURCE_OHM;

  /** What the rungs of a stepped switch are bought with: common practice. */
  private static final double RUNG_TOLERANCE = 0.05;

  private final BoardKind board;
  private final Inputs inputs;
  private final List<Finding> findings = new ArrayList<>();

  private MeasureChecks(BoardKind board, Inputs inputs) {
    this.board = board;
    this.inputs = inputs;
  }

  static List<Finding> of(BoardKind board, List<SignalPath> paths, Inputs inputs) {
    MeasureChecks checks = new MeasureChecks(board, inputs);
    if (inputs.dead().isEmpty()) {
      Set<String> ladders = new HashSet<>();
      for (SignalPath path : paths) {
        if (checks.unfit(path)) {
          continue;
        }
        Optional<InputLevels> levels = path.levels().filter(InputLevels::readable);
        if (levels.isEmpty()) {
          continue; // told as a stop
        }
        ContactKind.Type type = path.site().contact().type();
        if (levels.get().look().how() instanceof Look.Ohms) {
          checks.timed(path);
          continue;
        }
        if (board.adcBits() == 0) {
          continue;
        }
        if (levels.get().look().how() instanceof Look.Step step
            && ladders.add(path.sharing().orElseThrow().group().name().text())) {
          checks.buttons(path.sharing().orElseThrow(), step);
        } else if (type == ContactKind.Type.LADDER) {
          checks.taps(path);
        } else if (type == ContactKind.Type.WIPER && !path.site().fed()) {
          checks.wiper(path);
        }
      }
    }
    return checks.findings;
  }

  /** {@return whether a part cannot suit a terminal that counts ohms, which is told then} */
  private boolean unfit(SignalPath path) {
    if (path.levels().filter(l -> l.look().how() instanceof Look.Ohms).isEmpty()) {
      return false;
    }
    boolean volts = path.site().fed();
    boolean divider =
        inputs.wiring().ownParts().stream()
            .anyMatch(
                part ->
                    part instanceof Component.Pot pot
                        && pot.contact().equals(path.id())
                        && held(pot.low())
                        && held(pot.high()));
    if (!volts && !divider) {
      return false;
    }
    findings.add(
        Finding.of(
            PowerCode.DIVIDER_ON_TIMER,
            List.of(Subject.of(path.id())),
            path.site().label()
                + (volts ? " gives volts, and the port counts ohms" : " is wired as a divider"),
            volts
                ? "The port charges a capacitor through what leads to its supply: take a plain"
                    + " potentiometer, or a board that measures volts"
                : "The port counts the ohms from its supply to the wiper; with the other end on"
                    + " ground or a supply it charges to less and counts wrong. Leave that end"
                    + " open: two wires do"));
    return true;
  }

  private boolean held(Joint end) {
    return inputs.wiring().nets().of(end).filter(Net::rail).isPresent();
  }

  private void buttons(Sharing sharing, Look.Step step) {
    String name = sharing.group().name().text();
    boolean all =
        sharing.seats().stream()
            .map(seat -> inputs.levels().get(seat.site().id()))
            .allMatch(levels -> levels != null && levels.readable());
    if (step.ohms().size() < 2 || !all) {
      return; // what cannot be told is told as a stop
    }
    Ladder ladder =
        Ladder.buttons(
            board.logicVolts(),
            step.ohms().get(0),
            step.ohms().size(),
            0.01,
            board.adcBits(),
            ESeries.E24);
    ladder(new Subject.Group(sharing.group().name()), name, ladder, winner(sharing));
  }

  /** Of the first and the last held together, which one the board then sees, as it is wired. */
  private String winner(Sharing sharing) {
    List<ContactId> members = sharing.seats().stream().map(seat -> seat.site().id()).toList();
    ContactId first = members.get(0);
    ContactId last = members.get(members.size() - 1);
    List<String> seen =
        members.stream()
            .filter(
                id ->
                    inputs.looks().of(id).isPresent()
                        && inputs
                            .see(id, c -> c.equals(first) || c.equals(last) ? 1 : inputs.rest(c))
                            .pressed())
            .map(id -> sharing.seat(id).orElseThrow().site().label())
            .toList();
    return "; of the first and the last held together the board sees "
        + (seen.isEmpty() ? "neither" : String.join(" and ", seen));
  }

  private void taps(SignalPath path) {
    Ladder ladder =
        Ladder.taps(
            board.logicVolts(),
            path.site().kind().ohm(),
            path.site().kind().steps(),
            RUNG_TOLERANCE,
            board.adcBits());
    ladder(Subject.of(path.id()), path.site().label(), ladder, "");
  }

  private void ladder(Subject about, String label, Ladder ladder, String more) {
    boolean apart = ladder.leastGapCodes() >= Ladder.CODES_APART;
    findings.add(
        Finding.of(
                apart ? PowerCode.STEPS_FINE : PowerCode.STEPS_CLOSE,
                apart ? Severity.FINE : Severity.LOOK,
                List.of(about),
                label
                    + (apart
                        ? ": every step is told apart"
                        : ": steps "
                            + ladder.closest()
                            + " and "
                            + (ladder.closest() + 1)
                            + " sit close"),
                ladder.leastGapCodes()
                    + " codes apart at worst, "
                    + Ladder.CODES_APART
                    + " wanted; "
                    + ladder.steps().size()
                    + " steps on "
                    + (1 << board.adcBits())
                    + " codes"
                    + more)
            .showing(ladder.working()));
  }

  /** A port that times a capacitor knows ohms from none to a full scale, not volts. */
  private void timed(SignalPath path) {
    double ohm = path.site().kind().ohm() * Math.max(1, path.site().kind().steps() - 1);
    double full = Look.Ohms.FULL_OHM;
    boolean fits = ohm <= full * Judgement.PORT_BEYOND && ohm >= full / 2;
    Working working =
        new Working(
            "time of the port's one-shot",
            "t = 24.2 us + 0.011 us/ohm x R",
            List.of(
                Working.words("R", LampResistor.ohms(ohm), "all of it"),
                Working.words("full", LampResistor.ohms(full), "last code of the axis")),
            Working.number(24.2 + 0.011 * ohm, 1) + " us",
            Source.memory("technical reference of the first game control adapter"));
    findings.add(
        Finding.of(
                fits ? PowerCode.POT_FINE : PowerCode.POT_OFF_PORT,
                fits ? Severity.FINE : Severity.LOOK,
                List.of(Subject.of(path.id())),
                path.site().label()
                    + (fits ? " suits the port's timing" : " is out of the port's range"),
                LampResistor.ohms(ohm)
                    + " take "
                    + Working.number(24.2 + 0.011 * ohm, 1)
                    + " us; the port counts up to about "
                    + LampResistor.ohms(full)
                    + (ohm > full
                        ? ": beyond that nothing changes any more"
                        : fits ? "" : ": the axis never gets far"))
            .showing(working));
  }

  /** Its ends lie on supply and ground, so that the whole supply is lost in it. */
  private void hot(SignalPath path) {
    double ohm = path.site().kind().ohm();
    double volts = board.logicVolts();
    Heat.ofPot(volts * volts / ohm)
        .ifPresent(
            said ->
                findings.add(
                    Finding.of(
                        PowerCode.PART_HOT,
                        said.grade() == Judgement.Grade.STOP ? Severity.STOP : Severity.LOOK,
                        List.of(Subject.of(path.id())),
                        path.site().label() + " gets hot",
                        Working.number(volts, 1)
                            + " V lie on "
                            + LampResistor.ohms(ohm)
                            + ": "
                            + said.why())));
  }

  private void wiper(SignalPath path) {
    if (path.site().pad().isPresent()) {
      return; // its own circuit measures it, or a capacitor at its socket holds the volts
    }
    hot(path);
    double source = path.site().kind().ohm() / 4;
    if (source <= SOURCE_OHM) {
      return;
    }
    findings.add(
        Finding.of(
                PowerCode.POT_TOO_HIGH,
                List.of(Subject.of(path.id())),
                path.site().label() + " is weak for the converter",
                "In its middle it looks like "
                    + LampResistor.ohms(source)
                    + "; a converter wants "
                    + LampResistor.ohms(SOURCE_OHM)
                    + " or less, or a capacitor of 100 nF at its input")
            .showing(
                new Working(
                    "source of the wiper",
                    "Rs <= R / 4",
                    List.of(
                        Working.words(
                            "R", LampResistor.ohms(path.site().kind().ohm()), "end to end")),
                    LampResistor.ohms(source),
                    Source.derived("two halves in parallel"))));
  }
}
