package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Line;
import javafx.scene.shape.StrokeLineCap;
import kumite.desktop.field.StrandLine;
import kumite.kind.WireColour;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.LeadPart.Place;
import kumite.lead.Making;
import kumite.lead.Where;

/**
 * The two ends facing each other, with the cores between them as strands. Each pair of cores
 * crosses once at most. A drag from pin to pin puts a core in or takes it out.
 */
final class StrandsView extends Pane {
  private static final double LEAST_ROW = 24;
  private static final double MOST_ROW = 54;
  private static final double TOP = 44;
  private static final double FOOT = 18;
  private static final double LABEL = 128;

  private final LeadDesk desk;
  private final Group strands = new Group();
  private final Map<Place, StackPane> pins = new LinkedHashMap<>();
  private final Line drawn = new Line();
  private Optional<Lead> lead = Optional.empty();
  private Optional<Place> dragged = Optional.empty();

  StrandsView(LeadDesk desk) {
    this.desk = desk;
    setId("lead-strands");
    getStyleClass().add("lead-strands");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setAccessibleText("Cores between the two ends; arrow keys light one pin after another");
    strands.setManaged(false);
    drawn.getStyleClass().add("lead-drawn");
    drawn.setManaged(false);
    drawn.setVisible(false);
    widthProperty().addListener((o, was, is) -> draw());
    heightProperty().addListener((o, was, is) -> draw());
    desk.lit().addListener((o, was, is) -> draw());
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    setOnMousePressed(event -> requestFocus());
  }

  void show(Optional<Lead> newLead) {
    lead = newLead;
    int most =
        lead.map(l -> Math.max(desk.pins(l, Where.FROM).size(), desk.pins(l, Where.TO).size()))
            .orElse(1);
    setMinHeight(TOP + FOOT + most * LEAST_ROW);
    draw();
  }

  private void draw() {
    getChildren().clear();
    strands.getChildren().clear();
    pins.clear();
    if (lead.isEmpty() || getWidth() < 200) {
      return;
    }
    Lead shown = lead.get();
    getChildren().add(strands);
    for (Where where : Where.values()) {
      head(shown, where);
      List<String> names = desk.pins(shown, where);
      for (int i = 0; i < names.size(); i++) {
        pin(shown, where, names.get(i), i, names.size());
      }
    }
    List<Core> front = new ArrayList<>();
    for (Core core : shown.cores()) {
      if (desk.isLit(shown, Where.FROM, core.from())) {
        front.add(core);
      } else {
        strand(shown, core, desk.lit().get().isPresent());
      }
    }
    front.forEach(core -> strand(shown, core, false));
    for (LeadPart part : shown.parts()) {
      part(shown, part);
    }
    getChildren().add(drawn);
  }

  private double row(int count) {
    return Math.max(LEAST_ROW, Math.min(MOST_ROW, (getHeight() - TOP - FOOT) / count));
  }

  private double y(Where where, String pin) {
    List<String> names = desk.pins(lead.orElseThrow(), where);
    int at = names.indexOf(pin);
    return TOP + row(names.size()) * ((at < 0 ? names.size() - 1 : at) + 0.5);
  }

  private double x(Where where) {
    double label = Math.min(LABEL, getWidth() * 0.27);
    return where == Where.FROM ? label : getWidth() - label;
  }

  private void head(Lead shown, Where where) {
    Label label = new Label(desk.words(shown, where));
    label.getStyleClass().add("lead-end");
    label.setId(where == Where.FROM ? "lead-from" : "lead-to");
    label.setMaxWidth(getWidth() / 2 - 16);
    label.setTooltip(new javafx.scene.control.Tooltip(label.getText()));
    getChildren().add(label);
    label.applyCss();
    double width = Math.min(label.prefWidth(-1), getWidth() / 2 - 16);
    label.resizeRelocate(
        where == Where.FROM ? 10 : getWidth() - width - 10, 6, width, label.prefHeight(-1));
    label.setManaged(false);
  }

