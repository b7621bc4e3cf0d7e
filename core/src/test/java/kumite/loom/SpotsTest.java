package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.loom.Topology;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.json.Key;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Looks;
import kumite.kind.TabSpot;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.parts.PartFile;
import kumite.verdict.Bench;
import kumite.wiring.Lay;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tabs are where parts have them: opposite the push, on the body, however parts are turned. */
public class SpotsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  /** Where a push goes, seen from the face: right is +x, back is +y. */
  private static final Map<String, Point> PUSHES =
      Map.of(
          "up", new Point(0, 1),
          "down", new Point(0, -1),
          "left", new Point(-1, 0),
          "right", new Point(1, 0));

  @DataProvider
  Object[][] kinds() {
    return CATALOGUE.controls().stream().map(k -> new Object[] {k.id()}).toArray(Object[][]::new);
  }

  @DataProvider
  Object[][] seeds() {
    return java.util.stream.IntStream.range(0, 150)
        .mapToObj(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  private static Build with(ControlKind kind, double turn, String board) {
    return Build.empty("tabs")
        .withControl(Control.of(new ControlId("c"), "C", kind.id(), new Placement(150, 100, turn)))
        .withBoard(Optional.of(new BoardChoice(board, Placement.at(40, 150))));
  }

  /** Each tab that a wire may land on is said, once, on the body or just beside it. */
  @Test(dataProvider = "kinds")
  public void everyTabIsOnItsBody(String id) {
    ControlKind kind = CATALOGUE.control(id).orElseThrow();
    Set<Point> places =
        new TreeSet<>(
            java.util.Comparator.comparingDouble(Point::xMm).thenComparingDouble(Point::yMm));
    for (TabSpot spot : kind.tabs().spots()) {
      assertThat(places.add(spot.at())).as("%s has a place of its own", spot.tab()).isTrue();
      assertThat(Math.abs(spot.at().xMm())).isLessThanOrEqualTo(kind.body().widthMm() / 2);
      assertThat(Math.abs(spot.at().yMm())).isLessThanOrEqualTo(kind.body().heightMm() / 2);
      Point step = spot.looks().step();
      assertThat(step.xMm() * spot.at().xMm() + step.yMm() * spot.at().yMm())
          .as("%s looks away from the middle", spot.tab())
          .isGreaterThanOrEqualTo(-1e-9);
    }
    Build build = with(kind, 0, "native-3v3-48");
    Set<String> used = new TreeSet<>();
    for (Strand strand : Loom.of(build, CATALOGUE).strands()) {
      for (Strand.End end : List.of(strand.from(), strand.to())) {
        if (end.place().part().equals("c") && end.landing().how() != kumite.kind.Landing.How.LEAD) {
          used.add(end.place().tab());
        }
      }
    }
    assertThat(used).allMatch(tab -> kind.tabs().spot(tab).isPresent());
  }

  /**
   * A lever closes the switch opposite the push (common practice, no source), in all four turns:
   * turned by the geometry library, the switch is on the far side of the turned push.
   */
  @Test
  public void aLeversSwitchIsOppositeThePushInAllTurns() {
    int seen = 0;
    for (ControlKind kind : CATALOGUE.controls(ControlKind.Family.LEVER)) {
      for (ContactKind contact : kind.contacts()) {
        Optional<TabSpot> tab = kind.tabs().spot(contact.named("COM"));
        if (tab.isEmpty() || !tab.get().stands().isEmpty()) {
          continue; // the wires of a connector come out at one side
        }
        for (int quarter = 0; quarter < 4; quarter++) {
          AffineTransformation turn =
              AffineTransformation.rotationInstance(Math.toRadians(90 * quarter));
          Point push = PUSHES.get(contact.name());
          Coordinate pushed =
              turn.transform(new Coordinate(push.xMm(), push.yMm()), new Coordinate());
          Control control =
              Control.of(new ControlId("c"), "C", kind.id(), new Placement(7, 9, 90 * quarter));
          Joint joint = new Joint("c", contact.named("COM"));
          Point at = Spots.of(control, kind, joint);
          double along = (at.xMm() - 7) * pushed.x + (at.yMm() - 9) * pushed.y;
          assertThat(along).as("%s %s %d", kind.id(), joint, quarter).isLessThan(-10);
          Point looks = Spots.looks(control, kind, joint).step();
          assertThat(looks.xMm()).isCloseTo(-pushed.x, within(1e-9));
          assertThat(looks.yMm()).isCloseTo(-pushed.y, within(1e-9));
          seen++;
        }
      }
    }
    assertThat(seen).isGreaterThan(40);
  }

  /** Seen from below a panel is mirrored: left is right, and what looks left looks right there. */
  @Test
  public void quartersAddUp() {
    for (Looks looks : Looks.values()) {
      assertThat(looks.turned(360)).isEqualTo(looks);
      assertThat(looks.turned(90).turned(90)).isEqualTo(looks.turned(180));
      assertThat(looks.turned(-90)).isEqualTo(looks.turned(270));
      Point turned = looks.step().turned(90);
      assertThat(looks.turned(90).step().distanceMm(turned)).isLessThan(1e-9);
    }
  }

  /**
   * Five wires for four contacts; a thumb stick has its five pins, and both rows are evenly set.
   */
  @Test
  public void aConnectorHasOneWireAPin() {
    for (Object[] row :
        new Object[][] {
          {"lever-8-slim", Set.of("COM", "up.NO", "down.NO", "left.NO", "right.NO")},
          {"lever-8-light", Set.of("COM", "up.NO", "down.NO", "left.NO", "right.NO")},
          {"stick-thumb", Set.of("GND", "VCC", "x.X", "y.Y", "press.SW")},
          {"encoder-7", Set.of("a.A", "COM", "b.B", "press.SW", "press.COM")}
        }) {
      ControlKind kind = CATALOGUE.control((String) row[0]).orElseThrow();
      Loom loom = Loom.of(with(kind, 0, "native-3v3-48"), CATALOGUE);
      Set<String> tabs = new TreeSet<>();
      int ends = 0;
      for (Strand strand : loom.strands()) {
        for (Strand.End end : List.of(strand.from(), strand.to())) {
          if (end.place().part().equals("c")) {
            tabs.add(end.place().tab());
            ends++;
          }
        }
      }
      assertThat(tabs).isEqualTo(row[1]);
      // One wire a pin, but for what is joined on the part itself or closes a ring.
      assertThat(ends).isLessThanOrEqualTo(tabs.size() + 2);
      assertThat(kind.tabs().spots()).hasSize(5);
    }
  }

  /**
   * A pin that several contacts share is one net: whatever matrix they are in, either its contacts
   * are in one row, or the plan is stopped.
   */
  @Test(dataProvider = "seeds")
  public void noPinIsInTwoRowsInSilence(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = Build.empty("rows");
    List<String> kinds =
        List.of("lever-8-slim", "button-30", "stick-thumb", "encoder-7", "lever-8");
    List<ContactId> contacts = new ArrayList<>();
    int controls = random.nextInt(1, 6);
    for (int i = 0; i < controls; i++) {
      ControlId id = new ControlId("c" + i);
      ControlKind kind = CATALOGUE.control(kinds.get(random.nextInt(kinds.size()))).orElseThrow();
      build =
          build.withControl(
              Control.of(
                  id,
                  "C " + i,
                  kind.id(),
                  new Placement(random.nextInt(40, 260), random.nextInt(30, 170), 0)));
      kind.contacts().stream()
          .filter(c -> c.type() == ContactKind.Type.SWITCH && random.nextInt(6) > 0)
          .forEach(c -> contacts.add(new ContactId(id, c.name())));
    }
    build = build.withBoard(Optional.of(new BoardChoice("native-3v3-48", Placement.at(40, 150))));
    Topology matrix = random.nextBoolean() ? Topology.MATRIX : Topology.BARE_MATRIX;
    if (!contacts.isEmpty()) {
      build = build.withLoom(build.loom().withGroup(new ControlId("keys"), matrix, contacts));
    }
    Bench bench = Bench.of(build, CATALOGUE);
    boolean told = bench.findings().stream().anyMatch(f -> f.code() == LoomCode.PIN_IN_TWO_ROWS);
    boolean split = false;
    for (Sharing sharing : bench.loom().sharings()) {
      for (Sharing.Seat seat : sharing.seats()) {
        Optional<Joint> pin = seat.site().sharedCommon();
        if (pin.isPresent()) {
          for (ContactSite other : bench.loom().sites()) {
            boolean beside =
                other.sharedCommon().equals(pin)
                    && sharing.seats().stream()
                        .filter(s -> s.site().id().equals(other.id()))
                        .noneMatch(s -> s.drive().equals(seat.drive()));
            split |= beside;
          }
          split |= seat.site().atGround();
        }
      }
    }
    assertThat(told).as("a pin at two rows is told, and nothing else is").isEqualTo(split);
    for (Finding finding : bench.findings()) {
      if (finding.code() == LoomCode.PIN_IN_TWO_ROWS) {
        Bench mended = bench.next(finding.fix().orElseThrow().edit().apply(build));
        assertThat(mended.findings()).noneMatch(f -> f.same(finding));
      }
    }
  }

  /** What is drawn is where the part has it, and a picture from below is its mirror image. */
  @Test(dataProvider = "seeds")
  public void thePictureHasTabsWhereTheyAre(int seed) {
    Build build = RandomBuilds.any(new SplittableRandom(seed));
    Bench bench = Bench.of(build, CATALOGUE);
    Optional<Lay> lay = bench.lay();
    if (lay.isEmpty()) {
      assertThat(bench.board()).isEmpty();
      return;
    }
    for (Control control : build.flat().seated()) {
      ControlKind kind = CATALOGUE.kindOf(control);
      AffineTransformation at =
          AffineTransformation.rotationInstance(Math.toRadians(control.placement().turnDegrees()))
              .translate(control.placement().xMm(), control.placement().yMm());
      for (TabSpot spot : kind.tabs().spots()) {
        Coordinate wanted =
            at.transform(new Coordinate(spot.at().xMm(), spot.at().yMm()), new Coordinate());
        lay.get()
            .place(new Joint(control.id().text(), spot.tab()))
            .ifPresent(
                place ->
                    assertThat(place.distanceMm(new Point(wanted.x, wanted.y)))
                        .as("%s %s", control.kind(), spot.tab())
                        .isLessThan(1e-6));
      }
    }
  }

  /** An own part says its tabs, in JSON and in a table, and is refused by name where it cannot. */
  @Test
  public void ownPartsSayTheirTabs() {
    ControlKind lever = CATALOGUE.control("lever-8").orElseThrow();
    ObjectNode node = (ObjectNode) PartFile.write(lever);
    node.put("id", "own-lever").remove("tabs");
    node.putArray("tabs")
        .addObject()
        .put("tab", "COM")
        .put("x_mm", 10)
        .put("y_mm", 20)
        .put("direction", "back")
        .putArray("stands_for")
        .add("up.COM")
        .add("down.COM")
        .add("left.COM")
        .add("right.COM");
    ControlKind own = PartFile.read(new Key("", node));
    assertThat(own.tabs().pin("left.COM")).isEqualTo("COM");
    assertThat(own.tabs().spot("up.NO")).isEqualTo(lever.tabs().spot("up.NO"));
    assertThat(PartFile.read(new Key("", PartFile.write(own)))).isEqualTo(own);

    String head = "id,name,family,cutout,body,body_depth,contacts,tabs\n";
    PartFile.Imported read =
        PartFile.read(
            head
                + "bell,Bell,button,24 round,30 round,40,switch,NO 0 -12 front; COM 0 12 mm back\n",
            "x.csv");
    assertThat(read.problems()).isEmpty();
    assertThat(read.kinds().get(0).tabs().spots())
        .containsExactly(
            new TabSpot("NO", new Point(0, -12), Looks.FRONT),
            new TabSpot("COM", new Point(0, 12), Looks.BACK));
    for (String[] bad :
        new String[][] {
          {"NO 0", "is no tab"},
          {"LAMP 0 0 front", "there is no tab"},
          {"NO 0 0; NO 1 1", "is there twice"},
          {"NO 0 400", "is beside the body"},
          {"NO 0 0 upwards", "direction"}
        }) {
      PartFile.Imported refused =
          PartFile.read(
              head + "bell,Bell,button,24 round,30 round,40,switch,\"" + bad[0] + "\"\n", "x.csv");
      assertThat(refused.kinds()).as(bad[0]).isEmpty();
      assertThat(refused.problems().get(0).words()).contains(bad[1]);
    }
  }

  /** Where two second sides that are not proven to be one meet at a pin, the plan is stopped. */
  @Test
  public void anUnprovenBoardGetsNoSharedPin() {
    ControlKind slim = CATALOGUE.control("lever-8-slim").orElseThrow();
    ControlKind tabs = CATALOGUE.control("lever-8").orElseThrow();
    assertThat(codes(with(slim, 0, "pad-unknown"))).contains(LoomCode.PIN_UNPROVEN.text());
    assertThat(codes(with(slim, 0, "pad-proven"))).doesNotContain(LoomCode.PIN_UNPROVEN.text());
    assertThat(codes(with(tabs, 0, "pad-unknown"))).doesNotContain(LoomCode.PIN_UNPROVEN.text());
    assertThatThrownBy(() -> new TabSpot("", new Point(0, 0), Looks.DOWN))
        .isInstanceOf(IllegalArgumentException.class);
  }

  private static List<String> codes(Build build) {
    return Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.station() == Station.LOOM && f.severity() == Severity.STOP)
        .map(f -> f.code().text())
        .toList();
  }
}
