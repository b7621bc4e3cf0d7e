package kumite.desktop.bringup;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.bringup.BringUpChecks;
import kumite.bringup.Diagnosis;
import kumite.bringup.Evidence;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.Rounds;
import kumite.bringup.SeatWires;
import kumite.build.Edit;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Held;
import kumite.build.bringup.Repair;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.desktop.shell.Aside;
import kumite.desktop.shell.Workbench;
import kumite.name.Joint;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/**
 * The round that goes on: which question is put, what was answered, what the answers point to.
 * Questions and diagnosis are worked out aside of the interface thread.
 */
final class RoundDesk {
  /** What a set of questions is worked out from. */
  private record Made(List<SeatWires> seats) {}

  /** What a diagnosis is worked out from. */
  private record Read(List<SeatWires> seats, Round round) {}

  private final Workbench workbench;
  private final Clock clock;
  private final Runnable changed;
  private final Aside<Made, Places> making;
  private final Aside<Read, Diagnosis> judging;
  private final Object lock = new Object();
  private List<SeatWires> judged = List.of();
  private Optional<Places> ofJudge = Optional.empty();
  private Optional<Places> places = Optional.empty();
  private List<Question> questions = List.of();
  private Optional<Diagnosis> diagnosis = Optional.empty();
  private Optional<Question> chosen = Optional.empty();
  private Question.Kind kind = Question.Kind.CONTINUITY;
  private String busy = "";

  /**
   * A desk.
   *
   * @param clock dates the rounds
   * @param changed told when there is something else to show
   */
  RoundDesk(Workbench workbench, Clock clock, Runnable changed) {
    this.workbench = workbench;
    this.clock = clock;
    this.changed = changed;
    making =
        new Aside<>(
            "kumite-questions",
            made -> {
              Bench bench = workbench.bench().get();
              Places all = Places.of(bench.build().home(), bench.catalogue(), made.seats());
              all.questions();
              return all;
            },
            made -> busy("Working out the questions"),
            (made, all) -> {
              places = Optional.of(all);
              questions = all.empty() ? List.of() : Rounds.of(all, List.of(Question.Kind.values()));
              busy("");
              judge();
            },
            this::busy);
    judging =
        new Aside<>(
            "kumite-diagnosis",
            this::judge,
            read -> busy("Thinking about what was read"),
            (read, found) -> {
              diagnosis = Optional.of(found);
              busy("");
            },
            this::busy);
  }

  private Diagnosis judge(Read read) {
    synchronized (lock) { // one at a time: what was worked out before is used again
      if (ofJudge.isEmpty() || !judged.equals(read.seats())) {
        Bench bench = workbench.bench().get();
        ofJudge = Optional.of(Places.of(bench.build().home(), bench.catalogue(), read.seats()));
        judged = read.seats();
      }
      return Diagnosis.of(ofJudge.get(), Evidence.of(ofJudge.get(), read.round()));
    }
  }

  private void busy(String words) {
    busy = words;
    changed.run();
  }

  /** {@return what is being worked out, in words; empty while nothing is} */
  String busy() {
    return busy;
  }

  /** Takes in another bench. */
  void show(Bench bench) {
    making.ask(new Made(bench.get(Desks.METERED)));
    judge();
    changed.run();
  }

  private void judge() {
    Bench bench = workbench.bench().get();
    Optional<Round> now = now();
    if (places.isEmpty() || now.filter(r -> !r.entries().isEmpty()).isEmpty()) {
      diagnosis = Optional.empty();
      judging.cancel();
      return;
    }
    judging.ask(new Read(bench.get(Desks.METERED), now.get()));
  }

  /** {@return the round that goes on} */
  Optional<Round> now() {
    return workbench.build().get().get(RoundBook.PART).now();
  }

  /** {@return all rounds} */
  List<Round> rounds() {
    return workbench.build().get().get(RoundBook.PART).rounds();
  }

  /** {@return the places, once they are worked out} */
  Optional<Places> places() {
    return places;
  }

  /** {@return what the answers point to, once it is worked out} */
  Optional<Diagnosis> diagnosis() {
    return diagnosis;
  }

  /** {@return the questions of one round, each that is asked together with another one once} */
  List<Question> questions(Question.Kind of) {
    return questions.stream().filter(q -> q.kind() == of && !withHeld(q)).toList();
  }

