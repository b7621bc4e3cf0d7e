package kumite.verdict;

import kumite.bill.Bill;
import kumite.box.BoxChecks;
import kumite.build.box.BoxBook;
import kumite.build.lead.LeadBook;
import kumite.build.panel.Panel;
import kumite.build.plan.PlanBook;
import kumite.build.supply.SupplyBook;
import kumite.panel.PanelDerivations;
import kumite.plan.Plan;
import kumite.plan.Rule;
import kumite.room.Derivation;
import kumite.room.Facet;
import kumite.room.Sight;

/** What follows from a build for whoever makes it: the order of work, and what it takes. */
public final class Works {
  /** What a plan is worked out from, beside its seats. */
  public static final Sight SEEN =
      Sight.of(
          Facet.of(Panel.PART),
          Facet.of(BoxBook.PART),
          Facet.CONTROLS,
          Facet.of(LeadBook.PART),
          Facet.LINKS,
          Facet.of(PlanBook.PART),
          Facet.of(SupplyBook.PART));

  /** The steps of a build, in order. */
  public static final Derivation<Plan> PLAN =
      Derivation.<Plan>of(
              "plan",
              SEEN,
              given ->
                  Plan.of(
                      given.build(),
                      given.catalogue(),
                      given.get(PanelDerivations.DRILL),
                      given.get(Desks.WORK),
                      Rule.standard()))
          .from(PanelDerivations.DRILL, Desks.WORK);

  /** All that it takes. */
  public static final Derivation<Bill> BILL =
      Derivation.<Bill>of(
              "bill",
              SEEN,
              given ->
                  Bill.of(
                      given.build(),
                      given.catalogue(),
                      given.get(Desks.WORK),
                      given.get(PLAN),
                      given.get(BoxChecks.PLAN)))
          .from(Desks.WORK, PLAN, BoxChecks.PLAN);

  private Works() {}
}
