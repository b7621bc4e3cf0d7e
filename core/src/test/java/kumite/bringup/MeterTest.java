package kumite.bringup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.InputLevels;
import kumite.circuit.Meter;
import kumite.circuit.Shown;
import kumite.loom.Look;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a meter shows: by hand, by facts of the trade, and by laws over builds drawn by chance. */
public class MeterTest {
  private static Shown shown(Build build, String red, String black, Power power, String held) {
    return new Bed(build)
        .places.shows(Joint.parse(red), Joint.parse(black), power, Held.parse(held));
  }

  private static Build one(String kind) {
    return Builds.wired(
        Build.empty("One")
            .withControl(Control.of(new ControlId("b1"), "B1", kind, Placement.at(60, 60))),
        "native-3v3-26");
  }

  private static Build lit(String supply) {
    return one("button-28-lamp")
        .withControl(
            new ControlId("b1"),
            c ->
                c.withLampOhm(OptionalDouble.empty())
                    .withHookup(h -> h.withLampShares(true).withLampFrom(Optional.of(supply))));
  }

  /**
   * A white lamp that shares its contact, on a 5 V feed with the board taken off: about 2.4 V at
   * the joint with nothing but a meter on it, millivolts when held (seen at a bench: common
   * practice, no source).
   */
  @Test
  public void theJointOfALampIsWhatWasSeenAtABench() {
    Build build = lit("5V");
    String kind = build.controls().get(0).kind();
    assertThat(Catalogue.standard().kindOf(build.controls().get(0)).lamp()).as(kind).isPresent();
    Shown idle = shown(build, "b1:NO", "board:GND", Power.SUPPLY, "");
    assertThat(idle.volts().orElseThrow()).isCloseTo(2.4, within(0.25));
    assertThat(idle.low()).isLessThan(2.4);
    assertThat(idle.high()).isGreaterThan(2.4);
    Shown held = shown(build, "b1:NO", "board:GND", Power.SUPPLY, "b1");
    assertThat(held.volts().orElseThrow()).isBetween(0.0, 0.15);
  }

  /** By hand: the pull-up of 35 kohm and the meter's 10 Mohm divide 3.3 V. */
  @Test
  public void aMeterLoadsAPullUp() {
    Build build = one("button-30");
    String terminal = Builds.terminal(build, "b1");
    Shown at = shown(build, "board:" + terminal, "board:GND", Power.POWERED, "");
    assertThat(at.volts().orElseThrow()).isCloseTo(3.3 * 10e6 / (10e6 + 35e3), within(1e-6));
    Shown held = shown(build, "board:" + terminal, "board:GND", Power.POWERED, "b1");
    assertThat(held.volts().orElseThrow()).isCloseTo(0, within(1e-4));
  }

  @DataProvider
  public static Object[][] beeps() {
    return new Object[][] {
      {"b1:NO", "board:GND", "", Power.UNPOWERED, false},
      {"b1:NO", "board:GND", "b1", Power.UNPOWERED, true},
      {"b1:NC", "board:GND", "", Power.UNPOWERED, true},
      {"b1:NC", "board:GND", "b1", Power.UNPOWERED, false},
      {"b1:COM", "board:GND", "", Power.UNPOWERED, true},
      {"board:GND", "board:GND.2", "", Power.UNPOWERED, true},
      // What the board joins inside is apart once it is taken off.
      {"board:GND", "board:GND.2", "", Power.ABSENT, false},
      {"board:3V3", "board:GND", "b1", Power.UNPOWERED, false},
    };
  }

  /** A contact, its shared side and the board's copper: common practice, no source. */
  @Test(dataProvider = "beeps")
  public void aMeterBeepsAlongCopper(
      String red, String black, String held, Power power, boolean beeps) {
    Shown shown = shown(one("button-30"), red, black, power, held);
    assertThat(shown.beeps()).isEqualTo(beeps);
    assertThat(shown.words()).isEqualTo(beeps ? "beep" : "silent");
    assertThat(shown.volts()).isEmpty();
  }

  /** A potentiometer's track and half of it, by hand; tracks are within 20 %. */
  @Test
  public void ohmsOfATrackAreThoseOfItsTravel() {
    Build build = one("slider-60");
    double whole = Catalogue.standard().kindOf(build.controls().get(0)).ohm();
    Shown track = shown(build, "b1:end 1", "b1:end 2", Power.UNPOWERED, "b1=0.5");
    assertThat(track.ohm().orElseThrow()).isCloseTo(whole, within(whole * 1e-3));
    assertThat(track.high()).isGreaterThan(whole * 1.15);
    Shown part = shown(build, "b1:W", "b1:end 1", Power.UNPOWERED, "b1=0.3");
    assertThat(part.ohm().orElseThrow()).isCloseTo(0.3 * whole, within(whole * 1e-3));
    assertThat(part.beeps()).isFalse();
    Shown volts = shown(build, "b1:W", "board:GND", Power.POWERED, "b1=0.3");
    assertThat(volts.volts().orElseThrow()).isCloseTo(0.3 * 3.3, within(5e-3));
  }

