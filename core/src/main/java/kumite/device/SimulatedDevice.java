package kumite.device;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SplittableRandom;
import kumite.build.map.Timing;
import kumite.circuit.Inputs;
import kumite.circuit.Seen;
import kumite.hid.ReportLayout;
import kumite.kind.ControlKind;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.timing.Bounce;
import kumite.timing.Debouncer;

/**
 * A stand-in for the real board: it looks at the terminals, settles what it sees, maps it and
 * reports, in virtual time. What it sees is solved from the wiring as it is, so a wire left out, a
 * short or a ghost show as they would.
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
  private final Loom loom;
  private final Optional<Inputs> inputs;
  private final Optional<ReportComposer> composer;

  /**
   * A device that runs a build.
   *
   * @param timing how it looks and reports
   * @param inputs what it reads; without a board nothing is ever reported
   */
  public SimulatedDevice(Timing timing, ReportLayout layout, Loom loom, Optional<Inputs> inputs) {
    this.timing = timing;
    this.layout = layout;
    this.loom = loom;
    this.inputs = inputs.filter(in -> in.dead().isEmpty());
    this.composer =
        this.inputs.map(
            in ->
                new ReportComposer(
                    layout,
                    Meaning.all(in.looks(), loom, layout),
                    in.wiring().board().axisMaximum()));
  }

  /** One contact on its way from one place to another. */
  private static final class Moving {
    final ContactId id;
    final double from;
    final double to;
    final Bounce bounce;
    OptionalLong seenUs = OptionalLong.empty();
    OptionalLong settledUs = OptionalLong.empty();
    OptionalLong reportedUs = OptionalLong.empty();

    Moving(ContactId id, double from, double to, Bounce bounce) {
      this.id = id;
      this.from = from;
      this.to = to;
      this.bounce = bounce;
    }
  }

  /** {@return the reports of a device whose controls have long been held so} */
  public List<Trace.Report> steady(Holds holds) {
    List<Trace.Report> reports = new ArrayList<>();
    composer.ifPresent(
        c -> {
          Map<Look, Seen> seen = inputs.orElseThrow().see(holds::of);
          for (int id : layout.reportIds()) {
            reports.add(ReportComposer.report(0, id, c.compose(id, seen::get)));
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
    Map<ContactId, Moving> moving = new LinkedHashMap<>();
    long restUs = 0;
    for (ContactSite site : loom.sites()) {
      double from = before.of(site.id());
      double to = after.of(site.id());
      if (from != to) {
        ControlKind.Bounce range = site.kind().bounce();
        Bounce bounce =
            site.contact().type().analog()
                ? Bounce.clean()
                : Bounce.drawn(range.leastUs(), range.mostUs(), random);
        moving.put(site.id(), new Moving(site.id(), from, to, bounce));
        restUs = Math.max(restUs, bounce.lengthUs());
      }
    }
    List<Trace.Report> reports = new ArrayList<>(steady(before));
    if (composer.isEmpty()) {
      return trace(moving, reports, restUs);
    }
    new Run(moving, before).go(scanPhase, pollPhase, restUs, reports);
    return trace(
        moving, reports, reports.isEmpty() ? restUs : reports.get(reports.size() - 1).us());
  }

  /** The board at work while contacts move. */
  private final class Run {
    private final Map<ContactId, Moving> moving;
    private final List<Moving> movers;
    private final Holds before;
    private final Map<BitSet, Map<Look, Seen>> known = new HashMap<>();
    private final Map<Look, Debouncer> debouncers = new HashMap<>();
    private final Map<Look, Seen> settled;
    private final Map<Look, Seen> atFirst;

    Run(Map<ContactId, Moving> moving, Holds before) {
      this.moving = moving;
      this.movers = List.copyOf(moving.values());
      this.before = before;
      this.atFirst = inputs.orElseThrow().see(before::of);
      this.settled = new HashMap<>(atFirst);
      atFirst.forEach((look, seen) -> debouncers.put(look, new Debouncer(timing, seen.pressed())));
    }

    void go(int scanPhase, int pollPhase, long restUs, List<Trace.Report> reports) {
      Map<Integer, byte[]> sent = new HashMap<>();
      for (Trace.Report report : reports) {
        sent.put(report.id(), report.toBytes());
      }
      // After the last edge: one look, the wait, a look to see that it is over, and one report.
      long endUs =
          Math.min(
              LONGEST_US, restUs + timing.waitUs() * 2L + timing.scanUs() * 3L + timing.pollUs());
      long scanUs = scanPhase;
      long pollUs = pollPhase;
      while (Math.min(scanUs, pollUs) <= endUs) {
        if (scanUs <= pollUs) {
          look(scanUs);
          scanUs += timing.scanUs();
        } else {
          report(pollUs, sent, reports);
          pollUs += timing.pollUs();
        }
      }
    }

    private void look(long us) {
      Map<Look, Seen> raw = raw(us);
      raw.forEach(
          (look, seen) -> {
            // Volts are taken as they are; only presses are debounced.
            boolean pressed = debouncers.get(look).look(us, seen.pressed());
            Seen taken = new Seen(seen.volts(), seen.reading(), pressed, seen.code());
            settled.put(look, taken);
            look.contact().map(moving::get).ifPresent(m -> note(m, look, seen, taken, us));
          });
    }

    private void note(Moving m, Look look, Seen seen, Seen taken, long us) {
      if (m.seenUs.isEmpty() && differs(look, seen)) {
        m.seenUs = OptionalLong.of(us);
      }
      if (m.settledUs.isEmpty() && differs(look, taken)) {
        m.settledUs = OptionalLong.of(us);
      }
    }

    private boolean differs(Look look, Seen seen) {
      Seen first = atFirst.get(look);
      boolean travels = look.measured() && !(look.how() instanceof Look.Step);
      return travels ? seen.code() != first.code() : seen.pressed() != first.pressed();
    }

    /** Each set of closed contacts is solved once. */
    private Map<Look, Seen> raw(long us) {
      BitSet turned = new BitSet();
      for (int i = 0; i < movers.size(); i++) {
        turned.set(i, movers.get(i).bounce.turnedAt((int) us));
      }
      return known.computeIfAbsent(
          turned,
          set -> {
            Map<ContactId, Double> now = new HashMap<>();
            for (int i = 0; i < movers.size(); i++) {
              now.put(movers.get(i).id, set.get(i) ? movers.get(i).to : movers.get(i).from);
            }
            return inputs
                .orElseThrow()
                .see(contact -> now.getOrDefault(contact, before.of(contact)));
          });
    }

    private void report(long us, Map<Integer, byte[]> sent, List<Trace.Report> reports) {
      for (int id : layout.reportIds()) {
        byte[] transfer = composer.orElseThrow().compose(id, settled::get);
        if (!Arrays.equals(transfer, sent.get(id))) {
          sent.put(id, transfer);
          reports.add(ReportComposer.report(us, id, transfer));
        }
      }
      for (Moving m : movers) {
        if (m.settledUs.isPresent()
            && m.reportedUs.isEmpty()
            && composer.orElseThrow().reports(m.id)) {
          m.reportedUs = OptionalLong.of(us);
        }
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
