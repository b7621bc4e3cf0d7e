package kumite.component;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import kumite.kind.Lamp;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;

/**
 * One electrical part. Its ends are places where wires land; parts on one carrier share places,
 * since the carrier's copper joins them.
 *
 * <p>Longer than most files: a closed set of small records.
 */
public sealed interface Component {
  /** {@return its ends, each once, in the order of its kind} */
  List<Joint> ends();

  /** {@return what to buy, such as {@code resistor 150 ohm}; parts of one kind say the same} */
  String words();

  /** The contact that a hand moves it by, where it is part of a control. */
  default Optional<ContactId> moved() {
    return Optional.empty();
  }

  /** Where it stands while no hand is on it, 0 to 1 of its travel. */
  default double rest() {
    return 0;
  }

  /** Whether it is bought and soldered beside the controls and the board themselves. */
  default boolean fitted() {
    return false;
  }

  /** {@return the same part with its ends called otherwise} */
  Component renamed(UnaryOperator<Joint> name);

  /**
   * A switch of a control: held it joins common and NO, at rest common and NC.
   *
   * @param contact which
   */
  record Pole(ContactId contact, Joint common, Joint open, Joint closed) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Pole(contact, name.apply(common), name.apply(open), name.apply(closed));
    }

    @Override
    public List<Joint> ends() {
      return List.of(common, open, closed);
    }

    @Override
    public Optional<ContactId> moved() {
      return Optional.of(contact);
    }

    @Override
    public String words() {
      return "switch";
    }
  }

  /**
   * A stepped switch: its wiper touches one tap at a time.
   *
   * @param taps first step first, two or more
   */
  record Selector(ContactId contact, Joint wiper, List<Joint> taps) implements Component {
    public Selector {
      taps = List.copyOf(taps);
    }

    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Selector(contact, name.apply(wiper), taps.stream().map(name).toList());
    }

    @Override
    public List<Joint> ends() {
      return plus(taps, wiper);
    }

    @Override
    public Optional<ContactId> moved() {
      return Optional.of(contact);
    }

    @Override
    public String words() {
      return "stepped switch";
    }
  }

  /**
   * A potentiometer.
   *
   * @param low its end where its travel begins
   * @param high its end when moved all the way
   * @param ohm end to end, above 0
   * @param rest where it stands while no hand is on it, 0 to 1
   */
  record Pot(ContactId contact, Joint low, Joint wiper, Joint high, double ohm, double rest)
      implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Pot(contact, name.apply(low), name.apply(wiper), name.apply(high), ohm, rest);
    }

    @Override
    public List<Joint> ends() {
      return List.of(low, wiper, high);
    }

    @Override
    public Optional<ContactId> moved() {
      return Optional.of(contact);
    }

    @Override
    public String words() {
      return "potentiometer";
    }
  }

  /** What a resistor is for. */
  enum Job {
    LAMP("in series with the lamp"),
    RUNG("rung of the ladder"),
    PULL_UP("pull-up"),
    DIVIDER("to ground, so that there are volts to measure"),
    LEAD("in a core of a lead"),
    ACROSS("between two cores of a lead"),
    /** Inside of another board. */
    DRIVER("output of the other board"),
    /** Inside of what plugs in. */
    INSIDE("inside of the pad");

    private final String words;

    Job(String words) {
      this.words = words;
    }

    /** {@return the job in words for people} */
    public String words() {
      return words;
    }
  }

  /**
   * A resistor.
   *
   * @param ohm above 0
   * @param tolerance such as 0.01 for 1 %
   */
  record Resistor(Job job, Joint a, Joint b, double ohm, double tolerance) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Resistor(job, name.apply(a), name.apply(b), ohm, tolerance);
    }

    @Override
    public List<Joint> ends() {
      return List.of(a, b);
    }

    @Override
    public String words() {
      return "resistor "
          + kumite.working.Quantity.OHM.words(ohm)
          + (tolerance < 0.02 ? ", 1 %" : "");
    }

    @Override
    public boolean fitted() {
      return job != Job.INSIDE;
    }
  }

  /** A small-signal diode; the band marks its cathode. */
  record Diode(Joint anode, Joint cathode) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Diode(name.apply(anode), name.apply(cathode));
    }

    @Override
    public List<Joint> ends() {
      return List.of(anode, cathode);
    }

    @Override
    public String words() {
      return "signal diode";
    }

    @Override
    public boolean fitted() {
      return true;
    }

    /** {@return the same diode put in the wrong way round} */
    public Diode reversed() {
      return new Diode(cathode, anode);
    }
  }

  /** A control's lamp. */
  record Light(ControlId control, Joint anode, Joint cathode, Lamp lamp) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Light(control, name.apply(anode), name.apply(cathode), lamp);
    }

    @Override
    public List<Joint> ends() {
      return List.of(anode, cathode);
    }

    @Override
    public String words() {
      return "lamp";
    }
  }

  /**
   * A capacitor; at rest no current flows through it.
   *
   * @param nanofarads above 0
   */
  record Capacitor(Joint a, Joint b, double nanofarads) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Capacitor(name.apply(a), name.apply(b), nanofarads);
    }

    @Override
    public List<Joint> ends() {
      return List.of(a, b);
    }

    @Override
    public String words() {
      return "capacitor " + Math.round(nanofarads) + " nF";
    }

    @Override
    public boolean fitted() {
      return true;
    }
  }

  /**
   * A parallel-in register: its load takes in its inputs, each rising clock shifts one out.
   *
   * @param inputs the one that comes out first first
   * @param next where the register behind it in the chain comes in; its own output for the last
   * @param ofPad whether it is a pad's own, which nobody solders: its load is high, and it has as
   *     many inputs as the pad says bits; else its load is low, and it has eight
   */
  record Register(
      List<Joint> inputs,
      Joint load,
      Joint clock,
      Joint next,
      Joint out,
      Joint supply,
      Joint ground,
      boolean ofPad)
      implements Component {
    public Register {
      inputs = List.copyOf(inputs);
    }

    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Register(
          inputs.stream().map(name).toList(),
          name.apply(load),
          name.apply(clock),
          name.apply(next),
          name.apply(out),
          name.apply(supply),
          name.apply(ground),
          ofPad);
    }

    @Override
    public List<Joint> ends() {
      return plus(inputs, load, clock, next, out, supply, ground);
    }

    @Override
    public String words() {
      return ofPad ? "register of a pad" : "parallel-in register, eight inputs";
    }

    @Override
    public boolean fitted() {
      return !ofPad;
    }
  }

  /**
   * A multiplexer: its select lines join one of its channels to its output.
   *
   * @param channels the one of code 0 first
   * @param selects the lowest bit first
   * @param ofPad whether it is a pad's own, which nobody solders: two channels and one select line;
   *     else it has eight and three
   */
  record Multiplexer(
      List<Joint> channels,
      List<Joint> selects,
      Joint out,
      Joint supply,
      Joint ground,
      boolean ofPad)
      implements Component {
    public Multiplexer {
      channels = List.copyOf(channels);
      selects = List.copyOf(selects);
    }

    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Multiplexer(
          channels.stream().map(name).toList(),
          selects.stream().map(name).toList(),
          name.apply(out),
          name.apply(supply),
          name.apply(ground),
          ofPad);
    }

    @Override
    public List<Joint> ends() {
      List<Joint> ends = plus(channels, out, supply, ground);
      ends.addAll(selects);
      return ends;
    }

    @Override
    public String words() {
      return ofPad ? "multiplexer of a pad" : "analog multiplexer, eight channels";
    }

    @Override
    public boolean fitted() {
      return !ofPad;
    }
  }

  /** A person who touches a pad while holding the common pad: skin between the two. */
  record Skin(ContactId contact, Joint pad, Joint person) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Skin(contact, name.apply(pad), name.apply(person));
    }

    @Override
    public List<Joint> ends() {
      return List.of(pad, person);
    }

    @Override
    public Optional<ContactId> moved() {
      return Optional.of(contact);
    }

    @Override
    public String words() {
      return "a person's skin";
    }
  }

  /**
   * The output of a part that needs a supply: pulses, or volts in proportion to travel.
   *
   * @param proportional whether it gives volts between ground and supply; else high at rest and low
   *     when moved
   * @param rest where it stands while no hand is on it, 0 to 1
   */
  record Output(
      ContactId contact, Joint out, Joint supply, Joint ground, boolean proportional, double rest)
      implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Output(
          contact, name.apply(out), name.apply(supply), name.apply(ground), proportional, rest);
    }

    @Override
    public List<Joint> ends() {
      return List.of(out, supply, ground);
    }

    @Override
    public Optional<ContactId> moved() {
      return Optional.of(contact);
    }

    @Override
    public String words() {
      return "fed output";
    }
  }

  /** Two tabs that a part joins inside: a closed switch, a whole fuse, the minus of a converter. */
  record Bridge(Joint a, Joint b) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Bridge(name.apply(a), name.apply(b));
    }

    @Override
    public List<Joint> ends() {
      return List.of(a, b);
    }

    @Override
    public String words() {
      return "copper";
    }
  }

  /**
   * Makes volts while it is fed.
   *
   * @param in where it is fed
   * @param out where it gives
   * @param volts what it gives, above 0
   */
  record Regulator(Joint in, Joint out, double volts) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Regulator(name.apply(in), name.apply(out), volts);
    }

    @Override
    public List<Joint> ends() {
      return List.of(in, out);
    }

    @Override
    public String words() {
      return "converter";
    }
  }

  /**
   * Says that a board lives on what comes in at one of its supply terminals, and not on its plug.
   *
   * @param terminal which
   */
  record Fed(Joint terminal) implements Component {
    @Override
    public Component renamed(UnaryOperator<Joint> name) {
      return new Fed(name.apply(terminal));
    }

    @Override
    public List<Joint> ends() {
      return List.of(terminal);
    }

    @Override
    public String words() {
      return "board's inlet";
    }
  }

  private static List<Joint> plus(List<Joint> some, Joint... more) {
    List<Joint> all = new ArrayList<>(some);
    all.addAll(List.of(more));
    return all;
  }
}
