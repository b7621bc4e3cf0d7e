package kumite.firmware;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.build.port.Port;
import kumite.kind.BoardKind;
import kumite.loom.Pad;
import kumite.measure.Placement;
import kumite.parts.Catalogue;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/** Builds that nobody thought of, on boards that take a program. */
public final class ProgrammableBuilds {
  private static final List<BoardKind> BOARDS =
      Catalogue.standard().boards().stream().filter(b -> Blueprint.why(b).isEmpty()).toList();

  private static final List<String> ANSWERED =
      List.of("serial-latch-8", "serial-latch-16", "select-line-3", "direct-9");

  private ProgrammableBuilds() {}

  /** {@return the blueprint of a build drawn by chance} */
  public static Blueprint draw(SplittableRandom random) {
    Optional<Blueprint> blueprint = Optional.empty();
    while (blueprint.isEmpty()) {
      blueprint = Exported.blueprint(build(random));
    }
    return blueprint.get();
  }

  private static Build build(SplittableRandom random) {
    Topology[] ways = Topology.CHOSEN.toArray(new Topology[0]);
    Build build =
        random.nextInt(3) == 0
            ? RandomBuilds.sharing(ways[random.nextInt(ways.length)], random.nextInt(2, 24), random)
            : RandomBuilds.any(random);
    if (random.nextInt(4) > 0 || build.board().isEmpty()) {
      BoardKind board = BOARDS.get(random.nextInt(BOARDS.size()));
      build = build.withBoard(Optional.of(new BoardChoice(board.id(), Placement.at(40, 40))));
    }
    for (Port port : build.ports().ports()) { // no program reads what talks in frames
      boolean framed =
          build
              .ports()
              .kindOf(port)
              .filter(kind -> new Pad(port, kind).framed() && port.reads())
              .isPresent();
      build = framed ? build.without(port.id()) : build;
    }
    if (random.nextInt(4) > 0) {
      build = RandomBuilds.layered(build, random);
    }
    if (random.nextInt(4) == 0) {
      build = answering(build, random);
    }
    return random.nextInt(4) == 0 ? RandomBuilds.spoiled(build, random) : build;
  }

  /** {@return the build as the pad of one console or two} */
  public static Build answering(Build build, SplittableRandom random) {
    Build next = build;
    for (int i = random.nextInt(2); i >= 0; i--) {
      PortKind kind =
          PortFile.find(PortFile.standard(), ANSWERED.get(random.nextInt(ANSWERED.size())))
              .orElseThrow();
      next = Consoles.added(next, kind);
    }
    return next;
  }
}
