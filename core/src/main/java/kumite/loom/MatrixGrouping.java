package kumite.loom;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.build.loom.Group;
import kumite.component.Component;
import kumite.name.ContactId;
import kumite.name.TabRole;
import kumite.power.Grid;

/**
 * Rows and columns. A column is pulled up and read while one row is driven low; a diode at each
 * contact, its band towards the contact, lets current flow from column to row only.
 */
record MatrixGrouping(boolean diodes) implements Grouping {
  @Override
  public boolean crossed() {
    return true;
  }

  @Override
  public Sharing share(Group group, List<ContactSite> members) {
    // Contacts with their shared side on one pin can only be in one row.
    List<List<ContactSite>> units = units(members);
    int widest = units.stream().mapToInt(List::size).max().orElse(1);
    int columns = Math.max(widest, Grid.of(members.size()).columns());
    // Rows of the matrix follow rows of the panel, so that its wires run along and not across.
    units.sort(
        Comparator.comparingDouble((List<ContactSite> u) -> -u.get(0).place().yMm())
            .thenComparingDouble(u -> u.get(0).place().xMm())
            .thenComparing(u -> u.get(0).id()));
    List<List<ContactSite>> rows = new ArrayList<>();
    for (List<ContactSite> unit : units) {
      if (rows.isEmpty() || rows.get(rows.size() - 1).size() + unit.size() > columns) {
        rows.add(new ArrayList<>());
      }
      rows.get(rows.size() - 1).addAll(unit);
    }
    List<List<ContactSite>> byColumn = new ArrayList<>();
    for (List<ContactSite> row : rows) {
      row.sort(Comparator.comparingDouble((ContactSite s) -> s.place().xMm()));
      for (int c = 0; c < row.size(); c++) {
        if (byColumn.size() == c) {
          byColumn.add(new ArrayList<>());
        }
        byColumn.get(c).add(row.get(c));
      }
    }
    columns = byColumn.size();
    List<Line> lines = new ArrayList<>();
    for (int r = 0; r < rows.size(); r++) {
      lines.add(
          Grouping.line(group, "row" + (r + 1), "row " + (r + 1), Line.Need.DRIVE, rows.get(r)));
    }
    for (int c = 0; c < columns; c++) {
      lines.add(
          Grouping.line(
              group, "column" + (c + 1), "column " + (c + 1), Line.Need.READ, byColumn.get(c)));
    }
    Map<ContactId, Sharing.Seat> seats = new HashMap<>();
    for (int r = 0; r < rows.size(); r++) {
      for (int c = 0; c < rows.get(r).size(); c++) {
        ContactSite site = rows.get(r).get(c);
        String words = "row " + (r + 1) + ", column " + (c + 1);
        Line read = lines.get(rows.size() + c);
        seats.put(site.id(), new Sharing.Seat(site, Optional.of(lines.get(r)), read, words, 0));
      }
    }
    return new Sharing(
        group,
        lines,
        members.stream().map(site -> seats.get(site.id())).toList(),
        diodes ? members.stream().map(MatrixGrouping::diode).toList() : List.of(),
        Optional.empty(),
        rows.size() * STEP_MICROS,
        !diodes && rows.size() > 1 && columns > 1);
  }

  private static List<List<ContactSite>> units(List<ContactSite> members) {
    Map<Object, List<ContactSite>> units = new LinkedHashMap<>();
    for (ContactSite site : members) {
      Object key = site.sharedCommon().isPresent() ? site.sharedCommon().get() : site.id();
      units.computeIfAbsent(key, k -> new ArrayList<>()).add(site);
    }
    return new ArrayList<>(units.values());
  }

  private static Component diode(ContactSite site) {
    return new Component.Diode(site.joint(TabRole.DIODE), site.signal());
  }

  @Override
  public void wire(Sharing sharing, Cutter cutter) {
    for (Line line : sharing.lines()) {
      boolean reads = line.needs() == Line.Need.READ;
      Strand.End previous = cutter.terminal(line);
      ContactSite last = null;
      for (ContactSite site : cutter.chained(line)) {
        Strand.End in = reads ? column(site, cutter) : cutter.tab(site, site.joint(TabRole.COMMON));
        cutter.chain(line, site, last, in, previous, reads ? Serves.SIGNAL : Serves.ROW);
        previous = reads && !diodes ? cutter.signalOut(site) : in;
        last = site;
      }
    }
  }

  private Strand.End column(ContactSite site, Cutter cutter) {
    return diodes
        ? cutter.lead(site, site.joint(TabRole.DIODE), "diode on " + site.signalTab())
        : cutter.signalIn(site);
  }

  @Override
  public Look.How how(Sharing sharing, Sharing.Seat seat, PinPlan plan) {
    return new Look.Row(plan.of(seat.drive().orElseThrow().id()).orElseThrow().terminal());
  }
}
