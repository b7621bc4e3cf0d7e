package kumite.desktop.bringup;

import java.time.Clock;
import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;

/** Bring-up in the window. */
public final class BringUpStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.BRING_UP;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new BringUpStation(workbench, Clock.systemDefaultZone());
  }

  @Override
  public void offer(Workbench workbench, Shell.Frame frame) {
    frame
        .commands()
        .offer(
            "Bring-up: what should the meter show, what is wrong",
            "",
            () -> workbench.station().set(Station.BRING_UP));
  }

  @Override
  public List<Picture> pictures() {
    return List.of();
  }
}
