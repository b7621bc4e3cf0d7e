package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.kind.Loading;
import kumite.kind.Terminal;

/**
 * Boards with a program that somebody else wrote: a board of the catalogue whose terminals mean
 * what the program says, and nothing else.
 */
final class ReadyBoards {
  private ReadyBoards() {}

  static List<BoardKind> of(JsonNode root, Map<String, BoardKind> boards) {
    Key top = new Key("programs.json", root);
    List<BoardKind> all = new ArrayList<>();
    for (Key key : top.objects("programs")) {
      String base = key.text("board");
      BoardKind board = boards.get(base);
      if (board == null) {
        throw key.misfit(
            "board", "there is no board \"" + base + "\"", "name one of the catalogue");
      }
      all.add(key.whole(() -> board(key, board)));
      key.done();
    }
    top.done();
    return List.copyOf(all);
  }

  private static BoardKind board(Key key, BoardKind board) {
    Map<String, String> means = BoardJson.texts(key, "terminals");
    for (String name : means.keySet()) {
      if (board.terminal(name).filter(t -> t.role() == Terminal.Role.INPUT).isEmpty()) {
        throw key.misfit(
            "terminals", "\"" + name + "\" is no input of " + board.id(), "name one that is");
      }
    }
    BoardKind.Brain brain = board.brain();
    return new BoardKind(
        key.text("id"),
        board.name() + ", " + key.object("program").text("name"),
        board.trait() + "; loaded with a ready-made program",
        board.widthMm(),
        board.heightMm(),
        board.logicVolts(),
        board.fiveVoltTolerant(),
        board.common(),
        board.lowVolts(),
        board.highVolts(),
        board.levels(),
        board.pullLeastOhm(),
        board.pullMostOhm(),
        board.adcBits(),
        true,
        board.terminals().stream().map(t -> meaning(t, means.get(t.name()))).toList(),
        board.seating(),
        new BoardKind.Brain(
            brain.link(),
            brain.keysOnly(),
            false,
            brain.costClass(),
            brain.solder(),
            key.number("look_ms", brain.rawMillis()),
            key.text("note", ""),
            Optional.empty(),
            0,
            key.has("load") ? Optional.of(key.word("load", Loading.class)) : brain.load(),
            Optional.of(BoardJson.program(key.object("program"))),
            Optional.empty()),
        board.current(),
        Optional.empty());
  }

  private static Terminal meaning(
      Terminal terminal, @org.jspecify.annotations.Nullable String means) {
    if (terminal.role() != Terminal.Role.INPUT) {
      return terminal;
    }
    return new Terminal(
        terminal.name(),
        means == null ? Terminal.Role.OTHER : Terminal.Role.INPUT,
        terminal.at(),
        terminal.side(),
        means == null ? java.util.Set.of() : digital(terminal),
        Optional.empty(),
        Optional.ofNullable(means),
        terminal.volts());
  }

  /** The program reads plain contacts there, whatever else the terminal could do. */
  private static java.util.Set<Terminal.Ability> digital(Terminal terminal) {
    java.util.Set<Terminal.Ability> can = java.util.EnumSet.of(Terminal.Ability.DIGITAL);
    if (terminal.can(Terminal.Ability.PULL_UP)) {
      can.add(Terminal.Ability.PULL_UP);
    }
    return can;
  }
}
