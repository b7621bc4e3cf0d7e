package kumite.files;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.plan.Finish;
import kumite.build.plan.OwnStep;
import kumite.build.plan.PlanBook;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.room.PartCodec;

/** How the plan stands in the file. */
public final class PlanJson {
  private static final Codec<String> ID = Plain.form("^[a-z0-9]+(-[a-z0-9]+)*$");

  /** The plan's codec. */
  public static final PartCodec<PlanBook> CODEC = new PartCodec<>(PlanBook.PART, false, book());

  private PlanJson() {}

  private static Codec<PlanBook> book() {
    Fields<PlanBook> f = new Fields<>();
    Field<PlanBook, Optional<Finish>> finish =
        f.maybe("finish", Plain.word(Finish.class), PlanBook::finish)
            .says("of the panel; else as its material wants it");
    Field<PlanBook, Map<String, String>> done =
        f.usually(
                "done",
                Plain.map(Plain.LINE, Plain.form("^[0-9a-f]{8}$")),
                PlanBook::done,
                Map.of())
            .says("steps that are done, with a mark of what they said then");
    Field<PlanBook, Set<String>> already =
        f.usually("already", Plain.sorted(Plain.LINE), PlanBook::already, Set.of())
            .says("controls, leads or steps that are there already");
    Field<PlanBook, Set<String>> unused =
        f.usually("not_used", Plain.sorted(Plain.LINE), PlanBook::unused, Set.of())
            .says("those that are not used");
    Field<PlanBook, List<OwnStep>> own =
        f.some("own", Plain.list(own().named("own_step"), 0, PlanBook.MOST), PlanBook::own)
            .says("steps of your own");
    return f.make(
        in ->
            new PlanBook(
                in.get(finish), in.get(done), in.get(already), in.get(unused), in.get(own)));
  }

  private static Codec<OwnStep> own() {
    Fields<OwnStep> f = new Fields<>();
    Field<OwnStep, String> id = f.need("id", ID, OwnStep::id);
    Field<OwnStep, String> what = f.need("what", Plain.LINE, OwnStep::what);
    Field<OwnStep, String> why = f.usually("why", Plain.TEXT, OwnStep::why, "");
    Field<OwnStep, List<String>> after =
        f.some("after", Plain.list(Plain.LINE), OwnStep::after).says("steps that come first");
    Field<OwnStep, List<String>> before =
        f.some("before", Plain.list(Plain.LINE), OwnStep::before).says("steps that come later");
    Field<OwnStep, Integer> minutes =
        f.usually("minutes", Plain.whole(OwnStep.MINUTES), OwnStep::minutes, 10);
    Field<OwnStep, Integer> wait =
        f.usually("wait_min", Plain.whole(OwnStep.WAIT), OwnStep::waitMinutes, 0)
            .says("what follows has to wait so long");
    Field<OwnStep, Boolean> noReturn =
        f.usually("no_return", Plain.TRUTH, OwnStep::noReturn, false)
            .says("whether it cannot be undone");
    return f.make(
        in ->
            new OwnStep(
                in.get(id),
                in.get(what),
                in.get(why),
                in.get(after),
                in.get(before),
                in.get(minutes),
                in.get(wait),
                in.get(noReturn)));
  }
}
