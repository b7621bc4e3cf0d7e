package kumite.meaning;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.circuit.Inputs;
import kumite.circuit.Solves;
import kumite.finding.Finding;
import kumite.firmware.Blueprint;
import kumite.firmware.Firmware;
import kumite.firmware.Footprint;
import kumite.kind.BoardKind;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.map.MapCode;

/** Whether the program of a board goes into it. */
public final class FirmwareChecks {
  private FirmwareChecks() {}

  /** What a program's size follows from; where a control sits is not of it. */
  private record Size(
      BoardKind board, Looks looks, List<Profile> profiles, Tuning tuning, Timing timing) {

    /** Not over everything that it holds: it is looked for at every edit, among few. */
    @Override
    public int hashCode() {
      return Objects.hash(board.id(), looks.all().size(), timing);
    }
  }

  /** {@return whether the program fits its board} */
  public static List<Finding> of(
      Build build, Optional<BoardKind> board, Loom loom, Inputs inputs, Solves solves) {
    Optional<BoardKind.Memory> memory = board.flatMap(b -> b.brain().memory());
    boolean can =
        memory.isPresent()
            && Blueprint.why(board.get(), loom.pads()).isEmpty()
            && !inputs.looks().all().isEmpty();
    if (!can) {
      return List.of();
    }
    Footprint footprint =
        solves.recall(
            new Size(
                board.get(),
                inputs.looks(),
                build.seat().profiles(),
                build.tuning(),
                build.timing()),
            size ->
                Firmware.of(Blueprint.of(build, board.get(), loom, inputs))
                    .footprint(memory.get()));
    return footprint.fits(memory.get())
        ? List.of(
            Finding.of(
                MapCode.PROGRAM_FITS,
                List.of(),
                "The program fits the board",
                "With the board's own code for USB or a serial wire; the Firmware tab shows how much it takes"))
        : List.of(
            Finding.of(
                MapCode.PROGRAM_TOO_LARGE,
                List.of(),
                "The program does not fit the board",
                words(footprint, memory.get())
                    + "; take a board with more memory at the Loom station, or leave out what is not"
                    + " needed: profiles, layers, chords"));
  }

  private static String words(Footprint footprint, BoardKind.Memory memory) {
    return String.format(
        Locale.ROOT,
        "It takes %s%d bytes of flash and %d of memory while it runs, with the board's own USB code;"
            + " a board of this class has about %d and %d",
        footprint.exact() ? "" : "at most about ",
        footprint.wholeFlash(),
        footprint.wholeRam(),
        memory.flashBytes(),
        memory.ramBytes());
  }
}
