package kumite.circuit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.loom.Hookup;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.Terminal;
import kumite.loom.CommonRun;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Sharing;
import kumite.loom.Strand;
import kumite.loom.Wire;
import kumite.name.ContactId;
import kumite.working.Source;
import kumite.working.Working;

/** The levels of all contacts of a loom; circuits that are alike are solved once. */
public final class Inputs {
  private final Map<InputCircuit, Span[]> solved = new HashMap<>();

  Inputs() {}

  /** {@return the levels of each contact that has a terminal} */
  public static Map<ContactId, InputLevels> of(Build build, BoardKind board, Loom loom) {
    Inputs inputs = new Inputs();
    Map<ContactId, Strand> strands = loom.byContact();
    Map<String, Integer> runMm = new HashMap<>();
    for (CommonRun run : loom.runs()) {
      runMm.put(run.name(), run.lengthMm());
    }
    Wire wire = Wire.ofAwg(build.loom().laying().gaugeAwg());
    Map<ContactId, InputLevels> levels = new HashMap<>();
    for (ContactSite site : loom.sites()) {
      Optional<PinChoice> pin = loom.pinOf(site.id());
      if (pin.isEmpty()) {
        continue;
      }
      // At worst the current comes along the whole common and back along the strand.
      double lengthMm =
          (strands.containsKey(site.id()) ? strands.get(site.id()).lengthMm() : 0)
              + runMm.getOrDefault(site.common().words(), 0);
      InputCircuit circuit = circuit(board, loom, site, pin.get().terminal(), wire.ohm(lengthMm));
      levels.put(site.id(), inputs.levels(circuit));
    }
    return levels;
  }

  private static InputCircuit circuit(
      BoardKind board, Loom loom, ContactSite site, Terminal terminal, double wireOhm) {
    Optional<Sharing> sharing = loom.sharingOf(site.id());
    ContactKind.Type type = site.contact().type();
    if (type == ContactKind.Type.WIPER) {
      return InputCircuit.of(InputCircuit.Shape.WIPER, board, terminal, Common.GROUND, wireOhm)
          .stepped(0, site.kind().ohm(), 0);
    }
    if (type == ContactKind.Type.LADDER) {
      return InputCircuit.of(InputCircuit.Shape.TAP_LADDER, board, terminal, Common.GROUND, wireOhm)
          .stepped(site.kind().steps(), site.kind().ohm(), 0);
    }
    Hookup hookup = site.control().hookup();
    if (sharing.isPresent()) {
      InputCircuit.Shape shape = shape(sharing.get().group().topology());
      InputCircuit shared =
          InputCircuit.of(shape, board, terminal, Common.GROUND, wireOhm)
              .restingClosed(hookup.restsClosed());
      return shape == InputCircuit.Shape.BUTTON_LADDER
          ? shared.stepped(
              sharing.get().seats().size(),
              0,
              sharing.get().seat(site.id()).map(Sharing.Seat::step).orElse(1))
          : shared;
    }
    boolean touch =
        terminal.can(Terminal.Ability.TOUCH) && board.fixedMap()
            || site.kind().family() == kumite.kind.ControlKind.Family.PAD
                && terminal.can(Terminal.Ability.TOUCH);
    InputCircuit plain =
        InputCircuit.of(
                touch ? InputCircuit.Shape.TOUCH : InputCircuit.Shape.CONTACT,
                board,
                terminal,
                site.common(),
                wireOhm)
            .restingClosed(hookup.restsClosed());
    double volts = Loom.lampVolts(board, site.control());
    return site.kind().lamp().isPresent() && hookup.lampShares() && volts > 0
        ? plain.lit(site.kind().lamp().get(), hookup.lampOhm().orElse(0), volts)
        : plain;
  }

  private static InputCircuit.Shape shape(Topology topology) {
    return switch (topology) {
      case MATRIX -> InputCircuit.Shape.MATRIX;
      case BARE_MATRIX -> InputCircuit.Shape.BARE_MATRIX;
      case REGISTERS -> InputCircuit.Shape.REGISTER;
      case LADDER -> InputCircuit.Shape.BUTTON_LADDER;
      case MULTIPLEXER -> InputCircuit.Shape.MULTIPLEXER;
      case TOUCH -> InputCircuit.Shape.TOUCH;
    };
  }

