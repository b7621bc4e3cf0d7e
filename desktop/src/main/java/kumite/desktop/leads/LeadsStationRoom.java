package kumite.desktop.leads;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;

/** Leads in the window. */
public final class LeadsStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.LEADS;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new LeadsStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "leads",
            hand -> {
              hand.demo("quarter-turn");
              hand.workbench().station().set(Station.LEADS);
            }),
        new Picture("leads-ringout", hand -> hand.press("Ring-out")));
  }
}
