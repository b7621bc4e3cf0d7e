package kumite.bringup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.name.Joint;

/**
 * Which question tells most for its effort: the entropy of its answers over what is still likely
 * (Shannon 1948, from memory), by the effort of asking it.
 */
final class NextAsk {
  /** Below, a question tells nothing worth the walk: our choice. */
  private static final double LEAST_BITS = 0.02;

  /** Above, nobody powers what may be shorted: our choice. */
  private static final double MAY_SHORT = 0.01;

  /** A question is asked again so often, and tells less each time: our choice. */
  private static final int MOST_ASKED = 2;

  private static final double AGAIN = 0.25;

  /** Probes are tried between so many places that suspects name. */
  private static final int MOST_BETWEEN = 24;

  /** So many suspects are told apart whole. */
  private static final int MOST_EQUAL = 16;

  private final Places places;
  private final Case sound;
  private final List<Diagnosis.Scored> live;
  private final Map<Ask, Integer> asked = new HashMap<>();
  private final Optional<Ask> last;
  private final Map<Ask, Question> candidates = new LinkedHashMap<>();
  private final boolean keepOff;

  NextAsk(Places places, Case sound, List<Diagnosis.Scored> live, List<Evidence.Reading> readings) {
    this.places = places;
    this.sound = sound;
    this.live = live;
    readings.forEach(r -> asked.merge(r.ask(), 1, Integer::sum));
    this.last = readings.stream().map(Evidence.Reading::ask).reduce((a, b) -> b);
    double shorted =
        live.stream().filter(s -> s.hypothesis.mayBurn()).mapToDouble(s -> s.probability).sum();
    this.keepOff = shorted > MAY_SHORT;
    for (Question question : places.questions()) {
      candidates.put(question.ask(), question);
    }
    between();
  }

  /** Probes between the places that the suspects name. */
  private void between() {
    Set<Joint> some = new LinkedHashSet<>();
    live.stream().limit(MOST_EQUAL).forEach(s -> some.addAll(s.hypothesis.fault().where()));
    List<Joint> list = List.copyOf(some);
    for (int i = 0; i < Math.min(MOST_BETWEEN, list.size()); i++) {
      for (int j = i + 1; j < Math.min(MOST_BETWEEN, list.size()); j++) {
        if (places.view(list.get(i), list.get(j)).isPresent()) {
          between(list.get(j), list.get(i), Held.NONE);
          Held moved = places.moved(list.get(i), list.get(j));
          if (!moved.none()) {
            between(list.get(j), list.get(i), moved);
          }
        }
      }
    }
  }

  private void between(Joint red, Joint black, Held held) {
    Ask.Probe ask = new Ask.Probe(red, black, Power.UNPOWERED, held);
    Ask.Probe turned = new Ask.Probe(black, red, Power.UNPOWERED, held);
    if (candidates.containsKey(ask) || candidates.containsKey(turned)) {
      return;
    }
    boolean beeps = sound.outcome(ask).equals("beep");
    candidates.put(
        ask,
        new Question(
            "between-" + candidates.size(),
            Question.Kind.CONTINUITY,
            ask,
            red + " to " + black + (held.none() ? "" : ", " + held + " held"),
            beeps ? "beep" : "silent",
            Optional.of(new Answer.Beep(beeps)),
            "It tells apart what is still likely",
            Optional.empty()));
  }

  private double effort(Ask ask) {
    double effort = 1;
    if (ask instanceof Ask.Probe probe) {
      effort =
          switch (probe.power()) {
            case UNPOWERED -> 1;
            case ABSENT, SUPPLY -> 4;
            case POWERED -> 1.6;
          };
      boolean stays =
          last.filter(Ask.Probe.class::isInstance)
              .map(Ask.Probe.class::cast)
              .filter(p -> p.power() == probe.power())
              .filter(p -> p.black().equals(probe.black()) || p.red().equals(probe.red()))
              .isPresent();
      effort -= stays ? 0.15 : 0;
    } else if (ask instanceof Ask.Devices) {
      effort = 0.7;
    } else if (ask instanceof Ask.Press) {
      effort = 0.8;
    }
    return effort + 0.3 * ask.held().contacts().size();
  }

