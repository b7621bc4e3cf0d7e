package kumite.station;

import java.util.List;
import kumite.files.ScriptJson;
import kumite.files.TuningJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.map.MapCode;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** What contacts mean to the host. */
public final class MapRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS = Desks.findings(Station.MAP);

  @Override
  public Station station() {
    return Station.MAP;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(TuningJson.CODEC, ScriptJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(MapCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(
        Exports.ASSIGNMENT,
        Exports.HOST_CHART,
        Exports.MAPPING_LINE,
        Exports.DESCRIPTOR,
        Exports.FIRMWARE,
        Exports.LOADER_TABLE);
  }

  @Override
  public List<String> demos() {
    return List.of("one-hand");
  }
}