  /** Whether a contact at rest is asked about together with the same contact held. */
  private boolean withHeld(Question question) {
    return question.ask() instanceof Ask.Probe probe
        && !probe.power().live()
        && probe.held().none()
        && questions.stream().anyMatch(q -> twin(q.ask()).filter(probe::equals).isPresent());
  }

  /** {@return the same two places with nothing held} */
  static Optional<Ask.Probe> twin(Ask ask) {
    return ask instanceof Ask.Probe probe
            && !probe.power().live()
            && !probe.held().none()
            && probe.held().travel().values().stream().allMatch(share -> share == 1)
        ? Optional.of(new Ask.Probe(probe.red(), probe.black(), probe.power(), Held.NONE))
        : Optional.empty();
  }

  Question.Kind kind() {
    return kind;
  }

  void kind(Question.Kind other) {
    kind = other;
    chosen = Optional.empty();
    changed.run();
  }

  /** Puts a question next, whichever is its turn. */
  void choose(Question question) {
    chosen = Optional.of(question);
    changed.run();
  }

  /** {@return whether a question was answered or skipped since it was touched last} */
  boolean over(Question question) {
    return now().flatMap(round -> counting(round, question.ask())).isPresent();
  }

  /** {@return the last entry of a question that was not made void by a repair} */
  Optional<Entry> counting(Round round, Ask ask) {
    Optional<Entry> last = Optional.empty();
    for (int i = 0; i < round.entries().size(); i++) {
      Entry entry = round.entries().get(i);
      int at = i;
      boolean stale =
          places.isPresent()
              && round.repairs().stream()
                  .anyMatch(r -> at < r.after() && Evidence.touches(places.get(), ask, r.places()));
      if (entry.ask().equals(ask) && !stale) {
        last = Optional.of(entry);
      }
    }
    return last;
  }

  /** {@return the question that is put now} */
  Optional<Question> question() {
    return chosen.or(() -> questions(kind).stream().filter(q -> !over(q)).findFirst());
  }

  // ---- answers

  private void change(String label, java.util.function.UnaryOperator<Round> change) {
    LocalDate today = LocalDate.now(clock);
    workbench.apply(
        new Edit(
            label,
            build -> {
              RoundBook book = build.get(RoundBook.PART);
              Round round = book.now().orElse(Round.begun(today));
              Round after = change.apply(round);
              return build.with(
                  RoundBook.PART, book.now().isPresent() ? book.withNow(after) : book.with(after));
            }));
  }

  /** Takes answers in one step. */
  void answer(List<Entry> entries) {
    chosen = Optional.empty();
    change(
        entries.size() == 1 ? "Reading" : "Readings",
        round -> {
          Round next = round;
          for (Entry entry : entries) {
            next = next.with(entry);
          }
          return next;
        });
  }

  void answer(Ask ask, Answer answer, String note) {
    answer(List.of(new Entry(ask, Optional.of(answer), note)));
  }

  void skip(Question question) {
    answer(List.of(new Entry(question.ask(), Optional.empty(), "")));
  }

  /** Takes the last answer back. */
  void back() {
    chosen = Optional.empty();
    change("Take a reading back", Round::back);
  }

  /** Notes that a suspect was mended: what it touches is asked again. */
  void mended(Diagnosis.Suspect suspect) {
    Set<Joint> touched = new TreeSet<>(suspect.fault().where());
    touched.addAll(suspect.fault().change().places());
    change(
        "Mended",
        round ->
            round.mended(new Repair(suspect.fault().repair(), touched, round.entries().size())));
  }

  /** Begins another round. */
  void begin() {
    LocalDate today = LocalDate.now(clock);
    workbench.apply(
        new Edit(
            "Begin a round",
            build ->
                build.with(RoundBook.PART, build.get(RoundBook.PART).with(Round.begun(today)))));
  }

  /** {@return whether an entry says what was worked out} */
  boolean expected(Entry entry) {
    return places.isEmpty()
        || entry.answer().isEmpty()
        || Evidence.of(places.get(), List.of(entry)).readings().stream()
            .allMatch(reading -> BringUpChecks.expected(places.get(), reading));
  }

  /** {@return the entries that count now, the latest first} */
  List<Entry> latest() {
    List<Entry> entries = new ArrayList<>(now().map(Round::entries).orElse(List.of()));
    java.util.Collections.reverse(entries);
    return entries;
  }
}
