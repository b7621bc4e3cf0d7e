package kumite.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/** A build on the bench, with its seats' wires and what can be asked of them. */
final class Bed {
  final Build build;
  final List<SeatWires> seats;
  final Places places;

  Bed(Build build) {
    Bench bench = Bench.of(build, Catalogue.standard());
    this.build = build;
    this.seats = bench.get(Desks.METERED);
    this.places = bench.places();
  }

  /** {@return a build with a board and something mapped, drawn by chance} */
  static Bed any(SplittableRandom random) {
    while (true) {
      Build alone = RandomBuilds.any(random);
      // One in three has a second board, joined or not.
      Build build = random.nextInt(3) == 0 ? RandomBuilds.seated(alone, random) : alone;
      Bed bed = new Bed(build);
      int shown = bed.seats.stream().mapToInt(seat -> seat.shown().size()).sum();
      if (shown >= 3 && bed.places.views().size() > 0) {
        return bed;
      }
    }
  }

  /** {@return the same, or boards that are joined by links and leads} */
  static Bed anyOrJoined(SplittableRandom random) {
    while (random.nextInt(5) < 2) {
      Bed bed = new Bed(kumite.verdict.JoinsLawTest.drawn(random));
      if (bed.places.views().size() > 0 && !StandIn.faults(bed.places).isEmpty()) {
        return bed;
      }
    }
    return any(random);
  }

  StandIn with(Fault fault, long seed) {
    return StandIn.of(build, places, seats, fault, seed);
  }

  Fault fault(String id) {
    return StandIn.faults(places).stream()
        .filter(f -> f.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new AssertionError("no fault " + id));
  }

  /** {@return two places of one seat, drawn by chance} */
  Ask.Probe probe(SplittableRandom random, Power power) {
    View view = places.views().get(random.nextInt(places.views().size()));
    List<Joint> names = List.copyOf(view.names());
    Joint red = names.get(random.nextInt(names.size()));
    Joint black = red;
    while (black.equals(red)) {
      black = names.get(random.nextInt(names.size()));
    }
    return new Ask.Probe(red, black, power, held(random));
  }

  Held held(SplittableRandom random) {
    List<ContactId> contacts = new ArrayList<>();
    places.views().forEach(view -> contacts.addAll(view.looks().keySet()));
    return contacts.isEmpty() || random.nextBoolean()
        ? Held.NONE
        : Held.of(contacts.get(random.nextInt(contacts.size())));
  }

  /** {@return what the host shows of a stand-in, question by question} */
  List<Entry> symptoms(StandIn stand) {
    List<Entry> entries = new ArrayList<>();
    for (Question question : places.questions()) {
      if (question.kind() == Question.Kind.HOST && !(question.ask() instanceof Ask.Try)) {
        entries.add(Entry.of(question.ask(), stand.answer(question.ask())));
      }
    }
    return entries;
  }
}
