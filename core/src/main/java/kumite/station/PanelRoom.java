package kumite.station;

import java.util.List;
import java.util.stream.Stream;
import kumite.box.FaceChecks;
import kumite.files.PanelJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.panel.HandCode;
import kumite.panel.PanelCode;
import kumite.panel.PanelDerivations;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Export;
import kumite.verdict.Room;

/** The plate with all that sits in it. */
public final class PanelRoom implements Room {
  @Override
  public Station station() {
    return Station.PANEL;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(PanelJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return Stream.of(PanelCode.values(), HandCode.values()).flatMap(Stream::of).toList();
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(PanelDerivations.FINDINGS, FaceChecks.FINDINGS);
  }

  @Override
  public List<Derivation<?>> shown() {
    return List.of(PanelDerivations.GAPS, PanelDerivations.REACH, PanelDerivations.DRILL);
  }

  @Override
  public List<Export> exports() {
    return List.of(
        Exports.TEMPLATE, Exports.SVG, Exports.DXF, Exports.ART, Exports.DRILL, Exports.CAP_LABELS);
  }

  @Override
  public List<String> demos() {
    return List.of("ferry-bridge", "lantern-duel");
  }
}
