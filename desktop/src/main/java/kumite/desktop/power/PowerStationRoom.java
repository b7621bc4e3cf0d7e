package kumite.desktop.power;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;

/** Power in the window. */
public final class PowerStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.POWER;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new PowerStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "power",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.POWER);
            }));
  }
}
