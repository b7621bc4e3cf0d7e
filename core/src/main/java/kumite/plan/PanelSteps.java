package kumite.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.panel.Panel;
import kumite.build.plan.Finish;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.ControlKind;
import kumite.kind.ScrewHole;
import kumite.measure.LengthUnit;
import kumite.measure.Shape;
import kumite.panel.DrillPlan;
import kumite.parts.Catalogue;

/** What is done to the sheet and to the parts in it. Minutes: common practice, no source. */
final class PanelSteps {
  /** Cut-outs that differ by less look alike. */
  private static final double ALIKE_MM = 1;

  private final Worksheet sheet;
  private final Build build;
  private final Catalogue catalogue;

  PanelSteps(Worksheet sheet, Build build, Catalogue catalogue) {
    this.sheet = sheet;
    this.build = build;
    this.catalogue = catalogue;
  }

  void write(DrillPlan drill) {
    ports();
    supplies();
    if (build.controls().isEmpty()) {
      return;
    }
    List<DrillPlan.Hole> holes =
        drill.inOrder().stream()
            .filter(hole -> hole.control().map(id -> sheet.fresh(id.text())).orElse(true))
            .toList();
    if (!holes.isEmpty()) {
      holes(holes);
    }
    surface(holes.isEmpty());
    parts();
  }

  private void holes(List<DrillPlan.Hole> holes) {
    sheet
        .step("template", Act.PRINT_TEMPLATE, "Print the drill template at 100 %, tape it on")
        .details("kumite export --what template-pdf")
        .add(10);
    sheet
        .step("scale", Act.CHECK_SCALE, "Measure both bars of the template")
        .details("100.0 mm each way; a printer that fits to the page is off")
        .add(2);
    List<String> turns =
        sheet.needed(build.controls(), Control::id).stream()
            .filter(c -> turned(catalogue.kindOf(c)))
            .map(
                c ->
                    c.label()
                        + (c.placement().turnDegrees() == 0
                            ? ": straight"
                            : String.format(
                                java.util.Locale.ROOT,
                                ": turned %.1f°",
                                c.placement().turnDegrees())))
            .toList();
    if (!turns.isEmpty()) {
      sheet
          .step(
              "turn", Act.CHECK_TURN, "Hold keyed parts and levers on the sheet: which way round?")
          .details(turns)
          .add(2 + turns.size());
    }
    Map<String, List<DrillPlan.Hole>> sizes = new LinkedHashMap<>();
    for (DrillPlan.Hole hole : holes) {
      sizes.computeIfAbsent(hole.sizeWords(LengthUnit.MM), s -> new ArrayList<>()).add(hole);
    }
    sheet
        .step("trial", Act.TRIAL_HOLE, "One hole of each size in scrap: does its part fit?")
        .details(sizes.keySet())
        .add(3.0 * sizes.size());
    sizes.forEach(
        (size, some) -> {
          boolean screws = some.stream().noneMatch(hole -> hole.control().isPresent());
          boolean drilled = some.get(0).tool().isPresent();
          Act act = screws ? Act.WIRE_HOLES : drilled ? Act.DRILL_HOLES : Act.CUT_HOLES;
          String verb = drilled ? "Drill " : "Cut ";
          sheet
              .step(
                  (drilled ? "drill-" : "cut-") + word(size),
                  act,
                  verb + count(some.size(), "hole") + " of " + size)
              .details(some.get(0).toolWords())
              .details(
                  some.stream()
                      .map(h -> h.label() + (h.cutout() ? "" : ", " + h.purpose()))
                      .distinct()
                      .toList())
              .add(some.size() * (drilled ? 2.0 : 12.0));
        });
    sheet
        .step("deburr", Act.DEBURR, "Take the burr off " + count(holes.size(), "hole"))
        .add(0.5 * holes.size());
  }

  /** A size as part of an id: {@code 30.00 round} is {@code 30-00-round}. */
  private static String word(String size) {
    return size.toLowerCase(java.util.Locale.ROOT)
        .replaceAll("[^a-z0-9]+", "-")
        .replaceAll("^-|-$", "");
  }

  private static boolean turned(ControlKind kind) {
    return !(kind.cutout() instanceof Shape.Round) || !kind.screws().isEmpty();
  }

  private void surface(boolean noHoles) {
    Panel panel = build.panel();
    Finish finish = sheet.book().finish().orElseGet(() -> Finish.usual(panel.material()));
    if (finish == Finish.PAINTED && !noHoles) {
      sheet
          .step("paint", Act.PAINT, "Paint the panel: thin coats, dried warm")
          .details(panel.material().words() + ", both faces and the edges of holes")
          .add(40);
    }
    if (panel.coverMm() > 0) {
      sheet
          .step("art", Act.PRINT_ART, "Print the art with its signs")
          .details("kumite export --what art")
          .add(15);
      sheet.step("cover", Act.LAY_COVER, "Lay art and clear cover on, cut the holes free").add(30);
    }
  }

