package kumite.loom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.kind.BoardKind;
import kumite.kind.HostSocket;
import kumite.kind.Terminal;
import kumite.name.ControlId;

/** Which USB pad goes into which socket of a board that has several: both its lines into one. */
final class HostSockets {
  private HostSockets() {}

  static boolean wants(Line line) {
    return line.needs() == Line.Need.HOST_PLUS || line.needs() == Line.Need.HOST_MINUS;
  }

  /**
   * {@return a terminal for each line of the pads that find a socket}
   *
   * @param locked the terminals of lines that the builder locked
   * @param taken terminals that are not to be had
   */
  static Map<Line, Terminal> of(
      BoardKind board, List<Line> lines, Map<Line, Terminal> locked, Set<String> taken) {
    Map<ControlId, List<Line>> pads = new LinkedHashMap<>();
    for (Line line : lines) {
      if (wants(line)) {
        pads.computeIfAbsent(line.id().control(), id -> new ArrayList<>()).add(line);
      }
    }
    Map<Line, Terminal> placed = new LinkedHashMap<>();
    List<HostSocket> free = new ArrayList<>(board.hostSockets());
    free.removeIf(s -> locked.values().stream().anyMatch(s::has));
    free.removeIf(s -> taken.contains(s.plus().name()) || taken.contains(s.minus().name()));
    pads.forEach(
        (pad, own) -> {
          Optional<HostSocket> begun =
              locked.entrySet().stream()
                  .filter(e -> wants(e.getKey()) && e.getKey().id().control().equals(pad))
                  .findFirst()
                  .flatMap(
                      e ->
                          board.hostSockets().stream()
                              .filter(s -> s.has(e.getValue()))
                              .findFirst());
          Optional<HostSocket> socket =
              begun.isPresent()
                  ? begun
                  : free.isEmpty() ? Optional.empty() : Optional.of(free.remove(0));
          for (Line line : own) {
            socket
                .map(s -> line.needs() == Line.Need.HOST_PLUS ? s.plus() : s.minus())
                .filter(terminal -> !taken.contains(terminal.name()))
                .filter(terminal -> !locked.containsValue(terminal))
                .ifPresent(terminal -> placed.put(line, terminal));
          }
        });
    return placed;
  }
}
