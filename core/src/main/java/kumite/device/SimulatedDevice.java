package kumite.device;

import java.util.List;
import java.util.Optional;
import kumite.build.map.Chord;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.circuit.Inputs;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.program.Program;

/**
 * A stand-in for the real board: it looks at the terminals, settles what it sees, maps it and
 * reports, in virtual time. What it sees is solved from the wiring as it is, so a wire left out, a
 * short, a ghost or a ladder with two steps held show as they would; what it does with that is
 * {@link Program}.
 *
 * <pre>{@code
 * Trace trace = device.move(Holds.NONE, Holds.NONE.with(ContactId.parse("horn"), 1), 1);
 * trace.last(0); // the report with the horn's button set
 * }</pre>
 *
 * <p>The same seed gives the same trace. Transfers over the cable take no time here; at full speed
 * a short report takes well under 0.1 ms.
 *
 * @param timing how it looks and reports
 * @param layout its reports
 * @param loom the plan
 * @param profile what contacts mean
 * @param tuning how contacts are read
 * @param inputs what it reads; without a board nothing is ever reported
 * @param heard whether its reports come to the host: a board that is no device needs one that hears
 * @param noise of its converter
 * @param profiles all that it can come to have in force, in their order
 */
public record SimulatedDevice(
    Timing timing,
    ReportLayout layout,
    Loom loom,
    Profile profile,
    Tuning tuning,
    Optional<Inputs> inputs,
    boolean heard,
    Noise noise,
    List<Profile> profiles) {

  public SimulatedDevice {
    profiles = List.copyOf(profiles);
  }

  /** A device whose converter is exact, and which keeps its profile. */
  public SimulatedDevice(
      Timing timing,
      ReportLayout layout,
      Loom loom,
      Profile profile,
      Tuning tuning,
      Optional<Inputs> inputs,
      boolean heard) {
    this(timing, layout, loom, profile, tuning, inputs, heard, Noise.NONE, List.of(profile));
  }

  /** {@return the same device with a converter that has noise} */
  public SimulatedDevice with(Noise other) {
    return new SimulatedDevice(
        timing, layout, loom, profile, tuning, inputs, heard, other, profiles);
  }

  /** {@return the same device, which can come to have others of its profiles in force} */
  public SimulatedDevice among(List<Profile> all) {
    return new SimulatedDevice(timing, layout, loom, profile, tuning, inputs, heard, noise, all);
  }

  /** {@return the device once it has taken another of its profiles} */
  SimulatedDevice taking(Profile other) {
    Optional<BoardKind> board = inputs.map(in -> in.wiring().board());
    boolean header = board.filter(b -> b.brain().link() == BoardKind.Link.HEADER).isPresent();
    return new SimulatedDevice(
        timing,
        header ? Senses.keys(other) : Senses.layout(loom, board, other),
        loom,
        other,
        tuning,
        inputs,
        heard,
        noise,
        profiles);
  }

  /** {@return what it reads; empty without a board, or where a short holds the board down} */
  Optional<Inputs> alive() {
    return inputs.filter(in -> in.dead().isEmpty());
  }

  /** {@return the board's program before power-up; empty where nothing runs it} */
  Optional<Program> program() {
    return alive()
        .map(
            in -> {
              Looks looks = in.looks();
              return Program.of(
                  Senses.of(looks, loom),
                  profile,
                  tuning,
                  timing,
                  layout,
                  in.wiring().board().axisMaximum());
            });
  }

  /**
   * {@return a device that was switched on with controls held so, and has come to rest}
   *
   * @param seed chooses bounces, and when in its periods the board looks and reports
   */
  public Session begin(Holds holds, long seed) {
    return new Session(this, holds, seed);
  }

  /** {@return the reports of a device whose controls have long been held so} */
  public List<Trace.Report> steady(Holds holds) {
    return begin(holds, 1).standing();
  }

  /**
   * Moves the controls from one set of holds to another, all at time 0.
   *
   * @param seed chooses the bounce and when in its periods the board looks and reports
   * @return what happened; its reports begin with the state before
   */
  public Trace move(Holds before, Holds after, long seed) {
    Session session = begin(before, seed);
    session.anew();
    return session.move(after);
  }

  /**
   * Plays a script from power-up with nothing held.
   *
   * @throws IllegalArgumentException if it names a contact that there is not
   */
  public Trace play(Script script, long seed) {
    return play(script, seed, List.of());
  }

  /**
   * Plays a script from power-up with nothing held, before a host that is away now and then.
   *
   * @throws IllegalArgumentException if it names a contact that there is not
   */
  public Trace play(Script script, long seed, List<Away> away) {
    known(script);
    return played(new Session(this, Holds.NONE, seed), script, away);
  }

  /**
   * {@return what the board reads while a script is played, from power-up on}
   *
   * @throws IllegalArgumentException if it names a contact that there is not
   */
  public SelfTest selfTest(Script script, long seed) {
    known(script);
    SelfTest.Writer stream = new SelfTest.Writer(timing.scanUs());
    played(new Session(this, Holds.NONE, seed, Optional.of(stream)), script, List.of());
    return stream.done();
  }

  private static Trace played(Session session, Script script, List<Away> away) {
    session.anew();
    return session.play(script, away);
  }

  private void known(Script script) {
    for (Script.Move move : script.moves()) {
      if (loom.sites().stream().noneMatch(site -> site.id().equals(move.contact()))) {
        throw new IllegalArgumentException(
            "\""
                + move
                + "\": the build has no contact \""
                + move.contact()
                + "\"; it has "
                + String.join(", ", loom.sites().stream().map(s -> s.id().toString()).toList()));
      }
    }
  }

  /** {@return the longest time that a chord makes its members wait, in us} */
  long longestWindowUs() {
    return profile.chords().stream().mapToLong(Chord::windowMs).max().orElse(0) * 1000;
  }
}
