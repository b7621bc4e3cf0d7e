package kumite.brief;

import java.util.ArrayList;
import java.util.List;
import kumite.build.Build;
import kumite.build.brief.Brief;
import kumite.build.supply.SupplyBook;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the brief. */
public final class BriefChecks {
  /** USB 2.0, section 7.2.2: 4.75 to 5.25 V at a host's port, down to 4.40 V behind a hub. */
  private static final double USB_LEAST_V = 4.40;

  private static final double USB_MOST_V = 5.25;

  /** What is to be said of the brief, as it follows from a build. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.of(
          "findings of the brief",
          Sight.of(Facet.of(Brief.PART), Facet.of(SupplyBook.PART), Facet.BOARDS),
          given -> of(given.build()));

  private BriefChecks() {}

  /** {@return what is to be said of the brief} */
  public static List<Finding> of(Build build) {
    if (build.get(SupplyBook.PART).boards().size() == build.seats().size()) {
      return List.of(); // nothing of it lives on a port
    }
    List<Finding> findings = new ArrayList<>();
    double supply = build.brief().supplyVolts();
    Working working =
        new Working(
            "supply against the port",
            "4.40 V <= Vs <= 5.25 V",
            List.of(Working.value("Vs", supply, 2, "V", "from the brief")),
            Working.number(supply, 2) + " V",
            Source.memory("USB 2.0, section 7.2: 4.75 to 5.25 V at a port, 4.40 V behind a hub"));
    boolean inRange = supply >= USB_LEAST_V && supply <= USB_MOST_V;
    findings.add(
        Finding.of(
                BriefCode.SUPPLY_VOLTS,
                inRange ? Severity.FINE : Severity.LOOK,
                List.of(),
                inRange ? "Supply is what a USB port gives" : "Supply is not what a USB port gives",
                Working.number(supply, 2)
                    + " V; a port gives 4.75 to 5.25 V, behind a bus-powered hub down to 4.40 V")
            .showing(working)
            .mendedBy(
                inRange
                    ? java.util.Optional.empty()
                    : java.util.Optional.of(
                        Fix.of(
                            "Set the supply to 5 V",
                            b -> b.withBrief(b.brief().withSupplyVolts(5.0))))));
    return findings;
  }
}
