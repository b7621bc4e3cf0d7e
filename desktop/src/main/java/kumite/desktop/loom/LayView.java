package kumite.desktop.loom;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import kumite.build.Control;
import kumite.desktop.plan.CaseLayer;
import kumite.desktop.plan.Scale;
import kumite.desktop.shell.Workbench;
import kumite.kind.Terminal;
import kumite.loom.Strand;
import kumite.loom.Supplied;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.panel.Captions;
import kumite.panel.Rounding;
import kumite.verdict.Bench;
import kumite.wiring.Lay;

/**
 * The wires behind the panel as they lie, from below or from the face. The mouse or the arrow keys
 * light one wire; the wheel and + and − zoom, a drag moves.
 */
final class LayView extends Pane {
  private static final double ZOOM_STEP = 1.2;

  /** Names of terminals are shown from this many dots between two on. */
  /** Tabs of a supply part are nearer together than this. */
  private static final double SUPPLY_PX = 24;

  private static final double NAMED_PX = 10;

  /** Round what sits in a wall. */
  private static final double ROOM_MM = 25;

  private static final double TERMINAL_PITCH_MM = 2.54;
  private static final double CAPTION_STEP_PX = 6;
  private static final double FURTHEST_PX = 70;

  private final Workbench workbench;
  private final CaseLayer caseLayer = new CaseLayer();
  private final Group bodies = new Group();
  private final Group terminals = new Group();
  private final Group wires = new Group();
  private final Group marks = new Group();
  private final Group words = new Group();
  private final Map<Jumper, LaidWire> nodes = new LinkedHashMap<>();
  private Scale scale = new Scale(1, 0, 0, 1, true);
  private Optional<Lay> lay = Optional.empty();
  private Optional<Jumper> lit = Optional.empty();
  private Runnable told = () -> {};
  private boolean below = true;
  private boolean fitted = true;
  private double grabX;
  private double grabY;
  private boolean dragged;

