package kumite.desktop.bringup;

import kumite.bringup.Question;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.verdict.Bench;

/** Questions in the words of the bench. */
final class AskWords {
  private AskWords() {}

  /** {@return what to do, in large type} */
  static String large(Question question, Bench bench) {
    if (question.ask() instanceof Ask.Probe probe) {
      return "Red probe on "
          + place(probe.red(), bench)
          + ". Black probe on "
          + place(probe.black(), bench)
          + "."
          + (probe.power() == Power.ABSENT ? " Board taken off." : "")
          + held(probe.held(), bench);
    }
    return question.what() + (question.what().endsWith("?") ? "" : ".");
  }

  private static String held(Held held, Bench bench) {
    if (held.none()) {
      return "";
    }
    StringBuilder words = new StringBuilder();
    held.travel()
        .forEach(
            (contact, share) ->
                words
                    .append(words.isEmpty() ? " " : " and ")
                    .append(
                        share == 1
                            ? "Press and hold " + label(contact, bench)
                            : share == 0
                                ? "Move " + label(contact, bench) + " to where its travel begins"
                                : "Move "
                                    + label(contact, bench)
                                    + " to "
                                    + Math.round(share * 100)
                                    + " %"));
    return words + ".";
  }

  /** {@return a place by its label: {@code Horn NO}, {@code board D8}} */
  static String place(Joint joint, Bench bench) {
    String tab = joint.tab();
    String label =
        bench.build().labelled().stream()
            .filter(c -> c.id().text().equals(joint.part()))
            .map(c -> c.label())
            .findFirst()
            .orElse(
                joint.part().equals(Joint.BOARD)
                    ? "the board's"
                    : joint.part().toLowerCase(java.util.Locale.ROOT).replace('-', ' '));
    return label + " " + tab.replace('.', ' ');
  }

  private static String label(ContactId contact, Bench bench) {
    return bench.build().labelled().stream()
            .filter(c -> c.id().equals(contact.control()))
            .map(c -> c.label())
            .findFirst()
            .orElse(contact.control().text())
        + (contact.contact().isEmpty() ? "" : " " + contact.contact());
  }

  /** {@return what may be typed} */
  static String prompt(Ask ask) {
    if (ask instanceof Ask.Probe probe) {
      return probe.power().live() ? "2.4 V, 30 mV" : "2k2, 0.6 V";
    }
    return ask instanceof Ask.Press
        ? "horn, or nothing"
        : ask instanceof Ask.Devices ? "1" : "yes or no";
  }
}
