package kumite.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.circuit.InputLevels;
import kumite.circuit.Inputs;
import kumite.circuit.Solves;
import kumite.finding.Fix;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.loom.PlaceChecks;
import kumite.loom.Sharing;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.power.ESeries;
import kumite.power.Ladder;
import kumite.wiring.Wiring;

/**
 * The same contacts wired each way, side by side.
 *
 * @param name what it is, such as {@code direct to ground}
 * @param edit makes the build so, in one undoable step
 * @param chosen whether it is so now
 * @param terminals of the board taken by these contacts
 * @param parts what it takes besides wire, in words; empty for none
 * @param joints to be made, ends of strands included
 * @param scanMicros how long one look at all of them takes
 * @param together what the board sees of several held at once
 * @param metres of wire in the whole loom
 * @param fault why it cannot be, where it cannot
 */
public record WhatIf(
    String name,
    Fix edit,
    boolean chosen,
    int terminals,
    String parts,
    int joints,
    double scanMicros,
    Together together,
    double metres,
    Optional<String> fault) {

  /** What the board sees of several contacts held at once. */
  public enum Together {
    ALL("all seen"),
    ONE("one at a time"),
    /** Keys can appear that nobody pressed. */
    GHOSTS("three make a fourth");

    private final String words;

    Together(String words) {
      this.words = words;
    }

    /** {@return it in words for people} */
    public String words() {
      return words;
    }
  }

  /** One look at a terminal of its own: common practice, no source. */
  private static final double LOOK_MICROS = 2;

  /**
   * Works out all ways for the switches among some contacts.
   *
   * @param contacts the contacts; those that are measured stay as they are
   * @return one row for each way, direct ones first; empty without a board or without switches
   */
  public static List<WhatIf> of(Build build, Catalogue shipped, List<ContactId> contacts) {
    Catalogue catalogue = shipped.with(build);
    Optional<BoardKind> board = catalogue.boardOf(build);
    List<ContactSite> sites =
        ContactSite.all(build, catalogue).stream()
            .filter(site -> contacts.contains(site.id()))
            .filter(site -> !site.contact().type().analog())
            .filter(site -> site.pad().isEmpty()) // how a pad is wired follows from its port
            .toList();
    if (board.isEmpty() || sites.isEmpty()) {
      return List.of();
    }
    List<ContactId> ids = sites.stream().map(ContactSite::id).toList();
    // A group that would lose only some of its contacts keeps its name and the others.
    ControlId name =
        build
            .loom()
            .groupOf(ids.get(0))
            .filter(group -> ids.containsAll(group.contacts()))
            .map(group -> group.name())
            .orElse(PlaceChecks.freshGroup(build));
    List<WhatIf> ways = new ArrayList<>();
    boolean grouped = ids.stream().anyMatch(id -> build.loom().groupOf(id).isPresent());
    for (Common common : Common.values()) {
      List<ContactSite> free = sites.stream().filter(site -> !site.atGround()).toList();
      if (free.isEmpty() && common == Common.RAIL) {
        continue;
      }
      boolean chosen = !grouped && free.stream().allMatch(site -> site.common() == common);
      String words =
          board.get().bringsProgram()
              ? "encoder sockets, " + common.words()
              : "direct to " + common.words();
      ways.add(
          row(build, catalogue, board.get(), ids, words, direct(ids, common, board.get()), chosen));
    }
    for (Topology topology : Topology.CHOSEN) {
      boolean chosen =
          ids.stream()
              .allMatch(
                  id -> build.loom().groupOf(id).filter(g -> g.topology() == topology).isPresent());
      Fix fix =
          Fix.of(
              "Wire " + ids.size() + " contacts by " + topology.words(),
              b -> b.withLoom(b.loom().withGroup(name, topology, ids)));
      ways.add(row(build, catalogue, board.get(), ids, topology.words(), fix, chosen));
    }
    return ways;
  }

  private static Fix direct(List<ContactId> ids, Common common, BoardKind board) {
    return Fix.of(
        "Wire " + ids.size() + " contacts directly to " + common.words(),
        b -> {
          Build next = b.withLoom(b.loom().ungrouped(ids));
          Optional<Common> chosen =
              common == board.common() ? Optional.empty() : Optional.of(common);
          for (ContactId id : ids) {
            next = next.withControl(id.control(), c -> c.withCommon(chosen));
          }
          return next;
        });
  }

  private static WhatIf row(
      Build build,
      Catalogue catalogue,
      BoardKind board,
      List<ContactId> ids,
      String name,
      Fix fix,
      boolean chosen) {
    Build other = fix.edit().apply(build);
    Loom loom = Loom.of(other.flat(), catalogue);
    Optional<Sharing> sharing = loom.sharingOf(ids.get(0));
    int terminals = sharing.map(s -> s.lines().size()).orElse(ids.size());
    String parts =
        sharing
            .map(
                s ->
                    String.join(
                        ", ", s.parts().stream().map(p -> p.count() + " x " + p.name()).toList()))
            .orElse("");
    int joints = loom.strands().size() * 2 + sharing.map(Sharing::joints).orElse(0);
    return new WhatIf(
        name,
        fix,
        chosen,
        terminals,
        parts,
        joints,
        sharing.map(Sharing::scanMicros).orElse(ids.size() * LOOK_MICROS),
        together(sharing),
        loom.totalMetres(),
        fault(other, board, loom, ids));
  }

  private static Together together(Optional<Sharing> sharing) {
    if (sharing.filter(s -> s.group().topology() == Topology.LADDER).isPresent()) {
      return Together.ONE;
    }
    return sharing.filter(Sharing::ghosts).isPresent() ? Together.GHOSTS : Together.ALL;
  }

  private static Optional<String> fault(
      Build build, BoardKind board, Loom loom, List<ContactId> ids) {
    if (!loom.plan().unplaced().isEmpty()) {
      return Optional.of(loom.plan().unplaced().size() + " wires find no terminal");
    }
    Inputs inputs =
        Inputs.of(Wiring.asBuilt(build, board, loom), Looks.of(board, loom), new Solves());
    for (ContactId id : ids) {
      InputLevels level = inputs.levels().get(id);
      if (level == null || !level.readable()) {
        return Optional.of(
            loom.site(id).map(site -> site.label() + ": ").orElse("") + "the level cannot be told");
      }
      if (level.look().how() instanceof Look.Step step
          && step.ohms().size() > 1
          && Ladder.buttons(
                      board.logicVolts(),
                      step.ohms().get(0),
                      step.ohms().size(),
                      0.01,
                      board.adcBits(),
                      ESeries.E24)
                  .leastGapCodes()
              < Ladder.CODES_APART) {
        return Optional.of("the steps sit too close to be told apart");
      }
    }
    return Optional.empty();
  }
}
