package kumite.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.map.Timing;
import kumite.kind.BoardKind;
import kumite.loom.Console;
import kumite.signal.Limits;
import kumite.signal.Packet;
import kumite.signal.Phased;
import kumite.signal.PortKind;
import kumite.signal.SerialBytes;
import kumite.signal.SerialLatch;
import kumite.signal.Timed;
import kumite.working.Source;
import kumite.working.Working;

/**
 * How late an answer may come, and how late it comes: at the console's quickest and the answer's
 * slowest.
 *
 * @param edge what the answer follows
 * @param allowedUs from that edge to when the console looks, in us
 * @param answerUs from that edge to the answer, in us
 * @param working how that came about
 */
public record Margin(String edge, double allowedUs, double answerUs, Working working) {
  private static final double NS_IN_US = 1000;

  /** {@return what is left, in us; below 0 where the answer is too late} */
  public double leftUs() {
    return allowedUs - answerUs;
  }

  /** {@return the margin of a console's board; empty where nothing follows an edge} */
  public static Optional<Margin> of(Console console, BoardKind board, Timing timing) {
    PortKind kind = console.kind();
    boolean chips = console.byCircuit(board);
    double answer =
        chips && kind.times().containsKey(Timed.ANSWER)
            ? kind.time(Timed.ANSWER).mostNs() / NS_IN_US
            : board.brain().answerMicros();
    if (kind.mechanism() instanceof Phased phased && phased.select().isPresent()) {
      return Optional.of(made("select turns", List.of(Timed.SETTLE), kind, answer, chips));
    }
    if (kind.mechanism() instanceof Packet) {
      return Optional.of(made("the clock falls", List.of(Timed.CLOCK_LOW), kind, answer, chips));
    }
    if (kind.mechanism() instanceof SerialBytes) {
      return Optional.of(said(kind, timing));
    }
    if (kind.mechanism() instanceof SerialLatch latch) {
      List<Timed> bit = new ArrayList<>(List.of(Timed.CLOCK_HIGH));
      List<Timed> first = new ArrayList<>(List.of(Timed.LATCH, Timed.TO_CLOCK));
      if (latch.take() == SerialLatch.Take.BEFORE_RISE) {
        bit.add(Timed.CLOCK_LOW);
        first.add(Timed.CLOCK_LOW);
      }
      return Optional.of(
          least(bit, kind) < least(first, kind)
              ? made("a clock", bit, kind, answer, chips)
              : made("the latch", first, kind, answer, chips));
    }
    return Optional.empty();
  }

  /** Frames come by themselves; a console that hears none for so long thinks nobody is there. */
  private static Margin said(PortKind kind, Timing timing) {
    double allowed = kind.time(Timed.FRAME).mostNs() / NS_IN_US;
    double usual = kind.time(Timed.FRAME).usualNs() / NS_IN_US;
    int looks = (int) Math.ceil(usual / timing.scanUs());
    double comes = Math.min(timing.pollUs(), looks * (double) timing.scanUs());
    Working working =
        new Working(
            "time from one frame to the next",
            "t_comes < t_frame",
            List.of(
                Working.value("t_comes", comes, 0, "us", "at a poll, or at a look once it is due"),
                Working.value("t_frame", allowed, 0, "us", "longest that the kind of port allows")),
            Working.number(allowed - comes, 0) + " us to spare",
            Source.derived("limits of the kind of port and the board's looks"));
    return new Margin("the frame before", allowed, comes, working);
  }

  private static double least(List<Timed> times, PortKind kind) {
    return times.stream().map(kind::time).mapToLong(Limits::leastNs).sum() / NS_IN_US;
  }

  private static Margin made(
      String edge, List<Timed> times, PortKind kind, double answer, boolean chips) {
    double allowed = least(times, kind);
    List<Working.Value> values = new ArrayList<>();
    values.add(
        Working.value(
            "t_answer",
            answer,
            2,
            "us",
            chips ? "slowest of the chips" : "slowest of the board's program"));
    for (Timed timed : times) {
      values.add(
          Working.value(
              "t" + values.size(),
              kind.time(timed).leastNs() / NS_IN_US,
              2,
              "us",
              timed.words() + ", the console's quickest"));
    }
    Working working =
        new Working(
            "time to answer after " + edge,
            "t_answer < sum of t",
            values,
            Working.number(allowed - answer, 2) + " us to spare",
            chips
                ? Source.derived("limits of the kind of port")
                : Source.common("from an edge to the program's answer, without other interrupts"));
    return new Margin(edge, allowed, answer, working);
  }
}
