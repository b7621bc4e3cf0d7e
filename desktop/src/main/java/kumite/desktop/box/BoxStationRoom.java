package kumite.desktop.box;

import java.util.List;
import kumite.box.PlainBox;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.panel.Panel;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;

/** The case in the window. */
public final class BoxStationRoom implements StationRoom {
  /** The desk of the picture slopes by so much. */
  private static final double FRONT_MM = 58;

  @Override
  public Station station() {
    return Station.CASE;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new BoxStation(workbench, frame);
  }

  private static Build sloped(Build build) {
    Panel panel = build.panel();
    return build.withPanel(panel.withInside(panel.inside().withFrontDepth(FRONT_MM)));
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "case",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.CASE);
              hand.workbench()
                  .apply(
                      new Edit(
                          "Take the plain case",
                          b -> PlainBox.in(sloped(b), hand.workbench().catalogue())));
            }),
        new Picture("case-solid", hand -> hand.press("Solid")));
  }
}
