package kumite.panel;

import java.util.ArrayList;
import java.util.List;
import kumite.build.box.BoxBook;
import kumite.build.brief.Brief;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;

/** What follows from the panel, and from what. */
public final class PanelDerivations {
  /** Screws of the case go through it too, and openings of the case let plugs out. */
  private static final Sight PLATE =
      Sight.of(Facet.of(Panel.PART), Facet.of(BoxBook.PART), Facet.CONTROLS, Facet.BOARDS);

  /** What the hand has to do is judged by whose hand it is and what is wanted together. */
  private static final Sight HAND =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.of(BoxBook.PART),
          Facet.of(Brief.PART),
          Facet.CONTROLS,
          Facet.BOARDS,
          Facet.PROFILES);

  /** The gaps between all that is in the panel. */
  public static final Derivation<Gaps> GAPS =
      Derivation.of("gaps", PLATE, given -> Gaps.of(given.build(), given.catalogue()));

  /** What the hand has to do. */
  public static final Derivation<Reach> REACH =
      Derivation.of("reach", HAND, given -> Reach.of(given.build(), given.catalogue()));

  /** The holes. */
  public static final Derivation<DrillPlan> DRILL =
      Derivation.of("drill plan", PLATE, given -> DrillPlan.of(given.build(), given.catalogue()));

  /** What is to be said of the panel, its case and the hand. */
  public static final Derivation<List<Finding>> FINDINGS =
      Derivation.<List<Finding>>of(
              "findings of the panel",
              HAND,
              given -> {
                Nudge.Search search = new Nudge.Search(given.build(), given.catalogue());
                List<Finding> findings =
                    new ArrayList<>(
                        PanelChecks.of(given.build(), given.catalogue(), given.get(GAPS), search));
                findings.addAll(
                    HandChecks.of(given.build(), given.catalogue(), given.get(REACH), search));
                findings.addAll(SheetChecks.of(given.build(), given.catalogue()));
                return findings;
              })
          .from(GAPS, REACH);

  private PanelDerivations() {}
}
