package kumite.desktop.box;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;

/** The case in the window. */
public final class BoxStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.CASE;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new BoxStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "case",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.CASE);
            }));
  }
}