  InputLevels levels(InputCircuit circuit) {
    OperatingPoint idle = circuit.circuit(false).operatingPoint();
    OperatingPoint held = circuit.circuit(true).operatingPoint();
    for (OperatingPoint point : List.of(idle, held)) {
      if (point instanceof OperatingPoint.Unsolved fault && floats(fault)) {
        return unsolved(circuit, fault, idle, held);
      }
    }
    Span[] corners = solved.computeIfAbsent(circuit.coarse(), Inputs::corners);
    double idleVolts = at(idle);
    double heldVolts = at(held);
    Span idleSpan = new Span(corners[0].least(), idleVolts, corners[0].most()).reaching(idleVolts);
    Span heldSpan = new Span(corners[1].least(), heldVolts, corners[1].most()).reaching(heldVolts);
    return new InputLevels(
        circuit,
        idleSpan,
        heldSpan,
        circuit.measured() ? InputLevels.Reading.MEASURED : circuit.read(idleSpan),
        circuit.measured() ? InputLevels.Reading.MEASURED : circuit.read(heldSpan),
        Optional.empty(),
        working(circuit, idleSpan, heldSpan));
  }

  /** Only what leaves the terminal itself without an answer matters: a far end may well float. */
  private static boolean floats(OperatingPoint.Unsolved fault) {
    return fault.why() != OperatingPoint.Why.FLOATING || fault.names().contains(InputCircuit.PIN);
  }

  private static double at(OperatingPoint point) {
    return point.solved().at(InputCircuit.PIN);
  }

  private static Span[] corners(InputCircuit circuit) {
    boolean lit = circuit.shape() == InputCircuit.Shape.LAMP_ON_CONTACT;
    Span[] spans = new Span[2];
    for (InputCircuit.Corner corner : InputCircuit.Corner.all(lit)) {
      for (int held = 0; held < 2; held++) {
        double volts = at(circuit.circuit(held == 1, corner).operatingPoint());
        spans[held] = spans[held] == null ? Span.at(volts) : spans[held].reaching(volts);
      }
    }
    return spans;
  }

  private static InputLevels unsolved(
      InputCircuit circuit,
      OperatingPoint.Unsolved fault,
      OperatingPoint idle,
      OperatingPoint held) {
    // A terminal that floats takes any volts between the rails.
    Span any = new Span(0, circuit.reads().logicVolts() / 2, circuit.reads().logicVolts());
    Span idleSpan = idle instanceof OperatingPoint.Solved ? Span.at(at(idle)) : any;
    Span heldSpan = held instanceof OperatingPoint.Solved ? Span.at(at(held)) : any;
    return new InputLevels(
        circuit,
        idleSpan,
        heldSpan,
        idle instanceof OperatingPoint.Solved
            ? circuit.read(idleSpan)
            : InputLevels.Reading.UNDEFINED,
        held instanceof OperatingPoint.Solved
            ? circuit.read(heldSpan)
            : InputLevels.Reading.UNDEFINED,
        Optional.of(fault),
        working(circuit, idleSpan, heldSpan));
  }

  private static Working working(InputCircuit circuit, Span idle, Span held) {
    return new Working(
        "volts at the terminal",
        "G v = i, solved node by node, idle and held, over all tolerances",
        List.of(
            Working.words("circuit", circuit.shape().words(), "common to " + end(circuit)),
            Working.value("Vs", circuit.reads().logicVolts(), 2, "V", "logic supply, within 5 %"),
            Working.words("pull", pullWords(circuit), circuit.pull()),
            Working.value("R wire", circuit.wireOhm(), 2, "ohm", "strand and common"),
            Working.words(
                "idle", span(idle), "reads low up to " + volts(circuit.reads().lowVolts())),
            Working.words(
                "held", span(held), "reads high from " + volts(circuit.reads().highVolts()))),
        "idle " + volts(idle.usual()) + ", held " + volts(held.usual()),
        Source.derived("modified nodal analysis; tolerances and leakage are common practice"));
  }

  private static String end(InputCircuit circuit) {
    return circuit.measured() ? "supply and ground" : circuit.common().words();
  }

  private static String pullWords(InputCircuit circuit) {
    return circuit.pull().equals("none")
        ? "none"
        : circuit.pull().endsWith("beside it")
            ? "10 kohm"
            : Working.number(circuit.pulls().leastOhm() / 1000, 0)
                + " to "
                + Working.number(circuit.pulls().mostOhm() / 1000, 0)
                + " kohm";
  }

  private static String span(Span span) {
    return volts(span.least()) + " to " + volts(span.most());
  }

  private static String volts(double volts) {
    return Working.number(volts, 3) + " V";
  }
}
