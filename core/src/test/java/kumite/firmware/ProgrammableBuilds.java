package kumite.firmware;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.build.map.Profile;
import kumite.build.port.Port;
import kumite.build.supply.Rgb;
import kumite.build.supply.Shows;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.BoardKind;
import kumite.kind.SupplyKind;
import kumite.loom.Pad;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.parts.SupplyFile;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/** Builds that nobody thought of, on boards that take a program. */
public final class ProgrammableBuilds {
  private static final List<BoardKind> BOARDS =
      Catalogue.standard().boards().stream().filter(b -> Blueprint.why(b).isEmpty()).toList();

  private static final List<String> ANSWERED =
      List.of(
          "serial-latch-8",
          "serial-latch-16",
          "select-line-3",
          "select-line-6",
          "direct-9",
          "packet",
          "serial-bytes");

  private static final List<String> STRIPS =
      SupplyFile.standard().stream()
          .filter(kind -> kind.does() instanceof SupplyKind.Strip)
          .map(SupplyKind::id)
          .toList();

  private ProgrammableBuilds() {}

  /** {@return the blueprint of a build drawn by chance} */
  public static Blueprint draw(SplittableRandom random) {
    Optional<Blueprint> blueprint = Optional.empty();
    while (blueprint.isEmpty()) {
      blueprint =
          Exported.blueprint(build(random)).filter(b -> !b.tells() || Heard.why(b).isEmpty());
    }
    return blueprint.get();
  }

  private static Build build(SplittableRandom random) {
    Topology[] ways = Topology.CHOSEN.toArray(new Topology[0]);
    Build build =
        random.nextInt(3) == 0
            ? RandomBuilds.sharing(ways[random.nextInt(ways.length)], random.nextInt(2, 24), random)
            : unfed(RandomBuilds.any(random));
    if (random.nextInt(4) > 0 || build.board().isEmpty()) {
      BoardKind board = BOARDS.get(random.nextInt(BOARDS.size()));
      build = build.withBoard(Optional.of(new BoardChoice(board.id(), Placement.at(40, 40))));
    }
    Build any = build;
    for (Port port : build.ports().ports()) {
      boolean unwritten =
          build
              .ports()
              .kindOf(port)
              .filter(
                  kind -> port.reads() && board(any).filter(new Pad(port, kind)::written).isEmpty())
              .isPresent();
      build = unwritten ? build.without(port.id()) : build;
    }
    if (random.nextInt(4) > 0) {
      build = RandomBuilds.layered(build, random);
    }
    if (random.nextInt(4) == 0) {
      build = answering(build, random);
    }
    if (random.nextInt(3) == 0) {
      build = lit(build, random);
    }
    return random.nextInt(4) == 0 ? RandomBuilds.spoiled(build, random) : build;
  }

  private static Optional<BoardKind> board(Build build) {
    return build.board().flatMap(choice -> Catalogue.standard().with(build).board(choice.kind()));
  }

  /** {@return the build with one strip or two, told colours drawn by chance} */
  static Build lit(Build build, SplittableRandom random) {
    SupplyBook book = build.get(SupplyBook.PART);
    for (int i = random.nextInt(2); i >= 0; i--) {
      Map<String, Rgb> profiles = new HashMap<>();
      for (Profile profile : build.seat().profiles()) {
        if (random.nextBoolean()) {
          profiles.put(profile.name(), rgb(random));
        }
      }
      Optional<Rgb> held = random.nextInt(3) > 0 ? Optional.of(rgb(random)) : Optional.empty();
      book =
          book.with(
              SupplyPart.of(
                      new ControlId("strip-" + i),
                      "Strip " + i,
                      STRIPS.get(random.nextInt(STRIPS.size())),
                      Placement.at(20 + 30 * i, 20),
                      Optional.empty())
                  .withCount(random.nextInt(1, 40))
                  .withSeat(Optional.of(build.seat().id()))
                  .showing(new Shows(rgb(random), profiles, held)));
    }
    return build.with(SupplyBook.PART, book);
  }

  private static Rgb rgb(SplittableRandom random) {
    return new Rgb(random.nextInt(256), random.nextInt(256), random.nextInt(256));
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

  /** The wires of this computer know the board's own supplies, and none of the build. */
  private static Build unfed(Build any) {
    return any.with(kumite.build.supply.SupplyBook.PART, kumite.build.supply.SupplyBook.EMPTY);
  }
}
