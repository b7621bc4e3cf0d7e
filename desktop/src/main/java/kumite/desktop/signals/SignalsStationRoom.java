package kumite.desktop.signals;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.name.ContactId;

/** Ports in the window. */
public final class SignalsStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.SIGNALS;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new SignalsStation(workbench, frame);
  }

  @Override
  public void offer(Workbench workbench, Shell.Frame frame) {
    frame
        .commands()
        .offer(
            "Signals: own pad by its USB report descriptor",
            "",
            () -> frame.over().raise(new OwnPad(workbench, frame)));
    frame
        .commands()
        .offer("Signals: add a port", "", () -> workbench.station().set(Station.SIGNALS));
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "signals",
            hand -> {
              hand.demo("attic-pads");
              hand.workbench().station().set(Station.SIGNALS);
              hand.workbench().select(ContactId.parse("pad-2.start"));
              hand.workbench().hold(ContactId.parse("pad-2.start"), 1);
            }));
  }
}
