package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Topology;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.parts.Catalogue;

/**
 * Wirings of every kind of part, some with a wire at the wrong place; the same seed the same one.
 */
final class RandomWiring {
  private RandomWiring() {}

  /** {@return a build drawn by chance} */
  static Build of(Catalogue catalogue, SplittableRandom random) {
    Build build = Build.empty("Random");
    int count = random.nextInt(1, 14);
    List<ContactId> contacts = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      List<ControlKind> kinds = catalogue.controls();
      ControlKind kind = kinds.get(random.nextInt(kinds.size()));
      ControlId id = new ControlId("c" + i);
      boolean shares = random.nextInt(2) == 0;
      OptionalDouble ohm =
          random.nextInt(3) == 0
              ? OptionalDouble.empty()
              : OptionalDouble.of(random.nextDouble(50, 800));
      Optional<String> feed = random.nextInt(3) == 0 ? Optional.of("5V") : Optional.empty();
      build =
          build.withControl(
              Control.of(id, "C" + i, kind.id(), Placement.at(30 + 40 * (i % 6), 40 + 50 * (i / 6)))
                  .withHookup(h -> h.withLampShares(shares).withLampOhm(ohm).withLampFrom(feed)));
      for (ContactKind contact : kind.contacts()) {
        contacts.add(new ContactId(id, contact.name()));
      }
    }
    List<BoardKind> boards = catalogue.boards();
    String board = boards.get(random.nextInt(boards.size())).id();
    build = build.withBoard(Optional.of(new BoardChoice(board, Placement.at(150, 150))));
    if (random.nextInt(2) == 0) {
      Topology topology = Topology.CHOSEN.get(random.nextInt(Topology.CHOSEN.size()));
      build =
          build.withLoom(
              build
                  .loom()
                  .withGroup(
                      new ControlId("shared"),
                      topology,
                      contacts.subList(0, random.nextInt(1, contacts.size() + 1))));
    }
    List<Strand> strands = Loom.of(build, catalogue).strands();
    if (random.nextInt(3) == 0 && strands.size() > 1) {
      Strand one = strands.get(random.nextInt(strands.size()));
      Strand other = strands.get(random.nextInt(strands.size()));
      build = build.withLoom(build.loom().withLeftOut(one.wire()));
      if (!one.from().place().equals(other.to().place())) {
        build =
            build.withLoom(
                build.loom().withAdded(new Jumper(one.from().place(), other.to().place())));
      }
    }
    return build;
  }
}
