package kumite.station;

import java.util.List;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.ports.PortCode;
import kumite.room.Derivation;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** What plugs in, and whether it speaks its language. */
public final class SignalsRoom implements Room {
  private static final Derivation<List<Finding>> FINDINGS = Desks.findings(Station.SIGNALS);

  @Override
  public Station station() {
    return Station.SIGNALS;
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(PortCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.PORTS);
  }

  @Override
  public List<String> demos() {
    return List.of("attic-pads");
  }

  @Override
  public State state(Bench bench) {
    return bench.build().ports().ports().isEmpty() ? new State("none", false) : State.SETTLED;
  }

  @Override
  public String nothingToSay(Bench bench) {
    return bench.build().ports().ports().isEmpty()
        ? "Nothing plugs in yet. Add a port: an old pad, read by your board; or answer a console."
        : "Nothing speaks against what plugs in. What its wires do is told at the Loom station.";
  }
}
