package kumite.kind;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.kind.ControlKind.Family;
import kumite.measure.Point;
import kumite.measure.Shape;
import kumite.name.TabRole;

/**
 * Where tabs usually are, for kinds that do not say it: common practice, no source. A lever's
 * switch is opposite the push: pushed up, it closes the switch at the front.
 */
final class UsualTabs {
  static final String CLOSED = TabRole.CLOSED.text();

  /** From tab to tab of a switch or a pot, where the body is wide enough. */
  private static final double TAB_MM = 5;

  /** From pin to pin of a row. */
  private static final double PIN_MM = 2.54;

  /** How far towards its edge a body's tabs are, of the way from its middle. */
  private static final double OUT = 0.84;

  private final Shape body;
  private final List<TabSpot> spots = new ArrayList<>();

  private UsualTabs(Shape body) {
    this.body = body;
  }

  static Tabs of(
      Family family,
      Shape body,
      List<ContactKind> contacts,
      double tabMm,
      boolean lit,
      int steps,
      boolean fed) {
    UsualTabs tabs = new UsualTabs(body);
    if (fed) {
      List<String> names = new ArrayList<>(List.of(TabRole.SUPPLY.text(), TabRole.GROUND.text()));
      contacts.forEach(c -> names.add(named(c, own(c, TabRole.OPEN.text()))));
      tabs.row(names, PIN_MM, Looks.BACK, OUT);
    } else if (family == Family.PAD) {
      tabs.spots.add(
          new TabSpot(
              named(contacts.get(0), own(contacts.get(0), TabRole.OPEN.text())),
              new Point(0, 0),
              Looks.DOWN));
      tabs.rest(contacts.subList(1, contacts.size()), steps, false);
    } else {
      boolean threeTabs = tabMm > 0 || family == Family.TOGGLE;
      tabs.switches(family, contacts, steps, threeTabs);
    }
    if (lit) {
      double out = body.heightMm() / 2 * 0.6;
      tabs.spots.add(new TabSpot(TabRole.LAMP_PLUS.text(), new Point(0, out), Looks.DOWN));
      tabs.spots.add(new TabSpot(TabRole.LAMP_MINUS.text(), new Point(0, -out), Looks.DOWN));
    }
    return Tabs.of(tabs.spots);
  }

  private void switches(Family family, List<ContactKind> contacts, int steps, boolean threeTabs) {
    if (contacts.size() == 1) {
      ContactKind only = contacts.get(0);
      switch (only.type()) {
        case SWITCH -> {
          if (family == Family.KEY) {
            corners(only);
          } else {
            row(names(only, threeTabs), TAB_MM, Looks.DOWN, 0);
          }
        }
        case WIPER -> {
          if (family == Family.SLIDER) {
            track(only);
          } else {
            row(names(only, false), TAB_MM, Looks.FRONT, OUT);
          }
        }
        case LADDER -> ring(only, steps);
      }
      return;
    }
    List<ContactKind> others = new ArrayList<>();
    for (ContactKind contact : contacts) {
      Optional<Looks> away = opposite(contact);
      if (family == Family.LEVER && away.isPresent()) {
        row(names(contact, threeTabs), TAB_MM, away.get(), OUT);
      } else {
        others.add(contact);
      }
    }
    rest(others, steps, threeTabs);
  }

  /** Whatever has no place of its own: one row a contact, from the front to the back. */
  private void rest(List<ContactKind> contacts, int steps, boolean threeTabs) {
    int rows = contacts.size();
    for (int r = 0; r < rows; r++) {
      double at = rows == 1 ? 0 : (r / (rows - 1.0) - 0.5) * OUT * body.heightMm();
      List<String> names =
          contacts.get(r).type() == ContactKind.Type.LADDER
              ? taps(contacts.get(r), steps)
              : names(contacts.get(r), threeTabs);
      double pitch = Math.min(TAB_MM, room(body.widthMm(), names.size()));
      for (int i = 0; i < names.size(); i++) {
        double x = (i - (names.size() - 1) / 2.0) * pitch;
        spots.add(new TabSpot(names.get(i), inside(new Point(x, at)), Looks.DOWN));
      }
    }
  }

  /** {@return the side of a lever where the switch is that a push closes} */
  private static Optional<Looks> opposite(ContactKind contact) {
    return Push.of(contact)
        .map(
            push ->
                switch (push) {
                  case UP -> Looks.FRONT;
                  case DOWN -> Looks.BACK;
                  case LEFT -> Looks.RIGHT;
                  case RIGHT -> Looks.LEFT;
                });
  }

