package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.kind.Landing;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.name.Jumper;

/** How many wires an end takes, and which have more; what the plan lays is never too many. */
final class Crowding {
  private final Build build;
  private final BoardKind board;
  private final Loom loom;
  private final Nets nets;
  private final Nets plan;
  private final Removable added;
  private final List<NetFault> faults = new ArrayList<>();

  private Crowding(Build build, Loom loom, Nets nets, Nets plan, Removable added) {
    this.build = build;
    this.board = nets.wiring().board();
    this.loom = loom;
    this.nets = nets;
    this.plan = plan;
    this.added = added;
  }

  static List<NetFault> of(Build build, Loom loom, Nets nets, Nets plan, Removable added) {
    Crowding crowding = new Crowding(build, loom, nets, plan, added);
    crowding.crowded();
    return crowding.faults;
  }

  private void crowded() {
    if (added.isEmpty()) {
      return; // the plan gives no end more than it takes
    }
    Map<Joint, Landing> landings = landings();
    Map<Joint, List<Jumper>> at = new LinkedHashMap<>();
    for (Jumper wire : nets.wiring().wires().keySet()) {
      at.computeIfAbsent(wire.a(), j -> new ArrayList<>()).add(wire);
      at.computeIfAbsent(wire.b(), j -> new ArrayList<>()).add(wire);
    }
    at.forEach(
        (joint, wires) -> {
          Optional<Landing> landing = Optional.ofNullable(landings.get(joint));
          int takes = landing.map(l -> l.takes(gauge())).orElse(Integer.MAX_VALUE);
          Optional<Jumper> last =
              wires.stream().filter(added::contains).reduce((one, other) -> other);
          if (wires.size() > takes && last.isPresent()) {
            faults.add(
                new NetFault(
                    NetFault.Kind.CROWDED,
                    List.of(joint),
                    List.of(last.get()),
                    List.of(),
                    List.of()));
          }
        });
  }

  private int gauge() {
    return build.loom().laying().gaugeAwg();
  }

  private Map<Joint, Landing> landings() {
    Map<Joint, Landing> landings = new HashMap<>();
    boolean soldered = build.board().filter(choice -> choice.soldered(board)).isPresent();
    Landing.How terminal = soldered ? Landing.How.HOLE : Landing.How.HEADER_PIN;
    board.terminals().forEach(t -> landings.put(Joint.board(t.name()), Landing.of(terminal)));
    for (ContactSite site : loom.sites()) {
      Landing tab = Landing.tab(site.kind().tabMm());
      for (Joint joint : plan.places().keySet()) {
        if (joint.part().equals(site.control().id().text())) {
          landings.put(joint, tab);
        }
      }
    }
    for (Strand strand : loom.strands()) {
      landings.put(strand.from().place(), strand.from().landing());
      landings.put(strand.to().place(), strand.to().landing());
    }
    return landings;
  }
}
