package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kumite.Builds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.brief.Pair;
import kumite.build.map.AxisName;
import kumite.build.map.AxisTuning;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.kind.BoardKind;
import kumite.map.LayerWays;
import kumite.map.TargetText;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Faults of layers, chords and profiles put into a sound map, each found and mended. */
public class MapFaultsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static ContactId id(String text) {
    return ContactId.parse(text);
  }

  private static Mapping.Entry entry(String to, String function) {
    return new Mapping.Entry(TargetText.parse(to), function);
  }

  /** Eight buttons and a calibrated slider: Jump, Duck, and a shift layer held by b8. */
  private static Build sound() {
    Build build =
        Builds.wired(
            Builds.buttons(40, 50, 85, 50, 130, 50, 175, 50, 40, 100, 85, 100, 130, 100, 175, 100),
            "native-3v3-26");
    build =
        build.withControl(
            Control.of(new ControlId("throttle"), "Throttle", "slider-60", Placement.at(230, 80)));
    return build
        .withMapping(
            build
                .mapping()
                .without(id("b8"))
                .with(id("b1"), entry("Button 1", "Jump"))
                .with(id("b2"), entry("Button 2", "Duck"))
                .with(id("throttle"), entry("Axis Z", "")))
        .withTuning(
            build
                .tuning()
                .withAxis(
                    id("throttle"),
                    Optional.of(AxisTuning.STRAIGHT.measured(10, OptionalInt.empty(), 990))))
        .withProfile(
            p ->
                p.withFunctions(
                        List.of(
                            new HostFunction("Jump", HostFunction.Wants.PRESS),
                            new HostFunction("Duck", HostFunction.Wants.PRESS)))
                    .withTogether(List.of(new Pair("Jump", "Duck")))
                    .withLayers(List.of(layer("Shift", Layer.Reach.HOLD, "b8", "b3", "Button 13")))
                    .withChord(chord(false, 50, "Button 20", "b3", "b4")));
  }

  private static Layer layer(String name, Layer.Reach reach, String by, String contact, String to) {
    return new Layer(name, reach, Set.of(id(by)), Mapping.EMPTY.with(id(contact), entry(to, "")));
  }

  private static Chord chord(boolean waits, int windowMs, String to, String... contacts) {
    Set<ContactId> members = new TreeSet<>();
    for (String contact : contacts) {
      members.add(id(contact));
    }
    return new Chord(Layer.BASE, members, windowMs, waits, entry(to, ""));
  }

  private static UnaryOperator<Build> profile(UnaryOperator<Profile> change) {
    return b -> b.withProfile(change);
  }

  private static UnaryOperator<Build> map(String contact, String to) {
    return b -> b.withMapping(b.mapping().with(id(contact), entry(to, "")));
  }

  private static UnaryOperator<Build> second(Choice choice) {
    return b -> {
      Profile other = b.profile().called("Other").chosen(choice);
      return b.withSeats(List.of(b.seat().withProfiles(List.of(b.profile(), other))));
    };
  }

  private static UnaryOperator<Build> keys(int count) {
    return b -> {
      Mapping mapping = b.mapping();
      for (int i = 0; i < count; i++) {
        mapping = mapping.with(id("b" + (i + 1)), new Mapping.Entry(new Target.Key(4 + i), ""));
      }
      return b.withMapping(mapping).withProfile(p -> p.telling(Profile.Keys.SIX));
    };
  }

  private static UnaryOperator<Build> hats(String low, String high) {
    return map(low, "Hat W").andThen(map(high, "Hat E"))::apply;
  }

  private static UnaryOperator<Build> manyMedia() {
    return b -> {
      List<Layer> layers = new java.util.ArrayList<>();
      for (int l = 0; l < 15; l++) {
        Mapping mapping = Mapping.EMPTY;
        for (int i = 1; i <= 7; i++) {
          mapping =
              mapping.with(id("b" + i), new Mapping.Entry(new Target.Media(100 + 7 * l + i), ""));
        }
        layers.add(new Layer("L" + l, Layer.Reach.HOLD, Set.of(id("b8")), mapping));
      }
      // 105 media keys are 14 bytes; the base adds nothing. A report of 64 bytes needs many more.
      return b.withProfile(p -> p.withLayers(layers));
    };
  }

  private static final Severity LOOK = Severity.LOOK;
  private static final Severity STOP = Severity.STOP;

  @DataProvider
  public Object[][] faults() {
    return new Object[][] {
      {
        "MP-10",
        LOOK,
        false,
        profile(p -> p.withLayer("Shift", l -> l.reached(l.reach(), Set.of())))
      },
      {"MP-11", LOOK, true, profile(p -> p.withChord(chord(true, 60, "Button 21", "b1", "b5")))},
      {
        "MP-12",
        LOOK,
        false,
        profile(p -> p.withChord(chord(true, 60, "Button 21", "b3", "b4", "b5")))
      },
      {"MP-13", LOOK, true, profile(p -> p.withChord(chord(false, 60, "Button 21", "b1", "b2")))},
      {"MP-14", LOOK, true, keys(7)},
      {"MP-15", LOOK, true, hats("b5", "b6")},
      {
        "MP-16",
        STOP,
        true,
        profile(
            p -> p.withLayers(List.of(layer("Trap", Layer.Reach.TOGGLE, "b8", "b8", "Button 9"))))
      },
      {"MP-17", LOOK, false, second(new Choice.Held(Set.of(id("b1"))))},
      {"MP-18", LOOK, false, second(Choice.NONE)},
      {
        "MP-19", LOOK, false, (UnaryOperator<Build>) b -> b.withTuning(kumite.build.map.Tuning.NONE)
      },
      {"MP-29", LOOK, true, map("b8", "Button 8")},
      {
        "MP-27",
        LOOK,
        true,
        (UnaryOperator<Build>)
            b ->
                b.withBoard(Optional.of(new BoardChoice("encoder-12-rail", Placement.at(150, 150))))
      },
      {
        "MP-06",
        STOP,
        true,
        profile(p -> p.withMapping("Shift", m -> m.with(id("b3"), entry("Axis X", ""))))
      },
      {"MP-06", STOP, true, map("b5", "Mouse X")},
    };
  }

  private static Set<String> codes(Build build) {
    Set<String> codes = new TreeSet<>();
    Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() != Severity.FINE && f.code().text().startsWith("MP"))
        .forEach(f -> codes.add(f.code().text()));
    return codes;
  }

  private static Set<String> stops(Build build) {
    Set<String> codes = new TreeSet<>();
    Bench.of(build, CATALOGUE).findings().stream()
        .filter(f -> f.severity() == Severity.STOP)
        .forEach(f -> codes.add(f.code().text()));
    return codes;
  }

  @Test(dataProvider = "faults")
  public void aFaultOfTheMapIsFoundAndItsFixMendsIt(
      String code, Severity severity, boolean hasFix, Object fault) {
    assertThat(codes(sound())).as("before").isEmpty();
    @SuppressWarnings("unchecked")
    Build faulty = ((java.util.function.Function<Build, Build>) fault).apply(sound());
    List<Finding> found =
        Bench.of(faulty, CATALOGUE).findings().stream()
            .filter(f -> f.code().text().equals(code))
            .toList();
    assertThat(found).as("%s among %s", code, codes(faulty)).isNotEmpty();
    assertThat(found.get(0).severity()).isEqualTo(severity);
    if (hasFix) {
      Build mended = found.get(0).fix().orElseThrow().edit().apply(faulty);
      assertThat(codes(mended)).doesNotContain(code);
      assertThat(stops(mended)).as("and stops nothing else").isSubsetOf(stops(faulty));
    }
  }

  /** What is chosen is sound: no rule asked for again, and what is meant twice is not a clash. */
  @Test
  public void whatIsMeantIsNoFault() {
    Build ruled =
        hats("b5", "b6")
            .andThen(
                profile(
                    p ->
                        p.withOpposites(
                            new Opposed.HatPair(false), Optional.of(OppositesRule.LAST))))
            .apply(sound());
    assertThat(codes(ruled)).doesNotContain("MP-15");
    Build twice = sound().withMapping(sound().mapping().with(id("b5"), entry("Button 1", "Jump")));
    assertThat(codes(twice)).as("both serve the same function").doesNotContain("MP-04");
    Build other = sound().withMapping(sound().mapping().with(id("b5"), entry("Button 1", "")));
    assertThat(codes(other)).contains("MP-04");
    assertThat(codes(second(new Choice.Held(Set.of(id("b1"), id("b4")))).apply(sound()))).isEmpty();
    assertThat(codes(manyMedia().apply(sound()))).as("105 media keys fit").doesNotContain("MP-25");
  }

  /** 585 media keys are 74 bytes with no id: more than the 64 of USB 2.0, 5.7.3; 500 are 63. */
  @Test
  public void aReportTooLongForItsEndpointIsNamed() {
    assertThat(codes(media(585))).contains("MP-25");
    assertThat(codes(media(500))).doesNotContain("MP-25");
  }

  private static Build media(int keys) {
    double[] places = new double[80];
    for (int i = 0; i < 40; i++) {
      places[2 * i] = 30 + 45 * (i % 10);
      places[2 * i + 1] = 30 + 45 * (i / 10);
    }
    Build build = Builds.buttons(places);
    build =
        build
            .withPanel(build.panel().withSize(500, 240))
            .withBoard(Optional.of(new BoardChoice("native-3v3-48", Placement.at(250, 200))));
    List<Layer> layers = new java.util.ArrayList<>();
    for (int l = 0; l < 15; l++) {
      Mapping mapping = Mapping.EMPTY;
      for (int i = 0; i < 39 && 39 * l + i < keys; i++) {
        mapping =
            mapping.with(
                id("b" + (i + 1)), new Mapping.Entry(new Target.Media(39 * l + i + 1), ""));
      }
      layers.add(new Layer("L" + l, Layer.Reach.HOLD, Set.of(id("b40")), mapping));
    }
    return build.withProfile(p -> p.withLayers(layers));
  }

  /** Layers that lead to each other, and never to the base; worked out by hand. */
  @DataProvider
  public Object[][] ways() {
    Layer.Reach toggle = Layer.Reach.TOGGLE;
    Layer.Reach hold = Layer.Reach.HOLD;
    return new Object[][] {
      {List.of(layer("A", toggle, "x", "y", "Button 1")), "", ""},
      {List.of(layer("A", toggle, "x", "x", "Button 1")), "A", ""},
      {List.of(layer("A", hold, "x", "x", "Button 1")), "", ""},
      // A names its own key but not B's; B names A's key and its own: from B nothing leads away.
      {
        List.of(
            layer("A", toggle, "x", "x", "Button 1"),
            layer("B", toggle, "y", "y", "Button 1")
                .withMapping(m -> m.with(id("x"), entry("Button 2", "")))),
        "A B",
        ""
      },
      // A names its own key, but B can be toggled from it and A let go from there.
      {
        List.of(layer("A", toggle, "x", "x", "Button 1"), layer("B", toggle, "y", "z", "Button 1")),
        "",
        ""
      },
      // A can only be left while S is held.
      {
        List.of(layer("A", toggle, "x", "x", "Button 1"), layer("S", hold, "y", "z", "Button 1")),
        "",
        ""
      },
      // B's key is named by nobody, but it is not of this board.
      {List.of(layer("A", toggle, "elsewhere", "y", "Button 1")), "", "A"},
    };
  }

  @Test(dataProvider = "ways")
  public void waysThroughTheLayersAreThoseWorkedOutByHand(
      List<Layer> layers, String trapped, String unreached) {
    LayerWays ways =
        LayerWays.of(
            Profile.empty("P", Host.COMPUTER).withLayers(layers),
            Set.of(id("x"), id("y"), id("z")));
    assertThat(names(ways.trapped())).isEqualTo(trapped);
    assertThat(names(ways.unreached())).isEqualTo(unreached);
  }

  private static String names(Set<Layer> layers) {
    return String.join(" ", layers.stream().map(Layer::name).sorted().toList());
  }

  @Test
  public void anAxisOnASwitchOfALayerIsNamedWithItsLayer() {
    Build faulty =
        sound()
            .withProfile(
                p ->
                    p.withMapping(
                        "Shift",
                        m ->
                            m.with(id("b5"), new Mapping.Entry(new Target.Axis(AxisName.RX), ""))));
    assertThat(Bench.of(faulty, CATALOGUE).findings())
        .anySatisfy(f -> assertThat(f.title()).contains("cannot give Axis Rx on layer Shift"));
  }

  /** A program that is too large for its board is a stop; the same on a larger board is fine. */
  @Test
  public void aProgramThatDoesNotFitIsAStop() {
    Build build = Builds.wired(Builds.buttons(30, 30, 75, 30), "native-5v-18");
    BoardKind usual = CATALOGUE.board("native-5v-18").orElseThrow();
    for (int flash : new int[] {2_000, 14_000, 28_672}) {
      for (int ram : new int[] {600, 2_560}) {
        BoardKind small = with(usual, new BoardKind.Memory(flash, ram));
        Build on =
            build
                .withOwnBoard(small)
                .withBoard(Optional.of(new BoardChoice("own-small", Placement.at(40, 90))));
        List<String> codes =
            Bench.of(on, CATALOGUE).findings().stream().map(f -> f.code().text()).toList();
        // Two buttons take at most about five and a half thousand bytes, the platform five thousand
        // (common practice).
        boolean fits = flash > 2_000 && ram > 600;
        assertThat(codes.contains("MP-31")).as(flash + " and " + ram).isEqualTo(fits);
        assertThat(codes.contains("MP-30")).isEqualTo(!fits);
      }
    }
    // A board that brings its own program is not asked.
    Build fixed =
        build.withBoard(Optional.of(new BoardChoice("encoder-12-rail", Placement.at(40, 90))));
    assertThat(Bench.of(fixed, CATALOGUE).findings())
        .noneMatch(f -> f.code().text().equals("MP-30") || f.code().text().equals("MP-31"));
  }

  private static BoardKind with(BoardKind b, BoardKind.Memory memory) {
    BoardKind.Brain brain = b.brain();
    return new BoardKind(
        "own-small",
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
        b.adcBits(),
        b.fixedMap(),
        b.terminals(),
        b.seating(),
        new BoardKind.Brain(
            brain.link(),
            brain.keysOnly(),
            brain.needsCode(),
            brain.costClass(),
            brain.solder(),
            brain.rawMillis(),
            brain.note(),
            Optional.of(memory),
            brain.answerMicros(),
            brain.load(),
            brain.program(),
            brain.settable()),
        b.current(),
        b.circuit());
  }
}
