package kumite.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SplittableRandom;
import kumite.build.map.Timing;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.name.ContactId;
import kumite.timing.Bounce;
import kumite.timing.Debouncer;

/**
 * A stand-in for the real board: it looks at the terminals, settles what it sees, maps it and
 * reports, in virtual time.
 *
 * <pre>{@code
 * Trace trace = device.move(Holds.NONE, Holds.NONE.with(ContactId.parse("horn"), 1), 1);
 * trace.last(0); // the report with the horn's button set
 * }</pre>
 *
 * <p>The same seed gives the same trace. Transfers over the cable take no time here; at full speed
 * a short report takes well under 0.1 ms.
 */
public final class SimulatedDevice {
  /** A run that has not come to rest by then never will. */
  private static final long LONGEST_US = 2_000_000;

  private final Timing timing;
  private final ReportLayout layout;
  private final List<SignalPath> paths;
  private final Optional<ReportComposer> composer;

  /**
   * A device that runs the given paths.
   *
   * @param board its board; without one nothing is ever reported
   */
  public SimulatedDevice(
      Timing timing, Optional<BoardKind> board, ReportLayout layout, List<SignalPath> paths) {
    this.timing = timing;
    this.layout = layout;
    this.paths = List.copyOf(paths);
    this.composer = board.map(b -> new ReportComposer(layout, paths, b));
  }

  private static final class Moving {
    final SignalPath path;
    final double from;
    final double to;
    final Bounce bounce;
    final Debouncer debouncer;
    double settled;
    OptionalLong seenUs = OptionalLong.empty();
    OptionalLong settledUs = OptionalLong.empty();
    OptionalLong reportedUs = OptionalLong.empty();

    Moving(SignalPath path, double from, double to, Bounce bounce, Timing timing) {
      this.path = path;
      this.from = from;
      this.to = to;
      this.bounce = bounce;
      this.debouncer = new Debouncer(timing, false);
      this.settled = from;
    }

    boolean analog() {
      return path.site().contact().type().analog();
    }

    /** One look of the board at this contact's terminal. */
    void look(long us) {
      boolean moved = bounce.turnedAt((int) us);
      if (moved && seenUs.isEmpty()) {
        seenUs = OptionalLong.of(us);
      }
      // A wiper slides without bounce and is reported as it is; only presses are debounced.
      boolean counts = analog() ? moved : debouncer.look(us, moved);
      settled = counts ? to : from;
      if (counts && settledUs.isEmpty()) {
        settledUs = OptionalLong.of(us);
      }
    }
  }

  /** {@return the reports of a device whose controls have long been held so} */
  public List<Trace.Report> steady(Holds holds) {
    List<Trace.Report> reports = new ArrayList<>();
    composer.ifPresent(
        c -> {
          for (int id : layout.reportIds()) {
            reports.add(ReportComposer.report(0, id, c.compose(id, path -> holds.of(path.id()))));
          }
        });
    return reports;
  }

  /**
   * Moves the controls from one set of holds to another, all at time 0.
   *
   * @param seed chooses the bounce and when in its periods the board looks and reports
   * @return what happened; its reports begin with the state before
   */
  public Trace move(Holds before, Holds after, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    int scanPhase = random.nextInt(timing.scanUs());
    int pollPhase = random.nextInt(timing.pollUs());
    Map<ContactId, Moving> moving = new HashMap<>();
    long restUs = 0;
    for (SignalPath path : paths) {
      double from = before.of(path.id());
      double to = after.of(path.id());
      if (from != to) {
        ControlKind.Bounce range = path.site().kind().bounce();
        Bounce bounce =
            path.site().contact().type().analog()
                ? Bounce.clean()
                : Bounce.drawn(range.leastUs(), range.mostUs(), random);
        moving.put(path.id(), new Moving(path, from, to, bounce, timing));
        restUs = Math.max(restUs, bounce.lengthUs());
      }
    }
    List<Trace.Report> reports = new ArrayList<>(steady(before));
    if (composer.isEmpty()) {
      return trace(moving, reports, restUs);
    }
    run(moving, before, scanPhase, pollPhase, restUs, reports);
    return trace(
        moving, reports, reports.isEmpty() ? restUs : reports.get(reports.size() - 1).us());
  }

  private void run(
      Map<ContactId, Moving> moving,
      Holds before,
      int scanPhase,
      int pollPhase,
      long restUs,
      List<Trace.Report> reports) {
    ReportComposer compose = composer.orElseThrow();
    Map<Integer, byte[]> sent = new HashMap<>();
    for (Trace.Report report : reports) {
      sent.put(report.id(), report.toBytes());
    }
    List<Moving> readable = moving.values().stream().filter(m -> m.path.whole()).toList();
    // After the last edge: one look, the wait, a look to see that it is over, and one report.
    long endUs =
        Math.min(
            LONGEST_US, restUs + timing.waitUs() * 2L + timing.scanUs() * 3L + timing.pollUs());
    long scanUs = scanPhase;
    long pollUs = pollPhase;
    while (Math.min(scanUs, pollUs) <= endUs) {
      if (scanUs <= pollUs) {
        for (Moving m : readable) {
          m.look(scanUs);
        }
        scanUs += timing.scanUs();
      } else {
        long now = pollUs;
        for (int id : layout.reportIds()) {
          byte[] transfer =
              compose.compose(
                  id,
                  path -> {
                    Moving m = moving.get(path.id());
                    return m == null ? before.of(path.id()) : m.settled;
                  });
          if (!ReportComposer.same(transfer, sent.get(id))) {
            sent.put(id, transfer);
            reports.add(ReportComposer.report(now, id, transfer));
          }
        }
        for (Moving m : readable) {
          if (m.settledUs.isPresent() && m.reportedUs.isEmpty()) {
            m.reportedUs = OptionalLong.of(now);
          }
        }
        pollUs += timing.pollUs();
      }
    }
  }

  private static Trace trace(
      Map<ContactId, Moving> moving, List<Trace.Report> reports, long endUs) {
    Map<ContactId, Trace.Hops> hops = new HashMap<>();
    moving.forEach(
        (id, m) ->
            hops.put(id, new Trace.Hops(m.bounce.lengthUs(), m.seenUs, m.settledUs, m.reportedUs)));
    return new Trace(hops, reports, endUs);
  }
}
