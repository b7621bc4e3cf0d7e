package kumite.files;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.build.loom.LoomSettings;
import kumite.kind.Tabs;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;

/**
 * Places as files name them. A connector has one pin where older files name a tab for each contact;
 * what they say of such a tab is said of that pin.
 */
final class TabNames {
  private final Map<String, Tabs> tabs = new HashMap<>();

  private TabNames(Build build, Catalogue catalogue) {
    for (Control control : build.controls()) {
      Tabs of = catalogue.kindOf(control).tabs();
      if (of.spots().stream().anyMatch(spot -> spot.stands().size() > 1)) {
        tabs.put(control.id().text(), of);
      }
    }
  }

  /** {@return the same build, with each place named as its part names it now} */
  static Build asNow(Build build, Catalogue catalogue) {
    TabNames names = new TabNames(build, catalogue);
    if (names.tabs.isEmpty()) {
      return build;
    }
    List<Seat> seats = new ArrayList<>();
    build.seats().forEach(seat -> seats.add(seat.withLoom(names.of(seat.loom()))));
    Build renamed = seats.equals(build.seats()) ? build : build.withSeats(seats);
    RoundBook book = build.get(RoundBook.PART);
    List<Round> rounds = book.rounds().stream().map(names::of).toList();
    return rounds.equals(book.rounds())
        ? renamed
        : renamed.with(RoundBook.PART, new RoundBook(rounds));
  }

  private Joint of(Joint joint) {
    Tabs of = tabs.get(joint.part());
    return of == null ? joint : new Joint(joint.part(), of.pin(joint.tab()));
  }

  private LoomSettings of(LoomSettings loom) {
    Set<Jumper> out = of(loom.leftOut());
    Set<Jumper> done = of(loom.done());
    done.removeAll(out);
    return new LoomSettings(
        loom.laying(),
        loom.locks(),
        loom.colours(),
        loom.groups(),
        loom.dead(),
        of(loom.added()),
        out,
        done);
  }

  /** A wire between two tabs that are one pin now is no wire any more. */
  private Set<Jumper> of(Set<Jumper> wires) {
    Set<Jumper> now = new TreeSet<>();
    for (Jumper wire : wires) {
      if (!of(wire.a()).equals(of(wire.b()))) {
        now.add(new Jumper(of(wire.a()), of(wire.b())));
      }
    }
    return now;
  }

  private Round of(Round round) {
    return new Round(
        round.begun(),
        round.entries().stream()
            .map(entry -> new Entry(of(entry.ask()), entry.answer(), entry.note()))
            .toList(),
        round.repairs());
  }

  private Ask of(Ask ask) {
    return ask instanceof Ask.Probe probe && !of(probe.red()).equals(of(probe.black()))
        ? new Ask.Probe(of(probe.red()), of(probe.black()), probe.power(), probe.held())
        : ask;
  }
}
