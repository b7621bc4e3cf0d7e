package kumite.box;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Opening;
import kumite.build.panel.Panel;
import kumite.files.BuildFile;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.measure.Point;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Works;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Trays that the bed does not take are parted: each part is a closed solid that lies on the bed,
 * together they are the tray, and there is plastic on either side of a seam to be screwed.
 */
public class PartingLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, Integer.getInteger("seams.builds", 40))
        .mapToObj(i -> new Object[] {i})
        .toArray(Object[][]::new);
  }

  private static Build draw(SplittableRandom random) {
    double t = random.nextDouble(1.6, 4);
    double back = random.nextDouble(45, 120);
    Panel panel =
        new Panel(
            random.nextDouble(240, 700),
            random.nextDouble(120, 500),
            0,
            4,
            random.nextBoolean() ? Material.PRINTED : Material.ACRYLIC,
            new CaseInside(t, back, back - random.nextDouble(0, 20), List.of(), Opening.LIFTS_OFF),
            Datum.FRONT_LEFT);
    Box box = new Box(new Making.Printed(t, 220, 200 + random.nextInt(60), 250));
    Build build = Builds.buttons(60, 60, 105, 60).withPanel(panel);
    for (int i = random.nextInt(4); i > 0; i--) {
      Face face = Face.values()[random.nextInt(Face.values().length)];
      double along = face.across() ? panel.widthMm() : panel.heightMm();
      double down = face == Face.FLOOR ? panel.heightMm() / 2 : 25;
      box =
          box.with(
              new Cutout(
                  "gland " + i,
                  face,
                  new Point(random.nextDouble(40, along - 40), down),
                  Through.GLAND));
    }
    return build.with(BoxBook.PART, new BoxBook(box));
  }

  private static List<Finding> findings(Build build) {
    return Bench.of(build, CATALOGUE).findings();
  }

  private static Optional<Finding> first(Build build, BoxCode code) {
    return findings(build).stream().filter(f -> f.code() == code).findFirst();
  }

  private static Build parted(Build build) {
    Optional<Finding> large = first(build, BoxCode.TOO_LARGE);
    return large.isEmpty() ? build : large.get().fix().orElseThrow().edit().apply(build);
  }

  /** Each edge belongs to two triangles that pass it each its own way: nothing gapes. */
  private static void watertight(Mesh mesh) {
    Map<String, Integer> open = new HashMap<>();
    for (Mesh.Triangle t : mesh.triangles()) {
      List<Vec> at = List.of(t.a(), t.b(), t.c());
      for (int i = 0; i < 3; i++) {
        String from = key(at.get(i));
        String to = key(at.get((i + 1) % 3));
        if (!from.equals(to)) {
          open.merge(from + ">" + to, 1, Integer::sum);
          open.merge(to + ">" + from, -1, Integer::sum);
        }
      }
    }
    assertThat(open).allSatisfy((edge, count) -> assertThat(count).as(edge).isZero());
  }

  private static String key(Vec at) {
    return Math.round(at.x() * 1e4)
        + " "
        + Math.round(at.y() * 1e4)
        + " "
        + Math.round(at.z() * 1e4);
  }

  /**
   * Whether a place lies in a solid: a way up from it crosses the surface an odd number of times.
   */
  private static boolean in(Mesh mesh, double x, double y, double z) {
    int crossed = 0;
    for (Mesh.Triangle t : mesh.triangles()) {
      double d = (t.b().y() - t.c().y()) * (t.a().x() - t.c().x());
      d += (t.c().x() - t.b().x()) * (t.a().y() - t.c().y());
      double u = (t.b().y() - t.c().y()) * (x - t.c().x());
      u += (t.c().x() - t.b().x()) * (y - t.c().y());
      double v = (t.c().y() - t.a().y()) * (x - t.c().x());
      v += (t.a().x() - t.c().x()) * (y - t.c().y());
      if (d != 0 && u / d > 0 && v / d > 0 && (u + v) / d < 1) {
        double up = u / d * t.a().z() + v / d * t.b().z() + (1 - (u + v) / d) * t.c().z();
        crossed += up > z ? 1 : 0;
      }
    }
    return crossed % 2 == 1;
  }

  @Test(dataProvider = "seeds")
  public void partsLieOnTheBedAndAreTheTray(int seed) {
    Build build = draw(new SplittableRandom(seed));
    Making.Printed bed = (Making.Printed) build.get(BoxBook.PART).box().orElseThrow().making();
    Build parted = parted(build);
    assertThat(first(parted, BoxCode.TOO_LARGE)).isEmpty();
    assertThat(first(parted, BoxCode.SEAM_WITHOUT_LIP)).isEmpty();
    assertThat(findings(parted))
        .noneMatch(f -> f.code() == BoxCode.SEAM_MEETS && f.severity() == Severity.STOP);
    BoxPlan plan = BoxPlan.of(parted, CATALOGUE);
    Mesh whole = Tray.of(parted, CATALOGUE, plan.shape());
    double sum = 0;
    int parts = 0;
    for (Piece piece : plan.printed()) {
      double w = piece.widthMm();
      double h = piece.heightMm();
      assertThat(
              w <= bed.bedWidthMm() + 1e-9 && h <= bed.bedDepthMm() + 1e-9
                  || h <= bed.bedWidthMm() + 1e-9 && w <= bed.bedDepthMm() + 1e-9)
          .as("%s: %f x %f", piece.id(), w, h)
          .isTrue();
      Mesh solid = plan.solid(piece, CATALOGUE);
      watertight(solid);
      assertThat(solid.volumeMm3()).isPositive();
      if (piece.part() == Piece.Part.TRAY) {
        sum += solid.volumeMm3();
        parts++;
      }
    }
    Making.Printed now = (Making.Printed) parted.get(BoxBook.PART).box().orElseThrow().making();
    assertThat(parts).isEqualTo((now.seamsXMm().size() + 1) * (now.seamsYMm().size() + 1));
    assertThat(sum).isCloseTo(whole.volumeMm3(), within(2e-4 * whole.volumeMm3()));
    double mid = -10; // below the rim; z is up
    for (Parting.Seam seam : Parting.seams(plan.shape())) {
      for (var lip : Parting.lips(plan.shape(), seam)) {
        for (double side : new double[] {-0.5, 0.5}) {
          double off = side * Parting.LIP_MM;
          boolean x = seam.across() == MeshCut.Across.X;
          double atX = lip.centre().xMm() + (x ? off : 0.01);
          double atY = lip.centre().yMm() + (x ? 0.01 : off);
          assertThat(in(whole, atX, atY, mid)).as("%s %s", seam, lip.name()).isTrue();
        }
      }
    }
    int seams = Parting.seams(plan.shape()).size();
    assertThat(
            plan.screws().stream()
                .filter(line -> line.joint().startsWith("lips"))
                .mapToInt(ScrewLine::count)
                .sum())
        .isEqualTo(4 * seams);
  }

  /** The unfolded case shows each seam on the floor and on the two walls that it parts. */
  @Test(dataProvider = "seeds")
  public void seamsAreDrawnWhereTheyPart(int seed) {
    Build build = parted(draw(new SplittableRandom(seed)));
    BoxShape shape = BoxPlan.of(build, CATALOGUE).shape();
    Unfolded net = new Unfolded(shape);
    List<Parting.Seam> seams = Parting.seams(shape);
    assertThat(net.seams(Face.FLOOR)).hasSameSizeAs(seams);
    for (Face face : Face.values()) {
      if (face.wall()) {
        assertThat(net.seams(face))
            .hasSize(
                (int)
                    seams.stream()
                        .filter(s -> (s.across() == MeshCut.Across.X) == face.across())
                        .count());
      }
    }
    for (Parting.Seam seam : seams) {
      Parting.lips(shape, seam)
          .forEach(lip -> assertThat(net.onSeam(TrayRoom.corners(lip))).isTrue());
    }
  }

  /** The file keeps seams; the plan of work has a step for them; the lips are blocks like any. */
  @Test
  public void aPartedTrayIsAPartOfTheBuild() throws Exception {
    Build build = parted(draw(new SplittableRandom(4)));
    assertThat(BuildFile.parse(BuildFile.text(build), "x", CATALOGUE)).isEqualTo(build);
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(bench.get(Works.PLAN).steps())
        .anyMatch(step -> step.what().startsWith("Join the parts of the tray"));
    assertThat(build.panel().inside().blocks()).isNotEmpty();
  }

  /** Each fault of a seam is named, and its fix takes it away and brings no other stop. */
  @Test
  public void seamsThatCannotBeAreToldAndMended() {
    Build build = parted(draw(new SplittableRandom(4)));
    Build bare =
        build.withPanel(build.panel().withInside(build.panel().inside().withBlocks(List.of())));
    Finding lipless = first(bare, BoxCode.SEAM_WITHOUT_LIP).orElseThrow();
    Build one = lipless.fix().orElseThrow().edit().apply(bare);
    assertThat(findings(one).stream().filter(f -> f.code() == BoxCode.SEAM_WITHOUT_LIP).count())
        .isLessThan(
            findings(bare).stream().filter(f -> f.code() == BoxCode.SEAM_WITHOUT_LIP).count());
    Making.Printed bed = (Making.Printed) build.get(BoxBook.PART).box().orElseThrow().making();
    for (double at : new double[] {-50, 2, build.panel().widthMm() - 3, 2500}) {
      Build off =
          OpeningChecks.cased(
              build,
              box -> box.withMaking(bed.onBed(800, 600, 250).parted(List.of(at), List.of())));
      Finding said =
          findings(off).stream()
              .filter(f -> f.code() == BoxCode.SEAM_MEETS && f.severity() == Severity.STOP)
              .findFirst()
              .orElseThrow();
      assertThat(said.title()).contains("parts nothing off");
      Build mended = said.fix().orElseThrow().edit().apply(off);
      assertThat(findings(mended))
          .noneMatch(f -> f.code() == BoxCode.SEAM_MEETS && f.severity() == Severity.STOP);
    }
  }
}
