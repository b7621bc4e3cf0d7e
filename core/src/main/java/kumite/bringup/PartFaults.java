package kumite.bringup;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.wiring.Change;

/** Parts that are missing, wrong or turned, and what is wrong with the board itself. */
final class PartFaults extends FaultList {

  PartFaults(FaultList list) {
    super(list);
  }

  void parts() {
    int number = 0;
    for (Component part : wiring.ownParts()) {
      number++;
      if (part instanceof Component.Diode diode) {
        part(
            number,
            diode,
            FaultKind.REVERSED,
            "reversed",
            diode.reversed(),
            "is the wrong way round",
            "Turn it: the band goes to " + words(diode.cathode()));
        missing(number, diode);
      } else if (part instanceof Component.Resistor resistor && resistor.fitted()) {
        missing(number, resistor);
        if (resistor.job() != Component.Job.LAMP) {
          for (double factor : new double[] {10, 0.1}) {
            part(
                number,
                resistor,
                FaultKind.PART_WRONG,
                factor > 1 ? "tenfold" : "tenth",
                new Component.Resistor(
                    resistor.job(),
                    resistor.a(),
                    resistor.b(),
                    resistor.ohm() * factor,
                    resistor.tolerance()),
                factor > 1 ? "is ten times too large" : "is ten times too small",
                "Read its rings, and replace it");
          }
        }
      } else if (part instanceof Component.Light light) {
        part(
            number,
            light,
            FaultKind.REVERSED,
            "reversed",
            new Component.Light(light.control(), light.cathode(), light.anode(), light.lamp()),
            "is the wrong way round",
            "Change over its two wires");
      } else if (part instanceof Component.Pot pot) {
        part(
            number,
            pot,
            FaultKind.REVERSED,
            "reversed",
            new Component.Pot(
                pot.contact(),
                pot.high(),
                pot.wiper(),
                pot.low(),
                pot.ohm(),
                pot.rest() > 0 ? 1 - pot.rest() : 0),
            "has its two ends changed over",
            "Change over the wires at its ends");
        ends(pot);
      }
    }
  }

  private void ends(Component.Pot pot) {
    for (Joint end : List.of(pot.low(), pot.high())) {
      List<Jumper> atEnd = at.getOrDefault(end, List.of());
      List<Jumper> atWiper = at.getOrDefault(pot.wiper(), List.of());
      if (!atEnd.isEmpty() && !atWiper.isEmpty()) {
        add(
            FaultKind.SWAPPED,
            "track " + words(end) + " " + words(pot.wiper()),
            0.7,
            "The wires at " + words(pot.wiper()) + " and " + words(end) + " are changed over",
            List.of(pot.wiper(), end),
            "Change them back",
            all(atEnd, end, pot.wiper()).and(all(atWiper, pot.wiper(), end)));
      }
    }
  }

  private void missing(int number, Component part) {
    add(
        FaultKind.PART_MISSING,
        "missing " + number + " " + words(part.ends().get(0)),
        1,
        named(part) + " is missing, or one of its joints is open",
        part.ends(),
        "Put it in, or make its joints anew",
        Change.without(part));
  }

  private void part(
      int number,
      Component part,
      FaultKind kind,
      String word,
      Component by,
      String is,
      String repair) {
    add(
        kind,
        word + " " + number + " " + words(part.ends().get(0)),
        1,
        named(part) + " " + is,
        part.ends(),
        repair,
        Change.replacing(part, by));
  }

  private String named(Component part) {
    String words = part.words();
    return "The "
        + words
        + " between "
        + words(part.ends().get(0))
        + " and "
        + words(part.ends().get(part.ends().size() - 1));
  }

  // ---- the board

  void board() {
    Set<String> told = new LinkedHashSet<>();
    view.all()
        .forEach(
            look ->
                view.places(look).stream()
                    .filter(place -> place.part().equals(Joint.BOARD))
                    .map(Joint::tab)
                    .forEach(told::add));
    for (String name : told) {
      Joint terminal = Joint.board(name);
      effect(
          FaultKind.TERMINAL_DEAD,
          "dead " + words(terminal),
          "Terminal " + words(terminal) + " of the board is dead",
          List.of(terminal),
          "Move its wire to a free terminal, and the plan with it",
          new Fault.Effect.Dead(view.global(terminal)));
    }
    String at = view.wires().build().seats().size() > 1 ? " at " + view.wires().seat() : "";
    effect(
        FaultKind.NOT_ASSIGNED,
        "not-assigned" + at,
        "The host shows the device" + at + ", but gives its buttons no function yet",
        List.of(),
        "Assign its functions in the host's settings, from the assignment chart",
        new Fault.Effect.NotAssigned());
    effect(
        FaultKind.WRONG_PROGRAM,
        "wrong-program" + at,
        "The board" + at + " runs another program, or one for another board",
        List.of(),
        "Choose the board by its name and load the program again",
        new Fault.Effect.WrongProgram());
  }
}
