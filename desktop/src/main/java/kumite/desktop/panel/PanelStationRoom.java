package kumite.desktop.panel;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.name.ControlId;

/** Panel in the window. */
public final class PanelStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.PANEL;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new PanelStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "panel",
            hand -> {
              hand.workbench().station().set(Station.PANEL);
              hand.workbench().select(new ControlId("horn"));
            }),
        new Picture(
            "panel-hand",
            hand -> {
              hand.press("Top");
              hand.press("Hand");
            }),
        new Picture(
            "panel-gaps",
            hand -> {
              hand.press("Gaps");
              hand.choose("gaps", 1);
            }));
  }
}
