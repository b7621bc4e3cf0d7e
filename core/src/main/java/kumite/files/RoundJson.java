package kumite.files;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Repair;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.In;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.measure.Range;
import kumite.name.Joint;
import kumite.room.PartCodec;

/** How the rounds of bring-up stand in the file. */
public final class RoundJson {
  private static final Codec<Joint> JOINT = Plain.LINE.asAt(RoundJson::joint, Joint::toString);

  /** The codec of all rounds. */
  public static final PartCodec<RoundBook> CODEC =
      new PartCodec<>(
          RoundBook.PART,
          false,
          Plain.list(round().named("round"), 0, RoundBook.MOST)
              .as(RoundBook::new, RoundBook::rounds));

  private RoundJson() {}

  private static Codec<Round> round() {
    Fields<Round> f = new Fields<>();
    Field<Round, LocalDate> begun = f.need("begun", LogJson.DATE, Round::begun);
    Field<Round, List<Entry>> readings =
        f.some("readings", Plain.list(entry().named("reading"), 0, Round.MOST), Round::entries)
            .says("what was asked, in that order");
    Field<Round, List<Repair>> repairs =
        f.some("repairs", Plain.list(repair().named("repair")), Round::repairs)
            .says("what was mended meanwhile");
    return f.make(in -> new Round(in.get(begun), in.get(readings), in.get(repairs)));
  }

  private static Codec<Entry> entry() {
    Fields<Entry> f = new Fields<>();
    Field<Entry, String> from =
        f.usually("from", Plain.TEXT, e -> e.ask().from(), "")
            .says("where the red probe was; empty where the host was asked");
    Field<Entry, String> to =
        f.usually("to", Plain.TEXT, e -> e.ask().to(), "").says("where the black one was");
    Field<Entry, String> state =
        f.usually(
                "state",
                Plain.words(
                    List.of("unpowered", "absent", "supply", "powered", Ask.HOST, Ask.TRY),
                    word -> word),
                e -> e.ask().state(),
                "unpowered")
            .says("what fed the build, or that the host was asked");
    Field<Entry, String> held =
        f.usually("held", Plain.TEXT, e -> e.ask().held().toString(), "")
            .says("contacts that were held, such as horn port=0.7");
    Field<Entry, Optional<String>> reading =
        f.maybe("reading", Plain.LINE, e -> e.answer().map(Answer::toString))
            .says("beep, silent, 2.4 V, 2k2, the contacts that showed, nothing; none if skipped");
    Field<Entry, String> note = f.usually("note", Plain.TEXT, Entry::note, "");
    return f.make(
        in -> {
          Ask ask = ask(in, from, to, state, held);
          return new Entry(
              ask, in.get(reading).map(text -> answer(in, reading, ask, text)), in.get(note));
        });
  }

  private static Ask ask(
      In<Entry> in,
      Field<Entry, String> from,
      Field<Entry, String> to,
      Field<Entry, String> state,
      Field<Entry, String> held) {
    try {
      return Ask.parse(in.get(from), in.get(to), in.get(state), in.get(held));
    } catch (IllegalArgumentException e) {
      throw in.misfit(from, e.getMessage(), "write it as a table of readings does");
    }
  }

  private static Answer answer(
      In<Entry> in, Field<Entry, Optional<String>> reading, Ask ask, String text) {
    try {
      return Answer.parse(ask, text);
    } catch (IllegalArgumentException e) {
      throw in.misfit(reading, e.getMessage(), "correct it, or take the reading out");
    }
  }

  private static Codec<Repair> repair() {
    Fields<Repair> f = new Fields<>();
    Field<Repair, String> what = f.need("what", Plain.LINE, Repair::what);
    Field<Repair, Set<Joint>> places =
        f.usually("places", Plain.sorted(JOINT), Repair::places, Set.of())
            .says("what it touched: what was read there before counts no more");
    Field<Repair, Integer> after =
        f.need("after", Plain.whole(Range.of(0, Round.MOST)), Repair::after)
            .says("how many readings there were by then");
    return f.make(in -> new Repair(in.get(what), in.get(places), in.get(after)));
  }

  private static Joint joint(String text, Value at) {
    try {
      return Joint.parse(text);
    } catch (IllegalArgumentException e) {
      throw at.misfit(e.getMessage(), "name it as nets does");
    }
  }
}
