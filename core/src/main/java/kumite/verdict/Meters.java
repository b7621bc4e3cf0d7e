package kumite.verdict;

import java.util.List;
import kumite.bringup.BringUpChecks;
import kumite.bringup.Places;
import kumite.build.bringup.RoundBook;
import kumite.finding.Finding;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;

/** What readings say of a build. */
public final class Meters {
  /** What is to be said of the readings of the round that goes on. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of readings",
              Sight.of(Facet.of(RoundBook.PART), Facet.CONTROLS, Facet.SEATS),
              given ->
                  given.build().get(RoundBook.PART).rounds().isEmpty()
                      ? List.of()
                      : BringUpChecks.of(
                          given.build(),
                          Places.of(given.build(), given.catalogue(), given.get(Desks.METERED))))
          .from(Desks.METERED);

  private Meters() {}
}