  @Test
  public void aPlaceOrContactThatIsNotThereIsNamed() {
    assertThatThrownBy(() -> shown(one("button-30"), "b1:XX", "board:GND", Power.POWERED, ""))
        .hasMessageContaining("b1:XX")
        .hasMessageContaining("NO");
    assertThatThrownBy(() -> shown(one("button-30"), "b7:NO", "board:GND", Power.POWERED, ""))
        .hasMessageContaining("b7:NO");
    assertThatThrownBy(() -> shown(one("button-30"), "b1:NO", "board:GND", Power.POWERED, "horn"))
        .hasMessageContaining("horn");
  }

  @DataProvider
  public static Object[][] seeds() {
    Object[][] seeds = new Object[40][];
    for (int i = 0; i < seeds.length; i++) {
      seeds[i] = new Object[] {i + 1L};
    }
    return seeds;
  }

  /** Probes turned round read the same ohms where no junction lies between, and volts negated. */
  @Test(dataProvider = "seeds")
  public void turnedProbesReadTheSame(long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Bed bed = Bed.anyOrJoined(random);
    for (int i = 0; i < 20; i++) {
      Power power = Power.values()[random.nextInt(4)];
      Ask.Probe ask = bed.probe(random, power);
      Shown one = bed.places.shows(ask.red(), ask.black(), power, ask.held());
      Shown other = bed.places.shows(ask.black(), ask.red(), power, ask.held());
      assertThat(other.trouble()).isEqualTo(one.trouble());
      if (power.live() && one.trouble().isEmpty()) {
        assertThat(other.volts().orElseThrow()).isCloseTo(-one.volts().orElseThrow(), within(1e-6));
        assertThat(one.low()).isLessThanOrEqualTo(one.volts().orElseThrow());
        assertThat(one.high()).isGreaterThanOrEqualTo(one.volts().orElseThrow());
      } else if (!power.live()) {
        assertThat(other.beeps()).isEqualTo(one.beeps());
        boolean junction =
            one.by().stream().anyMatch(part -> part.startsWith("diode") || part.startsWith("lamp"));
        if (!junction && one.ohm().isPresent()) {
          assertThat(other.ohm().orElseThrow())
              .isCloseTo(one.ohm().getAsDouble(), within(1e-3 + one.ohm().getAsDouble() * 1e-6));
        }
      }
    }
  }

  /** What stands at a terminal is what the board reads there, but for the meter's own load. */
  @Test(dataProvider = "seeds")
  public void aMeterAgreesWithTheLevelsOfTheBoard(long seed) {
    SplittableRandom random = new SplittableRandom(seed * 7919);
    Bed bed = new Bed(RandomBuilds.any(random));
    for (View view : bed.places.views()) {
      Optional<Joint> ground =
          view.wiring().nets().places().values().stream()
              .filter(p -> p.own() && p.zero())
              .map(p -> p.joint())
              .findFirst();
      if (ground.isEmpty() || view.wires().inputs().dead().isPresent()) {
        continue;
      }
      for (InputLevels level : view.wires().inputs().levels().values()) {
        Look look = level.look();
        boolean plain = look.how() instanceof Look.Level && level.floating().isEmpty();
        if (plain && level.trouble().isEmpty()) {
          Joint pin = Joint.board(look.read().name());
          double volts =
              Meter.of(view.wires().inputs())
                  .shows(pin, ground.get(), Power.POWERED, Held.NONE)
                  .volts()
                  .orElseThrow();
          // 10 Mohm beside pulls of at most 65 kohm, or 22 Mohm where touch is sensed.
          double off = view.wires().board().pullMostOhm() > 1e6 ? 2.4 : 0.05;
          assertThat(volts)
              .as(look.read().name())
              .isCloseTo(level.idleVolts(), within(0.01 + off * view.wires().board().logicVolts()));
        }
      }
    }
  }

  /** A place that is joined by copper beeps, and reads no volts between. */
  @Test(dataProvider = "seeds")
  public void placesOfOneNetBeepAndHaveNoVoltsBetween(long seed) {
    SplittableRandom random = new SplittableRandom(seed * 104_729);
    Bed bed = Bed.anyOrJoined(random);
    View view = bed.places.views().get(0);
    for (var net : view.wiring().nets().joined()) {
      Joint one = net.places().get(0).joint();
      Joint other = net.places().get(net.places().size() - 1).joint();
      if (!one.equals(other)) {
        assertThat(bed.places.shows(one, other, Power.UNPOWERED, Held.NONE).beeps()).isTrue();
        Shown live = bed.places.shows(one, other, Power.POWERED, Held.NONE);
        assertThat(live.trouble().isPresent() || Math.abs(live.volts().orElseThrow()) < 1e-9)
            .isTrue();
      }
    }
  }
}
