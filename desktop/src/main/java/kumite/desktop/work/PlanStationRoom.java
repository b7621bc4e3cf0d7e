package kumite.desktop.work;

import java.util.List;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;

/** Plan in the window. */
public final class PlanStationRoom implements StationRoom {
  @Override
  public Station station() {
    return Station.PLAN;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new PlanStation(workbench, frame.files());
  }

  @Override
  public void offer(Workbench workbench, Shell.Frame frame) {
    frame
        .commands()
        .offer("Plan: what can be done today", "", () -> workbench.station().set(Station.PLAN));
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "plan",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.PLAN);
              hand.press("All steps");
            }));
  }
}
