package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Making;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The case on the command line, and its files as a shop reads them. */
public class CaseCommandTest {
  private Path folder;

  @BeforeClass
  public void makeFolder() throws Exception {
    folder = Files.createTempDirectory("case");
  }

  private static Build demo(String name) throws Exception {
    return Demo.open(name, Catalogue.standard());
  }

  private String written(String name, Build build) throws Exception {
    Path file = folder.resolve(name + ".kumite.json");
    Files.writeString(file, BuildFile.text(build));
    return file.toString();
  }

  @DataProvider
  Object[][] demos() {
    return new Object[][] {
      {"ferry-bridge"}, {"lantern-duel"}, {"one-hand"}, {"attic-pads"}, {"quarter-turn"}
    };
  }

  /** Every demo has a plain case; taken over, it says the same pieces, and is judged. */
  @Test(dataProvider = "demos")
  public void everyDemoHasACase(String name) throws Exception {
    String file = written(name, demo(name));
    JsonNode plain = Ran.run("case", file, "--json").json();
    assertThat(plain.get("decided").asBoolean()).isFalse();
    assertThat(plain.get("findings")).isEmpty();
    assertThat(plain.get("pieces").size()).isGreaterThanOrEqualTo(6);
    Set<String> ids = new HashSet<>();
    for (JsonNode piece : plain.get("pieces")) {
      assertThat(ids.add(piece.get("id").asText())).isTrue();
      assertThat(piece.get("width_mm").asDouble()).isPositive();
      assertThat(piece.get("height_mm").asDouble()).isPositive();
      assertThat(piece.get("thickness_mm").asDouble()).isPositive();
      assertThat(piece.get("face").asText()).isNotBlank();
    }
    Path begun = folder.resolve(name + "-cased.kumite.json");
    Files.deleteIfExists(begun);
    Ran.run("case", file, "--begin", begun.toString());
    JsonNode decided = Ran.run("case", begun.toString(), "--json").json();
    assertThat(decided.get("decided").asBoolean()).isTrue();
    assertThat(decided.get("pieces")).isEqualTo(plain.get("pieces"));
    assertThat(decided.get("findings")).isNotEmpty();
    for (JsonNode finding : decided.get("findings")) {
      assertThat(finding.get("severity").asText()).as("%s", finding).isNotEqualTo("stop");
    }
    Ran again = Ran.run("case", file, "--begin", begun.toString());
    assertThat(again.exit()).isEqualTo(2);
    assertThat(again.err()).contains("there already");
  }

  private List<Path> exported(String file, String what) throws Exception {
    Path out = Files.createTempDirectory(folder, what);
    Ran ran = Ran.run("export", file, "--what", what, "--out", out.toString());
    assertThat(ran.exit()).as(ran.err()).isZero();
    try (Stream<Path> files = Files.list(out)) {
      return files.filter(f -> !f.toString().endsWith(".sha256")).sorted().toList();
    }
  }

  /** Pairs of a code and its value, as release 12 of the format has them. */
  private static List<String[]> pairs(Path dxf) throws Exception {
    List<String> lines = Files.readAllLines(dxf);
    List<String[]> pairs = new ArrayList<>();
    for (int i = 0; i + 1 < lines.size(); i += 2) {
      pairs.add(new String[] {lines.get(i).strip(), lines.get(i + 1).strip()});
    }
    return pairs;
  }

  /**
   * Lines of a layer of a DXF drawing as from and to; each closed outline runs back to its
   * beginning. Of a piece, the beam's kerf is outside the line: 0.15 mm here, half on each side.
   */
  /** Two buttons in one wall are a gap of that wall, as two of the panel are one of the panel. */
  @Test
  public void aGapIsInItsFace() throws Exception {
    Build build = demo("ferry-bridge");
    for (String id : List.of("one", "two")) {
      build =
          build.withControl(
              kumite.build.Control.of(
                      new kumite.name.ControlId("side-" + id),
                      "Side " + id,
                      "button-24",
                      kumite.measure.Placement.at(id.equals("one") ? 100 : 131, 45))
                  .on(java.util.Optional.of(kumite.build.box.Face.RIGHT)));
    }
    Set<String> faces = new HashSet<>();
    double narrow = Double.POSITIVE_INFINITY;
    for (JsonNode gap : Ran.run("gaps", written("gaps", build), "--json").json()) {
      String face = gap.get("face").asText();
      faces.add(face);
      boolean side = gap.get("between").toString().contains("side-");
      assertThat(face).isEqualTo(side ? "right" : "panel");
      if (side && gap.get("between").toString().contains("side-two")) {
        narrow = Math.min(narrow, gap.get("gap_mm").asDouble());
      }
    }
    assertThat(faces).containsExactlyInAnyOrder("panel", "right");
    assertThat(narrow).isBetween(-10.0, 7.0); // 31 mm apart, each 24 mm and its rim across
  }

