package kumite.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Control;
import kumite.component.Component;
import kumite.kind.ControlKind;
import kumite.kind.Looks;
import kumite.kind.TabSpot;
import kumite.loom.Loom;
import kumite.loom.Spots;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.parts.Catalogue;

/**
 * Where the places of a wiring are drawn, seen from the face, in mm. Terminals of the board and
 * tabs of a control are where they are; what a carrier or a socket has stands in a row under it, by
 * name; the free lead of a part hangs from the tab that its other end is soldered to, the way that
 * tab looks.
 */
final class TabPlaces {
  /** From tab to tab in a row, where the part is wide enough: common practice, no source. */
  private static final double TAB_MM = 5;

  private static final double LEAD_MM = 9;

  private final Build build;
  private final Catalogue catalogue;
  private final Wiring wiring;
  private final Loom loom;
  private final Map<Joint, Point> places = new LinkedHashMap<>();

  private TabPlaces(Build build, Catalogue catalogue, Loom loom, Wiring wiring) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
    this.wiring = wiring;
  }

  /** {@return the place of every end of a wire or a fitted part that has one} */
  static Map<Joint, Point> of(Build build, Catalogue catalogue, Loom loom, Wiring wiring) {
    TabPlaces all = new TabPlaces(build, catalogue, loom, wiring);
    all.place();
    return all.places;
  }

  private void place() {
    Map<String, Placement> parts = new HashMap<>();
    Map<String, Control> controls = new HashMap<>();
    Map<String, Double> widths = new HashMap<>();
    for (Control control : build.labelled()) {
      controls.put(control.id().text(), control);
      parts.put(control.id().text(), control.placement());
      widths.put(control.id().text(), catalogue.kindOf(control).body().widthMm());
    }
    loom.spots().forEach((name, at) -> parts.put(name, Placement.at(at.xMm(), at.yMm())));
    Map<Joint, Joint> leads = leads();
    Map<String, TreeSet<Joint>> rows = new TreeMap<>();
    for (Joint joint : used()) {
      if (joint.part().equals(Joint.BOARD)) {
        wiring
            .board()
            .terminal(joint.tab())
            .ifPresent(
                t -> places.put(joint, build.board().orElseThrow().placement().place(t.at())));
      } else if (beside(joint).isPresent()) {
        places.put(joint, beside(joint).get());
      } else if (controls.containsKey(joint.part()) && tab(controls, joint).isPresent()) {
        places.put(joint, Spots.of(controls.get(joint.part()), kind(controls, joint), joint));
      } else if (parts.containsKey(joint.part()) && !leads.containsKey(joint)) {
        rows.computeIfAbsent(joint.part(), part -> new TreeSet<>()).add(joint);
      }
    }
    rows.forEach(
        (part, row) ->
            row(
                List.copyOf(row),
                parts.get(part),
                widths.getOrDefault(part, Double.MAX_VALUE),
                controls.containsKey(part) ? beside(controls.get(part)) : 0));
    Map<Joint, Integer> hung = new HashMap<>();
    leads.forEach(
        (lead, from) -> {
          Placement part = parts.get(from.part());
          if (part != null && places.containsKey(from)) {
            int before = hung.merge(from, 1, Integer::sum) - 1;
            Point down = part.place(hang(controls, from, before));
            Point at = places.get(from);
            places.put(lead, at.plus(down.xMm() - part.xMm(), down.yMm() - part.yMm()));
          }
        });
  }

  private ControlKind kind(Map<String, Control> controls, Joint joint) {
    return catalogue.kindOf(controls.get(joint.part()));
  }

  private Optional<TabSpot> tab(Map<String, Control> controls, Joint joint) {
    return Optional.ofNullable(controls.get(joint.part()))
        .flatMap(control -> catalogue.kindOf(control).tabs().spot(joint.tab()));
  }

  /** {@return from a tab to the free end of what is soldered to it, on an unturned part} */
  private Point hang(Map<String, Control> controls, Joint from, int before) {
    Looks looks = tab(controls, from).map(TabSpot::looks).orElse(Looks.DOWN);
    Point out = looks == Looks.DOWN ? Looks.FRONT.step() : looks.step();
    return new Point(
        out.xMm() * LEAD_MM - out.yMm() * before * TAB_MM,
        out.yMm() * LEAD_MM + out.xMm() * before * TAB_MM);
  }

  /** {@return where a terminal of another seat's board is} */
  private Optional<Point> beside(Joint joint) {
    for (Neighbour neighbour : wiring.neighbours()) {
      if (neighbour instanceof Neighbour.OfSeat other
          && joint.part().equals(Joint.boardOf(other.seat()))) {
        return build.seats().stream()
            .filter(seat -> seat.id().equals(other.seat()))
            .flatMap(seat -> seat.board().stream())
            .flatMap(
                choice ->
                    other.board().terminal(joint.tab()).stream()
                        .map(t -> choice.placement().place(t.at())))
            .findFirst();
      }
    }
    return Optional.empty();
  }

  /** {@return where what a control does not have is drawn: in front of its body} */
  private double beside(Control control) {
    return -catalogue.kindOf(control).body().heightMm() / 2 - TAB_MM;
  }

  private void row(List<Joint> row, Placement part, double widthMm, double upMm) {
    double pitch = Math.min(TAB_MM, widthMm * 0.8 / row.size());
    for (int i = 0; i < row.size(); i++) {
      places.put(row.get(i), part.place(new Point((i - (row.size() - 1) / 2.0) * pitch, upMm)));
    }
  }

  private Set<Joint> used() {
    Set<Joint> used = new LinkedHashSet<>();
    wiring
        .laid()
        .forEach(
            wire -> {
              used.add(wire.a());
              used.add(wire.b());
            });
    loom.strands()
        .forEach(
            strand -> {
              used.add(strand.from().place());
              used.add(strand.to().place());
            });
    wiring.ownParts().stream().filter(Component::fitted).forEach(part -> used.addAll(part.ends()));
    return used;
  }

  /** {@return ends that belong to one small part alone, with the end it is soldered by} */
  private Map<Joint, Joint> leads() {
    Map<Joint, List<Component>> at = new HashMap<>();
    for (Component part : wiring.ownParts()) {
      part.ends().forEach(end -> at.computeIfAbsent(end, e -> new ArrayList<>()).add(part));
    }
    Map<Joint, Joint> leads = new LinkedHashMap<>();
    for (Component part : wiring.ownParts()) {
      List<Joint> ends = part.ends();
      if (part.fitted() && ends.size() == 2) {
        boolean first = at.get(ends.get(0)).size() == 1;
        boolean second = at.get(ends.get(1)).size() == 1;
        if (first != second) {
          leads.put(ends.get(first ? 0 : 1), ends.get(first ? 1 : 0));
        }
      }
    }
    return leads;
  }
}
