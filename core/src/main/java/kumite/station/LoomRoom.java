package kumite.station;

import java.util.List;
import java.util.stream.Stream;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.loom.LoomCode;
import kumite.room.Derivation;
import kumite.sheet.Exports;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;
import kumite.wiring.NetCode;

/** The wires, as planned and as they are. */
public final class LoomRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS = Desks.findings(Station.LOOM);

  @Override
  public Station station() {
    return Station.LOOM;
  }

  @Override
  public List<? extends Code> codes() {
    return Stream.of(LoomCode.values(), NetCode.values()).flatMap(Stream::of).toList();
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(
        Exports.HEADER_OVERLAY,
        Exports.WIRING_BOARD,
        Exports.WIRING,
        Exports.CUT_LIST,
        Exports.NETLIST,
        Exports.PARTS,
        Exports.LABELS);
  }
}