  private boolean allowed(Ask ask) {
    boolean live = !(ask instanceof Ask.Probe probe) || probe.power().live();
    return !(ask instanceof Ask.Try) && !(live && keepOff);
  }

  private boolean touched(Ask ask) {
    return live.stream().anyMatch(s -> !s.hypothesis.same(ask));
  }

  private double bits(Ask ask) {
    Map<String, Double> mass = new HashMap<>();
    double all = 0;
    for (Diagnosis.Scored scored : live) {
      String outcome =
          scored.hypothesis.same(ask) ? sound.outcome(ask) : scored.hypothesis.outcome(ask);
      mass.merge(outcome, scored.probability, Double::sum);
      all += scored.probability;
    }
    double bits = 0;
    double told = 0;
    for (Map.Entry<String, Double> entry : mass.entrySet()) {
      double p = entry.getValue() / all;
      // What wavers may look like anything, so that it tells nothing apart.
      if (p > 0 && !entry.getKey().contains("?")) {
        bits -= p * Math.log(p) / Math.log(2);
        told += p;
      }
    }
    return bits * told;
  }

  /** {@return the question that tells most for its effort} */
  Optional<Diagnosis.Next> best() {
    if (live.size() < 2) {
      return Optional.empty();
    }
    Optional<Diagnosis.Next> cheap = best(false, ask -> true);
    boolean enough = cheap.filter(next -> next.bits() > 0.3).isPresent();
    if (enough) {
      return cheap;
    }
    Optional<Diagnosis.Next> dear = best(true, ask -> true);
    return dear.isEmpty()
            || cheap.isPresent()
                && cheap.get().bits() / effort(cheap.get().question().ask())
                    >= dear.get().bits() / effort(dear.get().question().ask())
        ? cheap
        : dear;
  }

  /** {@return the question of some kinds that tells most for its effort} */
  Optional<Diagnosis.Next> best(Predicate<Ask> some) {
    return best(false, some);
  }

  private Optional<Diagnosis.Next> best(boolean volts, Predicate<Ask> some) {
    Optional<Diagnosis.Next> best = Optional.empty();
    double most = 0;
    for (Map.Entry<Ask, Question> entry : candidates.entrySet()) {
      Ask ask = entry.getKey();
      boolean live = ask instanceof Ask.Probe probe && probe.power().live();
      int before = asked.getOrDefault(ask, 0);
      if (!some.test(ask)
          || before > MOST_ASKED
          || live != volts
          || !allowed(ask)
          || !touched(ask)) {
        continue;
      }
      // What was asked before tells only whether a hand slipped then.
      double bits = bits(ask) * Math.pow(AGAIN, before);
      double worth = bits / effort(ask);
      if (bits > LEAST_BITS && worth > most + 1e-9) {
        most = worth;
        best = Optional.of(new Diagnosis.Next(entry.getValue(), bits));
      }
    }
    return best;
  }

  /** {@return suspects that give the same to every question, by their ids} */
  List<List<String>> equal() {
    List<Diagnosis.Scored> some =
        live.stream()
            .sorted(Comparator.comparingDouble(s -> -s.probability))
            .limit(MOST_EQUAL)
            .toList();
    Map<String, List<String>> sets = new LinkedHashMap<>();
    List<Ask> asks = new ArrayList<>();
    for (Ask ask : candidates.keySet()) {
      if (!(ask instanceof Ask.Try) && some.stream().anyMatch(s -> !s.hypothesis.same(ask))) {
        asks.add(ask);
      }
    }
    for (Diagnosis.Scored scored : some) {
      StringBuilder word = new StringBuilder();
      for (Ask ask : asks) {
        word.append(scored.hypothesis.outcome(ask)).append('|');
      }
      sets.computeIfAbsent(word.toString(), w -> new ArrayList<>())
          .add(scored.hypothesis.fault().id());
    }
    sets.values().stream()
        .filter(ids -> ids.contains(sound.fault().id()))
        .findFirst()
        .ifPresent(
            ids -> places.unseen().stream().filter(id -> !ids.contains(id)).forEach(ids::add));
    return sets.values().stream().filter(ids -> ids.size() > 1).toList();
  }
}
