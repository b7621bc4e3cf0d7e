package kumite.desktop.brief;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;

/** Brief in the window. */
public final class BriefStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.BRIEF;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new BriefStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(new Picture("brief", hand -> hand.workbench().station().set(Station.BRIEF)));
  }
}
