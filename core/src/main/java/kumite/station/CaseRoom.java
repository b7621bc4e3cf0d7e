package kumite.station;

import java.util.List;
import kumite.box.BoxChecks;
import kumite.box.BoxCode;
import kumite.build.box.BoxBook;
import kumite.files.BoxJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** The box under the panel. */
public final class CaseRoom implements Room {
  @Override
  public Station station() {
    return Station.CASE;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(BoxJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(BoxCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(BoxChecks.FINDINGS);
  }

  @Override
  public State state(Bench bench) {
    return bench.build().get(BoxBook.PART).box().isPresent()
        ? State.SETTLED
        : new State("a plain box", false);
  }

  @Override
  public String nothingToSay(Bench bench) {
    return "Nobody decided anything about the case yet; a plain one is shown, made from the panel.";
  }

  @Override
  public List<Export> exports() {
    return List.of(
        Exports.CASE_DXF,
        Exports.CASE_SVG,
        Exports.CASE_STL,
        Exports.CASE_CUTS,
        Exports.CASE_DRILL);
  }
}
