package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.device.SignalPath;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.kind.Lamp;
import kumite.kind.Terminal;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What lamps, terminals and supplies have to bear, against the series resistor law done by hand:
 * (volts - forward volts) / ohms. The limits are those of the board's own chart.
 */
public class PowerStoriesTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final String FIVE = "native-5v-18";
  private static final String LOW = "native-3v3-26";
  private static final String PORT = "game-port-15";

  /** Supply and lamp at their ends together give this much more: 1.665 V for 1.3 V at 3.3 V. */
  private static final double WORST = 1.3;

  /** A terminal's own ohms, which the hand rule leaves out, take up to this much off. */
  private static final double OVER = 1.08;

  private static Bench bench(Build build) {
    return Bench.of(build, CATALOGUE);
  }

  private static Set<String> told(Build build) {
    return bench(build).findings().stream()
        .filter(f -> f.severity() != Severity.FINE)
        .map(f -> f.code().text())
        .collect(Collectors.toSet());
  }

  private static Build lamps(String kind, String board, int count) {
    Build build = Build.empty("Lamps");
    build = build.withPanel(build.panel().withSize(600, 300));
    for (int i = 0; i < count; i++) {
      build =
          build.withControl(
              Control.of(new ControlId("b" + i), "B" + i, kind, Placement.at(60 + 60.0 * i, 60)));
    }
    return Builds.wired(build, board);
  }

  private static UnaryOperator<Build> lamp(String id, double ohm, Optional<String> from) {
    return b ->
        b.withControl(
            new ControlId(id),
            c ->
                c.withHookup(
                    h ->
                        h.withLampFrom(from)
                            .withLampOhm(
                                ohm > 0 ? OptionalDouble.of(ohm) : OptionalDouble.empty())));
  }

  private static UnaryOperator<Build> wire(String wire) {
    return b -> b.withLoom(b.loom().withAdded(Jumper.parse(wire)));
  }

  /** One analog control on a board, mapped to an axis. */
  private static Build analog(String kind, String board) {
    Build build = Build.empty("One");
    build =
        build.withControl(Control.of(new ControlId("s"), "Stroke", kind, Placement.at(120, 100)));
    ContactId only =
        CATALOGUE.control(kind).orElseThrow().contacts().size() == 1
            ? new ContactId(new ControlId("s"), "")
            : ContactId.parse("s/x");
    return build
        .withMapping(Mapping.EMPTY.with(only, new Mapping.Entry(new Target.Axis(AxisName.X), "")))
        .withBoard(Optional.of(new BoardChoice(board, Placement.at(220, 200))));
  }

  @DataProvider
  public Object[][] stories() {
    return new Object[][] {
      {"a lamp for 12 V on 5 V glows faintly", lamps("button-30-lamp-12v", FIVE, 1), "PW-05", true},
      {"a lamp for 5 V on 5 V is right", lamps("button-30-lamp-5v", FIVE, 1), "PW-05", false},
      {
        "its resistor led round by a wire",
        wire("b0:lamp+ - board:VCC")
            .apply(lamp("b0", 220, Optional.empty()).apply(lamps("button-30-lamp", FIVE, 1))),
        "PW-03",
        true
      },
      {
        "its resistor fitted",
        lamp("b0", 220, Optional.empty()).apply(lamps("button-30-lamp", FIVE, 1)),
        "PW-03",
        false
      },
      {"volts into a port that counts ohms", analog("sensor-hall", PORT), "PW-18", true},
      {"two wires of a slider there", analog("slider-60", PORT), "PW-18", false},
      {
        "its third wire to ground makes it a divider",
        wire("s:end 1 - board:4").apply(analog("slider-60", PORT)),
        "PW-18",
        true
      },
      {"the same part where volts are measured", analog("sensor-hall", FIVE), "PW-18", false},
    };
  }

  @Test(dataProvider = "stories")
  public void aPartThatGetsWhatItCannotUseIsTold(
      String name, Build build, String code, boolean is) {
    assertThat(told(build).contains(code)).as("%s: %s", name, told(build)).isEqualTo(is);
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static final Map<String, Integer> DRAWN = new TreeMap<>();

  private static void expected(String code, double nominal, double limit, Set<String> told) {
    if (nominal > OVER * limit) {
      DRAWN.merge(code, 1, Integer::sum);
      assertThat(told).as("%s mA of %s mA", nominal, limit).contains(code);
    } else if (nominal * WORST < limit) {
      DRAWN.merge("no " + code, 1, Integer::sum);
      assertThat(told).as("%s mA of %s mA", nominal, limit).doesNotContain(code);
    }
  }

  /** Some on terminals, two perhaps on one; some on the supply at the board's own volts. */
  @Test(dataProvider = "seeds")
  public void terminalsAndSuppliesGiveWhatTheirLampsTake(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    BoardKind board = CATALOGUE.board(random.nextBoolean() ? FIVE : LOW).orElseThrow();
    int count = random.nextInt(1, 9);
    Build build = lamps("button-30-lamp", board.id(), count);
    List<String> able =
        board.terminals().stream()
            .filter(t -> t.can(Terminal.Ability.DRIVE) && !t.can(Terminal.Ability.ANALOG))
            .filter(t -> t.keep().isEmpty())
            .map(Terminal::name)
            .toList();
    String logic =
        board.terminals(Terminal.Role.SUPPLY).stream()
            .filter(t -> t.volts() == board.logicVolts())
            .findFirst()
            .orElseThrow()
            .name();
    Lamp lamp = CATALOGUE.control("button-30-lamp").orElseThrow().lamp().orElseThrow();
    double[] ohms =
        random.nextBoolean() ? new double[] {120, 150} : new double[] {82, 220, 330, 680};
    Map<String, Double> each = new HashMap<>();
    double supply = 0;
    boolean far = false;
    for (int i = 0; i < count; i++) {
      boolean driven = random.nextInt(4) > 0;
      double ohm = ohms[random.nextInt(ohms.length)];
      double takes = (board.logicVolts() - lamp.forwardVolts()) / ohm * 1000;
      far |= takes * WORST > 2 * lamp.milliamps();
      String from = driven ? able.get(random.nextInt(6)) : logic;
      build = lamp("b" + i, ohm, Optional.of(from)).apply(build);
      if (driven) {
        each.merge(from, takes, Double::sum);
      } else {
        supply += takes;
      }
    }
    Set<String> told = told(build);
    double most = each.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
    double all = each.values().stream().mapToDouble(Double::doubleValue).sum();
    expected("PW-11", most, board.current().pinMilliamps(), told);
    if (most < OVER * board.current().pinMilliamps()) { // one asked for more gives less
      expected("PW-16", all, board.current().allMilliamps(), told);
    }
    if (!far) { // what burns out is told with its lamp
      expected("PW-17", supply, board.current().supplyMilliamps(), told);
    }
  }

  @Test(dependsOnMethods = "terminalsAndSuppliesGiveWhatTheirLampsTake")
  public void theyWereAskedForTooMuchAndForEnough() {
    assertThat(DRAWN.keySet()).contains("PW-11", "no PW-11", "no PW-16", "no PW-17");
  }

  @Test
  public void manyTerminalsTogetherAreTooMuchThoughEachBearsItsOwn() {
    // 1.3 V / 120 ohm = 10.8 mA of 12 mA each; three take 33 mA of 50 mA, six 65 mA.
    for (int count : new int[] {3, 6}) {
      Build build = lamps("button-30-lamp", LOW, count);
      for (int i = 0; i < count; i++) {
        build = lamp("b" + i, 120, Optional.of("D" + (14 + i))).apply(build);
      }
      Set<String> told = told(build);
      assertThat(told).doesNotContain("PW-11");
      expected("PW-16", count * (3.3 - 2.0) / 120 * 1000, 50, told);
    }
  }

  @Test
  public void manyLampsAndPartsAreTooMuchForALogicSupply() {
    // 8 lamps of 3 V behind 20 ohm are no matter for 300 mA; 24 at 15 mA take 360 mA of it.
    for (int count : new int[] {8, 24}) {
      Build build = lamps("button-30-lamp", LOW, count);
      for (int i = 0; i < count; i++) {
        build = lamp("b" + i, 82, Optional.of("3V3")).apply(build);
      }
      double takes = count * (3.3 - 2.0) / 82 * 1000;
      expected("PW-17", takes, 300, told(build));
      assertThat(bench(build).findings())
          .as("where the working is shown")
          .filteredOn(f -> f.code().text().equals("PW-17"))
          .allMatch(f -> f.working().isPresent());
    }
  }

  @Test
  public void aLampOnATerminalThatBearsItIsFedRightly() {
    Build build = lamp("b0", 330, Optional.of("6")).apply(lamps("button-30-lamp", FIVE, 1));
    assertThat(told(build)).doesNotContain("PW-01", "PW-03", "PW-04", "PW-11", "PW-16");
    assertThat(bench(build).findings()).anyMatch(f -> f.code().text().equals("PW-20"));
    SignalPath path = bench(build).path(ContactId.parse("b0")).orElseThrow();
    assertThat(path.pin().orElseThrow().terminal().name()).isNotEqualTo("6");
  }
}
