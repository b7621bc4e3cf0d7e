package kumite.meaning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.kind.Loading;
import kumite.kind.ReadyProgram;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.map.MapCode;

/** What a ready-made program on the board will do, and whether its combinations can be held. */
public final class ReadyChecks {
  private ReadyChecks() {}

  /** {@return what is to be said of the ready-made program of a board, if it runs one} */
  public static List<Finding> of(Optional<BoardKind> board, Loom loom) {
    Optional<ReadyProgram> ready = board.flatMap(b -> b.brain().program());
    if (ready.isEmpty() || loom.sites().isEmpty()) {
      return List.of();
    }
    Set<String> given =
        loom.plan().choices().values().stream()
            .map(PinChoice::terminal)
            .flatMap(terminal -> terminal.fixed().stream())
            .collect(Collectors.toSet());
    List<Finding> findings = new ArrayList<>();
    for (ReadyProgram.Combination one : ready.get().combinations()) {
      List<String> missing = one.hold().stream().filter(m -> !given.contains(m)).toList();
      if (!missing.isEmpty()) {
        findings.add(
            Finding.of(
                MapCode.READY_PROGRAM,
                Severity.LOOK,
                List.of(),
                "Nothing gives " + String.join(", ", missing) + " to a combination",
                "Its program wants you to " + one.words()));
      }
    }
    if (findings.isEmpty()) {
      List<String> words = new ArrayList<>();
      words.add(ready.get().what());
      ready.get().combinations().forEach(one -> words.add(one.words()));
      ready.get().settings().forEach(one -> words.add(one.words()));
      board.flatMap(b -> b.brain().load()).map(Loading::words).ifPresent(words::add);
      findings.add(
          Finding.of(
              MapCode.READY_PROGRAM,
              Severity.FINE,
              List.of(),
              "Ready-made program: " + ready.get().name(),
              String.join("; ", words)));
    }
    return findings;
  }
}
