package kumite.bringup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Arrivals;
import kumite.circuit.Copper;
import kumite.circuit.Meter;
import kumite.circuit.Solves;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Change;
import kumite.wiring.Wiring;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What is worked out quickly of a faulty wiring is what the same wiring gives when it is solved
 * whole: nothing about the look of a fault is known otherwise.
 */
public class FaultLawTest {
  @DataProvider
  public static Object[][] seeds() {
    Object[][] seeds = new Object[50][];
    for (int i = 0; i < seeds.length; i++) {
      seeds[i] = new Object[] {1000L + i};
    }
    return seeds;
  }

  private static Fault pick(Bed bed, SplittableRandom random) {
    List<Fault> faults = StandIn.faults(bed.places);
    Fault one = faults.get(random.nextInt(faults.size()));
    return random.nextInt(4) == 0 ? one.and(faults.get(random.nextInt(faults.size()))) : one;
  }

  /** What two seats share is one thing: it fails once, and is called alike by both. */
  @Test(dataProvider = "seeds")
  public void noFaultStandsTwice(long seed) {
    Bed bed = Bed.anyOrJoined(new SplittableRandom(seed * 7));
    List<Fault> faults = StandIn.faults(bed.places);
    assertThat(faults.stream().map(Fault::id)).doesNotHaveDuplicates();
    assertThat(faults.stream().map(Fault::change).filter(change -> !change.equals(Change.NONE)))
        .doesNotHaveDuplicates();
  }

  /** A terminal may be called by its seat, as links of a build call it; it shows the same. */
  @Test(dataProvider = "seeds")
  public void aSeatsNameIsItsBoards(long seed) {
    Bed bed = Bed.anyOrJoined(new SplittableRandom(seed * 11));
    for (SeatWires seat : bed.seats) {
      boolean first = seat == bed.seats.get(0);
      String part = first ? Joint.BOARD : Joint.boardOf(seat.seat());
      List<Joint> ends =
          bed.places.all().stream().filter(place -> place.part().equals(part)).limit(3).toList();
      assertThat(ends).hasSizeGreaterThan(1);
      for (Joint end : ends.subList(1, ends.size())) {
        assertThat(
                bed.places
                    .shows(
                        new Joint(seat.seat().text(), ends.get(0).tab()),
                        new Joint(seat.seat().text(), end.tab()),
                        Power.POWERED,
                        Held.NONE)
                    .words())
            .isEqualTo(bed.places.shows(ends.get(0), end, Power.POWERED, Held.NONE).words());
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void aBeepIsThatOfTheWholeWiring(long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Bed bed = Bed.anyOrJoined(random);
    for (int i = 0; i < 6; i++) {
      Fault fault = pick(bed, random);
      for (View view : bed.places.views()) {
        Change change = view.here(fault.change());
        Wiring faulty = view.wiring().changed(change);
        Meter whole = Meter.of(faulty, view.wires().inputs().looks(), new Solves());
        Copper.Altered altered = view.copper().altered(change);
        for (int k = 0; k < 12; k++) {
          Power power = random.nextInt(5) == 0 ? Power.ABSENT : Power.UNPOWERED;
          Ask.Probe ask = bed.probe(random, power);
          if (view.has(ask.red()) && view.has(ask.black())) {
            var red = view.local(ask.red());
            var black = view.local(ask.black());
            boolean there = whole.has(red) && whole.has(black);
            assertThat(view.arrivals().beeps(red, black, altered, power, ask.held()))
                .as(fault.id() + ": " + ask)
                .isEqualTo(there && whole.shows(red, black, power, ask.held()).beeps());
          }
        }
      }
    }
  }

  @Test(dataProvider = "seeds")
  public void whatArrivesIsWhatTheSolvedBoardSees(long seed) {
    SplittableRandom random = new SplittableRandom(seed * 31);
    Bed bed = Bed.anyOrJoined(random);
    for (int i = 0; i < 4; i++) {
      Fault fault = pick(bed, random);
      for (View view : bed.places.views()) {
        Change change = view.here(fault.change());
        Wiring faulty = view.wiring().changed(change);
        kumite.circuit.Inputs whole =
            kumite.circuit.Inputs.of(faulty, view.wires().inputs().looks(), new Solves());
        Copper.Altered altered = view.copper().altered(change);
        Held held = bed.held(random);
        view.looks()
            .forEach(
                (contact, look) -> {
                  Arrivals.Seen quick = view.arrivals().see(look, altered, held, true);
                  kumite.circuit.Seen seen = whole.see(contact, c -> held.at(c, whole.rest(c)));
                  if (!look.travels() && quick.state() != Arrivals.State.UNSURE) {
                    assertThat(quick.state() == Arrivals.State.PRESSED)
                        .as(fault.id() + ": " + contact + " while " + held)
                        .isEqualTo(seen.pressed());
                  }
                });
      }
    }
  }

  /**
   * A question that a fault is said not to touch reads in the faulty wiring as in the sound one.
   */
  @Test(dataProvider = "seeds")
  public void whatAFaultDoesNotTouchStaysAsItIs(long seed) {
    SplittableRandom random = new SplittableRandom(seed * 131);
    Bed bed = Bed.anyOrJoined(random);
    Case sound = bed.places.sound();
    for (int i = 0; i < 6; i++) {
      Fault fault = pick(bed, random);
      Case faulty = sound.with(fault);
      StandIn stand = bed.with(fault, seed);
      for (int k = 0; k < 10; k++) {
        Ask.Probe ask = bed.probe(random, random.nextBoolean() ? Power.UNPOWERED : Power.POWERED);
        if (faulty.same(ask) && fault.effects().isEmpty()) {
          var before = bed.places.shows(ask.red(), ask.black(), ask.power(), ask.held());
          var after = stand.shown(ask);
          assertThat(after.beeps()).as(fault.id() + ": " + ask).isEqualTo(before.beeps());
          assertThat(after.trouble().isPresent()).isEqualTo(before.trouble().isPresent());
          if (before.volts().isPresent() && after.volts().isPresent()) {
            assertThat(after.volts().getAsDouble())
                .as(fault.id() + ": " + ask)
                .isCloseTo(
                    before.volts().getAsDouble(), org.assertj.core.api.Assertions.within(1e-6));
          }
        }
      }
      for (ContactId contact : bed.seats.get(0).shown().keySet()) {
        Ask.Press press = new Ask.Press(Held.of(contact));
        // Where the circuit leaves an input undetermined, each look is a toss.
        boolean told =
            sound.arrivals(press.held()).values().stream()
                .noneMatch(seen -> seen.state() == kumite.circuit.Arrivals.State.UNSURE);
        if (told && faulty.same(press)) {
          assertThat(stand.answer(press).toString())
              .as(fault.id() + ": " + press)
              .isEqualTo(bed.with(Fault.none(1), seed).answer(press).toString());
        }
      }
    }
  }

  /** The same build has the same faults in the same order, no two with one name. */
  @Test(dataProvider = "seeds")
  public void faultsAreTheSameEachTime(long seed) {
    Bed bed = Bed.anyOrJoined(new SplittableRandom(seed * 17));
    List<Fault> faults = StandIn.faults(bed.places);
    assertThat(faults).isEqualTo(StandIn.faults(new Bed(bed.build).places));
    assertThat(faults.stream().map(Fault::id)).doesNotHaveDuplicates();
    assertThat(faults).allMatch(f -> f.weight() > 0 && !f.what().isBlank());
  }
}
