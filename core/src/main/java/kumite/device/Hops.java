package kumite.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.ToDoubleFunction;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.Seen;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.loom.Console;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Loom;
import kumite.loom.Sharing;
import kumite.loom.Spots;
import kumite.loom.Strand;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.signal.Taken;
import kumite.wiring.Wiring;
import kumite.working.Working;

/**
 * A contact's way from finger to host in words, as it is wired and with what is held now.
 *
 * @param wiring as it is; empty without a board
 * @param inputs what the board takes in
 * @param profile what contacts mean
 * @param layout where that is reported
 */
public record Hops(
    Loom loom,
    Optional<Wiring> wiring,
    Optional<Inputs> inputs,
    Optional<BoardKind> board,
    Timing timing,
    Holds holds,
    Profile profile,
    ReportLayout layout) {

  private static final double MICROS = 1000;

  /**
   * What a contact means now.
   *
   * @param where on which layer, or in which chord
   * @param entry the meaning; empty for none
   */
  private record Meant(String where, Optional<Mapping.Entry> entry) {}

  /** With what is known of the last move: a layer that was reached, a chord that it belongs to. */
  private Meant meant(SignalPath path, Optional<Trace> trace) {
    Optional<Trace.Change> now = trace.flatMap(t -> t.changes().stream().reduce((a, b) -> b));
    Optional<Chord> chord =
        profile.chords().stream()
            .filter(c -> c.contacts().contains(path.id()))
            .filter(c -> now.filter(n -> n.chords().contains(c.id())).isPresent())
            .findFirst();
    if (chord.isPresent()) {
      return new Meant("chord " + chord.get().id(), Optional.of(chord.get().entry()));
    }
    int number = now.map(Trace.Change::layer).orElse(0);
    if (number > 0 && number <= profile.layers().size()) {
      String layer = profile.layers().get(number - 1).name();
      return new Meant("layer " + layer, profile.meaning(layer, path.id()));
    }
    return new Meant(
        profile.layers().isEmpty() ? "one layer" : Layer.BASE,
        path.target().map(target -> new Mapping.Entry(target, path.function())));
  }

  /**
   * {@return the nine stages of a contact's way}
   *
   * @param trace of the last press, for its times
   */
  public List<Hop> of(SignalPath path, Optional<Trace> trace) {
    boolean held = holds.on(path.id());
    double at = hands().applyAsDouble(path.id());
    Optional<Trace.Hops> times = trace.map(t -> t.hops().get(path.id()));
    boolean analog = path.site().contact().type().analog();
    boolean down = down();
    boolean unsure =
        seen(path).filter(s -> s.reading() == InputLevels.Reading.UNDEFINED).isPresent();
    boolean reaches = held && path.whole() && !down && !unsure;
    List<Hop> hops = new ArrayList<>();
    hops.add(
        new Hop(
            Hop.Stage.FINGER,
            path.site().pad().map(p -> p.port().label()).orElse(path.site().kind().name()),
            held ? "0 ms" : "idle",
            held,
            false,
            path.site().kind().trait()));
    hops.add(contact(path, at, times));
    hops.add(
        path.strand()
            .map(s -> strand(s, held))
            .orElse(
                new Hop(
                    Hop.Stage.STRAND,
                    "no strand",
                    "choose a board",
                    false,
                    true,
                    "Nothing is wired yet")));
    hops.add(
        path.pin()
            .map(
                pin ->
                    new Hop(
                        Hop.Stage.TERMINAL,
                        pin.terminal().name(),
                        volts(path),
                        held,
                        false,
                        String.join("; ", loom.whyPin(path.id()))))
            .orElse(
                new Hop(
                    Hop.Stage.TERMINAL,
                    "none",
                    "no terminal",
                    false,
                    true,
                    "No terminal is free for it")));
    hops.add(level(path));
    hops.add(settled(path, times, held, analog));
    Meant meant = meant(path, trace);
    boolean reaching = profile.layers().stream().anyMatch(layer -> layer.by().contains(path.id()));
    hops.add(
        meant
            .entry()
            .map(
                entry ->
                    new Hop(
                        Hop.Stage.MAP,
                        TargetText.of(entry.target()),
                        meant.where(),
                        reaches,
                        false,
                        "The meaning is set at the Map station"))
            .orElse(
                new Hop(
                    Hop.Stage.MAP,
                    reaching ? "reaches a layer" : "no meaning",
                    reaching ? meant.where() : "set it in Map",
                    reaching && held,
                    !reaching,
                    reaching
                        ? "Held, other contacts mean something else"
                        : "The host will see nothing")));
    hops.add(
        asked(meant)
            .map(taken -> frame(taken, path, reaches))
            .orElseGet(() -> report(path, meant, times, reaches, held, reaching)));
    String function =
        meant
            .entry()
            .map(Mapping.Entry::function)
            .filter(name -> !name.isEmpty())
            .or(() -> asked(meant).flatMap(Taken::button))
            .orElse("");
    hops.add(
        new Hop(
            Hop.Stage.HOST,
            function.isEmpty() ? "no function named" : function,
            meant
                .entry()
                .filter(entry -> reaches)
                .map(entry -> TargetText.brief(entry.target()))
                .orElseGet(() -> hostSees(path)),
            reaches,
            false,
            function.isEmpty() ? "Name it at the Map station" : "What the host does"));
    return upToTheBreak(hops);
  }

  private Hop report(
      SignalPath path,
      Meant meant,
      Optional<Trace.Hops> times,
      boolean reaches,
      boolean held,
      boolean reaching) {
    return meant
        .entry()
        .flatMap(entry -> layout.fieldOf(entry.target()))
        .map(
            field ->
                new Hop(
                    Hop.Stage.REPORT,
                    "byte " + field.byteIndex() + " bit " + field.bitIndex(),
                    times
                        .filter(t -> held)
                        .map(t -> ms(t.reportedUs()))
                        .orElse(
                            String.format(
                                Locale.ROOT, "mean %.1f ms", path.delay().meanUs() / 1000)),
                    reaches,
                    false,
                    path.delay().working().inWords()))
        .orElse(
            new Hop(
                Hop.Stage.REPORT,
                "not reported",
                "",
                false,
                !reaching,
                "It has no place in a report"));
  }

  /** {@return where a console that is answered takes a meaning, if there is one that does} */
  private Optional<Taken> asked(Meant meant) {
    for (Console console : loom.consoles()) {
      if (board.filter(b -> console.byCircuit(b) || console.byProgram(b)).isEmpty()) {
        continue; // nothing answers it
      }
      Optional<String> button =
          meant.entry().flatMap(entry -> console.chart().button(entry.target()));
      if (button.isPresent()) {
        return console.kind().mechanism().taken(console.kind()).stream()
            .filter(taken -> taken.button().equals(button))
            .findFirst();
      }
    }
    return Optional.empty();
  }

  /** A frame that a console asks for, in place of a report. */
  private Hop frame(Taken taken, SignalPath path, boolean reaches) {
    return new Hop(
        Hop.Stage.REPORT,
        taken.where(),
        String.format(Locale.ROOT, "mean %.1f ms", path.delay().meanUs() / MICROS),
        reaches,
        false,
        "Taken from line "
            + taken.line().replace('_', ' ')
            + " of the console, "
            + taken.held().word()
            + " for held");
  }

  /** A press is nowhere behind the stage that it does not get through. */
  private static List<Hop> upToTheBreak(List<Hop> hops) {
    List<Hop> told = new ArrayList<>();
    boolean there = true;
    for (Hop hop : hops) {
      there &= hop.live() && !hop.broken();
      told.add(new Hop(hop.stage(), hop.value(), hop.measure(), there, hop.broken(), hop.tip()));
    }
    return List.copyOf(told);
  }

  /** The strand as it is: one that was left out is told here too. */
  private Hop strand(Strand strand, boolean held) {
    boolean there = wiring.filter(w -> w.has(strand.wire())).isPresent();
    return new Hop(
        Hop.Stage.STRAND,
        strand.id() + " " + strand.colour() + " · " + strand.lengthMm() + " mm",
        there ? strand.gaugeAwg() + " AWG" : "left out",
        held && there,
        !there,
        strand.colour().words()
            + ", from "
            + strand.from().words()
            + " to "
            + strand.to().words()
            + (there ? "" : "; it was left out by hand"));
  }

  private Hop contact(SignalPath path, double at, Optional<Trace.Hops> times) {
    ContactKind contact = path.site().contact();
    if (contact.type().analog()) {
      int steps = path.site().kind().steps();
      String where =
          steps > 1
              ? "step " + (1 + (int) Math.rint(at * (steps - 1))) + " of " + steps
              : String.format(Locale.ROOT, "%.0f %%", at * 100);
      return new Hop(
          Hop.Stage.CONTACT,
          contact.type() == ContactKind.Type.LADDER ? "ladder" : "wiper",
          where,
          holds.on(path.id()),
          false,
          "Read as volts");
    }
    String bounce =
        holds.on(path.id())
            ? times
                .map(t -> String.format(Locale.ROOT, "rests %.1f ms", t.bounceUs() / 1000.0))
                .orElse("closed")
            : "open";
    ContactSite site = path.site();
    Joint tab = new Joint(site.control().id().text(), site.signalTab());
    String seat = Spots.fromBelow(site.control(), site.kind(), tab);
    String place = seat.isEmpty() ? "" : ", from below: " + seat;
    return new Hop(
        Hop.Stage.CONTACT,
        path.site().pad().isPresent()
            ? path.sharing()
                .flatMap(sharing -> sharing.seat(path.id()))
                .map(Sharing.Seat::words)
                .orElse("")
            : path.site().signalTab().replaceAll(".*\\.", "") + " – COM",
        bounce,
        holds.on(path.id()),
        false,
        "Normally open tab and common" + place);
  }

  private ToDoubleFunction<ContactId> hands() {
    return holds.over(contact -> inputs.map(all -> all.rest(contact)).orElse(0.0));
  }

  /** Why nothing feeds the board, where that is so. */
  private Optional<String> unfed() {
    return inputs.flatMap(Inputs::unfed);
  }

  /** Whether what is held now shorts a supply, so that the board goes down. */
  private boolean down() {
    return inputs.filter(all -> all.dies(holds.over(all::rest))).isPresent();
  }

  /** What the board takes in with everything held that is held now. */
  private Optional<Seen> seen(SignalPath path) {
    return path.levels().isEmpty()
        ? Optional.empty()
        : inputs.map(all -> all.see(path.id(), holds.over(all::rest)));
  }

  /** What a pad says in frames or reports has no volts of its own on the wire. */
  private String volts(SignalPath path) {
    if (said(path).isPresent()) {
      return said(path).get();
    }
    return seen(path).map(s -> String.format(Locale.ROOT, "%.2f V", s.volts())).orElse("");
  }

  private static Optional<String> said(SignalPath path) {
    return path.levels()
        .map(InputLevels::look)
        .filter(Look::heard)
        .map(look -> look.reported() ? "in its reports" : "in its frames");
  }

  private Hop level(SignalPath path) {
    Optional<Seen> seen = seen(path);
    if (seen.isEmpty()) {
      return new Hop(Hop.Stage.LEVEL, "unknown", "", false, true, "No terminal yet");
    }
    InputLevels levels = path.levels().orElseThrow();
    if (down()) {
      return new Hop(
          Hop.Stage.LEVEL,
          "board down",
          unfed().isPresent() ? "not fed" : "a supply is shorted",
          holds.on(path.id()),
          true,
          unfed()
              .orElse(
                  "What is held now shorts a supply: nothing is read or told until it is let go"));
    }
    if (levels.floating().isPresent()) {
      return new Hop(
          Hop.Stage.LEVEL,
          "floats",
          "held by nothing",
          holds.on(path.id()),
          true,
          "Nothing pulls it up or down");
    }
    if (levels.measured()) {
      int most = board.orElseThrow().axisMaximum();
      return new Hop(
          Hop.Stage.LEVEL,
          "code " + seen.get().code(),
          "of " + most,
          holds.on(path.id()),
          false,
          said(path).map(in -> "Told " + in).orElse("floor(V / Vref x 2^n)"));
    }
    InputLevels.Reading reading = seen.get().reading();
    if (said(path).isPresent()) {
      boolean unclear = reading == InputLevels.Reading.UNDEFINED;
      return new Hop(
          Hop.Stage.LEVEL,
          unclear ? "not heard" : reading == InputLevels.Reading.LOW ? "says held" : "says up",
          unclear ? "no frame comes" : said(path).get(),
          holds.on(path.id()),
          !levels.readable() || unclear,
          "Both sides are played over the wires as they are");
    }
    InputLevels.Thresholds reads = levels.thresholds();
    boolean low = reading == InputLevels.Reading.LOW;
    return new Hop(
        Hop.Stage.LEVEL,
        reading.words(),
        (low ? "needs \u2264 " : "needs \u2265 ")
            + Working.number(low ? reads.lowVolts() : reads.highVolts(), 1)
            + " V",
        holds.on(path.id()),
        !levels.readable() || reading == InputLevels.Reading.UNDEFINED,
        board.orElseThrow().levels().inWords());
  }

  private Hop settled(SignalPath path, Optional<Trace.Hops> times, boolean held, boolean analog) {
    if (board.flatMap(BoardKind::circuit).isPresent()) {
      return new Hop(
          Hop.Stage.SETTLED,
          "chips follow",
          "at once",
          held && path.whole(),
          false,
          "There is no program that waits; the console takes what stands at its frame");
    }
    String wait =
        analog
            ? "each look"
            : Working.number(timing.waitUs() / 1000.0, 0) + " ms " + timing.debounce().words();
    String measure =
        held
            ? times.map(t -> ms(t.settledUs())).orElse("settled")
            : "look each " + Working.number(every(path) * timing.scanUs() / 1000.0, 1) + " ms";
    return new Hop(
        Hop.Stage.SETTLED,
        wait,
        measure,
        held && path.whole(),
        false,
        "Set under Timing at the Map station");
  }

  private int every(SignalPath path) {
    return path.levels().map(l -> l.look().everyLooks(timing.scanUs())).orElse(1);
  }

  private String hostSees(SignalPath path) {
    if (!path.whole()) {
      return path.missing();
    }
    if (down()) {
      return "board down";
    }
    if (seen(path).filter(s -> s.reading() == InputLevels.Reading.UNDEFINED).isPresent()) {
      return "undetermined";
    }
    return holds.on(path.id()) ? path.target().map(TargetText::brief).orElse("") : "at rest";
  }

  private static String ms(OptionalLong us) {
    return us.isPresent()
        ? String.format(Locale.ROOT, "%.1f ms", us.getAsLong() / 1000.0)
        : "never";
  }
}