  /** Points of an arc that runs counter-clockwise between two degrees, from the end met first. */
  private static List<double[]> along(
      double[] centre, double radius, double[] turn, double[] before) {
    double sweep = ((turn[1] - turn[0]) % 360 + 360) % 360;
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i <= 90; i++) {
      double at = Math.toRadians(turn[0] + sweep * i / 90);
      points.add(
          new double[] {centre[0] + radius * Math.cos(at), centre[1] + radius * Math.sin(at)});
    }
    double[] first = points.get(0);
    if (Math.hypot(first[0] - before[0], first[1] - before[1]) > 1e-3) {
      Collections.reverse(points);
    }
    assertThat(Math.hypot(points.get(0)[0] - before[0], points.get(0)[1] - before[1]))
        .isLessThan(1e-3);
    return points;
  }

  @Test
  public void aShopReadsTheSheets() throws Exception {
    String file = written("sheets", demo("ferry-bridge"));
    double cut = 0;
    double pieces = 0;
    for (JsonNode piece : Ran.run("case", file, "--json").json().get("pieces")) {
      pieces += piece.get("area_mm2").asDouble();
    }
    for (Path dxf : exported(file, "case-dxf")) {
      double twice = 0;
      int edges = 0;
      double[] from = null;
      double[] to = new double[2];
      double[] last = {Double.NaN, Double.NaN};
      double[] turn = new double[2];
      String entity = "";
      String layer = "";
      double radius = 0;
      double circles = 0;
      for (String[] pair : pairs(dxf)) {
        if (pair[0].equals("0")) {
          if (layer.equals("CUT") && entity.equals("LINE") && from != null) {
            if (!(Math.hypot(from[0] - last[0], from[1] - last[1]) < 1e-4)) {
              cut += edges < 4 ? 0 : enclosed(twice); // a slot's sides, arcs between
              twice = 0;
              edges = 0;
            }
            twice += from[0] * to[1] - to[0] * from[1];
            last = to.clone();
            edges++;
          } else if (layer.equals("CUT") && entity.equals("CIRCLE")) {
            circles += Math.PI * radius * radius;
          } else if (layer.equals("CUT") && entity.equals("ARC") && radius < 0.5) {
            // A hole that frees an inside corner: it goes on where the line before it ended.
            for (double[] next : along(from, radius, turn, last)) {
              twice += last[0] * next[1] - next[0] * last[1];
              last = next;
            }
          }
          entity = pair[1];
          layer = "";
          from = null;
        }
        switch (pair[0]) {
          case "8" -> layer = pair[1];
          case "10" -> from = new double[] {Double.parseDouble(pair[1]), 0};
          case "20" -> {
            if (from != null) {
              from[1] = Double.parseDouble(pair[1]);
            }
          }
          case "11" -> to[0] = Double.parseDouble(pair[1]);
          case "21" -> to[1] = Double.parseDouble(pair[1]);
          case "40" -> radius = Double.parseDouble(pair[1]);
          case "50" -> turn[0] = Double.parseDouble(pair[1]);
          case "51" -> turn[1] = Double.parseDouble(pair[1]);
          default -> {}
        }
      }
      cut += enclosed(twice) - circles;
    }
    assertThat(cut).isCloseTo(pieces, within(0.02 * pieces));
    for (Path svg : exported(file, "case-svg")) {
      assertThat(Files.readString(svg)).contains("id=\"cut\"").contains("mm\"");
    }
    assertThat(exported(file, "case-cuts")).hasSize(1);
    assertThat(exported(file, "case-drill")).hasSize(1);
  }

  /** What is smaller than any piece is a hole in one. */
  private static double enclosed(double twice) {
    double area = Math.abs(twice) / 2;
    return area > 5000 ? area : -area;
  }

  /** Binary STL: 80 bytes, a count, 50 bytes a triangle; the solid lies within its measures. */
  @Test
  public void aPrinterReadsTheTray() throws Exception {
    Build build = demo("one-hand");
    build = build.with(BoxBook.PART, new BoxBook(new Box(new Making.Printed(2.4, 420, 420, 250))));
    String file = written("tray", build);
    List<Path> files = exported(file, "case-stl");
    assertThat(files).extracting(f -> f.getFileName().toString()).containsExactly("tray.stl");
    byte[] bytes = Files.readAllBytes(files.get(0));
    ByteBuffer stl = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    int count = stl.getInt(80);
    assertThat(bytes).hasSize(84 + 50 * count);
    double volume = 0;
    for (int i = 0; i < count; i++) {
      double[] v = new double[9];
      for (int k = 0; k < 9; k++) {
        v[k] = stl.getFloat(84 + 50 * i + 12 + 4 * k);
      }
      volume +=
          (v[0] * (v[4] * v[8] - v[5] * v[7])
                  - v[1] * (v[3] * v[8] - v[5] * v[6])
                  + v[2] * (v[3] * v[7] - v[4] * v[6]))
              / 6;
      assertThat(v[0]).isBetween(-0.001, build.panel().widthMm() + 0.001);
      assertThat(v[1]).isBetween(-0.001, build.panel().heightMm() + 0.001);
      assertThat(v[2]).isBetween(-build.panel().inside().depthMm() - 2.401, 0.001);
    }
    // Walls and floor of 2.4 mm around 400 x 225 x 95 mm: by hand about 496 cm3 less openings, with
    // four posts.
    double w = build.panel().widthMm();
    double h = build.panel().heightMm();
    double d = build.panel().inside().depthMm();
    double shell = w * h * (d + 2.4) - (w - 4.8) * (h - 4.8) * d;
    assertThat(volume).isCloseTo(shell, within(0.01 * shell));
    Ran none =
        Ran.run(
            "export",
            written("laser", demo("ferry-bridge")),
            "--what",
            "case-stl",
            "--out",
            folder.resolve("none").toString());
    assertThat(none.exit()).isEqualTo(2);
    assertThat(none.err()).contains("nothing of this case is printed");
  }
}
