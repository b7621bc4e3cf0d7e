package kumite;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.working.Source;

/** Builds that tests share. All are invented. */
public final class Builds {
  private Builds() {}

  /** {@return the demo} */
  public static Build ferryBridge() {
    return demo(Demo.USUAL);
  }

  /** {@return the demo of two seats in wood} */
  public static Build lanternDuel() {
    return demo("lantern-duel");
  }

  private static Build demo(String name) {
    try {
      return Demo.open(name, Catalogue.standard());
    } catch (BuildFileException e) {
      throw new AssertionError(e);
    }
  }

  /** {@return an empty panel with 30 mm buttons at the places given as x, y, x, y ...} */
  public static Build buttons(double... places) {
    Build build = Build.empty("Buttons");
    for (int i = 0; i < places.length; i += 2) {
      String id = "b" + (i / 2 + 1);
      build =
          build.withControl(
              Control.of(
                  new ControlId(id),
                  id.toUpperCase(java.util.Locale.ROOT),
                  "button-30",
                  Placement.at(places[i], places[i + 1])));
    }
    return build;
  }

  /** {@return the build on a board, its contacts mapped to buttons 1 upward in their order} */
  public static Build wired(Build build, String board) {
    Mapping mapping = build.mapping();
    int number = 1;
    for (Control control : build.controls()) {
      mapping =
          mapping.with(
              new ContactId(control.id(), ""), new Mapping.Entry(new Target.Button(number++), ""));
    }
    return build
        .withMapping(mapping)
        .withBoard(Optional.of(new BoardChoice(board, Placement.at(150, 150))));
  }

  /** {@return a board with plain inputs at random places} */
  public static BoardKind scatteredBoard(int inputs, SplittableRandom random) {
    List<Terminal> terminals =
        new ArrayList<>(
            IntStream.range(0, inputs)
                .mapToObj(
                    i ->
                        new Terminal(
                            "T" + i,
                            Terminal.Role.INPUT,
                            new Point(random.nextDouble(-40, 40), random.nextDouble(-40, 40)),
                            i % 2 == 0 ? Terminal.Side.LEFT : Terminal.Side.RIGHT,
                            java.util.Set.of(Terminal.Ability.DIGITAL, Terminal.Ability.PULL_UP),
                            Optional.empty(),
                            Optional.empty(),
                            0))
                .toList());
    terminals.add(
        new Terminal(
            "GND",
            Terminal.Role.GROUND,
            new Point(0, 0),
            Terminal.Side.LEFT,
            java.util.Set.of(),
            Optional.empty(),
            Optional.empty(),
            0));
    return new BoardKind(
        "scattered",
        "Scattered",
        "for tests",
        90,
        90,
        3.3,
        false,
        Common.GROUND,
        0.8,
        2.0,
        Source.common("for tests"),
        20_000,
        50_000,
        0,
        false,
        terminals,
        BoardKind.Seating.BARE,
        BoardKind.Brain.PLAIN,
        BoardKind.Current.USUAL,
        java.util.Optional.empty());
  }

  /** {@return the name of the terminal that the plan gives a contact} */
  public static String terminal(Build build, String contact) {
    return Bench.of(build, Catalogue.standard())
        .path(ContactId.parse(contact))
        .orElseThrow()
        .pin()
        .orElseThrow()
        .terminal()
        .name();
  }

  /** {@return the names of the demos that have a board; one is of leads alone} */
  public static List<String> demosWithBoards() {
    return Demo.names().stream().filter(name -> !name.equals("quarter-turn")).toList();
  }
}
