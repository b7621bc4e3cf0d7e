package kumite.station;

import java.util.List;
import kumite.brief.BriefChecks;
import kumite.brief.BriefCode;
import kumite.files.BriefJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** What the controller must be, and for whose hands. */
public final class BriefRoom implements Room {
  @Override
  public Station station() {
    return Station.BRIEF;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(BriefJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(BriefCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(BriefChecks.FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.BENCH_SHEET);
  }

  @Override
  public State state(Bench bench) {
    return State.SETTLED;
  }
}
