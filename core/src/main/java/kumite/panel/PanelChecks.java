package kumite.panel;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Block;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Panel;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.ControlKind;
import kumite.measure.Length;
import kumite.measure.LengthUnit;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of the panel: room, depth, thickness. */
public final class PanelChecks {
  private final Build build;
  private final Catalogue catalogue;
  private final LengthUnit unit;
  private final List<Finding> findings = new ArrayList<>();

  private PanelChecks(Build build, Catalogue catalogue) {
    this.build = build;
    this.catalogue = catalogue;
    this.unit = build.brief().units();
  }

  /** {@return what is to be said of the panel and its case} */
  public static List<Finding> of(Build build, Catalogue catalogue, Gaps gaps, Nudge.Search search) {
    PanelChecks checks = new PanelChecks(build, catalogue);
    checks.offThePanel();
    if (!build.onPanel().isEmpty() || build.board().isPresent()) {
      checks.findings.addAll(GapChecks.of(build, catalogue, gaps, search));
      checks.walls();
    }
    checks.blocks();
    checks.tallBlocks();
    if (!build.onPanel().isEmpty()) {
      checks.thickness();
      checks.shafts();
      checks.screws();
      checks.waysOut();
      checks.findings.addAll(PartChecks.of(build, catalogue));
    }
    return checks.findings;
  }

  private void screws() {
    for (PanelScrews.Covered covered : PanelScrews.covered(build, catalogue)) {
      String label = build.control(covered.control()).map(Control::label).orElse("");
      findings.add(
          Finding.of(
                  PanelCode.PANEL_SCREW_COVERED,
                  List.of(Subject.of(covered.control())),
                  label + " would lie on the panel's own screw",
                  "A screw into "
                      + covered.block().name()
                      + ", at "
                      + mm(covered.block().centre().xMm())
                      + " from the left and "
                      + mm(covered.block().centre().yMm())
                      + " from the front, lies under it: it sits crooked, and the panel cannot be"
                      + " taken off without it. Move one, or screw the panel elsewhere")
              .ofMany("parts would lie on the panel's own screws"));
    }
  }

  /** Said once there is a board, so that the hole is there before the cable is soldered. */
  private void waysOut() {
    for (WayOut way : WayOut.of(build, catalogue)) {
      findings.add(
          Finding.of(
              PanelCode.CABLE_WAY_OUT,
              List.of(Subject.BOARD),
              "Where the cable of " + way.board() + " leaves the case",
              "Straight on from its plug it meets the "
                  + way.side().words()
                  + " wall "
                  + mm(way.atMm())
                  + " from the "
                  + way.side().from()
                  + ": cut an opening there before the cable goes in, "
                  + mm(way.plugMm())
                  + " wide for its plug, or as the cable is thick where its plug comes last"));
    }
  }

  /** Walls that meet in the middle leave a case without an inside. */
  private void walls() {
    Panel panel = build.panel();
    if (Surrounds.leaveRoom(panel)) {
      return;
    }
    double thinner = Math.floor(Math.min(panel.widthMm(), panel.heightMm()) / 20);
    findings.add(
        Finding.of(
                PanelCode.WALLS_TOO_THICK,
                List.of(),
                "The walls leave no room between them",
                "They come in "
                    + mm(panel.inside().wallMm())
                    + " from every edge of a panel of "
                    + mm(panel.widthMm())
                    + " x "
                    + mm(panel.heightMm())
                    + "; nothing below the panel is judged against them before that is mended")
            .mendedBy(
                Fix.of(
                    "Make the walls come in " + mm(thinner),
                    b -> b.withPanel(b.panel().withInside(b.panel().inside().withWall(thinner))))));
  }

  private void blocks() {
    for (Block block : Surrounds.besideThePanel(build.panel())) {
      findings.add(
          Finding.of(
                  PanelCode.BLOCK_ASTRAY,
                  List.of(),
                  block.name() + " lies beside the panel",
                  "It reaches from "
                      + mm(block.leftMm())
                      + " to "
                      + mm(block.leftMm() + block.widthMm())
                      + " from the left and from "
                      + mm(block.frontMm())
                      + " to "
                      + mm(block.frontMm() + block.heightMm())
                      + " from the front, so nothing meets it")
              .mendedBy(
                  Fix.of(
                      "Take " + block.name() + " out", b -> inside(b, in -> in.without(block)))));
    }
  }

  private static Build inside(Build build, UnaryOperator<CaseInside> change) {
    return build.withPanel(build.panel().withInside(change.apply(build.panel().inside())));
  }

  /** A block with a height that the case does not have cannot be meant so. */
  private void tallBlocks() {
    Panel panel = build.panel();
    for (Block block : panel.inside().blocks()) {
      double deep =
          Math.min(
              panel.depthAtMm(block.frontMm()),
              panel.depthAtMm(block.frontMm() + block.heightMm()));
      if (block.tallMm() > deep + 0.01) {
        findings.add(
            Finding.of(
                    PanelCode.BLOCK_ASTRAY,
                    List.of(),
                    block.name() + " is taller than the case is deep there",
                    "It is "
                        + mm(block.tallMm())
                        + " tall and stands "
                        + block.stands().words()
                        + "; the case is "
                        + mm(deep)
                        + " deep")
                .mendedBy(
                    Fix.of(
                        "Let " + block.name() + " fill the depth",
                        b ->
                            inside(
                                b,
                                in ->
                                    in.replacing(block, block.standing(Block.Stands.WHOLE, 0))))));
      }
    }
  }

