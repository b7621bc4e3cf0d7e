package kumite.station;

import java.util.List;
import kumite.circuit.PowerCode;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.sheet.Exports;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** Volts and amps. */
public final class PowerRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS = Desks.findings(Station.POWER);

  @Override
  public Station station() {
    return Station.POWER;
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(PowerCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.SPICE);
  }
}
