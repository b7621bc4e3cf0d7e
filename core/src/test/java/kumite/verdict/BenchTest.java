package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.CaseInside;
import kumite.build.Common;
import kumite.build.ContactId;
import kumite.build.Control;
import kumite.build.ControlId;
import kumite.build.Host;
import kumite.build.HostFunction;
import kumite.build.Laying;
import kumite.build.Mapping;
import kumite.build.Material;
import kumite.build.Placement;
import kumite.build.Target;
import kumite.build.Timing;
import kumite.build.WireColour;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Faults are put into sound builds by hand; each must be found, and its fix must mend it. */
public class BenchTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE);
  }

  /** {@return the demo with its open findings mended} */
  private static Build sound() {
    Build build = Builds.ferryBridge();
    for (int round = 0; round < 10; round++) {
      Optional<Fix> fix =
          bench(build).findings().stream()
              .filter(f -> f.severity() != Severity.FINE)
              .flatMap(f -> f.fix().stream())
              .findFirst();
      if (fix.isEmpty()) {
        return build;
      }
      build = fix.get().edit().apply(build);
    }
    throw new AssertionError("the demo's fixes do not come to an end");
  }

  @Test
  public void theDemoHasOneStopAndTwoLooksAndItsFixesMendThemAll() {
    Bench demo = bench(Builds.ferryBridge());
    assertThat(
            demo.findings().stream().filter(f -> f.severity() != Severity.FINE).map(Finding::code))
        .containsExactly("PN-05", "PN-03", "PW-01");
    Bench mended = bench(sound());
    assertThat(mended.count(Severity.STOP)).isZero();
    assertThat(mended.count(Severity.LOOK)).isZero();
    assertThat(mended.coverage().covered()).isEqualTo(17);
  }

  @Test
  public void anEmptyBuildHasNothingToStopOrLookAt() {
    Bench empty = bench(Build.empty("x"));
    assertThat(empty.count(Severity.STOP) + empty.count(Severity.LOOK)).isZero();
    assertThat(empty.paths()).isEmpty();
  }

  private static UnaryOperator<Build> control(String id, UnaryOperator<Control> change) {
    return b -> b.withControl(new ControlId(id), change);
  }

  private static UnaryOperator<Build> place(String id, double x, double y) {
    return control(id, c -> c.withPlacement(Placement.at(x, y)));
  }

  private static UnaryOperator<Build> lock(String contact, String terminal) {
    return b -> b.withLoom(b.loom().withLock(ContactId.parse(contact), terminal));
  }

  private static UnaryOperator<Build> map(String contact, Target target) {
    return b ->
        b.withMapping(b.mapping().with(ContactId.parse(contact), new Mapping.Entry(target, "")));
  }

  private static UnaryOperator<Build> board(String kind) {
    return b ->
        b.withBoard(Optional.of(new BoardChoice(kind, b.board().orElseThrow().placement())));
  }

  private static UnaryOperator<Build> hand(UnaryOperator<kumite.build.Hand> change) {
    return b -> b.withBrief(b.brief().withHand(change.apply(b.brief().hand())));
  }

  private static UnaryOperator<Build> block(double x, double y, double w, double h) {
    return b ->
        b.withPanel(
            b.panel()
                .withInside(
                    b.panel()
                        .inside()
                        .withBlocks(List.of(new kumite.build.Block("bracket", x, y, w, h)))));
  }

  private static UnaryOperator<Build> boardAt(double x, double y) {
    return b -> b.withBoard(b.board().map(board -> board.at(Placement.at(x, y))));
  }

  @DataProvider
  Object[][] faults() {
    Severity stop = Severity.STOP;
    Severity look = Severity.LOOK;
    return new Object[][] {
      // code, severity, mended by its fix, the fault
      {"BR-02", look, true, (UnaryOperator<Build>) b -> b.withBrief(b.brief().withSupplyVolts(9))},
      {
        "PN-01",
        look,
        true,
        // 12 mm plywood wants a web of 6 mm; 35.7 mm between centres leave 5.7
        place("wiper", 195.7, 96)
            .andThen(b -> b.withPanel(b.panel().withMaterial(Material.PLYWOOD).withThickness(12)))
      },
      {"PN-02", stop, true, place("hail", 389, 205)},
      {"PN-03", look, true, place("wiper", 194.6, 100)},
      {"PN-04", stop, true, place("bilge", 84, 118)},
      {"PN-05", stop, true, place("rudder", 38, 118)},
      {
        "PN-06",
        stop,
        true,
        (UnaryOperator<Build>) b -> b.withPanel(b.panel().withInside(new CaseInside(12, 45)))
      },
      {"PN-07", stop, true, (UnaryOperator<Build>) b -> b.withPanel(b.panel().withThickness(6))},
      {"PN-08", stop, true, place("horn", 302, 160)},
      {"PN-09", stop, true, place("bilge", -40, 96)},
      // slider caps 12 mm wide, 17 mm apart: 5 mm for fingers that need 6
      {"PN-10", look, true, place("starboard", 351, 112)},
      {
        "PN-11",
        look,
        true,
        control("bilge", c -> c.withKind("button-30-screw").withPlacement(Placement.at(160.5, 96)))
            .andThen(place("wiper", 197.5, 96))
      },
      {"PN-12", stop, true, block(150, 80, 30, 10)},
      {"PN-13", stop, true, place("horn", 302, 188)},
      {"PN-14", stop, true, boardAt(12, 176)},
      {"PN-15", look, true, boardAt(302, 170)},
      {"PN-16", stop, true, block(292, 140, 20, 10)},
      {
        "PN-17",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withControls(
                        b.controls().stream()
                            .filter(c -> c.id().text().equals("rudder"))
                            .map(c -> c.withPlacement(Placement.at(120, 118)))
                            .toList())
                    .withPanel(b.panel().withThickness(20).withMaterial(Material.PLYWOOD))
      },
      {"HD-01", look, true, hand(h -> h.withReach(185))},
      {"HD-02", look, true, hand(h -> h.withForce(2.5))},
      {"HD-03", look, true, hand(h -> h.withSpan(100))},
      {"HD-04", look, false, hand(h -> h.withWander(9))},
      {"HD-05", look, false, hand(h -> h.withWander(10))},
      {"LM-01", look, true, (UnaryOperator<Build>) b -> b.withBoard(Optional.empty())},
      {"LM-02", stop, true, board("encoder-12-rail")},
      {"LM-03", stop, true, lock("port", "D5")},
      {"LM-04", stop, true, lock("bilge", "D12")},
      {"LM-05", stop, true, control("bilge", c -> c.withCommon(Optional.of(Common.RAIL)))},
      {
        "LM-07",
        look,
        true,
        (UnaryOperator<Build>)
            b -> {
              Bench worked = Bench.of(b, CATALOGUE);
              ContactId first = worked.loom().bundles().values().iterator().next().get(0);
              ContactId second = worked.loom().bundles().values().iterator().next().get(1);
              WireColour colour = worked.loom().strandOf(first).orElseThrow().colour();
              return b.withLoom(b.loom().withColour(first, colour).withColour(second, colour));
            }
      },
      {"LM-08", stop, true, lock("bilge", "Q7")},
      {"LM-09", stop, true, lock("bilge", "D21").andThen(lock("hail", "D21"))},
      {
        "LM-10",
        look,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withLoom(
                    b.loom().withLaying(b.loom().laying().withShape(Laying.CommonShape.CHAIN)))
      },
      {"PW-01", look, true, control("horn", c -> c.withLampOhm(OptionalDouble.empty()))},
      {"PW-03", look, true, control("horn", c -> c.withLampOhm(OptionalDouble.of(47)))},
      {
        "MP-01",
        look,
        true,
        (UnaryOperator<Build>) b -> b.withMapping(b.mapping().without(ContactId.parse("bilge")))
      },
      {
        "MP-02",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withBrief(
                    b.brief()
                        .withFunctions(
                            List.of(new HostFunction("Fog bell", HostFunction.Wants.PRESS))))
      },
      {
        "MP-03",
        look,
        false,
        (UnaryOperator<Build>)
            b ->
                b.withMapping(
                    b.mapping()
                        .with(
                            ContactId.parse("port"),
                            new Mapping.Entry(
                                new Target.Axis(kumite.build.AxisName.Z), "Sound horn")))
      },
      {"MP-04", look, true, map("bilge", new Target.Button(1))},
      {
        "MP-05",
        look,
        false,
        map("bilge", new Target.Button(17))
            .andThen(b -> b.withBrief(b.brief().withHost(Host.PHONE)))
      },
      {"MP-06", stop, true, map("bilge", new Target.Axis(kumite.build.AxisName.RX))},
      {
        "MP-08",
        look,
        true,
        (UnaryOperator<Build>)
            b -> b.withTiming(new Timing(1000, Timing.Debounce.EAGER, 2000, 1000))
      },
    };
  }

  @Test(dataProvider = "faults")
  @SuppressWarnings("unchecked")
  public void aFaultPutInIsFoundAndItsFixMendsIt(
      String code, Severity severity, boolean hasFix, Object fault) {
    Build sound = sound();
    assertThat(codes(sound)).as("before").doesNotContain(code);
    Build faulty = ((java.util.function.Function<Build, Build>) fault).apply(sound);
    Bench bench = bench(faulty);
    List<Finding> found = bench.findings().stream().filter(f -> f.code().equals(code)).toList();
    assertThat(found).as("%s among %s", code, codes(faulty)).isNotEmpty();
    assertThat(found.get(0).severity()).isEqualTo(severity);
    assertThat(found.get(0).detail()).isNotBlank();
    if (hasFix) {
      Build mended = faulty;
      for (int round = 0; round < 20; round++) {
        Optional<Fix> fix =
            bench(mended).findings().stream()
                .filter(f -> f.code().equals(code))
                .flatMap(f -> f.fix().stream())
                .findFirst();
        if (fix.isEmpty()) {
          break;
        }
        Build next = fix.get().edit().apply(mended);
        assertThat(next).as("%s does something", fix.get().label()).isNotEqualTo(mended);
        mended = next;
      }
      assertThat(codes(mended)).as("after the fix").doesNotContain(code);
    }
  }

  private static Set<String> codes(Build build) {
    Set<String> codes = new TreeSet<>();
    bench(build).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .forEach(f -> codes.add(f.code()));
    return codes;
  }

  @Test
  public void renamingAControlChangesNoFinding() {
    Build build = Builds.ferryBridge();
    Build renamed = build.withControl(new ControlId("bilge"), control -> control.withLabel("Pump"));
    assertThat(bench(renamed).findings().stream().map(Finding::code).toList())
        .isEqualTo(bench(build).findings().stream().map(Finding::code).toList());
  }

  @Test
  public void theRailOfAnEncoderIsTheSharedSide() {
    Build build = Builds.wired(Builds.buttons(60, 60, 110, 60), "encoder-12-rail");
    Bench bench = bench(build);
    assertThat(bench.paths())
        .allSatisfy(
            path -> {
              assertThat(path.site().common()).isEqualTo(Common.RAIL);
              assertThat(path.whole()).isTrue();
              assertThat(path.levels().orElseThrow().idleVolts()).isZero();
            });
    assertThat(bench.findings().stream().map(Finding::code)).contains("LM-11");
  }

  @Test
  public void everyFindingIsInTheBookOfFindings() throws Exception {
    String book = java.nio.file.Files.readString(java.nio.file.Path.of("../docs/findings.md"));
    Set<String> used = new TreeSet<>();
    try (var files =
        java.nio.file.Files.walk(java.nio.file.Path.of("src/main/java/kumite/verdict"))) {
      for (java.nio.file.Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
        var match =
            java.util.regex.Pattern.compile("\"([A-Z]{2}-\\d\\d)\"")
                .matcher(java.nio.file.Files.readString(file));
        while (match.find()) {
          used.add(match.group(1));
        }
      }
    }
    List<String> missing = new ArrayList<>(used);
    missing.removeIf(book::contains);
    assertThat(used).hasSizeGreaterThan(30);
    assertThat(missing).as("codes that docs/findings.md does not explain").isEmpty();
  }
}
