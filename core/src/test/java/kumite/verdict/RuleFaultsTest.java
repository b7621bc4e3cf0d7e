package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.HostFunction;
import kumite.build.loom.Topology;
import kumite.build.map.AxisName;
import kumite.build.map.AxisTuning;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Ramp;
import kumite.build.map.Repeat;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.map.Coverage;
import kumite.map.Doable;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rules and tunings that do nothing, and meanings that no hand can give: each told and mended. */
public class RuleFaultsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Set<String> CODES =
      Set.of(
          "MP-09", "MP-14", "MP-32", "MP-33", "MP-34", "MP-35", "MP-36", "MP-37", "MP-38", "MP-39",
          "MP-40");

  private static ContactId id(String text) {
    return ContactId.parse(text);
  }

  private static Mapping.Entry entry(String to) {
    return new Mapping.Entry(TargetText.parse(to), "");
  }

  /** Six buttons, a lever, a slider, an encoder with a push, a toggle and a ball. */
  private static Build sound() {
    Build build = Builds.buttons(40, 50, 85, 50, 130, 50, 175, 50, 40, 100, 85, 100);
    build = build.withPanel(build.panel().withSize(480, 300));
    Map<String, String> more =
        Map.of(
            "stick", "lever-8",
            "throttle", "slider-60",
            "knob", "encoder-7",
            "mode", "toggle-12",
            "ball", "trackball-38");
    int at = 0;
    for (var one : new java.util.TreeMap<>(more).entrySet()) {
      build =
          build.withControl(
              Control.of(
                  new ControlId(one.getKey()),
                  one.getKey(),
                  one.getValue(),
                  Placement.at(70 + 85 * at++, 220)));
    }
    Build wired = Builds.wired(build, "native-3v3-48");
    return wired
        .withMapping(
            wired
                .mapping()
                .with(id("stick.left"), entry("Hat W"))
                .with(id("stick.right"), entry("Hat E"))
                .with(id("stick.up"), entry("Hat N"))
                .with(id("stick.down"), entry("Hat S"))
                .with(id("throttle"), entry("Axis Z"))
                .with(id("mode"), entry("Button 30"))
                .with(id("ball.xa"), entry("Mouse X"))
                .with(id("ball.ya"), entry("Mouse Y")))
        .withTuning(
            wired
                .tuning()
                .withPulses(id("knob.a"), Optional.of(Pulses.USUAL))
                .withPulses(id("ball.xa"), Optional.of(Pulses.USUAL))
                .withPulses(id("ball.ya"), Optional.of(Pulses.USUAL)));
  }

  private static Set<String> codes(Build build) {
    Set<String> codes = new TreeSet<>();
    Bench.of(build, CATALOGUE).findings().stream()
        .map(f -> f.code().text())
        .filter(CODES::contains)
        .forEach(codes::add);
    return codes;
  }

  private static UnaryOperator<Build> profile(UnaryOperator<Profile> change) {
    return b -> b.withProfile(change);
  }

  private static UnaryOperator<Build> map(String contact, String to) {
    return b -> b.withMapping(b.mapping().with(id(contact), entry(to)));
  }

  private static UnaryOperator<Build> rule(Opposed pair) {
    return profile(p -> p.withOpposites(pair, Optional.of(OppositesRule.LAST)));
  }

  private static UnaryOperator<Build> chord(int windowMs, String... contacts) {
    Set<ContactId> members = new TreeSet<>();
    for (String contact : contacts) {
      members.add(id(contact));
    }
    return profile(
        p -> p.withChord(new Chord(Layer.BASE, members, windowMs, true, entry("Button 40"))));
  }

  private static UnaryOperator<Build> pulses(String contact, int perTurn, int perStep) {
    return b ->
        b.withTuning(
            b.tuning().withPulses(id(contact), Optional.of(new Pulses(perTurn, perStep, false))));
  }

  private static UnaryOperator<Build> turned(double degrees) {
    return b ->
        b.withControl(new ControlId("ball"), c -> c.withPlacement(c.placement().turnedTo(degrees)));
  }

  private static UnaryOperator<Build> ladder() {
    return b ->
        b.withLoom(
            b.loom()
                .withGroup(
                    new ControlId("rungs"),
                    Topology.LADDER,
                    List.of(id("b1"), id("b2"), id("b3"))));
  }

  private static UnaryOperator<Build> repeat(String contact, int onMs, int offMs) {
    return b ->
        b.withTuning(b.tuning().withRepeat(id(contact), Optional.of(new Repeat(onMs, offMs))));
  }

  private static UnaryOperator<Build> polls(int us) {
    return b -> b.withTiming(new Timing(1000, Timing.Debounce.DEFERRED, 5000, us));
  }

  private static UnaryOperator<Build> held(String layerKey, String contact) {
    return profile(
        p ->
            p.withLayers(
                List.of(
                    new Layer(
                        "Shift",
                        Layer.Reach.HOLD,
                        Set.of(id(layerKey)),
                        Mapping.EMPTY.with(id(contact), entry("Button 41"))))));
  }

  /** Keys on six buttons and the two sides of a lever: at most seven are held at once. */
  private static UnaryOperator<Build> keys(int buttons) {
    return b -> {
      Mapping mapping = b.mapping();
      for (int i = 0; i < buttons; i++) {
        mapping = mapping.with(id("b" + (i + 1)), new Mapping.Entry(new Target.Key(4 + i), ""));
      }
      mapping = mapping.with(id("stick.left"), entry("Key Left"));
      mapping = mapping.with(id("stick.right"), entry("Key Right"));
      return b.withMapping(mapping).withProfile(p -> p.telling(Profile.Keys.SIX));
    };
  }

  @SafeVarargs
  private static UnaryOperator<Build> all(UnaryOperator<Build>... changes) {
    return b -> {
      Build next = b;
      for (UnaryOperator<Build> change : changes) {
        next = change.apply(next);
      }
      return next;
    };
  }

  private static UnaryOperator<Build> tuned(String contact) {
    return b ->
        b.withTuning(
            b.tuning()
                .withAxis(
                    id(contact),
                    Optional.of(AxisTuning.STRAIGHT.measured(10, OptionalInt.empty(), 900))));
  }

  @DataProvider
  public Object[][] faults() {
    return new Object[][] {
      {"MP-32", true, rule(new Opposed.Lever(new ControlId("b1"), false))},
      {"MP-32", true, rule(new Opposed.AxisPair(AxisName.X))},
      {"MP-32", true, profile(p -> p.withFourWay(new ControlId("b2"), Optional.of(FourWay.FIRST)))},
      {"MP-32", true, profile(p -> p.withRamp(AxisName.Z, Optional.of(new Ramp(100, 50))))},
      {"MP-32", true, tuned("b1")},
      {
        "MP-32",
        true,
        (UnaryOperator<Build>)
            b -> b.withTuning(b.tuning().withPress(id("b1"), Optional.of(new PressAt(600, 500))))
      },
      {"MP-32", true, pulses("b1", 80, 4)},
      {"MP-32", true, pulses("knob.press", 80, 4)},
      {"MP-32", true, repeat("throttle", 50, 50)},
      {"MP-33", true, chord(50, "throttle", "b1")},
      {"MP-33", true, chord(50, "stick.left", "stick.right")},
      {"MP-33", true, all(ladder(), chord(50, "b1", "b2"))},
      {"MP-33", true, held("b5", "b5")},
      {"MP-33", true, all(ladder(), held("b1", "b2"))},
      {"MP-35", false, all(polls(8000), repeat("b1", 4, 30))},
      {"MP-35", false, all(polls(8000), repeat("b1", 10, 10))},
      {"MP-36", true, pulses("knob.a", 80, 100)},
      {
        "MP-37",
        false,
        all(
            chord(4, "b1", "b2"),
            b -> b.withTiming(new Timing(5000, Timing.Debounce.DEFERRED, 5000, 5000)))
      },
      {"MP-38", false, map("mode", "Key A")},
      {"MP-40", false, map("b1", "Pad 2 Button 1")},
      {"MP-09", true, turned(90)},
      {"MP-09", true, turned(180)},
      {"MP-09", true, turned(270)},
      {"MP-14", true, keys(6)},
    };
  }

  @Test(dataProvider = "faults")
  public void nonsenseIsToldAndMended(String code, boolean hasFix, UnaryOperator<Build> fault) {
    assertThat(codes(sound())).as("before").isEmpty();
    Build faulty = fault.apply(sound());
    List<Finding> found =
        Bench.of(faulty, CATALOGUE).findings().stream()
            .filter(f -> f.code().text().equals(code))
            .toList();
    assertThat(found).as("%s among %s", code, codes(faulty)).isNotEmpty();
    assertThat(found.get(0).severity()).isEqualTo(Severity.LOOK);
    assertThat(found.get(0).fix().isPresent()).as("has a fix").isEqualTo(hasFix);
    if (hasFix) {
      assertThat(codes(found.get(0).fix().orElseThrow().edit().apply(faulty))).doesNotContain(code);
    }
  }

  @DataProvider
  public Object[][] fine() {
    return new Object[][] {
      {rule(new Opposed.Lever(new ControlId("stick"), false))},
      {rule(new Opposed.HatPair(true))},
      {profile(p -> p.withFourWay(new ControlId("stick"), Optional.of(FourWay.LAST)))},
      {tuned("throttle")},
      {chord(50, "stick.left", "stick.up")},
      {all(ladder(), chord(50, "b1", "b4"))},
      {held("b5", "b4")},
      {repeat("b1", 50, 50)},
      {all(polls(8000), repeat("b1", 16, 16))},
      {pulses("knob.a", 80, 80)},
      {chord(50, "b1", "b2", "b3")},
      {turned(0)},
      {keys(5)},
      {
        all(
            map("stick.left", "Axis X-"),
            profile(p -> p.withRamp(AxisName.X, Optional.of(new Ramp(100, 50)))))
      },
    };
  }

  /** What is sound is not accused. */
  @Test(dataProvider = "fine")
  public void whatIsSoundIsNotAccused(UnaryOperator<Build> change) {
    assertThat(codes(change.apply(sound()))).isEmpty();
  }

  /** One seat's map that names another's contact; the radio's slot. */
  @Test
  public void strangersAndSlotsAreTold() {
    Build two = RandomBuilds.seated(sound(), new SplittableRandom(1));
    assertThat(two.seats().size()).isGreaterThan(1);
    Build mixed = two;
    for (Control control : two.controls()) {
      for (var contact : CATALOGUE.kindOf(control).contacts()) {
        ContactId id = new ContactId(control.id(), contact.name());
        mixed =
            mixed.withSeats(
                mixed.seats().stream()
                    .map(s -> s.withProfile(p -> p.withBase(p.base().with(id, entry("Button 50")))))
                    .toList());
      }
    }
    assertThat(codes(mixed)).contains("MP-34");
    Build radio = Builds.wired(Builds.buttons(40, 50, 85, 50), "radio-3v3-21");
    assertThat(codes(polls(1000).apply(radio))).contains("MP-39");
    assertThat(codes(polls(8000).apply(radio))).doesNotContain("MP-39");
  }

  /** Of all shipped boards none wants a program that is not written; one of one's own may. */
  @Test
  public void aBoardWithoutAProgramIsNamed() {
    Build buttons = Builds.buttons(40, 50, 85, 50);
    for (BoardKind board : CATALOGUE.boards()) {
      programless(Builds.wired(buttons, board.id()), false);
      if (board.brain().needsCode()) {
        BoardKind fine = finer(board);
        programless(Builds.wired(buttons.withOwnBoard(fine), fine.id()), true);
      }
    }
  }

  private static void programless(Build build, boolean none) {
    Bench bench = Bench.of(build, CATALOGUE);
    assertThat(bench.findings().stream().anyMatch(f -> f.code().text().equals("MP-41")))
        .as(bench.board().orElseThrow().id())
        .isEqualTo(none);
    assertThat(bench.programless(build.seat().id()).isPresent()).isEqualTo(none);
  }

  /** The same board with a converter of 20 bits, which no program is written for. */
  private static BoardKind finer(BoardKind b) {
    return new BoardKind(
        "own-" + b.id(),
        b.name(),
        b.trait(),
        b.widthMm(),
        b.heightMm(),
        b.logicVolts(),
        b.fiveVoltTolerant(),
        b.common(),
        b.lowVolts(),
        b.highVolts(),
        b.levels(),
        b.pullLeastOhm(),
        b.pullMostOhm(),
        20,
        b.fixedMap(),
        b.terminals(),
        b.seating(),
        b.brain(),
        b.current(),
        b.circuit());
  }

  /** A function that only a chord gives which no hand can press is not covered. */
  @Test
  public void whatNoHandCanDoCoversNothing() {
    HostFunction jump = new HostFunction("Jump", HostFunction.Wants.PRESS);
    UnaryOperator<Build> asks =
        profile(
            p ->
                p.withFunctions(List.of(jump))
                    .withChord(
                        new Chord(
                            Layer.BASE,
                            Set.of(id("b1"), id("b2")),
                            50,
                            true,
                            new Mapping.Entry(new Target.Button(45), "Jump"))));
    Build can = asks.apply(sound());
    Build cannot = ladder().apply(can);
    assertThat(Coverage.of(can, CATALOGUE).covered()).isEqualTo(1);
    assertThat(Coverage.of(cannot, CATALOGUE).covered()).isZero();
    assertThat(Bench.of(cannot, CATALOGUE).findings())
        .anyMatch(f -> f.code().text().equals("MP-02"))
        .noneMatch(f -> f.code().text().equals("MP-21"));
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 12).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  /**
   * The board agrees: two contacts of which it is said that they cannot be had together are never
   * both seen, and on a ladder all others are.
   */
  @Test(dataProvider = "seeds")
  public void theBoardSeesWhatCanBeHad(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = ladder().apply(sound());
    Bench bench = Bench.of(build, CATALOGUE);
    Doable doable = Doable.of(build, CATALOGUE);
    List<ContactId> buttons = IntStream.rangeClosed(1, 6).mapToObj(i -> id("b" + i)).toList();
    ContactId one = buttons.get(random.nextInt(6));
    for (ContactId other : buttons) {
      if (one.equals(other)) {
        continue;
      }
      var held = kumite.device.Holds.NONE.with(one, 1).with(other, 1);
      var end = bench.device().move(kumite.device.Holds.NONE, held, seed).end().orElseThrow();
      assertThat(end.settled().containsAll(Set.of(one, other)))
          .as("%s with %s", one, other)
          .isEqualTo(doable.apart(one, other).isEmpty());
    }
  }
}