  private void pin(Lead shown, Where where, String name, int at, int count) {
    double size = Math.min(26, row(count) - 3);
    Label number = new Label(name);
    number.getStyleClass().add("lead-pin-number");
    StackPane pin = new StackPane(number);
    pin.getStyleClass().add("lead-pin");
    boolean round = name.length() < 3;
    if (!round) {
      pin.getStyleClass().add("named");
    }
    if (desk.isLit(shown, where, name)) {
      pin.getStyleClass().add("lit");
    }
    pin.setManaged(false);
    double wide = round ? size : Math.min(78, 12 + 8.0 * name.length());
    double y = y(where, name);
    pin.resizeRelocate(
        where == Where.FROM ? x(where) - (round ? size / 2 : wide - size / 2) : x(where) - size / 2,
        y - size / 2,
        wide,
        size);
    pin.setAccessibleRole(AccessibleRole.BUTTON);
    pin.setAccessibleText("Pin " + name + " of the " + where.words());
    Place place = new Place(where, name);
    pins.put(place, pin);
    pin.setId("pin-" + (where == Where.FROM ? "from-" : "to-") + name);
    pin.setOnMouseClicked(
        event -> {
          if (event.isStillSincePress()) {
            desk.toggle(where, name);
          }
        });
    pin.setOnMousePressed(event -> dragged = Optional.of(place));
    pin.setOnMouseDragged(
        event -> {
          javafx.geometry.Point2D to = sceneToLocal(event.getSceneX(), event.getSceneY());
          drawn.setStartX(x(where));
          drawn.setStartY(y);
          drawn.setEndX(to.getX());
          drawn.setEndY(to.getY());
          drawn.setVisible(true);
        });
    pin.setOnMouseReleased(
        event -> {
          drawn.setVisible(false);
          javafx.geometry.Point2D to = sceneToLocal(event.getSceneX(), event.getSceneY());
          dragged.ifPresent(from -> drop(from, to));
          dragged = Optional.empty();
        });
    label(shown, where, name, y, wide, size);
    getChildren().add(pin);
  }

  private void label(Lead shown, Where where, String name, double y, double wide, double size) {
    String words = desk.function(shown, where, name);
    List<String> givers =
        where == Where.TO
            ? shown.cores().stream()
                .filter(core -> core.to().equals(name))
                .map(core -> desk.plugs().role(shown, core))
                .filter(role -> !role.isEmpty() && !role.equals(words))
                .toList()
            : List.of();
    Label label =
        new Label(
            words
                + (givers.isEmpty()
                    ? ""
                    : (words.isEmpty() ? "" : " ← ") + String.join(" and ", givers)));
    label.getStyleClass().add(where == Where.FROM ? "lead-role" : "lead-role-there");
    if (!givers.isEmpty()) {
      label.getStyleClass().add("moved");
    }
    label.setManaged(false);
    double room = x(Where.FROM) - size / 2 - 14;
    label.resizeRelocate(
        where == Where.FROM ? 6 : x(where) + wide - size / 2 + 8,
        y - 11,
        where == Where.FROM
            ? Math.max(10, room - (wide - size))
            : Math.max(10, room - (wide - size)),
        22);
    label.setTooltip(new javafx.scene.control.Tooltip(label.getText()));
    getChildren().add(label);
  }

  private void strand(Lead shown, Core core, boolean back) {
    double from = y(Where.FROM, core.from());
    double to = y(Where.TO, core.to());
    CubicCurve edge = curve(from, to, 6.5, "lead-edge");
    CubicCurve base = curve(from, to, 4.5, "lead-base");
    base.setStroke(StrandLine.paint(core.colour().base()));
    Group all = new Group(edge, base);
    core.colour()
        .stripe()
        .ifPresent(
            hue -> {
              CubicCurve stripe = curve(from, to, 1.8, "lead-base");
              stripe.getStrokeDashArray().setAll(7.0, 7.0);
              stripe.setStroke(StrandLine.paint(hue));
              all.getChildren().add(stripe);
            });
    Label code = new Label(core.colour().code());
    code.getStyleClass().addAll("mono", "strand-label");
    code.setManaged(false);
    all.getChildren().add(code);
    all.setOpacity(back ? 0.25 : 1);
    all.setAccessibleRole(AccessibleRole.TEXT);
    all.setAccessibleText(
        core.colour().words() + " core from pin " + core.from() + " to pin " + core.to());
    all.setOnMouseClicked(event -> desk.toggle(Where.FROM, core.from()));
    strands.getChildren().add(all);
    code.applyCss(); // in the scene only now, and its type is known
    code.autosize();
    code.relocate(x(Where.FROM) + 22, bend(from, to, 0.1) - code.getHeight() / 2);
  }

  private static double bend(double from, double to, double t) {
    return from + (to - from) * (3 * t * t - 2 * t * t * t);
  }

  private CubicCurve curve(double from, double to, double width, String style) {
    double left = x(Where.FROM);
    double right = x(Where.TO);
    double pull = (right - left) * 0.45;
    CubicCurve curve = new CubicCurve(left, from, left + pull, from, right - pull, to, right, to);
    curve.setFill(null);
    curve.setStrokeWidth(width);
    curve.setStrokeLineCap(StrokeLineCap.BUTT);
    curve.getStyleClass().add(style);
    if (style.equals("lead-base")) {
      curve.setStroke(Color.GRAY);
    }
    return curve;
  }