  private void parts() {
    Map<String, List<Control>> byKind = new TreeMap<>();
    build.controls().forEach(c -> byKind.computeIfAbsent(c.kind(), k -> new ArrayList<>()).add(c));
    compare(byKind);
    byKind.forEach(
        (id, all) -> {
          ControlKind kind = catalogue.kindOf(all.get(0));
          List<Control> needed = sheet.needed(all, Control::id);
          Step.State state = needed.isEmpty() ? gone(all) : Step.State.OPEN;
          List<Control> some = needed.isEmpty() ? all : needed;
          Control first = some.get(0);
          sheet
              .step(
                  "fit-first-" + id,
                  Act.FIT_FIRST,
                  "Fit " + first.label() + (some.size() > 1 ? ", the first of its kind" : ""))
              .details(kind.name() + ": " + kind.mount().how().words())
              .details(some.size() > 1 ? "press it, look below, put the tabs on once" : "press it")
              .parts(screws(kind, 1))
              .at("kind " + id, "control " + first.id())
              .state(state)
              .add(4);
          if (some.size() > 1) {
            List<Control> rest = some.subList(1, some.size());
            sheet
                .step("fit-" + id, Act.FIT, "Fit " + rest.size() + " more " + kind.name())
                .details(rest.stream().map(Control::label).toList())
                .parts(screws(kind, rest.size()))
                .at("kind " + id)
                .at(rest.stream().map(c -> "control " + c.id()).toList())
                .state(state)
                .add(2.0 * rest.size());
          }
        });
  }

  private void ports() {
    List<Control> all =
        build.hands().stream().filter(c -> build.ports().port(c.id()).isPresent()).toList();
    if (all.isEmpty()) {
      return;
    }
    List<Control> needed = sheet.needed(all, Control::id);
    List<Control> sockets = needed.isEmpty() ? all : needed;
    sheet
        .step("fit-ports", Act.FIT, "Fit " + count(sockets.size(), "socket") + " for what plugs in")
        .details(sockets.stream().map(Control::label).toList())
        .at(sockets.stream().map(c -> "control " + c.id()).toList())
        .state(needed.isEmpty() ? gone(all) : Step.State.OPEN)
        .add(5.0 * sockets.size());
  }

  /** Jacks, switches and strips have their places too; how each is held its own sheet says. */
  private void supplies() {
    List<SupplyPart> all = build.get(SupplyBook.PART).parts();
    if (all.isEmpty()) {
      return;
    }
    List<SupplyPart> needed = sheet.needed(all, SupplyPart::id);
    List<SupplyPart> parts = needed.isEmpty() ? all : needed;
    boolean left = all.stream().allMatch(p -> sheet.unused(p.id()));
    sheet
        .step("fit-supply", Act.FIT, "Fit " + count(parts.size(), "part") + " of the supply")
        .details(parts.stream().map(SupplyPart::label).toList())
        .at(parts.stream().map(p -> "supply " + p.id() + " " + p.placement().centre()).toList())
        .state(!needed.isEmpty() ? Step.State.OPEN : left ? Step.State.UNUSED : Step.State.ALREADY)
        .add(5.0 * parts.size());
  }

  private Step.State gone(List<Control> all) {
    return all.stream().allMatch(c -> sheet.unused(c.id()))
        ? Step.State.UNUSED
        : Step.State.ALREADY;
  }

  /** Kinds of one family whose cut-outs are nearly the same, but which are not the same part. */
  private void compare(Map<String, List<Control>> byKind) {
    List<ControlKind> kinds =
        byKind.values().stream().map(all -> catalogue.kindOf(all.get(0))).toList();
    List<ControlKind> alike =
        kinds.stream()
            .filter(
                one -> kinds.stream().anyMatch(o -> !o.id().equals(one.id()) && looksAlike(one, o)))
            .toList();
    if (!alike.isEmpty()) {
      sheet
          .step("compare", Act.COMPARE, "Lay parts that look alike side by side, tell them apart")
          .details(alike.stream().map(kind -> kind.name() + ": " + kind.trait()).toList())
          .at(alike.stream().map(kind -> "kind " + kind.id()).toList())
          .add(2.0 * alike.size());
    }
  }

  private static boolean looksAlike(ControlKind one, ControlKind other) {
    return one.family() == other.family()
        && Math.abs(one.cutout().widthMm() - other.cutout().widthMm()) < ALIKE_MM
        && Math.abs(one.cutout().heightMm() - other.cutout().heightMm()) < ALIKE_MM;
  }

  private static List<String> screws(ControlKind kind, int count) {
    Map<String, Integer> screws = new TreeMap<>();
    for (ScrewHole hole : kind.screws()) {
      screws.merge(hole.screw(), count, Integer::sum);
    }
    return screws.entrySet().stream()
        .map(e -> e.getValue() + " " + e.getKey() + " screws")
        .toList();
  }

  static String count(int n, String what) {
    return n + " " + what + (n == 1 ? "" : "s");
  }
}
