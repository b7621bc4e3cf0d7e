package kumite.station;

import java.util.List;
import kumite.build.lead.LeadBook;
import kumite.files.LeadJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.leads.LeadCode;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** Leads, cables and ring-outs. */
public final class LeadsRoom implements Room {
  @Override
  public Station station() {
    return Station.LEADS;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(LeadJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(LeadCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(Desks.LEAD_FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.LEADS);
  }

  @Override
  public List<String> demos() {
    return List.of("quarter-turn");
  }

  @Override
  public State state(Bench bench) {
    return bench.build().leads().equals(LeadBook.EMPTY) ? new State("none", false) : State.SETTLED;
  }

  @Override
  public String nothingToSay(Bench bench) {
    return "No leads to judge. Make one, or ring out a cable.";
  }
}
