package kumite.plan;

import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;

/** What is proved, glued and closed once all is wired. Minutes: common practice. */
final class CaseSteps {
  private final Worksheet sheet;
  private final Build build;
  private final List<SeatWork> seats;

  CaseSteps(Worksheet sheet, Build build, List<SeatWork> seats) {
    this.sheet = sheet;
    this.build = build;
    this.seats = seats;
  }

  /** How the case itself comes about, where one was decided. */
  private void made(Box box) {
    Making making = box.making();
    int openings = box.openings().size();
    if (making instanceof Making.Printed) {
      sheet
          .step("case-print", Act.PRINT_CASE, "Print the tray of the case")
          .details("its floor on the bed; exports case-stl")
          .add(15);
      seams(making);
    } else if (!(making instanceof Making.Bought)) {
      boolean laser = making instanceof Making.Laser;
      sheet
          .step(
              "case-cut",
              Act.CUT_CASE,
              laser ? "Cut the case's sheets, a corner first" : "Cut the boards of the case")
          .details(
              laser
                  ? "try one corner of fingers before all of them; exports case-dxf"
                  : "rip the strips, then cut them to length; bevels last; exports case-cuts")
          .add(laser ? 40 : 90);
    }
    if (openings > 0) {
      sheet
          .step("case-mark", Act.MARK_CASE, "Hold each plug and nut against its place in the case")
          .details("measure grips and flanges with a caliper; exports case-drill")
          .add(5 + openings);
      sheet
          .step(
              "case-open",
              Act.OPEN_CASE,
              "Cut the openings of the case: " + PanelSteps.count(openings, "opening"))
          .details(
              making instanceof Making.Printed || making instanceof Making.Laser
                  ? "they are cut with the pieces: clear their edges, try each plug and nut"
                  : "corners drilled, then jigsaw or file; try each plug and nut; exports case-drill")
          .add(5 + 5.0 * openings);
    }
    if (making instanceof Making.Boards || making instanceof Making.Laser) {
      sheet
          .step("case-dry", Act.DRY_CASE, "Put the case together dry: square, and all goes in")
          .details("both diagonals alike; the lid lies flat; each part in its place once")
          .add(15);
      sheet
          .step("case-join", Act.JOIN_CASE, "Glue and screw the case")
          .details("both diagonals again before the glue takes; screws crosswise")
          .add(40);
    }
  }

  /** Parts of a tray that the bed did not take whole. */
  private void seams(Making making) {
    if (making instanceof Making.Printed printed
        && !(printed.seamsXMm().isEmpty() && printed.seamsYMm().isEmpty())) {
      sheet
          .step(
              "case-join",
              Act.JOIN_CASE,
              "Join the parts of the tray: drill both lips at once, glue, screw")
          .details(
              "flat on a plate, clamped: the lips of two parts are drilled together, so that their"
                  + " holes meet",
              "glue along the floor; screws before it takes; exports case-cuts lists them")
          .add(15 * (1 + printed.seamsXMm().size() + printed.seamsYMm().size()));
    }
  }

  void write() {
    build.get(BoxBook.PART).box().ifPresent(this::made);
    List<SeatWork> wired =
        seats.stream().filter(s -> s.board().isPresent() && !s.loom().strands().isEmpty()).toList();
    if (wired.isEmpty()) {
      return;
    }
    int inputs = wired.stream().mapToInt(s -> s.loom().sites().size()).sum();
    sheet
        .step("beep-all", Act.BEEP_ALL, "Unpowered: supply to ground silent, neighbours silent")
        .details(
            "each input to its common: silent at rest, a beep held",
            PanelSteps.count(inputs, "input") + "; kumite nets lists what is joined")
        .add(5 + 0.3 * inputs);
    sheet
        .step("power", Act.FIRST_POWER, "First power: supply volts, nothing warm")
        .details(
            wired.stream()
                .flatMap(s -> s.board().stream())
                .map(b -> b.name() + ": " + b.logicVolts() + " V")
                .distinct()
                .toList())
        .add(5);
    sheet
        .step("host", Act.HOST_TEST, "At the host: each function once, nothing else moves")
        .details(
            PanelSteps.count(inputs, "contact") + ", both ends and rest of each axis",
            "the report tester of the system shows the rest")
        .add(5 + 0.3 * inputs);
    sheet
        .step("glue", Act.GLUE_DOWN, "Glue what may come loose: plugs, strips, bundles")
        .details("never on what gets warm, or where a finger has to go")
        .add(10);
    sheet
        .step("close", Act.CLOSE, "Close the case: no wire under the edge")
        .details(build.panel().inside().opening().words())
        .add(5);
    sheet
        .step("play", Act.PLAY, "Play ten minutes, two people where there are two seats")
        .details("diagonals, opposites, chords; everything held at once")
        .add(10);
    Optional<String> daily =
        build.links().isEmpty()
            ? Optional.empty()
            : Optional.of("boards that pass each other on are powered together");
    daily.ifPresent(
        words ->
            sheet
                .step(
                    "daily",
                    Act.PLAY,
                    "Before each day's use: all boards on, one look at each axis")
                .details(words)
                .add(2));
  }
}