  LayView(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("lay-view");
    setId("lay");
    setMinSize(200, 120);
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.IMAGE_VIEW);
    setAccessibleText("Wires behind the panel");
    caseLayer.setMouseTransparent(true);
    caseLayer.withoutBoardName();
    words.setMouseTransparent(true);
    getChildren().addAll(caseLayer, bodies, terminals, wires, marks, words);
    getChildren().forEach(child -> child.setManaged(false));
    Rectangle clip = new Rectangle();
    clip.widthProperty().bind(widthProperty());
    clip.heightProperty().bind(heightProperty());
    setClip(clip);
    widthProperty().addListener((o, was, is) -> draw());
    heightProperty().addListener((o, was, is) -> draw());
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    addEventHandler(ScrollEvent.SCROLL, this::scrolled);
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    addEventHandler(MouseEvent.MOUSE_MOVED, event -> hover(wireAt(event)));
    addEventHandler(MouseEvent.MOUSE_EXITED, event -> hover(Optional.empty()));
    workbench.hovered().addListener((o, was, is) -> states());
    workbench.path().addListener((o, was, is) -> light(Optional.empty()));
  }

  /** Tells whom to tell when another wire is lit. */
  void tell(Runnable listener) {
    told = listener;
  }

  void show(Bench bench) {
    lay = bench.lay();
    lit = lit.filter(wire -> wire(wire).isPresent());
    draw();
  }

  void below(boolean isBelow) {
    below = isBelow;
    fit();
  }

  void fit() {
    fitted = true;
    draw();
  }

  void zoom(double factor) {
    zoom(factor, getWidth() / 2, getHeight() / 2);
  }

  private void zoom(double factor, double x, double y) {
    fitted = false;
    scale = scale.zoomed(factor, x, y);
    draw();
  }

  /** {@return what is laid; empty without a board} */
  Optional<Lay> lay() {
    return lay;
  }

  /** {@return the wire that is lit: under the mouse, walked to, or of the chosen contact} */
  Optional<Lay.Laid> lit() {
    return lit.or(this::ofContact).flatMap(this::wire);
  }

  private Optional<Jumper> ofContact() {
    return workbench
        .shown()
        .flatMap(
            contact ->
                lay.stream()
                    .flatMap(l -> l.wires().stream())
                    .filter(
                        w ->
                            w.strand().flatMap(Strand::contact).filter(contact::equals).isPresent())
                    .map(Lay.Laid::ends)
                    .findFirst());
  }

  private Optional<Lay.Laid> wire(Jumper ends) {
    return lay.stream()
        .flatMap(l -> l.wires().stream())
        .filter(w -> w.ends().equals(ends))
        .findFirst();
  }

  // ---- hands

  private void key(KeyEvent event) {
    switch (event.getCode()) {
      case RIGHT, DOWN -> walk(1);
      case LEFT, UP -> walk(-1);
      case PLUS, ADD, EQUALS -> zoom(ZOOM_STEP);
      case MINUS, SUBTRACT -> zoom(1 / ZOOM_STEP);
      case HOME -> fit();
      case ENTER -> choose();
      case ESCAPE -> {
        if (lit.isEmpty()) {
          return;
        }
        light(Optional.empty());
      }
      default -> {
        return;
      }
    }
    event.consume();
  }

  private void walk(int by) {
    List<Jumper> all = List.copyOf(nodes.keySet());
    if (!all.isEmpty()) {
      int at = lit().map(wire -> all.indexOf(wire.ends())).orElse(by > 0 ? -1 : 0);
      light(Optional.of(all.get(Math.floorMod(at + by, all.size()))));
    }
  }

  private void scrolled(ScrollEvent event) {
    if (event.getDeltaY() != 0) {
      zoom(event.getDeltaY() > 0 ? ZOOM_STEP : 1 / ZOOM_STEP, event.getX(), event.getY());
    }
    event.consume();
  }

  private void pressed(MouseEvent event) {
    requestFocus();
    grabX = event.getX();
    grabY = event.getY();
    dragged = false;
  }

  private void dragged(MouseEvent event) {
    dragged = true;
    fitted = false;
    scale = scale.moved(event.getX() - grabX, event.getY() - grabY);
    grabX = event.getX();
    grabY = event.getY();
    draw();
  }

  private void released(MouseEvent event) {
    if (dragged) {
      return;
    }
    if (event.getPickResult().getIntersectedNode().getUserData() instanceof Terminal terminal) {
      BoardView.move(workbench, terminal);
    } else {
      light(wireAt(event));
      choose();
    }
  }

  private static Optional<Jumper> wireAt(MouseEvent event) {
    javafx.scene.Node node = event.getPickResult().getIntersectedNode();
    while (node != null && !(node instanceof LaidWire)) {
      node = node.getParent();
    }
    return node instanceof LaidWire wire ? Optional.of(wire.ends()) : Optional.empty();
  }

  private void hover(Optional<Jumper> wire) {
    if (!lit.equals(wire) && (wire.isPresent() || !isFocused())) {
      light(wire);
    }
  }

  private void light(Optional<Jumper> wire) {
    lit = wire;
    states();
  }

  /** The contact of the lit wire becomes the chosen one, for all stations. */
  private void choose() {
    lit.flatMap(this::wire)
        .flatMap(Lay.Laid::strand)
        .flatMap(Strand::contact)
        .ifPresent(
            contact -> {
              Optional<Jumper> keep = lit;
              workbench.select(contact);
              light(keep);
            });
  }

  // ---- drawing

  private void draw() {
    if (getWidth() < 50 || getHeight() < 50) {
      return;
    }
    Bench bench = workbench.bench().get();
    var panel = bench.build().panel();
    scale =
        fitted
            ? around(bench, Scale.fit(panel, getWidth(), getHeight(), below))
            : scale.forPanel(panel.widthMm(), below);
    caseLayer.show(scale, bench);
    bodies(bench);
    nodes.clear();
    wires.getChildren().clear();
    marks.getChildren().clear();
    terminals.getChildren().clear();
    words.getChildren().clear();
    Captions captions =
        new Captions(new Captions.Box(2, 2, getWidth() - 4, getHeight() - 4), CAPTION_STEP_PX);
    lay.ifPresent(l -> draw(bench, l, captions));
    if (lay.isPresent()) { // before a board is chosen, how to choose one lies over the picture
      controlNames(bench, captions);
    }
    caseLayer
        .outside()
        .forEach(
            (name, named) -> {
              Optional<Captions.Box> place =
                  captions.place(named, name.getWidth(), name.getHeight(), FURTHEST_PX);
              name.setVisible(place.isPresent());
              place.ifPresent(box -> name.relocate(Math.round(box.left()), Math.round(box.top())));
            });
    states();
  }

  private void draw(Bench bench, Lay all, Captions captions) {
    Placement at = bench.build().board().orElseThrow().placement();
    for (Terminal terminal : bench.board().orElseThrow().terminals()) {
      boolean used = all.tabs().containsKey(Joint.board(terminal.name()));
      Circle hole = dot(at.place(terminal.at()), Math.max(1.2, 0.6 * scale.pxPerMm()));
      hole.getStyleClass().add(used ? "lay-tab" : "lay-free");
      boolean free = !used && terminal.role() == Terminal.Role.INPUT;
      hole.setUserData(free ? terminal : null);
      String words = terminal.name() + (free ? ", free: a click moves the chosen wire here" : "");
      hole.setAccessibleText(words);
      Tooltip.install(hole, new Tooltip(words));
      terminals.getChildren().add(hole);
    }
    for (Lay.Laid wire : all.wires()) {
      LaidWire node = new LaidWire(wire, scale, bench.build().brief().units());
      nodes.put(wire.ends(), node);
      wires.getChildren().add(node);
      for (int i = 1; i < wire.way().size(); i++) {
        captions.avoid(box(wire.way().get(i - 1), wire.way().get(i)));
      }
    }
    for (Lay.Tie tie : all.ties()) {
      Line line =
          new Line(
              scale.x(tie.from().xMm()),
              scale.y(tie.from().yMm()),
              scale.x(tie.to().xMm()),
              scale.y(tie.to().yMm()));
      line.getStyleClass().add("lay-tie");
      Tooltip.install(line, new Tooltip("tie round " + tie.wires() + " wires"));
      marks.getChildren().add(line);
    }
    for (Lay.Small part : all.parts()) {
      marks.getChildren().add(SmallPart.node(part, scale));
    }
    all.tabs()
        .forEach(
            (joint, place) -> {
              boolean board = joint.part().equals(Joint.BOARD);
              if (!board) {
                Circle tab = dot(place, Math.max(1.8, Math.min(5, 0.9 * scale.pxPerMm())));
                tab.getStyleClass().add("lay-tab");
                Tooltip.install(tab, new Tooltip(joint.tab()));
                marks.getChildren().add(tab);
              }
              if (scale.pxPerMm() * TERMINAL_PITCH_MM >= NAMED_PX) {
                word(joint.tab(), box(place, place), captions, "lay-tab-name");
              }
            });
  }

  /** What sits in walls lies beside the panel, and is to be seen too. */
  private Scale around(Bench bench, Scale panel) {
    double width = bench.build().panel().widthMm();
    double height = bench.build().panel().heightMm();
    double left = 0;
    double right = width;
    double front = 0;
    double back = height;
    for (Control control : bench.build().flat().controls()) {
      Point at = control.placement().centre();
      left = Math.min(left, at.xMm() - ROOM_MM);
      right = Math.max(right, at.xMm() + ROOM_MM);
      front = Math.min(front, at.yMm() - ROOM_MM);
      back = Math.max(back, at.yMm() + ROOM_MM);
    }
    if (bench.build().onPanel().size() == bench.build().controls().size()) {
      return panel;
    }
    double factor = Math.min(width / (right - left), height / (back - front));
    Scale wider = panel.zoomed(factor, panel.x(width / 2), panel.y(height / 2));
    return wider.moved(
        getWidth() / 2 - wider.x((left + right) / 2),
        getHeight() / 2 - wider.y((front + back) / 2));
  }

  private void bodies(Bench bench) {
    bodies.getChildren().clear();
    for (Control control : bench.build().flat().labelled()) {
      Polygon body = new Polygon();
      Rounding.points(
              Rounding.of(bench.catalogue().kindOf(control).body(), control.placement()), 10)
          .forEach(p -> body.getPoints().addAll(scale.x(p.xMm()), scale.y(p.yMm())));
      body.getStyleClass().add("lay-body");
      bodies.getChildren().add(body);
    }
  }

  private void controlNames(Bench bench, Captions captions) {
    for (Control control : bench.build().flat().labelled()) {
      Point at = control.placement().centre();
      double wide = bench.catalogue().kindOf(control).body().widthMm() * scale.pxPerMm();
      double deep = bench.catalogue().kindOf(control).body().heightMm() * scale.pxPerMm();
      Captions.Box body =
          Captions.Box.about(scale.x(at.xMm()), scale.y(at.yMm()), wide * 0.7, deep * 0.7);
      word(control.label(), body, captions, "lay-name");
    }
    for (Supplied supplied : bench.loom().supplies()) {
      Point at = supplied.part().placement().centre();
      Captions.Box tabs =
          Captions.Box.about(scale.x(at.xMm()), scale.y(at.yMm()), SUPPLY_PX, SUPPLY_PX);
      word(supplied.part().label(), tabs, captions, "lay-name");
    }
  }

  private void word(String text, Captions.Box named, Captions captions, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    words.getChildren().add(label);
    label.applyCss();
    label.autosize();
    Optional<Captions.Box> place =
        captions.place(named, label.getWidth(), label.getHeight(), FURTHEST_PX);
    label.setVisible(place.isPresent());
    place.ifPresent(box -> label.relocate(Math.round(box.left()), Math.round(box.top())));
  }

  private Circle dot(Point at, double radius) {
    return new Circle(scale.x(at.xMm()), scale.y(at.yMm()), radius);
  }

  private Captions.Box box(Point a, Point b) {
    double room = 0.8 * scale.pxPerMm();
    double left = Math.min(scale.x(a.xMm()), scale.x(b.xMm())) - room;
    double top = Math.min(scale.y(a.yMm()), scale.y(b.yMm())) - room;
    return new Captions.Box(
        left,
        top,
        Math.abs(scale.x(a.xMm()) - scale.x(b.xMm())) + 2 * room,
        Math.abs(scale.y(a.yMm()) - scale.y(b.yMm())) + 2 * room);
  }

  /** What is lit stands out, in front; the rest steps back. */
  private void states() {
    Optional<Jumper> now = lit().map(Lay.Laid::ends);
    nodes.forEach((ends, node) -> node.lit(now.filter(ends::equals).isPresent(), now.isPresent()));
    now.map(nodes::get).ifPresent(LaidWire::toFront);
    setAccessibleHelp(now.map(nodes::get).map(LaidWire::getAccessibleText).orElse(""));
    told.run();
  }
}
