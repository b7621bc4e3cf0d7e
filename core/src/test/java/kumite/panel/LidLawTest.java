package kumite.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.panel.Block;
import kumite.build.panel.BlockText;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Opening;
import kumite.files.BuildFile;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What hangs under a hinged lid, turned about the hinge step by step: a part, a board, a block,
 * against walls, ribs on the floor and boards that stay; and heights that pass each other.
 */
public class LidLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final double WIDTH = 400;
  private static final double DEEP = 80;
  private static final double STEP_DEGREES = 0.02;

  private static final SeatId OTHER = new SeatId("other");

  /** A box in hinge coordinates: away from the hinge, along it, and below the panel. */
  private record Hung(double near, double far, double left, double right, double deep) {}

  private static Build plain(Opening opening, List<Block> blocks) {
    Build build = Build.empty("Lid");
    return build.withPanel(
        build
            .panel()
            .withSize(WIDTH, WIDTH)
            .withInside(new CaseInside(10, DEEP, DEEP, blocks, opening)));
  }

  /** From hinge coordinates (away, along) to the panel's, of a square panel. */
  private static double[] place(Opening opening, double away, double along) {
    return switch (opening) {
      case HINGED_BACK -> new double[] {along, WIDTH - away};
      case HINGED_FRONT -> new double[] {along, away};
      case HINGED_LEFT -> new double[] {away, along};
      case HINGED_RIGHT -> new double[] {WIDTH - away, along};
      case LIFTS_OFF -> throw new AssertionError();
    };
  }

  private static boolean sideways(Opening opening) {
    return opening == Opening.HINGED_LEFT || opening == Opening.HINGED_RIGHT;
  }

  private static Block block(
      String name, Opening opening, double away, double along, double deep, double wide) {
    double[] at = place(opening, away, along);
    double w = sideways(opening) ? deep : wide;
    double h = sideways(opening) ? wide : deep;
    return new Block(name, at[0] - w / 2, at[1] - h / 2, w, h);
  }

  /** How far out its lower far edge comes before it is above a level, by turning it. */
  private static double furthest(Hung hung, double top) {
    double furthest = hung.far();
    for (double degrees = 0; degrees <= 90; degrees += STEP_DEGREES) {
      double t = Math.toRadians(degrees);
      double out = hung.far() * Math.cos(t) + hung.deep() * Math.sin(t);
      double below = hung.deep() * Math.cos(t) - hung.far() * Math.sin(t);
      furthest = below >= top ? Math.max(furthest, out) : furthest;
    }
    return furthest;
  }

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void whatHangsIsTurnedStepByStep(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Opening opening = Opening.values()[1 + random.nextInt(4)];
    double away = random.nextDouble(120, 260);
    double along = random.nextDouble(120, 280);
    double rib = random.nextDouble(8, 70);
    List<Block> blocks = new ArrayList<>();
    Build build = plain(opening, blocks);
    double[] at = place(opening, away, along);
    Hung hung;
    List<ControlId> who = List.of();
    int what = random.nextInt(3);
    if (what == 0) {
      double tall = random.nextDouble(10, 60);
      Block batten =
          block("batten", opening, away, along, 20, 60).standing(Block.Stands.PANEL, tall);
      blocks.add(batten);
      hung = new Hung(away - 10, away + 10, along - 30, along + 30, tall);
    } else if (what == 1) {
      BoardKind kind = CATALOGUE.board("native-3v3-26").orElseThrow();
      double turn = random.nextInt(4) * 90;
      BoardChoice choice =
          new BoardChoice(
              kind.id(), Placement.at(at[0], at[1]).turnedTo(turn), BoardChoice.Seat.PANEL, true);
      build = build.withBoard(Optional.of(choice));
      boolean across = turn % 180 == 0 == sideways(opening);
      double half = (across ? kind.widthMm() : kind.heightMm()) / 2;
      double wide = (across ? kind.heightMm() : kind.widthMm()) / 2;
      hung = new Hung(away - half, away + half, along - wide, along + wide, choice.heightMm(kind));
    } else {
      ControlKind kind = CATALOGUE.control("button-30").orElseThrow();
      ControlId id = new ControlId("b");
      build = build.withControl(Control.of(id, "B", kind.id(), Placement.at(at[0], at[1])));
      double half = kind.body().widthMm() / 2;
      hung =
          new Hung(
              away - half,
              away + half,
              along - half,
              along + half,
              kind.depthBelowMm(build.panel().thicknessMm()));
      who = List.of(id);
    }
    // A rib on the floor, a little further out than what hangs, as tall as it happens to be.
    double free = furthest(hung, DEEP - rib) - hung.far();
    double nearSide = hung.far() + Math.max(1.5, free + random.nextDouble(-6, 6));
    blocks.add(
        block("rib", opening, nearSide + 4, along, 8, 400).standing(Block.Stands.FLOOR, rib));
    build = build.withPanel(plain(opening, blocks).panel());
    double gap = nearSide - furthest(hung, DEEP - rib);
    Optional<Gap> found =
        Gaps.of(build, CATALOGUE).list().stream()
            .filter(g -> g.kind() == Gap.Kind.LID_BLOCK && g.against().equals("rib"))
            .filter(g -> !g.thing().words().contains("plug"))
            .findFirst();
    boolean reaches = hung.deep() > DEEP - rib;
    String as = "seed " + seed + " gap " + gap + " " + hung;
    if (!reaches) {
      assertThat(found).as(as).isEmpty();
    } else if (gap < 0.97) {
      assertThat(found).as(as).isPresent();
      assertThat(found.get().gapMm()).as(as).isCloseTo(gap, within(0.06));
      assertThat(found.get().controls()).isEqualTo(who);
    } else if (gap > 1.03) {
      assertThat(found).as(as).isEmpty();
    }
  }

  /** A rib on the floor under a high part is no collision; one that reaches it is. */
  @Test
  public void aBlockHasAHeight() {
    ControlKind kind = CATALOGUE.control("button-30").orElseThrow();
    Build part =
        plain(Opening.LIFTS_OFF, List.of())
            .withControl(Control.of(new ControlId("b"), "B", kind.id(), Placement.at(200, 200)));
    double room = DEEP - kind.depthBelowMm(part.panel().thicknessMm());
    Block under = new Block("rib", 190, 100, 20, 200);
    Object[][] table = {
      // what holds it, how tall, whether it collides, whether the wire's bend has no room
      {Block.Stands.WHOLE, 0.0, true, true},
      {Block.Stands.PANEL, 5.0, true, true},
      {Block.Stands.FLOOR, room - Gaps.BEND_MM - 0.1, false, false},
      {Block.Stands.FLOOR, room - Gaps.BEND_MM + 0.1, false, true},
      {Block.Stands.FLOOR, room + 0.1, true, true},
    };
    for (Object[] row : table) {
      Block block = under.standing((Block.Stands) row[0], (Double) row[1]);
      Build build = part.withPanel(plain(Opening.LIFTS_OFF, List.of(block)).panel());
      List<Gap> gaps =
          Gaps.of(build, CATALOGUE).list().stream()
              .filter(g -> g.kind() == Gap.Kind.BODY_BLOCK)
              .toList();
      assertThat(gaps.stream().anyMatch(Gap::stops)).as("%s", block).isEqualTo(row[2]);
      assertThat(gaps.stream().anyMatch(g -> g.missingMm() > 0)).as("%s", block).isEqualTo(row[3]);
    }
  }

  /** Two boards, or a board and a block, meet where they share a height and nowhere else. */
  @Test(dataProvider = "seeds")
  public void heightsAreShared(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    BoardKind kind = CATALOGUE.board("native-3v3-26").orElseThrow();
    double deep = random.nextDouble(15, 60);
    BoardChoice.Seat one = random.nextBoolean() ? BoardChoice.Seat.FLOOR : BoardChoice.Seat.PANEL;
    BoardChoice.Seat two = random.nextBoolean() ? BoardChoice.Seat.FLOOR : BoardChoice.Seat.PANEL;
    BoardChoice choice = new BoardChoice(kind.id(), Placement.at(200, 200), one, true);
    Block.Stands stands = Block.Stands.values()[random.nextInt(3)];
    double tall = stands == Block.Stands.WHOLE ? 0 : random.nextDouble(2, deep);
    Block block = new Block("rib", 195, 195, 10, 10).standing(stands, tall);
    Build plain = plain(Opening.LIFTS_OFF, List.of());
    double[] board = levels(one == BoardChoice.Seat.FLOOR, choice.heightMm(kind), deep);
    double[] rib =
        stands == Block.Stands.WHOLE
            ? new double[] {0, deep}
            : levels(stands == Block.Stands.FLOOR, tall, deep);
    Build withBlock =
        plain
            .withPanel(
                plain
                    .panel()
                    .withInside(new CaseInside(10, deep, deep, List.of(block), Opening.LIFTS_OFF)))
            .withBoard(Optional.of(choice));
    assertThat(has(withBlock, Gap.Kind.BOARD_BLOCK)).isEqualTo(overlap(board, rib));
    Build two2 =
        plain
            .withPanel(plain.panel().withInside(new CaseInside(10, deep)))
            .withSeats(
                List.of(
                    Seat.empty(SeatId.FIRST).withBoard(Optional.of(choice)),
                    Seat.empty(OTHER).withBoard(Optional.of(choice.on(two)))));
    double[] second = levels(two == BoardChoice.Seat.FLOOR, choice.heightMm(kind), deep);
    assertThat(has(two2, Gap.Kind.BOARD_BOARD)).isEqualTo(overlap(board, second));
  }

  private static double[] levels(boolean floor, double tall, double deep) {
    return floor ? new double[] {deep - tall, deep} : new double[] {0, tall};
  }

  private static boolean overlap(double[] a, double[] b) {
    return a[0] < b[1] && b[0] < a[1];
  }

  private static boolean has(Build build, Gap.Kind kind) {
    return Gaps.of(build, CATALOGUE).list().stream().anyMatch(g -> g.kind() == kind && g.stops());
  }

  /** The second board is measured as the first: swapped seats give the same gaps. */
  @Test(dataProvider = "seeds")
  public void boardsOfAllSeatsAreMeasured(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    BoardKind kind = CATALOGUE.board("native-5v-18").orElseThrow();
    List<Seat> seats = new ArrayList<>();
    for (SeatId id : List.of(SeatId.FIRST, OTHER)) {
      seats.add(
          Seat.empty(id)
              .withBoard(
                  Optional.of(
                      new BoardChoice(
                          kind.id(),
                          Placement.at(random.nextDouble(0, 400), random.nextDouble(0, 400)),
                          BoardChoice.Seat.values()[random.nextInt(2)],
                          random.nextBoolean()))));
    }
    Build build = plain(Opening.values()[random.nextInt(5)], List.of());
    for (int i = 0; i < 6; i++) {
      build =
          build.withControl(
              Control.of(
                  new ControlId("b" + i),
                  "B" + i,
                  "button-30",
                  Placement.at(random.nextDouble(30, 370), random.nextDouble(30, 370))));
    }
    List<Seat> turned = List.of(seats.get(1), seats.get(0));
    assertThat(measured(build.withSeats(turned))).isEqualTo(measured(build.withSeats(seats)));
  }

  private static List<String> measured(Build build) {
    return Gaps.of(build, CATALOGUE).list().stream()
        .map(
            g ->
                g.kind() == Gap.Kind.BOARD_BOARD
                    ? String.format("boards %.6f", g.gapMm())
                    : String.format(
                        "%s %s %s %s %.6f",
                        g.kind(), g.controls(), g.thing(), g.against(), g.gapMm()))
        .sorted()
        .toList();
  }

  /** Heights of blocks are kept in the file, and refused by place where they make no sense. */
  @Test
  public void blocksAreKeptWithTheirHeights() throws Exception {
    List<Block> blocks =
        List.of(
            new Block("whole", 20, 20, 30, 8),
            new Block("rib", 20, 60, 30, 8).standing(Block.Stands.FLOOR, 12.5),
            new Block("batten", 20, 90, 30, 8).standing(Block.Stands.PANEL, 18));
    Build build = plain(Opening.HINGED_BACK, blocks);
    String text = BuildFile.text(build);
    assertThat(BuildFile.parse(text, "lid", CATALOGUE).panel().inside().blocks()).isEqualTo(blocks);
    for (String bad : List.of("\"tall_mm\": 0", "\"tall_mm\": -2")) {
      String wrong = text.replaceFirst("\"tall_mm\": ?12.5", bad);
      assertThat(catchThrowable(() -> BuildFile.parse(wrong, "lid", CATALOGUE)))
          .hasMessageContaining("tall");
    }
  }

  @DataProvider
  public Object[][] typed() {
    Block plain = new Block("rib", 20, 60, 200, 8);
    return new Object[][] {
      {"rib: 20 60 200 8", plain},
      {" rib :20 60 200 8 floor 12.5", plain.standing(Block.Stands.FLOOR, 12.5)},
      {"rib: 20 60 200 8 panel 1/2 in", plain.standing(Block.Stands.PANEL, 12.7)},
      {"rib: 20 60 200 8 FLOOR 12", plain.standing(Block.Stands.FLOOR, 12)},
    };
  }

  @Test(dataProvider = "typed")
  public void blocksAreTyped(String text, Block block) {
    Block read = BlockText.parse(text, LengthUnit.MM);
    assertThat(read).isEqualTo(block);
    assertThat(BlockText.parse(BlockText.of(read, LengthUnit.MM), LengthUnit.MM)).isEqualTo(read);
    for (String bad :
        List.of("rib", "rib: 1 2 3", "rib: 1 2 3 4 floor", "rib: 1 2 3 4 floor x", ": 1 2 3 4")) {
      assertThat(catchThrowable(() -> BlockText.parse(bad, LengthUnit.MM)))
          .as(bad)
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageMatching("(?s).{10,}");
    }
  }

  /**
   * Corners drawn further out to the left and front: all boards keep their places over the floor.
   */
  @Test
  public void everyBoardStaysWhereItIsWhenThePanelIsReshaped() {
    BoardKind kind = CATALOGUE.board("native-5v-18").orElseThrow();
    Build build =
        plain(Opening.LIFTS_OFF, List.of(new Block("rib", 40, 40, 20, 20)))
            .withSeats(
                List.of(
                    Seat.empty(SeatId.FIRST)
                        .withBoard(Optional.of(new BoardChoice(kind.id(), Placement.at(90, 100)))),
                    Seat.empty(OTHER)
                        .withBoard(
                            Optional.of(new BoardChoice(kind.id(), Placement.at(250, 300))))));
    Build grown =
        Reshape.corners(
            build,
            List.of(
                new kumite.measure.Point(-30, -20),
                new kumite.measure.Point(WIDTH, -20),
                new kumite.measure.Point(WIDTH, WIDTH),
                new kumite.measure.Point(-30, WIDTH)));
    for (int seat = 0; seat < 2; seat++) {
      Placement was = build.seats().get(seat).board().orElseThrow().placement();
      Placement is = grown.seats().get(seat).board().orElseThrow().placement();
      assertThat(is.xMm()).isEqualTo(was.xMm() + 30);
      assertThat(is.yMm()).isEqualTo(was.yMm() + 20);
    }
    assertThat(grown.panel().inside().blocks().get(0).leftMm()).isEqualTo(70);
  }
}
