package kumite.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kumite.build.map.Timing;
import kumite.working.Source;
import kumite.working.Working;

/**
 * The delay from the first edge of a contact to the report that tells of it, as a distribution.
 *
 * <p>Its parts follow each other and do not depend on each other: waits for the next look and for
 * the next report are uniform on their period, the others take the same each time. So the whole is
 * a sum of uniform variables, and its distribution is known in closed form. Bounce is left out;
 * {@link DelayStudy} plays it.
 *
 * @param parts in their order
 */
public record Delay(List<Part> parts) {
  /** One frame at 60 Hz, in us. */
  public static final double FRAME_US = 1e6 / 60;

  /** What a part of the delay is. */
  public enum Kind {
    SCAN("scan wait"),
    SAID("until pad or keyboard said it"),
    REGISTER("register shows the look before"),
    DEBOUNCE("debounce"),
    CHORD("chord window"),
    LINE("message on the serial line"),
    HEARER("wait until the other board looks"),
    POLL("report wait"),
    SLOT("radio slot"),
    /** A program on the host itself is woken by its system, a little late. */
    WAKE("until the system wakes the reader"),
    /** And hands over the keys that changed. */
    HAND_OVER("until it hands over its keys");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  /** By what the host is told. */
  public enum Out {
    /** Reports that the host asks for over a wire. */
    WIRE,
    /** Reports in the slots of a radio. */
    RADIO,
    /** Keys from a program on the host itself. */
    HOST
  }

  /** A system that does other things too wakes its programs this late: common practice. */
  public static final double WAKE_US = 1000;

  /**
   * One part.
   *
   * @param kind what it is
   * @param leastUs the least it takes, in us
   * @param mostUs the most; where it is more than the least, any time between both is as likely
   */
  public record Part(Kind kind, double leastUs, double mostUs) {
    public Part {
      if (!(leastUs >= 0 && mostUs >= leastUs)) {
        throw new IllegalArgumentException(
            "a part takes from 0 up, and at most not less than at least, but was "
                + leastUs
                + " to "
                + mostUs);
      }
    }

    /** {@return on average, in us} */
    public double meanUs() {
      return (leastUs + mostUs) / 2;
    }
  }

  public Delay {
    parts = List.copyOf(parts);
  }

  /** {@return the delay of a contact that is read directly and belongs to no chord} */
  public static Delay of(Timing timing) {
    return of(timing, false, 0, Out.WIRE);
  }

  /**
   * The delay of a contact.
   *
   * @param register whether a shift register shows it a look late
   * @param windowUs the window it waits whether it belongs to a chord, in us; 0 where it does not
   * @param out by what the host is told
   */
  public static Delay of(Timing timing, boolean register, long windowUs, Out out) {
    return of(timing, register, windowUs, out, List.of());
  }

  /**
   * The same of a board that others pass on.
   *
   * @param lines the serial lines to them, in order; the last hearer reports to the host
   */
  public static Delay of(
      Timing timing, boolean register, long windowUs, Out out, List<SerialLine> lines) {
    return of(timing, 1, register, windowUs, out, lines);
  }

  /**
   * The same of a pad that is asked at some looks only.
   *
   * @param everyLooks at each how many, 1 for all
   */
  public static Delay of(
      Timing timing,
      int everyLooks,
      boolean register,
      long windowUs,
      Out out,
      List<SerialLine> lines) {
    List<Part> parts = new ArrayList<>();
    double scan = timing.scanUs();
    parts.add(new Part(Kind.SCAN, 0, scan * everyLooks));
    if (register) {
      parts.add(new Part(Kind.REGISTER, scan, scan));
    }
    if (timing.debounce() == Timing.Debounce.DEFERRED && timing.waitUs() > 0) {
      // It is over at the first look that sees it over.
      double wait = Math.ceil(timing.waitUs() / scan) * scan;
      parts.add(new Part(Kind.DEBOUNCE, wait, wait));
    }
    if (windowUs > 0) {
      double window = (Math.floor(windowUs / scan) + 1) * scan;
      parts.add(new Part(Kind.CHORD, window, window));
    }
    Timing reports = timing;
    for (SerialLine line : lines) {
      parts.add(new Part(Kind.LINE, line.transferUs(), line.transferUs()));
      parts.add(new Part(Kind.HEARER, 0, line.hearer().scanUs()));
      reports = line.hearer();
    }
    if (out == Out.HOST) {
      parts.add(new Part(Kind.WAKE, 0, WAKE_US));
    }
    Kind last =
        switch (out) {
          case WIRE -> Kind.POLL;
          case RADIO -> Kind.SLOT;
          case HOST -> Kind.HAND_OVER;
        };
    parts.add(new Part(last, 0, reports.pollUs()));
    return new Delay(parts);
  }

  /** {@return on average, in us} */
  public double meanUs() {
    return parts.stream().mapToDouble(Part::meanUs).sum();
  }

  /** {@return at best, in us} */
  public double bestUs() {
    return parts.stream().mapToDouble(Part::leastUs).sum();
  }

  /** {@return at worst, in us} */
  public double worstUs() {
    return parts.stream().mapToDouble(Part::mostUs).sum();
  }

  /** {@return the average in frames of 60 Hz} */
  public double frames() {
    return meanUs() / FRAME_US;
  }

  /**
   * {@return which part of presses takes no longer than that, 0 to 1}
   *
   * <p>For n uniform parts of widths w, with y what is beyond the least: the sum over all subsets S
   * of (-1)^|S| (y - sum of S)^n where that is above 0, over n! times the product of all w (the
   * volume of a cut box; Feller, volume 2, section I.9, from memory).
   */
  public double within(double us) {
    double[] widths =
        parts.stream().mapToDouble(p -> p.mostUs() - p.leastUs()).filter(w -> w > 0).toArray();
    double beyond = us - bestUs();
    if (beyond <= 0) {
      return widths.length == 0 && beyond == 0 ? 1 : 0;
    }
    if (us >= worstUs()) {
      return 1;
    }
    double volume = 1;
    for (int i = 0; i < widths.length; i++) {
      volume *= widths[i] * (i + 1);
    }
    double sum = 0;
    for (int set = 0; set < 1 << widths.length; set++) {
      double rest = beyond;
      for (int i = 0; i < widths.length; i++) {
        rest -= (set >> i & 1) * widths[i];
      }
      if (rest > 0) {
        sum += (Integer.bitCount(set) % 2 == 0 ? 1 : -1) * Math.pow(rest, widths.length);
      }
    }
    return Math.max(0, Math.min(1, sum / volume));
  }

  /** {@return the delay that such a part of presses does not exceed, in us} */
  public double quantileUs(double part) {
    double low = bestUs();
    double high = worstUs();
    for (int i = 0; i < 60 && high - low > 1e-6; i++) {
      double middle = (low + high) / 2;
      if (within(middle) < part) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return high;
  }

  /** {@return how the average came about} */
  public Working working() {
    List<Working.Value> values = new ArrayList<>();
    List<String> terms = new ArrayList<>();
    for (Part part : parts) {
      String name = part.kind().name().toLowerCase(Locale.ROOT);
      boolean uniform = part.mostUs() > part.leastUs();
      terms.add(uniform ? name + "/2" : name);
      values.add(
          Working.value(name, part.mostUs() / 1000, uniform ? 2 : 1, "ms", part.kind().words()));
    }
    return new Working(
        "press to report, on average",
        "t = " + String.join(" + ", terms),
        values,
        Working.number(meanUs() / 1000, 1) + " ms",
        Source.derived("waits are uniform on their period; bounce left out"));
  }
}
