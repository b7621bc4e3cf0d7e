package kumite.desktop.log;

import java.time.Clock;
import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;

/** Log in the window. */
public final class LogStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.LOG;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new LogStation(workbench, Clock.systemDefaultZone());
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "log",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.LOG);
            }));
  }
}
