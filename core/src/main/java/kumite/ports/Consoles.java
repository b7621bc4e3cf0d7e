package kumite.ports;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.brief.HostFunction;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.port.Port;
import kumite.kind.ControlKind;
import kumite.loom.Console;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import kumite.signal.PortKind;

/** Ports added to a build, as a builder would: with a name, a place, and what the host asks for. */
public final class Consoles {
  private static final double APART_MM = 50;
  private static final double FROM_BACK_MM = 18;
  private static final double FIRST_MM = 30;
  private static final double MARGIN_MM = 20;

  private static final String BUTTON = "button-30";

  private Consoles() {}

  /** {@return a port of the seat looked at where a pad plugs in} */
  public static Port pad(Build build, PortKind kind) {
    return port(build, kind, "Pad", Port.Does.READS);
  }

  /** {@return a port of the seat looked at where the build is the pad} */
  public static Port console(Build build, PortKind kind) {
    return port(build, kind, "Console", Port.Does.ANSWERS);
  }

  private static Port port(Build build, PortKind kind, String word, Port.Does does) {
    String label = build.freshLabel(word);
    ControlId id = build.freshId(label);
    double x =
        Math.min(
            build.panel().widthMm() - MARGIN_MM,
            FIRST_MM + APART_MM * build.ports().ports().size());
    double y = Math.max(MARGIN_MM / 2, build.panel().heightMm() - FROM_BACK_MM);
    Port port = Port.of(id, label, kind.id(), Placement.at(x, y)).doing(does);
    return build.seats().size() > 1 ? port.withSeat(Optional.of(build.seat().id())) : port;
  }

  /**
   * {@return the build with a console to answer; it asks for the buttons of its pad, so its
   * functions join those of the first profile}
   */
  public static Build added(Build build, PortKind kind) {
    Build with = build.withPorts(build.ports().with(console(build, kind)));
    return with.withProfile(profile -> asking(profile, kind));
  }

  /**
   * {@return the build with a contact for each of some buttons of a console: one that is there,
   * means nothing and is called so, else a new push button on a free place}
   */
  public static Build given(Build build, Catalogue catalogue, Console console, List<String> names) {
    Build next = build;
    for (String name : names) {
      ControlId id = unused(next, name);
      if (next.control(id).isEmpty()) {
        ControlKind kind = catalogue.control(BUTTON).orElseThrow();
        Point at = Arrange.freePlace(next, catalogue, kind, wished(next));
        next =
            next.withControl(
                next.seats().size() > 1
                    ? button(id, name, kind, at).withSeat(Optional.of(next.seat().id()))
                    : button(id, name, kind, at));
      }
      Mapping.Entry entry = new Mapping.Entry(console.chart().target(name), name);
      next = next.withMapping(next.mapping().with(new ContactId(id, ""), entry));
    }
    return next;
  }

  private static Control button(ControlId id, String name, ControlKind kind, Point at) {
    return Control.of(id, name, kind.id(), Placement.at(at.xMm(), at.yMm()));
  }

  /** A control of that label whose one contact means nothing yet; else a fresh id. */
  private static ControlId unused(Build build, String name) {
    return build.seated().stream()
        .filter(control -> control.label().equalsIgnoreCase(name))
        .map(Control::id)
        .filter(id -> build.mapping().of(new ContactId(id, "")).isEmpty())
        .findFirst()
        .orElseGet(() -> build.freshId(name));
  }

  /** The front left, where the first hand is. */
  private static Point wished(Build build) {
    return new Point(build.panel().widthMm() / 4, build.panel().heightMm() / 3);
  }

  private static Profile asking(Profile profile, PortKind kind) {
    Set<String> known = new HashSet<>();
    List<HostFunction> functions = new ArrayList<>(profile.functions());
    functions.forEach(function -> known.add(function.name()));
    kind.buttons().stream()
        .filter(known::add)
        .forEach(name -> functions.add(new HostFunction(name, HostFunction.Wants.PRESS)));
    return profile.withFunctions(functions);
  }
}
