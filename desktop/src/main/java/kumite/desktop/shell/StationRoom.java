package kumite.desktop.shell;

import java.util.List;
import java.util.ServiceLoader;
import kumite.finding.Station;

/**
 * A station's room in the window, declared once: its view and the pictures of it. The list of
 * stations, the finder and the pictures in docs/screenshots are made from these.
 *
 * <p>The rooms of the application are found as services.
 */
public interface StationRoom {
  /** {@return the station that it is the view of} */
  Station station();

  /** {@return its view, made when it is first gone to} */
  StationView view(Workbench workbench, Shell.Frame frame);

  /** {@return pictures of it in the demo, in order; most have one} */
  default List<Picture> pictures() {
    return List.of();
  }

  /** Offers the finder what can be done here, before its view is made. */
  default void offer(Workbench workbench, Shell.Frame frame) {}

  /** {@return the rooms that the application has} */
  static List<StationRoom> standard() {
    return ServiceLoader.load(StationRoom.class, StationRoom.class.getClassLoader()).stream()
        .map(ServiceLoader.Provider::get)
        .toList();
  }

  /**
   * A picture of the window.
   *
   * @param name its file's name without ending
   * @param prepare brings the window there from where the picture before left it
   */
  record Picture(String name, Prepare prepare, int patience) {
    /** A picture of what is worked out at once. */
    public Picture(String name, Prepare prepare) {
      this(name, prepare, 1);
    }
  }

  /** Brings the window where its picture is taken. */
  interface Prepare {
    /** Does what a hand would do. */
    void on(Hand hand);
  }

  /** A hand on the window, as far as pictures need one. */
  interface Hand {
    /** {@return the workbench} */
    Workbench workbench();

    /** Opens a demo. */
    void demo(String name);

    /** Presses the button of that text. */
    void press(String text);

    /** Presses the button of that id. */
    void fire(String id);

    /** Chooses a row of the list of that id, from 0. */
    void choose(String id, int row);

    /** Types into the field of that id. */
    void type(String id, String text);

    /** Takes away what lies over the window. */
    void escape();
  }
}
