package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import kumite.build.Build;
import kumite.build.Control;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.panel.Gaps;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** All gaps of a crowded panel, beside every pair of outlines measured by the reference library. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class GeometryBenchmark {
  private static final int REFERENCE_PARTS = 40;

  @Param({"75", "150", "300", "600"})
  int parts;

  private final Catalogue catalogue = Catalogue.standard();
  private Build build;
  private List<Geometry> outlines;

  /** Lays the parts out in a grid whose flanges all lie within two millimetres of enough. */
  @Setup
  public void layOut() {
    int columns = (int) Math.ceil(Math.sqrt(parts * 1.5));
    List<Control> controls = new ArrayList<>();
    outlines = new ArrayList<>();
    ControlKind kind = catalogue.control("button-24").orElseThrow();
    for (int i = 0; i < parts; i++) {
      Placement at = Placement.at(45 + 30.0 * (i % columns), 45 + 30.0 * (i / columns));
      controls.add(Control.of(new ControlId("b" + i), "B" + i, kind.id(), at));
      outlines.add(polygon(Rounding.points(Rounding.of(kind.face(), at), 5)));
    }
    Build empty = Build.empty("Crowded");
    build =
        empty
            .withPanel(
                empty.panel().withSize(90 + 30.0 * columns, 90 + 30.0 * (parts / columns + 1)))
            .withControls(controls);
  }

  private static Geometry polygon(List<Point> ring) {
    List<Coordinate> coordinates = new ArrayList<>();
    ring.forEach(p -> coordinates.add(new Coordinate(p.xMm(), p.yMm())));
    coordinates.add(coordinates.get(0).copy());
    return new GeometryFactory().createPolygon(coordinates.toArray(Coordinate[]::new));
  }

  /** {@return all gaps at all heights, sorted, with their workings} */
  @Benchmark
  public Gaps gaps() {
    return Gaps.of(build, catalogue);
  }

  /**
   * {@return the least distance of any two flanges, every pair measured}
   *
   * <p>One height only, and only the first {@value #REFERENCE_PARTS} parts: it grows with the
   * square, and takes most of a minute for 600.
   */
  @Benchmark
  public double everyPairOf40ByTheReference() {
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < REFERENCE_PARTS; i++) {
      for (int j = 0; j < i; j++) {
        least = Math.min(least, outlines.get(i).distance(outlines.get(j)));
      }
    }
    return least;
  }
}