  private void offThePanel() {
    Set<ControlId> off = new HashSet<>(Arrange.offPanel(build));
    for (Control control : build.onPanel()) {
      if (off.contains(control.id())) {
        kumite.build.Edit back = Arrange.bringBack(build, control.id());
        kumite.build.Edit free = Arrange.bringToFreePlace(catalogue, control.id(), back);
        findings.add(
            Finding.of(
                    PanelCode.OFF_PANEL,
                    List.of(Subject.of(control.id())),
                    control.label() + " is off the panel",
                    "Its centre lies outside the outline of the panel")
                .ofMany("controls are off the panel")
                .mendedBy(new Fix(free.label(), free))
                .mendedBy(new Fix(back.label(), back)));
      }
    }
  }

  private void thickness() {
    Panel panel = build.panel();
    boolean any = false;
    double low = 0.5;
    double high = 60;
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      // Of the panel alone: the cover takes its share where a part grips both.
      double cover = Grip.mm(kind, panel) - panel.thicknessMm();
      low = Math.max(low, kind.thinnestMm() - cover);
      high = Math.min(high, kind.thickestMm() - cover);
    }
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      if (!Grip.holds(kind, panel)) {
        any = true;
        findings.add(
            Finding.of(
                    PanelCode.PANEL_THICKNESS,
                    List.of(Subject.of(control.id())),
                    control.label() + " does not hold in this panel",
                    "It takes "
                        + mm(kind.thinnestMm())
                        + " to "
                        + mm(kind.thickestMm())
                        + (Grip.mm(kind, panel) > panel.thicknessMm()
                            ? "; panel and cover are "
                            : "; the panel is ")
                        + mm(Grip.mm(kind, panel)))
                .ofMany("parts do not hold in this panel")
                .mendedBy(thicknessFix(control, kind, low, high)));
      }
    }
    if (!any) {
      findings.add(
          Finding.of(
              PanelCode.THICKNESS_FINE,
              List.of(),
              "The panel holds every part",
              "All take "
                  + mm(panel.thicknessMm())
                  + (panel.coverMm() > 0 ? " and a cover of " + mm(panel.coverMm()) : "")
                  + "; from "
                  + mm(low)
                  + " to "
                  + mm(high)
                  + " would do"));
    }
  }

  private Optional<Fix> thicknessFix(Control control, ControlKind kind, double low, double high) {
    Optional<ControlKind> other =
        catalogue.controls().stream()
            .filter(k -> k.alike(kind) && k.cutout().equals(kind.cutout()))
            .filter(k -> k.contacts().equals(kind.contacts()) && k.lit() == kind.lit())
            .filter(k -> Grip.holds(k, build.panel()))
            .findFirst();
    if (other.isPresent()) {
      return Optional.of(
          Fix.of(
              "Use " + other.get().name() + " for " + control.label(),
              b -> b.withControl(control.id(), c -> c.withKind(other.get().id()))));
    }
    if (low > high) {
      return Optional.empty();
    }
    double wanted = Math.max(low, Math.min(high, build.panel().thicknessMm()));
    return Optional.of(
        Fix.of(
            "Make the panel " + mm(wanted) + " thick",
            b -> b.withPanel(b.panel().withThickness(wanted))));
  }

  /** A lever's shaft that a thick panel swallows can hardly be gripped. */
  private void shafts() {
    Panel panel = build.panel();
    for (Control control : build.onPanel()) {
      ControlKind kind = catalogue.kindOf(control);
      kind.gate()
          .ifPresent(
              gate -> {
                double left = kind.leftAboveMm(gate.shaftMm(), panel.stackMm());
                if (left < Levers.LEAST_SHAFT_MM) {
                  findings.add(
                      Finding.of(
                              PanelCode.SHAFT_LEFT,
                              List.of(Subject.of(control.id())),
                              control.label() + " stands only " + mm(left) + " high",
                              "Its shaft is "
                                  + mm(gate.shaftMm())
                                  + " in a thin panel; "
                                  + mm(Levers.LEAST_SHAFT_MM)
                                  + " is the least to grip well. Recess the panel from below, or"
                                  + " take a longer shaft")
                          .showing(
                              new Working(
                                  "shaft left above the panel",
                                  "h = h0 - (t - t0)",
                                  List.of(
                                      Working.value(
                                          "h0", gate.shaftMm(), 1, "mm", "in its thinnest panel"),
                                      Working.value(
                                          "t",
                                          panel.stackMm(),
                                          1,
                                          "mm",
                                          "this panel, with its cover"),
                                      Working.value(
                                          "t0", kind.thinnestMm(), 1, "mm", "the thinnest")),
                                  Working.number(left, 1) + " mm",
                                  Source.common("shafts differ by model: measure yours")))
                          .mendedBy(longerShaft(control, kind)));
                }
              });
    }
  }

  private Optional<Fix> longerShaft(Control control, ControlKind kind) {
    double thickness = build.panel().thicknessMm();
    return catalogue.controls(ControlKind.Family.LEVER).stream()
        .filter(k -> k.contacts().size() == kind.contacts().size())
        .filter(k -> thickness >= k.thinnestMm() && thickness <= k.thickestMm())
        .filter(
            k ->
                k.leftAboveMm(k.gate().map(ControlKind.Gate::shaftMm).orElse(0.0), thickness)
                    >= Levers.LEAST_SHAFT_MM)
        .findFirst()
        .map(
            k -> {
              kumite.build.Edit swap = Arrange.swap(build, catalogue, control.id(), k);
              return new Fix(swap.label(), swap);
            });
  }

  private String mm(double mm) {
    return Length.text(mm, unit);
  }
}
