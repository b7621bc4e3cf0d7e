package kumite.station;

import java.util.List;
import java.util.stream.Stream;
import kumite.circuit.PowerCode;
import kumite.files.SupplyJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.supply.SupplyCode;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;
import kumite.verdict.Supplies;

/** Volts and amps. */
public final class PowerRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS = Desks.findings(Station.POWER);

  @Override
  public Station station() {
    return Station.POWER;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(SupplyJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return Stream.of(PowerCode.values(), SupplyCode.values()).flatMap(Stream::of).toList();
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS, Supplies.FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.SPICE);
  }
}