  /** A part as a chip at its pin, or in the middle of its core. */
  private void part(Lead shown, LeadPart part) {
    Label chip = new Label(brief(part));
    chip.getStyleClass().addAll("note", "lead-part");
    chip.setTooltip(new javafx.scene.control.Tooltip(part.words()));
    chip.setManaged(false);
    getChildren().add(chip);
    chip.applyCss();
    double wide = chip.prefWidth(-1);
    double x;
    double y;
    if (part instanceof LeadPart.InCore within) {
      x = (x(Where.FROM) + x(Where.TO)) / 2 - wide / 2;
      y = (y(Where.FROM, within.from()) + y(Where.TO, within.to())) / 2;
    } else {
      Place at = at(part);
      boolean first = at.end() == Where.FROM;
      x = first ? x(Where.FROM) + 64 : x(Where.TO) - 24 - wide;
      y = y(at.end(), at.pin());
    }
    chip.resizeRelocate(x, y - 9, wide, 18);
  }

  private static Place at(LeadPart part) {
    return part instanceof LeadPart.Bridge bridge
        ? bridge.at()
        : part instanceof LeadPart.Across across
            ? across.at()
            : part instanceof LeadPart.Drain drain ? drain.at() : part.hanging().orElseThrow().at();
  }

  private static String brief(LeadPart part) {
    if (part instanceof LeadPart.Bridge bridge) {
      return "bridge to " + bridge.other();
    }
    if (part instanceof LeadPart.Diode diode) {
      return diode.band() == Where.TO ? "diode ▸|" : "|◂ diode";
    }
    if (part instanceof LeadPart.Drain) {
      return "shield";
    }
    String words = part.words();
    String value = words.substring(0, words.indexOf(' ', words.indexOf(' ') + 1));
    if (part instanceof LeadPart.Series) {
      return value;
    }
    if (part instanceof LeadPart.Across across) {
      return value + " to " + across.other().pin();
    }
    return value + (part instanceof LeadPart.PullUp ? " to supply" : " to ground");
  }

  private void drop(Place from, javafx.geometry.Point2D to) {
    Optional<Place> target =
        pins.entrySet().stream()
            .filter(entry -> entry.getValue().getBoundsInParent().contains(to))
            .map(Map.Entry::getKey)
            .filter(place -> place.end() != from.end())
            .findFirst();
    if (target.isEmpty() || desk.ofBoard()) {
      return;
    }
    Place one = from.end() == Where.FROM ? from : target.get();
    Place other = from.end() == Where.FROM ? target.get() : from;
    toggleCore(desk, one.pin(), other.pin());
  }

  /** Puts a core between two pins in, or takes it out. */
  static void toggleCore(LeadDesk desk, String from, String to) {
    desk.change(
        "Core from " + from + " to " + to,
        lead -> {
          List<Core> cores = new ArrayList<>(lead.cores());
          boolean gone = cores.removeIf(c -> c.from().equals(from) && c.to().equals(to));
          if (!gone) {
            List<Optional<WireColour>> given = new ArrayList<>();
            List<Optional<kumite.lead.Pinout.Pin>> at = new ArrayList<>();
            for (Core core : cores) {
              given.add(Optional.of(core.colour()));
              at.add(Optional.empty());
            }
            given.add(Optional.empty());
            at.add(desk.plugs().at(lead.from(), from));
            WireColour colour = Making.colours(given, at).get(cores.size());
            cores.add(new Core(from, to, colour, Optional.empty()));
          }
          return lead.withCores(desk.plugs().inOrder(lead.withCores(cores)));
        });
  }

  private void key(KeyEvent event) {
    int step = event.getCode() == KeyCode.DOWN ? 1 : event.getCode() == KeyCode.UP ? -1 : 0;
    if (lead.isEmpty() || step == 0 && event.getCode() != KeyCode.ESCAPE) {
      return;
    }
    event.consume();
    if (step == 0) {
      desk.lit().set(Optional.empty());
      return;
    }
    List<String> names = desk.pins(lead.get(), Where.FROM);
    int at =
        desk.lit()
            .get()
            .filter(place -> place.end() == Where.FROM)
            .map(place -> names.indexOf(place.pin()))
            .orElse(step > 0 ? -1 : names.size());
    int next = Math.max(0, Math.min(names.size() - 1, at + step));
    desk.lit().set(Optional.of(new Place(Where.FROM, names.get(next))));
  }

  @Override
  protected double computePrefHeight(double width) {
    return Region.USE_COMPUTED_SIZE;
  }
}
