package kumite.desktop.map;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.name.ContactId;

/** Map in the window. */
public final class MapStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.MAP;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new MapStation(workbench, frame);
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "map-pressed",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.MAP);
              hand.workbench().hold(ContactId.parse("port"), 0.62);
              hand.workbench().hold(ContactId.parse("rudder.left"), 1);
              hand.workbench().select(ContactId.parse("horn"));
              hand.workbench().hold(ContactId.parse("horn"), 1);
            }),
        new Picture(
            "map-layers",
            hand -> {
              hand.demo("one-hand");
              hand.workbench().station().set(Station.MAP);
              hand.press("Shift, while held shift");
              hand.workbench().select(ContactId.parse("light"));
              hand.workbench().hold(ContactId.parse("shift"), 1);
              hand.workbench().hold(ContactId.parse("light"), 1);
            }),
        new Picture(
            "map-firmware",
            hand -> {
              hand.workbench().release();
              hand.workbench().select(ContactId.parse("dash"));
              hand.press("Firmware");
            }));
  }
}
