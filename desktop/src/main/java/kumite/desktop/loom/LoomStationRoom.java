package kumite.desktop.loom;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.name.ContactId;

/** Loom in the window. */
public final class LoomStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.LOOM;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new LoomStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "loom",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.LOOM);
              hand.workbench().select(ContactId.parse("horn"));
            }),
        new Picture("loom-what-if", hand -> hand.press("What if")));
  }

  @Override
  public void offer(Workbench workbench, Shell.Frame frame) {
    LoomStation.offer(workbench, frame);
  }
}
