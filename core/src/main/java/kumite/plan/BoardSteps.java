package kumite.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Landing;
import kumite.kind.Loading;
import kumite.loom.Strand;
import kumite.name.Joint;

/** What is done to a board and its carriers before wires come. Minutes: common practice. */
final class BoardSteps {
  private final Worksheet sheet;
  private final SeatWork seat;
  private final BoardKind board;

  BoardSteps(Worksheet sheet, SeatWork seat, BoardKind board) {
    this.sheet = sheet;
    this.seat = seat;
    this.board = board;
  }

  void write() {
    Set<String> used = new TreeSet<>();
    boolean header = false;
    for (Strand strand : seat.loom().strands()) {
      for (Strand.End end : List.of(strand.from(), strand.to())) {
        if (end.place().part().equals(Joint.BOARD)) {
          used.add(end.tab());
          header |= end.landing().how() == Landing.How.HEADER_PIN;
        }
      }
    }
    if (header) {
      pins();
    }
    carriers();
    program(used);
    sheet
        .step(
            "fix" + seat.suffix(),
            Act.FIX_BOARD,
            "Screw " + board.name() + " to its place" + seat.words())
        .details(seat.build().board().map(choice -> choice.seat().words()).orElse(""))
        .parts(
            board.seating().standoffs().isEmpty()
                ? List.of()
                : List.of(board.seating().standoffs().size() + " standoffs with screws"))
        .at(seat.at())
        .add(5);
  }

  private void pins() {
    int pins = board.terminals().size();
    sheet
        .step(
            "pins" + seat.suffix(),
            Act.LOOK_AT_PINS,
            "Look along the " + pins + " pins: none bent" + seat.words())
        .details("a housing pushed over a bent pin folds it flat")
        .at(seat.at())
        .add(1);
  }

  private void carriers() {
    List<Component> small = new ArrayList<>();
    List<Component> chips = new ArrayList<>();
    for (Component part : seat.loom().parts()) {
      boolean chip = part instanceof Component.Register || part instanceof Component.Multiplexer;
      if (part.fitted() && chip) {
        chips.add(part);
      } else if (part.fitted() && !atControl(part)) {
        small.add(part);
      }
    }
    List<String> names = new ArrayList<>(counted(chips));
    for (Circuit.Chip chip : board.circuit().map(Circuit::chips).orElse(List.of())) {
      names.add(chip.name() + " " + chip.what());
    }
    List<String> low = new ArrayList<>(counted(small));
    board
        .circuit()
        .ifPresent(
            c -> {
              int inputs = board.terminals(kumite.kind.Terminal.Role.INPUT).size();
              low.add(inputs + " resistor 10 kohm, pull-ups");
              if (!c.bare()) {
                low.add(c.chips().size() + " capacitor 100 nF, one at each chip");
              }
            });
    if (!low.isEmpty()) {
      sheet
          .step("small" + seat.suffix(), Act.SMALL_PARTS, "Solder the small parts, lowest first")
          .details("bands of diodes the way the sheet shows")
          .parts(low)
          .at(seat.at())
          .add(2.0 * low.size() + small.size());
    }
    if (!names.isEmpty()) {
      sheet
          .step(
              "sockets" + seat.suffix(), Act.SOCKETS, "Solder sockets and headers, notch to notch")
          .details("what plugs into a header holds its pins straight while it is soldered")
          .parts(names)
          .at(seat.at())
          .add(6.0 * names.size());
      sheet
          .step("chips" + seat.suffix(), Act.CHIPS, "Put the chips in: pin 1 at the notch")
          .details("touch ground first")
          .at(seat.at())
          .add(2.0 * names.size());
    }
  }

  private boolean atControl(Component part) {
    return part.ends().stream()
        .anyMatch(
            end -> seat.build().hands().stream().anyMatch(c -> c.id().text().equals(end.part())));
  }

  static List<String> counted(List<Component> parts) {
    Map<String, Long> counts =
        parts.stream()
            .collect(Collectors.groupingBy(Component::words, TreeMap::new, Collectors.counting()));
    return counts.entrySet().stream().map(e -> e.getValue() + " " + e.getKey()).toList();
  }

  private void program(Set<String> used) {
    board
        .brain()
        .program()
        .ifPresent(
            ready ->
                sheet
                    .step(
                        "load" + seat.suffix(),
                        Act.LOAD_PROGRAM,
                        "Load the ready-made program \"" + ready.name() + "\"" + seat.words())
                    .details(board.brain().load().map(Loading::words).orElse("as its maker says"))
                    .details(ready.combinations().stream().map(c -> c.words()).toList())
                    .details(ready.settings().stream().map(s -> s.words()).toList())
                    .at(seat.at())
                    .add(10));
    if (board.brain().needsCode()) {
      sheet
          .step(
              "load" + seat.suffix(),
              Act.LOAD_PROGRAM,
              "Load the program of " + board.name() + seat.words())
          .details(
              board.brain().load().map(Loading::words).orElse("as the board's maker says"),
              "kumite export --what firmware")
          .at(seat.at())
          .add(10);
    }
    List<String> read =
        seat.loom().plan().choices().values().stream()
            .map(choice -> choice.terminal().name())
            .filter(used::contains)
            .sorted()
            .toList();
    if (!read.isEmpty() && !board.ofHost()) {
      sheet
          .step(
              "try" + seat.suffix(),
              Act.TRY_BOARD,
              "Try the bare board: touch each input to its common" + seat.words())
          .details(String.join(", ", read))
          .at(seat.at())
          .add(2 + 0.3 * read.size());
    }
  }
}