  /** Beside each other at one side of the body; in its middle where nothing is said. */
  private void row(List<String> names, double pitchMm, Looks looks, double out) {
    Point way = looks.step();
    boolean upright = way.xMm() != 0;
    double across = upright ? body.heightMm() : body.widthMm();
    double pitch = Math.min(pitchMm, room(across, names.size()));
    for (int i = 0; i < names.size(); i++) {
      double along = (i - (names.size() - 1) / 2.0) * pitch;
      Point at =
          new Point(
              upright ? way.xMm() * out * body.widthMm() / 2 : along,
              upright ? along : way.yMm() * out * body.heightMm() / 2);
      spots.add(new TabSpot(names.get(i), inside(at), looks));
    }
  }

  private static double room(double acrossMm, int tabs) {
    return acrossMm * 0.8 / Math.max(1, tabs);
  }

  /** Two of the four legs, across from each other: those of one side are joined inside. */
  private void corners(ContactKind contact) {
    double x = body.widthMm() * 0.3;
    double y = body.heightMm() * 0.3;
    List<String> names = names(contact, false);
    spots.add(new TabSpot(names.get(0), inside(new Point(x, y)), Looks.DOWN));
    spots.add(new TabSpot(names.get(1), inside(new Point(-x, -y)), Looks.DOWN));
  }

  /** Where a slide begins there are its first end and the wiper, at the far end the other one. */
  private void track(ContactKind contact) {
    boolean upright = body.heightMm() >= body.widthMm();
    double far = (upright ? body.heightMm() : body.widthMm()) / 2 * 0.9;
    double beside = Math.min(TAB_MM, 0.6 * (upright ? body.widthMm() : body.heightMm())) / 2;
    double[][] at = {{-beside, -far}, {beside, -far}, {0, far}};
    List<String> names = names(contact, false);
    for (int i = 0; i < names.size(); i++) {
      Point point = upright ? new Point(at[i][0], at[i][1]) : new Point(at[i][1], -at[i][0]);
      spots.add(new TabSpot(names.get(i), inside(point), Looks.DOWN));
    }
  }

  /** Taps on a circle, clockwise from the left of the front, the wiper in the middle. */
  private void ring(ContactKind contact, int steps) {
    List<String> names = taps(contact, steps);
    spots.add(new TabSpot(names.get(0), new Point(0, 0), Looks.DOWN));
    double radius = Math.min(body.widthMm(), body.heightMm()) / 2 * 0.8;
    for (int i = 1; i < names.size(); i++) {
      double angle = Math.toRadians(240 - 300.0 * (i - 1) / Math.max(1, names.size() - 2));
      spots.add(
          new TabSpot(
              names.get(i),
              new Point(radius * Math.cos(angle), radius * Math.sin(angle)),
              Looks.DOWN));
    }
  }

  private Point inside(Point at) {
    if (body instanceof Shape.Round round) {
      double out = Math.hypot(at.xMm(), at.yMm());
      double most = round.diameterMm() / 2 * 0.9;
      return out <= most ? at : new Point(at.xMm() * most / out, at.yMm() * most / out);
    }
    return at;
  }

  private static List<String> names(ContactKind contact, boolean threeTabs) {
    if (contact.type() == ContactKind.Type.WIPER) {
      return List.of(
          named(contact, TabRole.FIRST_END.text()),
          named(contact, own(contact, "W")),
          named(contact, TabRole.LAST_END.text()));
    }
    String common = named(contact, TabRole.COMMON.text());
    String open = named(contact, own(contact, TabRole.OPEN.text()));
    String closed = named(contact, CLOSED);
    return threeTabs && !open.equals(closed)
        ? List.of(common, open, closed)
        : List.of(common, open);
  }

  private static List<String> taps(ContactKind contact, int steps) {
    List<String> names = new ArrayList<>();
    names.add(named(contact, own(contact, "W")));
    for (int step = 1; step <= steps; step++) {
      names.add(named(contact, ContactKind.tap(step, steps)));
    }
    return names;
  }

  private static String own(ContactKind contact, String usual) {
    return contact.tab().isEmpty() ? usual : contact.tab();
  }

  private static String named(ContactKind contact, String tab) {
    return contact.named(tab);
  }
}
