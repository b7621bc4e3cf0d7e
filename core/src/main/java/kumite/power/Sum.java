package kumite.power;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.working.Quantity;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The calculations of the bench that stand on their own: what each asks, and its answer with its
 * working. The window's sheet and the command line are both made from this list.
 *
 * <pre>{@code
 * Sum.LAMP.work(Map.of("supply", "5", "forward", "1.8", "current", "20 mA")).working();
 * }</pre>
 *
 * <p>Longer than most files: a closed list, each calculation with what it asks, its working and its
 * judgement in one place.
 */
public enum Sum {
  LAMP("lamp", "Lamp resistor", "The series resistor of a lamp: next preferred value up.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("supply", "5", "V", "Supply in volts."),
          ask("forward", "2.0", "V", "Forward voltage of the lamp in volts."),
          ask("current", "15", "MA", "Wanted current in mA."),
          usual("series", "E24", "E", "E12 or E24"));
    }

    @Override
    Answer answer(Typed typed) {
      LampResistor lamp =
          LampResistor.of(
              typed.above0("supply", Quantity.VOLT),
              typed.above0("forward", Quantity.VOLT),
              typed.above0("current", Quantity.AMP) * 1000,
              typed.series());
      return new Answer(lamp.working())
          .with("lights", lamp.lights())
          .with("exact_ohm", lamp.exactOhm())
          .with("chosen_ohm", lamp.chosenOhm())
          .with("current_ma", lamp.milliamps())
          .with("power_w", lamp.watts())
          .with("rating_w", lamp.ratingWatts())
          .with("least_ma", lamp.leastMilliamps())
          .with("most_ma", lamp.mostMilliamps())
          .judged(lamp.judgement());
    }
  },

  WIRE("wire", "Wire", "Diameter, area and resistance of a copper wire.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("awg", "22", "N", "Gauge, 0 to 40 AWG."),
          usual("length", "1000 mm", "LENGTH", "One way, such as 300, 300 mm or 12 in"));
    }

    @Override
    Answer answer(Typed typed) {
      Wire wire = Wire.ofAwg(typed.whole("awg", 0, 40));
      double mm = typed.lengthMm("length");
      return new Answer(wire.working(mm))
          .with("awg", wire.awg())
          .with("diameter_mm", wire.diameterMm())
          .with("area_mm2", wire.areaMm2())
          .with("ohm_per_m", wire.ohmPerMetre())
          .with("length_mm", mm)
          .with("resistance_ohm", wire.ohm(mm));
    }
  },

  DROP("drop", "Drop along a wire", "Volts lost along a wire, there and back.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          usual("supply", "5", "V", "Supply in volts"),
          ask("current", "500", "MA", "Current in mA."),
          ask("awg", "22", "N", "Gauge, 0 to 40 AWG."),
          ask("length", "1000 mm", "LENGTH", "One way, such as 300, 300 mm or 12 in."));
    }

    @Override
    Answer answer(Typed typed) {
      double supply = typed.above0("supply", Quantity.VOLT);
      double amps = typed.atLeast0("current", Quantity.AMP);
      Wire wire = Wire.ofAwg(typed.whole("awg", 0, 40));
      double mm = typed.lengthMm("length");
      double ohm = 2 * wire.ohm(mm);
      double drop = amps * ohm;
      return new Answer(
              new Working(
                  "drop along the wire",
                  "V = I x 2 L x R/L",
                  List.of(
                      Working.value("I", amps * 1000, 1, "mA", "current"),
                      Working.value("L", mm, 0, "mm", "one way"),
                      Working.value("R/L", wire.ohmPerMetre(), 4, "ohm/m", wire.awg() + " AWG"),
                      Working.value("R", ohm, 4, "ohm", "there and back")),
                  Working.number(drop, 3)
                      + " V lost, "
                      + Working.number(supply - drop, 3)
                      + " V left",
                  Source.standard("Ohm's law; ASTM B258; IEC 60028")))
          .with("resistance_ohm", ohm)
          .with("drop_v", drop)
          .with("left_v", supply - drop)
          .with("lost_percent", drop / supply * 100)
          .with("amps_per_mm2", amps / wire.areaMm2())
          .judged(
              worst(
                  drop >= supply
                      ? Judgement.stop("more is lost than the supply has: that current cannot flow")
                      : drop > Judgement.MOST_LOST * supply
                          ? Judgement.look(
                              "more than 5 % of the supply is lost: a thicker gauge, or a second"
                                  + " feed")
                          : Judgement.fine("at most 5 % of the supply is lost"),
                  Heat.ofWire(amps, wire)));
    }
  },

  DIVIDER(
      "divider", "Divider", "Two resistors between supply and ground, with a load or without.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          usual("supply", "3.3", "V", "Supply in volts"),
          ask("top", "10k", "OHM", "Resistor to the supply, such as 4k7."),
          ask("bottom", "10k", "OHM", "Resistor to ground, such as 4.7 kOhm."),
          usual("load", "none", "OHM", "What hangs on the middle, or none"));
    }

    @Override
    Answer answer(Typed typed) {
      double supply = typed.above0("supply", Quantity.VOLT);
      double top = typed.above0("top", Quantity.OHM);
      double bottom = typed.above0("bottom", Quantity.OHM);
      Optional<Double> load =
          typed.text("load").equals("none")
              ? Optional.empty()
              : Optional.of(typed.above0("load", Quantity.OHM));
      double lower = load.map(ohm -> bottom * ohm / (bottom + ohm)).orElse(bottom);
      double volts = supply * lower / (top + lower);
      double source = top * bottom / (top + bottom);
      double amps = supply / (top + lower);
      List<Working.Value> values =
          new ArrayList<>(
              List.of(
                  Working.value("Vs", supply, 3, "V", "supply"),
                  Working.words("Rt", Quantity.OHM.words(top), "to the supply"),
                  Working.words("Rb", Quantity.OHM.words(lower), "to ground, load beside it")));
      values.add(Working.words("Rs", Quantity.OHM.words(source), "what it looks like to the load"));
      return new Answer(
              new Working(
                  "volts in the middle",
                  "V = Vs x Rb / (Rt + Rb)",
                  values,
                  Working.number(volts, 4) + " V at " + Quantity.AMP.words(amps),
                  Source.derived("Ohm's law")))
          .with("volts_v", volts)
          .with("source_ohm", source)
          .with("current_ma", amps * 1000)
          .with("top_w", (supply - volts) * amps)
          .with("bottom_w", volts * volts / bottom)
          .judged(
              worst(
                  weak(source),
                  Heat.ofResistor(Math.max((supply - volts) * amps, volts * volts / bottom))));
    }
  },

  POT(
      "pot",
      "Pot on a converter",
      "The code of a pot's wiper, and what it looks like to the input.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("ohm", "10k", "OHM", "The pot, end to end."),
          usual("travel", "50", "PERCENT", "Where the wiper stands, 0 to 100"),
          usual("reference", "3.3", "V", "Supply and reference in volts"),
          usual("bits", "12", "N", "The converter's bits, 1 to 24"));
    }

    @Override
    Answer answer(Typed typed) {
      double ohm = typed.above0("ohm", Quantity.OHM);
      double travel = typed.percent("travel");
      double reference = typed.above0("reference", Quantity.VOLT);
      int bits = typed.whole("bits", 1, 24);
      double volts = reference * travel;
      int code = Converter.code(volts, reference, bits);
      return new Answer(
              new Working(
                  "code of the wiper",
                  "code = floor(V / Vref x 2^n); Rs = R x (1 - x) <= R / 4",
                  List.of(
                      Working.value("x", travel * 100, 1, "%", "travel"),
                      Working.value("V", volts, 4, "V", "at the wiper, unloaded"),
                      Working.value("n", bits, 0, "bit", "converter"),
                      Working.words("Rs", Quantity.OHM.words(ohm * travel * (1 - travel)), "here"),
                      Working.words("R/4", Quantity.OHM.words(ohm / 4), "at most, in the middle")),
                  "code " + code + " of " + ((1L << bits) - 1),
                  Source.derived("unloaded divider")))
          .with("volts_v", volts)
          .with("code", code)
          .with("source_ohm", ohm * travel * (1 - travel))
          .with("most_source_ohm", ohm / 4)
          .with("current_ma", reference / ohm * 1000)
          .with("power_w", reference * reference / ohm)
          .judged(worst(weak(ohm / 4), Heat.ofPot(reference * reference / ohm)));
    }
  },

  RC("rc", "RC at a contact", "How long a resistor and a capacitor take to a threshold.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("ohm", "10k", "OHM", "The resistor."),
          ask("farad", "100n", "F", "The capacitor, such as 100n or 0.1 uF."),
          usual("supply", "3.3", "V", "Supply in volts"),
          usual("threshold", "2.0", "V", "Volts to reach, rising from 0"));
    }

    @Override
    Answer answer(Typed typed) {
      double ohm = typed.above0("ohm", Quantity.OHM);
      double farad = typed.above0("farad", Quantity.FARAD);
      double supply = typed.above0("supply", Quantity.VOLT);
      double threshold = typed.above0("threshold", Quantity.VOLT);
      if (threshold >= supply) {
        throw new IllegalArgumentException(
            "threshold must be below the supply, or it is never reached; it was "
                + Quantity.VOLT.words(threshold)
                + " of "
                + Quantity.VOLT.words(supply));
      }
      double tau = ohm * farad;
      double seconds = tau * Math.log(supply / (supply - threshold));
      return new Answer(
              new Working(
                  "time to the threshold",
                  "t = R C ln(Vs / (Vs - Vth))",
                  List.of(
                      Working.words("R", Quantity.OHM.words(ohm), ""),
                      Working.words("C", Quantity.FARAD.words(farad), ""),
                      Working.words("RC", Quantity.SECOND.words(tau), "time constant"),
                      Working.value("Vs", supply, 2, "V", "supply"),
                      Working.value("Vth", threshold, 2, "V", "threshold")),
                  Quantity.SECOND.words(seconds),
                  Source.derived("charging of a capacitor through a resistor")))
          .with("tau_s", tau)
          .with("time_s", seconds);
    }
  },

  GAMEPORT("gameport", "Game port axis", "The pulse of a game port's axis for a pot.") {
    @Override
    public List<Ask> asks() {
      return List.of(ask("ohm", "100k", "OHM", "The pot where it stands, 0 or more."));
    }

    @Override
    Answer answer(Typed typed) {
      double ohm = typed.atLeast0("ohm", Quantity.OHM);
      double micros = 24.2 + 0.011 * ohm;
      return new Answer(
              new Working(
                  "pulse of the axis",
                  "t = 24.2 us + 0.011 us/ohm x R",
                  List.of(Working.words("R", Quantity.OHM.words(ohm), "the pot where it stands")),
                  Working.number(micros, 1) + " us",
                  Source.memory("technical reference of the first game control adapter")))
          .with("ohm", ohm)
          .with("time_us", micros)
          .judged(
              ohm > Judgement.PORT_BEYOND * Judgement.PORT_OHM
                  ? Judgement.look(
                      "the port counts up to about "
                          + Quantity.OHM.words(Judgement.PORT_OHM)
                          + ": beyond that nothing changes any more")
                  : Judgement.fine("within what the port counts"));
    }
  },

  LADDER("ladder", "Resistor ladder", "Volts and codes of each step of a ladder, at worst.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          usual("kind", "buttons", "KIND", "buttons under a pull-up, or taps of a rotary switch"),
          ask("steps", "5", "N", "Steps, 2 to 64."),
          usual("ohm", "10k", "OHM", "The pull-up, or each rung between taps"),
          usual("supply", "3.3", "V", "Supply and reference in volts"),
          usual("tolerance", "1", "PERCENT", "Of each resistor"),
          usual("bits", "10", "N", "The converter's bits, 1 to 24"),
          usual("series", "E24", "E", "E12 or E24"));
    }

    @Override
    Answer answer(Typed typed) {
      double supply = typed.above0("supply", Quantity.VOLT);
      double ohm = typed.above0("ohm", Quantity.OHM);
      int steps = typed.whole("steps", 2, 64);
      int bits = typed.whole("bits", 1, 24);
      double tolerance = typed.percent("tolerance");
      Ladder ladder =
          switch (typed.text("kind")) {
            case "buttons" -> Ladder.buttons(supply, ohm, steps, tolerance, bits, typed.series());
            case "taps" -> Ladder.taps(supply, ohm, steps, tolerance, bits);
            default ->
                throw new IllegalArgumentException(
                    "kind \"" + typed.text("kind") + "\" is unknown; use buttons or taps");
          };
      return new Answer(ladder.working())
          .with("resistors_ohm", ladder.ohms())
          .with("steps_v", ladder.steps().stream().map(Ladder.Step::volts).toList())
          .with("codes", ladder.steps().stream().map(Ladder.Step::code).toList())
          .with("least_gap_codes", ladder.leastGapCodes())
          .with("closest_step", ladder.closest())
          .with("told_apart", ladder.leastGapCodes() >= Ladder.CODES_APART)
          .judged(
              worst(
                  ladder.leastGapCodes() >= Ladder.CODES_APART
                      ? Judgement.fine("every step is told apart at worst")
                      : Judgement.look(
                          "the closest steps are "
                              + ladder.leastGapCodes()
                              + " codes apart at worst, "
                              + Ladder.CODES_APART
                              + " wanted: closer resistors, fewer steps, or more bits"),
                  Heat.ofResistor(ladder.mostWatts())));
    }
  },

  MATRIX("matrix", "Matrix or registers", "Terminals for so many contacts, shared each way.") {
    @Override
    public List<Ask> asks() {
      return List.of(ask("contacts", "20", "N", "How many contacts, 1 to 1000."));
    }

    @Override
    Answer answer(Typed typed) {
      int contacts = typed.whole("contacts", 1, 1000);
      Grid grid = Grid.of(contacts);
      int chips = (contacts + 8 - 1) / 8;
      return new Answer(
              new Working(
                  "terminals for the contacts",
                  "r = floor(sqrt n); c = ceil(n / r); matrix r + c, registers 3, multiplexer 3 + n/8",
                  List.of(
                      Working.value("n", contacts, 0, "", "contacts"),
                      Working.value("r", grid.rows(), 0, "", "rows"),
                      Working.value("c", grid.columns(), 0, "", "columns")),
                  "matrix "
                      + (grid.rows() + grid.columns())
                      + " with "
                      + contacts
                      + " diodes, registers 3 with "
                      + chips
                      + (chips == 1 ? " chip" : " chips")
                      + ", one by one "
                      + contacts,
                  Source.derived("a matrix reads rows times columns contacts")))
          .with("rows", grid.rows())
          .with("columns", grid.columns())
          .with("matrix_terminals", grid.rows() + grid.columns())
          .with("diodes", contacts)
          .with("register_terminals", 3)
          .with("register_chips", chips)
          .with("multiplexer_terminals", 3 + chips);
    }
  },

  BATTERY("battery", "Battery", "How long a battery lasts.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("capacity", "2000", "MAH", "Capacity in mAh."),
          usual("usable", "80", "PERCENT", "Share that can be used"),
          ask("load", "45", "MA", "What it feeds, in mA."));
    }

    @Override
    Answer answer(Typed typed) {
      double capacity = typed.above0("capacity", Quantity.AMP_HOUR);
      double usable = typed.percent("usable");
      double load = typed.above0("load", Quantity.AMP);
      double hours = capacity * usable / load;
      return new Answer(
              new Working(
                  "hours on one charge",
                  "t = C x usable / I",
                  List.of(
                      Working.value("C", capacity * 1000, 0, "mAh", "capacity"),
                      Working.value("usable", usable * 100, 0, "%", "share"),
                      Working.value("I", load * 1000, 1, "mA", "load")),
                  Working.number(hours, 1)
                      + " h; never solder to cells, and use the charger made for them",
                  Source.common("usable share; the rest is a quotient")))
          .with("hours_h", hours);
    }
  },

  STRIP("strip", "Lamp strip", "Current and data level of addressable lamps.") {
    @Override
    public List<Ask> asks() {
      return List.of(
          ask("lamps", "16", "N", "How many, 1 to 10000."),
          usual("each", "60", "MA", "Each at full white, in mA"),
          usual("brightness", "30", "PERCENT", "As they will be used"),
          usual("supply", "5", "V", "Their supply in volts"),
          usual("data", "3.3", "V", "The volts of the data line's high"));
    }

    @Override
    Answer answer(Typed typed) {
      int lamps = typed.whole("lamps", 1, 10_000);
      double each = typed.above0("each", Quantity.AMP);
      double share = typed.percent("brightness");
      double supply = typed.above0("supply", Quantity.VOLT);
      double data = typed.above0("data", Quantity.VOLT);
      double most = lamps * each;
      double needed = 0.7 * supply;
      boolean read = data >= needed;
      return new Answer(
              new Working(
                  "current and data level",
                  "I = n x Ie; data high >= 0.7 Vs",
                  List.of(
                      Working.value("n", lamps, 0, "", "lamps; the program fixes how many"),
                      Working.value("Ie", each * 1000, 0, "mA", "each at full white"),
                      Working.value("usual", most * share, 2, "A", "at that brightness"),
                      Working.value("0.7 Vs", needed, 2, "V", "what the data line must reach"),
                      Working.value("data", data, 2, "V", "what it reaches, into DIN, not DOUT")),
                  Working.number(most, 2)
                      + " A at worst; the data level "
                      + (read ? "is read" : "is too low: shift it up, or feed the strip less"),
                  Source.common("60 mA each at full white; 0.7 of the supply as for CMOS inputs")))
          .with("most_ma", most * 1000)
          .with("usual_ma", most * share * 1000)
          .with("data_needed_v", needed)
          .with("data_read", read)
          .judged(
              !read
                  ? Judgement.look("the data level is too low to be sure: shift it up")
                  : most * 1000 > Judgement.PORT_MA
                      ? Judgement.look(
                          "at worst more than the 500 mA of a USB port: a supply of its own,"
                              + " grounds joined")
                      : Judgement.fine("a USB port gives that, and the data is read"));
    }
  };

  private final String word;
  private final String title;
  private final String about;

  Sum(String word, String title, String about) {
    this.word = word;
    this.title = title;
    this.about = about;
  }

  /** The graver of what is said; both where they are as grave. */
  private static Judgement worst(Judgement said, Optional<Judgement> heat) {
    return heat.map(
            h -> {
              int graver = h.grade().compareTo(said.grade());
              return graver == 0
                  ? new Judgement(said.grade(), said.why() + ". And " + h.why())
                  : graver < 0 ? h : said;
            })
        .orElse(said);
  }

  private static Judgement weak(double sourceOhm) {
    return sourceOhm > Judgement.SOURCE_OHM
        ? Judgement.look(
            "a converter wants "
                + Quantity.OHM.words(Judgement.SOURCE_OHM)
                + " at most: smaller resistors, or 100 nF at the input")
        : Judgement.fine("a converter reads it");
  }

  /**
   * One value that a sum asks for.
   *
   * @param name its option on the command line, without the dashes
   * @param usual what stands there to begin with
   * @param needed whether the command line wants it typed
   * @param holder what stands for it in a synopsis, such as {@code V}
   * @param words what it is, a sentence or the beginning of one
   */
  public record Ask(String name, String usual, boolean needed, String holder, String words) {}

  /**
   * An answer.
   *
   * @param values by key, in order, with the unit in the key: numbers, truths, or lists of numbers
   * @param working how it came about
   * @param judgement what is said of it; empty where there is nothing to judge
   */
  public record Answer(Map<String, Object> values, Working working, Optional<Judgement> judgement) {
    public Answer {
      values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    Answer(Working working) {
      this(Map.of(), working, Optional.empty());
    }

    Answer with(String key, Object value) {
      Map<String, Object> next = new LinkedHashMap<>(values);
      next.put(key, value);
      return new Answer(next, working, judgement);
    }

    Answer judged(Judgement said) {
      return new Answer(values, working, Optional.of(said));
    }
  }

  /** {@return its word on the command line} */
  public String word() {
    return word;
  }

  /** {@return its name for people} */
  public String title() {
    return title;
  }

  /** {@return what it works out, one sentence} */
  public String about() {
    return about;
  }

  /** {@return what it asks for} */
  public abstract List<Ask> asks();

  abstract Answer answer(Typed typed);

  /**
   * Works it out.
   *
   * @param typed texts by the names of {@link #asks}; one that is missing takes its usual value
   * @throws IllegalArgumentException if a text is no such quantity or out of range; the message
   *     names it and says what to type
   */
  public Answer work(Map<String, String> typed) {
    Map<String, String> all = new LinkedHashMap<>();
    for (Ask ask : asks()) {
      all.put(ask.name(), typed.getOrDefault(ask.name(), ask.usual()).strip());
    }
    for (String name : typed.keySet()) {
      if (!all.containsKey(name)) {
        throw new IllegalArgumentException(
            word
                + " does not ask for "
                + name
                + "; it asks for "
                + String.join(", ", all.keySet()));
      }
    }
    return answer(new Typed(all));
  }

  /** {@return the sum of that word, if there is one} */
  public static Optional<Sum> named(String word) {
    return Arrays.stream(values()).filter(sum -> sum.word.equals(word)).findFirst();
  }

  private static Ask ask(String name, String usual, String holder, String words) {
    return new Ask(name, usual, true, holder, words);
  }

  private static Ask usual(String name, String usual, String holder, String words) {
    return new Ask(name, usual, false, holder, words);
  }
}
