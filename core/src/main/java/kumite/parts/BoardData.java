package kumite.parts;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.measure.Point;
import kumite.working.Source;

/** A kind of board in the shape of its JSON, read and written by field name. */
@JsonInclude(JsonInclude.Include.NON_NULL)
record BoardData(
    String id,
    String name,
    String trait,
    double[] sizeMm,
    Double rowsApartMm,
    double logicV,
    boolean fiveVoltTolerant,
    String common,
    double lowV,
    double highV,
    SourceData levelsFrom,
    double[] pullOhm,
    int adcBits,
    boolean fixedMap,
    List<String> left,
    List<String> right,
    List<GroupData> groups,
    Map<String, String> keep,
    Map<String, String> means,
    List<TerminalData> terminals,
    SeatingData seating,
    BrainData brain,
    CurrentData current) {
  /** Distance between two terminals along a header, the usual 0.1 in. */
  static final double PITCH_MM = 2.54;

  record GroupData(List<String> names, String role, List<String> can, double volts) {}

  /** One terminal written out, as boards of a builder's own are kept. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record TerminalData(
      String name,
      String role,
      double[] atMm,
      String side,
      List<String> can,
      String keep,
      String means,
      Double volts) {
    Terminal toTerminal() {
      return terminal(
          name,
          role,
          new Point(atMm[0], atMm[1]),
          PartData.constant(Terminal.Side.class, side, "side of terminal " + name),
          can,
          keep,
          means,
          volts == null ? 0 : volts);
    }

    static TerminalData of(Terminal terminal) {
      return new TerminalData(
          terminal.name(),
          PartData.word(terminal.role()),
          new double[] {terminal.at().xMm(), terminal.at().yMm()},
          PartData.word(terminal.side()),
          terminal.abilities().isEmpty()
              ? null
              : terminal.abilities().stream().map(PartData::word).toList(),
          terminal.keep().map(PartData::word).orElse(null),
          terminal.fixed().orElse(null),
          terminal.volts() == 0 ? null : terminal.volts());
    }
  }

  record SeatingData(
      double heightMm,
      double[][] standoffsMm,
      double standoffHoleMm,
      double[] plugMm,
      Double strippedMm) {
    BoardKind.Seating toSeating() {
      return new BoardKind.Seating(
          heightMm,
          standoffsMm == null
              ? List.of()
              : Arrays.stream(standoffsMm).map(at -> new Point(at[0], at[1])).toList(),
          standoffHoleMm,
          plugMm == null ? 0 : plugMm[0],
          plugMm == null ? 0 : plugMm[1],
          strippedMm == null ? heightMm : strippedMm);
    }

    static SeatingData of(BoardKind.Seating seating) {
      return new SeatingData(
          seating.heightMm(),
          seating.standoffs().stream()
              .map(at -> new double[] {at.xMm(), at.yMm()})
              .toArray(double[][]::new),
          seating.standoffHoleMm(),
          new double[] {seating.plugWidthMm(), seating.plugReachMm()},
          seating.strippedMm() == seating.heightMm() ? null : seating.strippedMm());
    }
  }

  record SourceData(String kind, String text) {}

  record BrainData(
      String link,
      boolean keysOnly,
      boolean needsCode,
      int costClass,
      boolean solder,
      double rawMs,
      String note) {}

  record CurrentData(double pinMa, double allMa, double supplyMa, double usualMa, double mostMa) {}

  BoardKind toKind() {
    List<Terminal> all = new ArrayList<>();
    if (terminals != null) {
      terminals.forEach(terminal -> all.add(terminal.toTerminal()));
    } else {
      addEdge(all, left, Terminal.Side.LEFT);
      addEdge(all, right, Terminal.Side.RIGHT);
    }
    return new BoardKind(
        id,
        name,
        trait == null ? "" : trait,
        sizeMm[0],
        sizeMm[1],
        logicV,
        fiveVoltTolerant,
        PartData.constant(Common.class, common, "common"),
        lowV,
        highV,
        new Source(
            PartData.constant(Source.Kind.class, levelsFrom.kind(), "levels_from.kind"),
            levelsFrom.text()),
        pullOhm[0],
        pullOhm[1],
        adcBits,
        fixedMap,
        all,
        seating == null ? BoardKind.Seating.BARE : seating.toSeating(),
        brain == null
            ? BoardKind.Brain.PLAIN
            : new BoardKind.Brain(
                PartData.constant(BoardKind.Link.class, brain.link(), "brain.link"),
                brain.keysOnly(),
                brain.needsCode(),
                brain.costClass(),
                brain.solder(),
                brain.rawMs(),
                brain.note() == null ? "" : brain.note()),
        current == null
            ? BoardKind.Current.USUAL
            : new BoardKind.Current(
                current.pinMa(),
                current.allMa(),
                current.supplyMa(),
                current.usualMa(),
                current.mostMa()));
  }

  static BoardData of(BoardKind kind) {
    BoardKind.Brain brain = kind.brain();
    BoardKind.Current current = kind.current();
    return new BoardData(
        kind.id(),
        kind.name(),
        kind.trait(),
        new double[] {kind.widthMm(), kind.heightMm()},
        null,
        kind.logicVolts(),
        kind.fiveVoltTolerant(),
        PartData.word(kind.common()),
        kind.lowVolts(),
        kind.highVolts(),
        new SourceData(PartData.word(kind.levels().kind()), kind.levels().text()),
        new double[] {kind.pullLeastOhm(), kind.pullMostOhm()},
        kind.adcBits(),
        kind.fixedMap(),
        null,
        null,
        null,
        null,
        null,
        kind.terminals().stream().map(TerminalData::of).toList(),
        SeatingData.of(kind.seating()),
        new BrainData(
            PartData.word(brain.link()),
            brain.keysOnly(),
            brain.needsCode(),
            brain.costClass(),
            brain.solder(),
            brain.rawMillis(),
            brain.note()),
        new CurrentData(
            current.pinMilliamps(),
            current.allMilliamps(),
            current.supplyMilliamps(),
            current.usualMilliamps(),
            current.mostMilliamps()));
  }

  private void addEdge(List<Terminal> all, List<String> names, Terminal.Side side) {
    double x = (side == Terminal.Side.LEFT ? -1 : 1) * rowsApartMm / 2;
    for (int i = 0; i < names.size(); i++) {
      double y = ((names.size() - 1) / 2.0 - i) * PITCH_MM; // listed from the plug to the front
      // A name such as GND stands on a board several times; the file writes GND, GND.2, GND.3.
      String terminal = names.get(i);
      String group = terminal.replaceAll("\\.\\d+$", "");
      GroupData data =
          groups.stream()
              .filter(g -> g.names().contains(group))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "board " + id + ": terminal " + terminal + " is in no group"));
      all.add(
          terminal(
              terminal,
              data.role(),
              new Point(x, y),
              side,
              data.can(),
              keep == null ? null : keep.get(terminal),
              means == null ? null : means.get(terminal),
              data.volts()));
    }
  }

  /** {@return a terminal from the words of a file; absent words are null} */
  static Terminal terminal(
      String name,
      String role,
      Point at,
      Terminal.Side side,
      List<String> can,
      String keep,
      String means,
      double volts) {
    Set<Terminal.Ability> abilities = EnumSet.noneOf(Terminal.Ability.class);
    if (can != null) {
      can.forEach(
          word ->
              abilities.add(PartData.constant(Terminal.Ability.class, word, "ability of " + name)));
    }
    return new Terminal(
        name,
        PartData.constant(Terminal.Role.class, role, "role of " + name),
        at,
        side,
        abilities,
        Optional.ofNullable(keep)
            .map(word -> PartData.constant(Terminal.Keep.class, word, "keep of " + name)),
        Optional.ofNullable(means),
        volts);
  }
}
