package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.testng.annotations.Test;

public class LoomTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Loom loom(Build build) {
    return Loom.of(build, CATALOGUE);
  }

  @Test
  public void strandsAreTogetherShortestAndDoNotCross() {
    SplittableRandom random = new SplittableRandom(42);
    GeometryFactory factory = new GeometryFactory();
    for (int round = 0; round < 20; round++) {
      BoardKind board = Builds.scatteredBoard(7, random);
      double[] places = new double[10];
      for (int i = 0; i < places.length; i += 2) {
        places[i] = random.nextDouble(30, 270);
        places[i + 1] = random.nextDouble(30, 170);
      }
      Build build =
          Builds.buttons(places)
              .withBoard(Optional.of(new BoardChoice("scattered", Placement.at(150, 100))));
      Loom loom = Loom.of(build, CATALOGUE.with(board));
      double planned =
          loom.plan().choices().values().stream().mapToDouble(PinChoice::straightMm).sum();
      List<Point> terminals =
          board.terminals(Terminal.Role.INPUT).stream().map(t -> PinPlan.place(build, t)).toList();
      assertThat(planned)
          .as("round %d against trying every plan", round)
          .isCloseTo(tryAll(loom.sites(), terminals, 0, new HashSet<>()), within(1e-6));
      List<org.locationtech.jts.geom.LineString> lines = new ArrayList<>();
      for (ContactSite site : loom.sites()) {
        Point end = PinPlan.place(build, loom.plan().of(site.id()).orElseThrow().terminal());
        lines.add(
            factory.createLineString(
                new Coordinate[] {
                  new Coordinate(site.place().xMm(), site.place().yMm()),
                  new Coordinate(end.xMm(), end.yMm())
                }));
      }
      for (int i = 0; i < lines.size(); i++) {
        for (int j = 0; j < i; j++) {
          assertThat(lines.get(i).intersects(lines.get(j))).as("round %d", round).isFalse();
        }
      }
    }
  }

  private static double tryAll(
      List<ContactSite> sites, List<Point> terminals, int at, Set<Integer> used) {
    if (at == sites.size()) {
      return 0;
    }
    double best = Double.POSITIVE_INFINITY;
    for (int i = 0; i < terminals.size(); i++) {
      if (used.add(i)) {
        double here = sites.get(at).place().distanceMm(terminals.get(i));
        best = Math.min(best, here + tryAll(sites, terminals, at + 1, used));
        used.remove(i);
      }
    }
    return best;
  }

  @Test
  public void keepsBootAndSerialTerminalsFreeAndSparesTheOnesThatMeasure() {
    Loom loom = loom(Builds.ferryBridge());
    assertThat(loom.plan().unplaced()).isEmpty();
    for (ContactSite site : loom.sites()) {
      Terminal terminal = loom.plan().of(site.id()).orElseThrow().terminal();
      assertThat(PinPlan.keptBack(terminal)).as("%s on %s", site.id(), terminal.name()).isFalse();
      assertThat(terminal.can(Terminal.Ability.ANALOG))
          .as("%s on %s", site.id(), terminal.name())
          .isEqualTo(site.contact().type().analog());
    }
  }

  @Test
  public void respectsALockAndPlansTheRestAround() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60, 160, 60), "native-3v3-26");
    ContactId contact = ContactId.parse("b2");
    Loom loom = loom(build.withLoom(build.loom().withLock(contact, "D21")));
    assertThat(loom.plan().of(contact).orElseThrow().terminal().name()).isEqualTo("D21");
    assertThat(loom.plan().of(contact).orElseThrow().locked()).isTrue();
    assertThat(loom.plan().choices().values().stream().map(c -> c.terminal().name()).distinct())
        .hasSize(3);
  }

  @Test
  public void theOrderOfControlsDoesNotChangeTheLengthOfThePlan() {
    Build build = Builds.ferryBridge();
    List<kumite.build.Control> reversed = new ArrayList<>(build.controls());
    java.util.Collections.reverse(reversed);
    double one = straight(loom(build));
    double other = straight(loom(build.withControls(reversed)));
    assertThat(other).isCloseTo(one, within(1e-6));
  }

  private static double straight(Loom loom) {
    return loom.plan().choices().values().stream().mapToDouble(PinChoice::straightMm).sum();
  }

  @Test
  public void namesContactsForWhichNothingIsLeft() {
    Build build = Builds.ferryBridge();
    Build small =
        build.withBoard(Optional.of(new BoardChoice("encoder-12-rail", Placement.at(150, 150))));
    Loom loom = loom(small);
    // The encoder has a hat and eight buttons and measures nothing: sliders, telegraph, 9 and 10
    // stay.
    assertThat(loom.plan().unplaced().stream().map(s -> s.id().toString()))
        .containsExactlyInAnyOrder("port", "starboard", "telegraph", "nav", "auto");
    assertThat(loom.plan().of(ContactId.parse("rudder.left")).orElseThrow().terminal().name())
        .isEqualTo("LT");
  }

  @Test
  public void everyControlHangsOnItsCommonAndARingComesBack() {
    Loom loom = loom(Builds.ferryBridge());
    CommonRun ground = loom.runs().get(0);
    assertThat(ground.name()).isEqualTo("ground");
    assertThat(ground.ring()).as("above six").isTrue();
    assertThat(ground.stops()).hasSize(14);
    long groundStrands = loom.strands().stream().filter(s -> s.id().startsWith("G")).count();
    // By hand: 14 controls in a ring make 15 links; the lever's four tabs add 3; the
    // horn's lamp hangs on its contact and adds none.
    assertThat(groundStrands).isEqualTo(15 + 3);
    Build chain =
        Builds.ferryBridge()
            .withLoom(
                LoomSettings.USUAL.withLaying(Laying.USUAL.withShape(Laying.CommonShape.CHAIN)));
    assertThat(loom(chain).strands().stream().filter(s -> s.id().startsWith("G")).count())
        .isEqualTo(14 + 3);
    assertThat(loom(chain).runs().get(0).silencedByOneBreak()).isEqualTo(14);
  }

  /** TRADE: eight buttons on a chain need seven jumpers, and one strand to the board. */
  @Test
  public void eightButtonsNeedSevenJumpers() {
    Build build =
        Builds.wired(
            Builds.buttons(40, 50, 80, 50, 120, 50, 160, 50, 40, 100, 80, 100, 120, 100, 160, 100),
            "native-3v3-26");
    Loom loom =
        loom(
            build.withLoom(
                build
                    .loom()
                    .withLaying(build.loom().laying().withShape(Laying.CommonShape.CHAIN))));
    assertThat(loom.strands().stream().filter(s -> s.id().startsWith("G")).count())
        .isEqualTo(7 + 1);
  }

  @Test
  public void cutLengthIsDistanceDropSlackAndLoop() {
    Build build = Builds.wired(Builds.buttons(60, 60), "native-3v3-26");
    Loom loom = loom(build);
    Strand strand = loom.strandOf(ContactId.parse("b1")).orElseThrow();
    Point end =
        PinPlan.place(build, loom.plan().of(ContactId.parse("b1")).orElseThrow().terminal());
    // Case 70 deep; the button reaches 44 - (3 - 1) = 42 below; the board stands 16 high.
    double exact =
        Math.abs(end.xMm() - 60) + Math.abs(end.yMm() - 60) + (70 - 42 - 16) + 2 * 30 + 120;
    assertThat(strand.lengthMm()).isEqualTo((int) (Math.ceil(exact / 5) * 5));
  }

  @Test
  public void coloursAreUniqueInTheirBundleEvenWhenThereAreMany() {
    double[] places = new double[40];
    for (int i = 0; i < 20; i++) {
      places[2 * i] = 40 + 45 * (i % 5);
      places[2 * i + 1] = 30 + 40 * (i / 5);
    }
    Build build = Builds.wired(Builds.buttons(places), "native-3v3-26");
    Loom loom = loom(build);
    loom.bundles()
        .values()
        .forEach(
            bundle ->
                assertThat(bundle.stream().map(c -> loom.strandOf(c).orElseThrow().colour()))
                    .doesNotHaveDuplicates()
                    .doesNotContain(
                        WireColour.of(WireColour.Hue.BK), WireColour.of(WireColour.Hue.RD)));
  }

  /**
   * Of plans of equal length the one in order is taken: a lever's contacts, which all come from one
   * place, lie on the board in the order they are wired, side by side.
   */
  @Test
  public void contactsOfOneControlLieInOrderAlongTheBoard() {
    kumite.build.Build build =
        kumite.Builds.wired(
            kumite.build.Build.empty("Lever")
                .withControl(
                    kumite.build.Control.of(
                        new kumite.name.ControlId("lever"),
                        "Lever",
                        "lever-8",
                        kumite.measure.Placement.at(60, 60))),
            "native-3v3-26");
    Loom loom = Loom.of(build, kumite.parts.Catalogue.standard());
    kumite.kind.BoardKind board = kumite.parts.Catalogue.standard().boardOf(build).orElseThrow();
    List<Integer> places =
        loom.sites().stream()
            .map(site -> board.terminals().indexOf(loom.pinOf(site.id()).orElseThrow().terminal()))
            .toList();
    assertThat(places).hasSize(4).isSorted();
    assertThat(places.get(3) - places.get(0)).as("side by side").isLessThanOrEqualTo(4);
  }

  /** A plan does not hang on the one before it: beginning from another's prices gives the same. */
  @Test
  public void aPlanBegunFromAnotherIsTheSame() {
    java.util.SplittableRandom random = new java.util.SplittableRandom(12);
    kumite.parts.Catalogue catalogue = kumite.parts.Catalogue.standard();
    kumite.build.Build build = kumite.RandomBuilds.any(random);
    Loom loom = Loom.of(build, catalogue);
    for (int edit = 0; edit < 200; edit++) {
      build = kumite.RandomBuilds.edited(build, random);
      loom = Loom.of(build, catalogue, java.util.Optional.of(loom));
      Loom fresh = Loom.of(build, catalogue);
      assertThat(loom.plan().choices()).isEqualTo(fresh.plan().choices());
      assertThat(loom.strands()).isEqualTo(fresh.strands());
    }
  }

  /**
   * Every wire once, commons first; a tick belongs to a wire and survives what does not touch it.
   */
  @Test
  public void wireByWireEveryWireComesOnce() throws Exception {
    Build build = Builds.ferryBridge();
    Loom loom = Loom.of(build, Catalogue.standard());
    WireWork work = WireWork.of(loom, build.loom());
    assertThat(work.steps().stream().map(step -> step.strand().id()))
        .containsExactlyInAnyOrderElementsOf(loom.strands().stream().map(Strand::id).toList());
    boolean signals = false;
    for (WireWork.Step step : work.steps()) {
      signals |= step.strand().contact().isPresent();
      assertThat(signals && step.strand().contact().isEmpty()).as("commons first").isFalse();
      assertThat(step.first(LengthUnit.MM).get(0))
          .contains(kumite.measure.Length.text(step.strand().lengthMm(), LengthUnit.MM));
    }
    Build ticking = build;
    for (int left = work.steps().size(); left > 0; left--) {
      WireWork now = WireWork.of(loom, ticking.loom());
      assertThat(now.left()).isEqualTo(left);
      ticking =
          ticking.withLoom(ticking.loom().withDone(now.next().orElseThrow().strand().wire(), true));
    }
    assertThat(WireWork.of(loom, ticking.loom()).next()).isEmpty();
    Build back =
        kumite.files.BuildFile.parse(
            kumite.files.BuildFile.text(ticking), "x", Catalogue.standard());
    assertThat(back).isEqualTo(ticking);
    for (Strand strand : loom.strands()) {
      LoomSettings out = ticking.loom().withLeftOut(strand.wire());
      WireWork.Step next = WireWork.of(loom, out).next().orElseThrow();
      assertThat(next.strand()).as("what is left out is not on").isEqualTo(strand);
      assertThat(next.first(LengthUnit.INCH).toString()).contains("Left out").contains(" in");
      assertThat(out.withDone(strand.wire(), true)).as("on again").isEqualTo(ticking.loom());
    }
    String both =
        kumite.files.BuildFile.text(ticking)
            .replaceFirst(
                "\"left_out\"\\s*:\\s*\\[\\s*]",
                "\"left_out\": [\"" + loom.strands().get(0).wire() + "\"]");
    assertThatThrownBy(() -> kumite.files.BuildFile.parse(both, "x", Catalogue.standard()))
        .hasMessageContaining("loom")
        .hasMessageContaining("both done and left out");
    Build without = ticking.without(new kumite.name.ControlId("horn"));
    assertThat(without.loom().done()).noneMatch(wire -> wire.toString().contains("horn"));
    assertThat(kumite.files.Tables.wiring(kumite.verdict.Bench.of(ticking, Catalogue.standard())))
        .contains(",yes")
        .doesNotContain(",no\r");
  }
}
