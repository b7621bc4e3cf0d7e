package kumite.loom;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.signal.Level;
import kumite.signal.OneShot;
import kumite.signal.Phased;
import kumite.signal.SignalLine;

/**
 * What is inside of a pad, made of the same parts as all else, so that wires are solved through it;
 * and what is soldered to its socket.
 */
public final class PadInside {
  /** Inside of a pad: common practice, no source. */
  private static final double PULL_OHM = 10_000;

  /** At the input of a converter: common practice, no source. */
  private static final double STEADY_NANOFARADS = 100;

  private static final double TOLERANCE = 0.05;

  private PadInside() {}

  /**
   * {@return its parts}
   *
   * @param contacts the joint of each of its contacts, by the name of its button or axis
   */
  static List<Component> of(Pad pad, Map<String, Joint> contacts) {
    if (pad.framed()) {
      return framed(pad, contacts);
    }
    if (pad.kind().mechanism() instanceof OneShot shot) {
      return dividers(pad, contacts, shot);
    }
    if (pad.kind().mechanism() instanceof Phased phased) {
      return phased.select().isPresent() ? picked(pad, phased, contacts) : List.of();
    }
    List<Component> parts = new ArrayList<>();
    List<Joint> inputs = new ArrayList<>();
    for (String button : pad.kind().order()) {
      inputs.add(button.isEmpty() ? pad.pin(Plugged.SUPPLY) : contacts.get(button));
    }
    parts.add(
        new Component.Register(
            inputs,
            pad.pin("latch"),
            pad.pin("clock"),
            pad.pin(Plugged.GROUND),
            pad.pin("data"),
            pad.pin(Plugged.SUPPLY),
            pad.pin(Plugged.GROUND),
            true));
    contacts.values().forEach(at -> parts.add(pulled(pad, at)));
    return parts;
  }

  /**
   * Contacts under a pull-up each, and tracks; what its circuit says of them is heard, not solved.
   * Beside them what lifts its lines at the socket.
   */
  private static List<Component> framed(Pad pad, Map<String, Joint> contacts) {
    List<Component> parts = new ArrayList<>();
    pad.kind().buttons().stream()
        .filter(contacts::containsKey)
        .forEach(button -> parts.add(pulled(pad, contacts.get(button))));
    for (SignalLine line : pad.kind().lines()) {
      if (pulledAtSocket(pad, line)) {
        parts.add(
            new Component.Resistor(
                Component.Job.PULL_UP,
                pad.pin(line.name()),
                pad.pin(Plugged.SUPPLY),
                line.pull().orElseThrow(),
                TOLERANCE));
      }
    }
    return parts;
  }

  /**
   * {@return whether a line gets a resistor at its socket: one that is only ever pulled low, and
   * wants more than a pull-up inside a board, which has 20 to 50 kohm as a rule}
   */
  public static boolean pulledAtSocket(Pad pad, SignalLine line) {
    return pad.framed()
        && pad.fed()
        && line.from().needsPull()
        && line.pull().orElseThrow() < PULL_OHM;
  }

  /**
   * A board measures volts where a console would time: a resistor from each pot's line to ground,
   * as many ohms as the pot has, soldered at the socket. The volts go from all to half of the
   * supply.
   */
  private static List<Component> dividers(Pad pad, Map<String, Joint> contacts, OneShot shot) {
    List<Component> parts = new ArrayList<>();
    for (String axis : pad.kind().axes()) {
      if (contacts.containsKey(axis)) {
        Joint line = pad.ownLine(axis).map(pad::pin).orElseThrow();
        Joint ground = pad.pin(Plugged.GROUND);
        parts.add(
            new Component.Resistor(Component.Job.DIVIDER, line, ground, shot.potOhm(), TOLERANCE));
        parts.add(new Component.Capacitor(line, ground, STEADY_NANOFARADS));
      }
    }
    return parts;
  }

  private static Component pulled(Pad pad, Joint at) {
    return new Component.Resistor(
        Component.Job.INSIDE, at, pad.pin(Plugged.SUPPLY), PULL_OHM, TOLERANCE);
  }

  /** Two-to-one multiplexers: select low takes the first, select high the second. */
  private static List<Component> picked(Pad pad, Phased phased, Map<String, Joint> contacts) {
    List<Component> parts = new ArrayList<>();
    Joint select = pad.pin(phased.select().orElseThrow());
    for (SignalLine line : pad.kind().lines()) {
      if (line.from().byPad()) {
        List<Joint> channels = new ArrayList<>();
        for (int phase = 1; phase >= 0; phase--) {
          channels.add(channel(pad, phased.phases().get(phase).get(line.name()), contacts));
        }
        parts.add(
            new Component.Multiplexer(
                channels,
                List.of(select),
                pad.pin(line.name()),
                pad.pin(Plugged.SUPPLY),
                pad.pin(Plugged.GROUND),
                true));
      }
    }
    contacts.values().forEach(at -> parts.add(pulled(pad, at)));
    return parts;
  }

  private static Joint channel(
      Pad pad, Phased.@org.jspecify.annotations.Nullable Says says, Map<String, Joint> contacts) {
    if (says instanceof Phased.Says.Button button) {
      return contacts.get(button.name());
    }
    boolean low = says instanceof Phased.Says.Always always && always.level() == Level.LOW;
    return pad.pin(low ? Plugged.GROUND : Plugged.SUPPLY);
  }
}
