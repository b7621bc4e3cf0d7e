package kumite.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.Rounds;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.measure.Paper;
import kumite.verdict.Bench;

/**
 * The rounds as a list to be ticked with only a meter in hand, with what each reading should be.
 */
public final class RoundPaper {
  private RoundPaper() {}

  /** {@return the list as a PDF document} */
  public static byte[] pdf(Bench bench, Paper paper) {
    String title = bench.build().brief().title();
    return Pen.pdf(
        title + ", bring-up",
        paper,
        pen -> {
          Flow flow = new Flow(pen, title, "Bring-up");
          flow.newPage();
          flow.heading("One question after the other");
          Places places = bench.places();
          if (places.empty()) {
            flow.paragraph("Nothing to probe yet: the build has no board.");
            return;
          }
          flow.paragraph(
              "Red probe on the first place, black on the second. A beep means below 50 ohm. Stop at"
                  + " the first reading that is not as written, and find out why before you go on."
                  + " Nothing is plugged in before the round without power is through. Where the"
                  + " work can hurt you, local rules and qualified people come first.");
          Optional<Round> now = bench.build().get(RoundBook.PART).now();
          List<Question> questions = Rounds.of(places, List.of(Question.Kind.values()));
          for (Question.Kind kind : Question.Kind.values()) {
            table(flow, kind, questions.stream().filter(q -> q.kind() == kind).toList(), now);
          }
        });
  }

  private static void table(Flow flow, Question.Kind kind, List<Question> some, Optional<Round> now)
      throws IOException {
    if (some.isEmpty()) {
      return;
    }
    flow.room(24);
    flow.heading(kind.title() + ": " + kind.when());
    String why = "";
    String caution = "";
    for (Question question : some) {
      Optional<Entry> entry = now.flatMap(round -> round.last(question.ask()));
      List<String> lines = new ArrayList<>();
      // A reason that goes for a whole row of questions is said once.
      if (!question.why().equals(why)) {
        why = question.why();
        lines.add(why + ".");
      }
      String words = question.caution().orElse("");
      if (!words.isEmpty() && !words.equals(caution)) {
        caution = words;
        lines.add("Caution: " + caution + ".");
      }
      entry.filter(e -> !e.note().isEmpty()).ifPresent(e -> lines.add("Note: " + e.note()));
      String read =
          entry
              .flatMap(Entry::answer)
              .map(Answer::toString)
              .map(a -> "read " + a + " · ")
              .orElse("");
      flow.item(
          entry.flatMap(Entry::answer).isPresent(),
          question.what(),
          read + question.expected(),
          lines);
    }
    flow.down(2);
  }
}
