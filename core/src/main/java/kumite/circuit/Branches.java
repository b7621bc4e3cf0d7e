package kumite.circuit;

import kumite.component.Component;
import kumite.working.Quantity;

/** Names and values of what lets current through, for people. */
final class Branches {
  private Branches() {}

  static Sketch.Branch of(Network network, Edge edge, Conditions now, boolean closedAtRest) {
    return new Sketch.Branch(
        kind(edge),
        name(network, edge),
        words(network, edge, now),
        network.name(edge.a()),
        network.name(edge.b()),
        closedAtRest);
  }

  private static Sketch.Kind kind(Edge edge) {
    return switch (edge.kind()) {
      case PULL, RESISTOR, CHANNEL, LEAK, DRIVE_HIGH, DRIVE_LOW, OUT_HIGH, OUT_LOW ->
          Sketch.Kind.RESISTOR;
      case OPEN_CONTACT, RESTING_CONTACT, TAP -> Sketch.Kind.CONTACT;
      case POT_LOW, POT_HIGH -> Sketch.Kind.TRACK;
      case DIODE -> Sketch.Kind.DIODE;
      case LAMP -> Sketch.Kind.LAMP;
      case SKIN -> Sketch.Kind.SKIN;
      case OUTPUT_HIGH, OUTPUT_LOW -> Sketch.Kind.OUTPUT;
    };
  }

  private static String name(Network network, Edge edge) {
    return switch (edge.kind()) {
      case PULL ->
          switch (network.pull(edge.terminal())) {
            case DOWN -> "pull-down";
            case CHARGE -> "to its capacitor";
            case UP, TOUCH, NONE -> "pull-up";
          };
      case DRIVE_HIGH -> edge.terminal() + " drives high";
      case DRIVE_LOW -> edge.terminal() + " drives low";
      case RESISTOR -> ((Component.Resistor) edge.part()).job().words();
      case OPEN_CONTACT -> "contact";
      case RESTING_CONTACT -> "contact closed at rest";
      case TAP -> "step " + (edge.index() + 1);
      case POT_LOW -> "track below the wiper";
      case POT_HIGH -> "track above the wiper";
      case DIODE -> "diode";
      case LAMP -> "lamp";
      case SKIN -> "skin";
      case OUTPUT_HIGH -> "output high";
      case OUTPUT_LOW -> "output low";
      case CHANNEL ->
          ofPad(edge)
              ? edge.index() == 1 ? "pad sends high" : "pad sends low"
              : "channel " + edge.index();
      case LEAK -> "leak";
      case OUT_HIGH -> "register sends high";
      case OUT_LOW -> "register sends low";
    };
  }

  private static String words(Network network, Edge edge, Conditions now) {
    return switch (edge.kind()) {
      case PULL -> pull(network, edge);
      case DIODE -> "silicon";
      case LAMP -> {
        var lamp = ((Component.Light) edge.part()).lamp();
        yield kumite.working.Working.number(lamp.forwardVolts(), 1) + " V";
      }
      case SKIN -> "0.1 to 1 Mohm";
      case OPEN_CONTACT, RESTING_CONTACT, TAP -> "";
      case POT_LOW -> "in all";
      case POT_HIGH -> Quantity.OHM.words(((Component.Pot) edge.part()).ohm());
      case RESISTOR -> Quantity.OHM.words(((Component.Resistor) edge.part()).ohm());
      case DRIVE_HIGH, DRIVE_LOW -> Quantity.OHM.words(Network.DRIVER_OHM);
      case CHANNEL -> Quantity.OHM.words(ofPad(edge) ? Network.CHIP_OHM : Network.CHANNEL_OHM);
      case OUT_HIGH, OUT_LOW -> Quantity.OHM.words(Network.CHIP_OHM);
      case OUTPUT_HIGH, OUTPUT_LOW -> Quantity.OHM.words(Network.OUTPUT_OHM);
      case LEAK -> Quantity.OHM.words(Math.max(1, network.ohm(edge, now, Corner.USUAL)));
    };
  }

  private static boolean ofPad(Edge edge) {
    return edge.part() instanceof Component.Multiplexer chip && chip.ofPad();
  }

  /** Both ends of a range in one unit, such as {@code 20 to 50 kohm}. */
  private static String pull(Network network, Edge edge) {
    String least = ohms(network, edge, 0);
    String most = ohms(network, edge, 1);
    String unit = most.substring(most.indexOf(' ') + 1);
    return least.equals(most)
        ? most
        : (least.endsWith(" " + unit) ? least.substring(0, least.indexOf(' ')) : least)
            + " to "
            + most;
  }

  private static String ohms(Network network, Edge edge, double pull) {
    Conditions free = Conditions.of(contact -> 0);
    return Quantity.OHM.words(network.ohm(edge, free, new Corner(pull, 0, 0, false, false)));
  }
}
