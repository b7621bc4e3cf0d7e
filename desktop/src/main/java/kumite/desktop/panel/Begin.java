package kumite.desktop.panel;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Polygon;
import kumite.build.Build;
import kumite.build.Control;
import kumite.desktop.field.Em;
import kumite.desktop.field.StrandLine;
import kumite.desktop.plan.Scale;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.measure.Point;
import kumite.panel.Rounding;
import kumite.parts.Catalogue;

/** What can be begun while the panel is empty: this panel, a demo, a file. */
final class Begin extends HBox {
  private static final double PICTURE_WIDTH = 88;
  private static final double PICTURE_HEIGHT = 54;
  private static final int RECENT = 3;

  private final Workbench workbench;
  private final Shell.Frame frame;
  private final VBox files = new VBox();
  private boolean filled;

  Begin(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    getStyleClass().add("empty-state");
    setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
  }

  /** Comes up or goes; it is made when it first comes up. */
  void show(boolean wanted) {
    setVisible(wanted);
    if (wanted && !filled) {
      filled = true;
      getChildren().addAll(bare(), demos(), files);
    }
    if (wanted) {
      files();
    }
  }

  private static Label title(String text) {
    Label title = new Label(text);
    title.getStyleClass().add("emphasis");
    title.setMinWidth(Region.USE_PREF_SIZE);
    return title;
  }

  private VBox bare() {
    Label how =
        new Label(
            "Its size is in the Panel tab below, or drag its corners there. Whole rows: Lay out.");
    how.setWrapText(true);
    Em.pref(how, 150);
    how.setMinHeight(Region.USE_PREF_SIZE);
    Button first = new Button("Add a 30 mm button");
    first.setId("add-first");
    first.setMinWidth(Region.USE_PREF_SIZE);
    first.getStyleClass().add("accent");
    first.setOnAction(
        event -> workbench.catalogue().control("button-30").ifPresent(frame.commands()::add));
    return column("begin-bare", title("This bare panel"), first, how);
  }

  private VBox demos() {
    FlowPane row = new FlowPane(); // beside or below each other, as there is room
    Em.pref(row, 260);
    row.getStyleClass().add("begin-demos");
    for (String name : Demo.names()) {
      try {
        row.getChildren().add(demo(name, Demo.open(name, Catalogue.standard())));
      } catch (BuildFileException e) {
        workbench.complain(e.getMessage()); // a demo that ships and cannot be read is ours to tell
      }
    }
    return column("begin-demo", title("A demo"), row);
  }

  private Button demo(String name, Build build) {
    Button button = new Button(build.brief().title(), picture(build));
    button.setId("begin-" + name);
    button.setContentDisplay(ContentDisplay.TOP);
    button.setMinWidth(Region.USE_PREF_SIZE);
    String words =
        build.controls().isEmpty()
            ? build.leads().leads().size() + " leads"
            : build.controls().size()
                + " controls on "
                + (int) build.panel().widthMm()
                + " x "
                + (int) build.panel().heightMm()
                + " mm";
    button.setTooltip(new Tooltip(words));
    button.setAccessibleText("Demo " + build.brief().title() + ", " + words);
    button.setOnAction(event -> frame.files().openDemo(name));
    return button;
  }

  /** The cores of a lead, from left to right. */
  private static Group strands(Lead lead) {
    Group picture = new Group();
    int count = lead.cores().size();
    double step = PICTURE_HEIGHT / Math.max(1, count);
    List<String> to = lead.cores().stream().map(Core::to).sorted().toList();
    for (int i = 0; i < count; i++) {
      double left = step * (i + 0.5);
      double right = step * (to.indexOf(lead.cores().get(i).to()) + 0.5);
      double half = PICTURE_WIDTH / 2;
      CubicCurve core = new CubicCurve(0, left, half, left, half, right, PICTURE_WIDTH, right);
      core.setFill(null);
      core.setStroke(StrandLine.paint(lead.cores().get(i).colour().base()));
      core.setStrokeWidth(3);
      picture.getChildren().add(core);
    }
    picture.setMouseTransparent(true);
    return picture;
  }

  private Group picture(Build build) {
    if (build.controls().isEmpty() && !build.leads().leads().isEmpty()) {
      return strands(build.leads().leads().get(0));
    }
    Scale full = Scale.fit(build.panel(), PICTURE_WIDTH, PICTURE_HEIGHT, false);
    double px =
        Math.min(
            PICTURE_WIDTH / build.panel().widthMm(), PICTURE_HEIGHT / build.panel().heightMm());
    Scale scale = full.zoomed(px / full.pxPerMm(), 0, 0);
    Group picture = new Group(ring(Rounding.points(build.panel(), 6), scale, "panel-outline"));
    for (Control control : build.controls()) {
      picture
          .getChildren()
          .add(
              ring(
                  Rounding.points(
                      Rounding.of(
                          Catalogue.standard().with(build).kindOf(control).face(),
                          control.placement()),
                      15),
                  scale,
                  "begin-face"));
    }
    picture.setMouseTransparent(true);
    return picture;
  }

  private static Polygon ring(List<Point> points, Scale scale, String style) {
    Polygon ring = new Polygon();
    points.forEach(p -> ring.getPoints().addAll(scale.x(p.xMm()), scale.y(p.yMm())));
    ring.getStyleClass().add(style);
    return ring;
  }

  /** Builds used lately change between two looks. */
  private void files() {
    Button open = new Button("Open a build");
    open.setId("begin-open");
    open.setMinWidth(Region.USE_PREF_SIZE);
    open.setOnAction(event -> frame.files().askOpen());
    Label drop = new Label("or drop its file on the window");
    drop.getStyleClass().add("note");
    drop.setWrapText(true);
    Em.pref(drop, 100);
    drop.setMinHeight(Region.USE_PREF_SIZE);
    files.getChildren().setAll(title("A file"), open, drop);
    files.getStyleClass().setAll("begin-column");
    for (Path file : frame.files().recent().stream().limit(RECENT).toList()) {
      Hyperlink link = new Hyperlink(file.getFileName().toString());
      Em.max(link, 112);
      link.setTooltip(new Tooltip(file.toString()));
      link.setOnAction(event -> frame.files().openAfterAsking(file));
      files.getChildren().add(link);
    }
  }

  private static VBox column(String id, javafx.scene.Node... nodes) {
    VBox column = new VBox(nodes);
    column.setId(id);
    column.getStyleClass().add("begin-column");
    return column;
  }
}
