package kumite.firmware;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.circuit.Inputs;
import kumite.device.Senses;
import kumite.device.SimulatedDevice;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.loom.Console;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.Pad;
import kumite.program.Sense;

/**
 * What code is made from: one board with its plan, its wiring, and all its profiles.
 *
 * @param title of the build
 * @param seat the board's name in the build
 * @param board its kind
 * @param loom its plan
 * @param inputs what it reads, from the wiring as it is
 * @param profiles in the order of the build; the first is in force when no other is chosen
 * @param tuning how its contacts are read
 * @param timing how it looks and reports
 * @param scripts plays that the build keeps
 * @param heard boards whose reports it passes on to the host
 */
public record Blueprint(
    String title,
    String seat,
    BoardKind board,
    Loom loom,
    Inputs inputs,
    List<Profile> profiles,
    Tuning tuning,
    Timing timing,
    List<Script> scripts,
    List<Heard> heard) {

  /** A program of this many looks, terminals or meanings is beyond every board. */
  static final int MOST = 60_000;

  private static final int MOST_BITS = 16;

  /** Boards that talk to a host by themselves, are part of it, or tell another that does. */
  private static final Set<BoardKind.Link> DEVICES =
      Set.of(
          BoardKind.Link.USB, BoardKind.Link.RADIO, BoardKind.Link.HEADER, BoardKind.Link.SERIAL);

  public Blueprint {
    profiles = List.copyOf(profiles);
    scripts = List.copyOf(scripts);
    heard = List.copyOf(heard);
  }

  /**
   * The blueprint of the board that is looked at.
   *
   * @throws IllegalArgumentException if no program for it can be written; the message says why and
   *     what to do
   */
  public static Blueprint of(Build build, BoardKind board, Loom loom, Inputs inputs) {
    why(board, loom.pads()).ifPresent(Blueprint::refuse);
    if (inputs.looks().all().isEmpty()) {
      refuse("the board reads no contact yet: place a control and give it a terminal first");
    }
    if (inputs.looks().all().size() > MOST / (Profile.MOST_LAYERS + 1)) {
      refuse("the board reads " + inputs.looks().all().size() + " contacts, more than any can");
    }
    Optional<BoardKind> known = Optional.of(board);
    return new Blueprint(
        build.brief().title(),
        build.seat().id().text(),
        board,
        loom,
        inputs,
        build.seat().profiles().stream().map(p -> Senses.known(p, known)).toList(),
        build.tuning(),
        build.timing().noFasterThan(board.brain().rawMillis()),
        build.scripts(),
        List.of());
  }

  /** {@return the same board, when it passes on what others tell it} */
  public Blueprint passing(List<Heard> others) {
    return new Blueprint(
        title, seat, board, loom, inputs, profiles, tuning, timing, scripts, others);
  }

  /** {@return why no program can be written for a board with these pads; empty where one can} */
  public static Optional<String> why(BoardKind board, List<Pad> pads) {
    return why(board)
        .or(
            () ->
                pads.stream()
                    .filter(pad -> !pad.written(board))
                    .findFirst()
                    .map(
                        pad ->
                            pad.port().label()
                                + " talks in a way that no program of Kumite knows ("
                                + pad.kind().title()
                                + "); load a ready-made one that does, or take the port out"));
  }

  /** {@return why no program can be written for a board at all; empty where one can} */
  public static Optional<String> why(BoardKind board) {
    String name = "\"" + board.name() + "\" ";
    if (board.settable().isPresent()) {
      return Optional.of(
          name + "takes no program but a table for its loader: export it with --what loader-table");
    }
    if (board.fixedMap() || !board.brain().needsCode()) {
      return Optional.of(
          board
              .brain()
              .program()
              .map(
                  ready ->
                      name
                          + "runs a ready-made program: load \""
                          + ready.name()
                          + "\", there is nothing to write for it")
              .orElse(
                  name
                      + "brings its own program and takes no other: there is nothing to write for"
                      + " it"));
    }
    if (!DEVICES.contains(board.brain().link())) {
      return Optional.of(
          name
              + "cannot be a device to a host ("
              + board.brain().link().words()
              + "); choose a board with USB of its own at the Loom station");
    }
    return board.adcBits() > MOST_BITS
        ? Optional.of(
            name
                + "measures with "
                + board.adcBits()
                + " bits; programs are written for 16 at most")
        : Optional.empty();
  }

  private static void refuse(String why) {
    throw new IllegalArgumentException("no firmware: " + why);
  }

  /** {@return how the board looks at its terminals} */
  public Looks looks() {
    return inputs.looks();
  }

  /** {@return what the program looks at, in order} */
  public List<Sense> senses() {
    return Senses.of(looks(), loom);
  }

  /** {@return whether the board is the host's own header: keys go to it, and no reports} */
  public boolean header() {
    return board.brain().link() == BoardKind.Link.HEADER;
  }

  /** {@return whether it tells its reports to another board, over a serial wire} */
  public boolean tells() {
    return board.brain().link() == BoardKind.Link.SERIAL && !alone();
  }

  /** {@return whether it has no host but a console, which takes what its serial wire sends} */
  boolean alone() {
    return board.brain().link() == BoardKind.Link.SERIAL
        && loom.answered(board).stream().anyMatch(Console::bytes);
  }

  /** {@return the reports of a profile; of a header, how keys stand inside of its program} */
  public ReportLayout layout(Profile profile) {
    if (header()) {
      return Senses.keys(profile);
    }
    return Senses.layout(loom, Optional.of(board), profile);
  }

  /** {@return the simulated device under a profile, the judge of every program} */
  public SimulatedDevice device(Profile profile) {
    return new SimulatedDevice(
            timing, layout(profile), loom, profile, tuning, Optional.of(inputs), !alone())
        .among(profiles);
  }
}
