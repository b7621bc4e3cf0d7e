package kumite.desktop.loom;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.loom.Hookup;
import kumite.build.loom.LoomSettings;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.kind.WireColour;
import kumite.name.Jumper;
import kumite.verdict.Bench;

/** What was done at the bench against the plan: hookups, wires added and left out, dead pins. */
final class HandTab extends VBox {
  private final Workbench workbench;
  private final Label who = new Label();
  private final FlowPane hookup = new FlowPane();
  private final TextField wire = new TextField();
  private final VBox wires = new VBox();
  private final TextField dead = new TextField();
  private final TextField stock = new TextField();
  private final CheckBox connector = new CheckBox("connector between lid and base");
  private final Label ways = new Label();
  private boolean showing;

  HandTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    VBox form = new VBox();
    form.getStyleClass().add("form");
    who.getStyleClass().add("strong");
    hookup.getStyleClass().add("actions");
    hookup.setMinHeight(Region.USE_PREF_SIZE);
    Label title = new Label("Wires put in or left out by hand");
    title.getStyleClass().add("strong");
    Label how =
        new Label(
            "Name two places, such as horn:NO - board:D9. Parts are controls' ids, board, groups,"
                + " or another device's name; tabs as they are marked.");
    how.getStyleClass().add("note");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    wire.setId("hand-wire");
    Em.pref(wire, 300);
    wire.setPromptText("horn:COM - board:3V3");
    wire.getStyleClass().add("mono");
    wire.setAccessibleText("A wire by its two ends");
    Button put = new Button("Put it in");
    put.setId("hand-add");
    put.setOnAction(event -> wire("Put in ", LoomSettings::withAdded));
    Button leave = new Button("Leave it out");
    leave.setId("hand-leave");
    leave.setOnAction(event -> wire("Leave out ", LoomSettings::withLeftOut));
    Button probe = new Button("Probed pairs…");
    probe.setId("hand-probe");
    probe.setTooltip(new Tooltip("Hold what a continuity meter said against the plan"));
    probe.setOnAction(event -> frame.over().raise(new ProbePane(workbench, frame)));
    FlowPane ask = new FlowPane(wire, put, leave, probe);
    ask.getStyleClass().add("actions");
    ask.setMinHeight(Region.USE_PREF_SIZE);
    wires.getStyleClass().add("cards");
    Label more = new Label("The rest of the bench");
    more.getStyleClass().add("strong");
    dead.setPromptText("none");
    dead.setId("hand-dead");
    dead.setAccessibleText("Terminals that turned out bad");
    dead.setOnAction(event -> dead());
    stock.setPromptText("all");
    stock.setId("hand-stock");
    stock.setAccessibleText("Colours of wire at hand, as codes");
    stock.setOnAction(event -> stock());
    connector.setOnAction(
        event -> {
          if (!showing) {
            boolean wanted = connector.isSelected();
            loom(
                wanted ? "Part lid and base" : "No connector",
                l -> l.withLaying(l.laying().withConnector(wanted)));
          }
        });
    ways.getStyleClass().add("note");
    FlowPane rest =
        new FlowPane(
            Head.named("dead terminals, such as D9 D10", dead),
            Head.named("colours at hand, such as YE GN BU", stock),
            new VBox(connector, ways));
    rest.getStyleClass().add("field-row");
    rest.setMinHeight(Region.USE_PREF_SIZE);
    form.getChildren().addAll(who, hookup, title, how, ask, wires, more, rest);
    ScrollPane scroll = new ScrollPane(form);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().add(scroll);
  }

  private interface Change {
    LoomSettings apply(LoomSettings settings, Jumper wire);
  }

  private void wire(String verb, Change change) {
    try {
      Jumper jumper = Jumper.parse(wire.getText());
      loom(verb + jumper, l -> change.apply(l, jumper));
      wire.clear();
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  private void dead() {
    Bench bench = workbench.bench().get();
    Set<String> names = new TreeSet<>();
    for (String name : dead.getText().strip().split("[\\s,]+")) {
      if (name.isEmpty()) {
        continue;
      }
      if (bench.board().flatMap(b -> b.terminal(name)).isEmpty()) {
        workbench.complain("The board has no terminal \"" + name + "\"; write its name as marked");
        return;
      }
      names.add(name);
    }
    loom(names.isEmpty() ? "No terminal is dead" : "Dead: " + names, l -> l.withDead(names));
  }

  private void stock() {
    EnumSet<WireColour.Hue> hues = EnumSet.noneOf(WireColour.Hue.class);
    try {
      for (String code : stock.getText().strip().split("[\\s,]+")) {
        if (!code.isEmpty()) {
          hues.add(WireColour.parse(code).base());
        }
      }
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
      return;
    }
    loom("Colours at hand", l -> l.withLaying(l.laying().withStock(hues)));
  }

  private void loom(String label, UnaryOperator<LoomSettings> change) {
    workbench.apply(new Edit(label, b -> b.withLoom(change.apply(b.loom()))));
  }

  void show(Bench bench) {
    showing = true;
    LoomSettings loom = bench.build().loom();
    dead.setText(String.join(" ", loom.dead()));
    stock.setText(String.join(" ", loom.laying().stock().stream().map(Enum::name).toList()));
    connector.setSelected(loom.laying().connector());
    int count = bench.loom().ways();
    ways.setText(
        count == 0
            ? ""
            : count
                + " wires part; a connector of "
                + (count + bench.loom().spareWays())
                + " leaves spares");
    wires.getChildren().clear();
    for (Jumper added : loom.added()) {
      wires.getChildren().add(line("put in", added, "Take out", l -> l.withoutAdded(added)));
    }
    for (Jumper out : loom.leftOut()) {
      wires.getChildren().add(line("left out", out, "Put back", l -> l.withoutLeftOut(out)));
    }
    hookup(bench);
    showing = false;
  }

  private Node line(String what, Jumper jumper, String undo, UnaryOperator<LoomSettings> change) {
    Label name = new Label(what);
    name.getStyleClass().add("note");
    Em.min(name, 56);
    Label ends = new Label(jumper.toString());
    ends.getStyleClass().add("mono");
    Button back = new Button(undo);
    back.getStyleClass().add("small");
    back.setOnAction(event -> loom(undo + " " + jumper, change));
    HBox row = new HBox(name, ends, back);
    row.getStyleClass().add("row");
    return row;
  }

  private void hookup(Bench bench) {
    hookup.getChildren().clear();
    Optional<Control> control =
        workbench.path().get().flatMap(id -> bench.build().control(id.control()));
    who.setText(
        control
            .map(c -> "How " + c.label() + " is connected")
            .orElse("Select a control to say how it is connected"));
    if (control.isEmpty()) {
      return;
    }
    Control c = control.get();
    boolean switched =
        bench.catalogue().kindOf(c).contacts().stream().anyMatch(k -> !k.type().analog());
    if (switched) {
      CheckBox nc = new CheckBox("at NC, closed at rest");
      nc.setId("hookup-nc");
      nc.setSelected(c.hookup().restsClosed());
      nc.setOnAction(event -> set(c, "Tab of ", h -> h.withRestsClosed(nc.isSelected())));
      ComboBox<String> common = new ComboBox<>();
      common.setId("hookup-common");
      common.setAccessibleText("Shared side");
      common.getItems().add("common as the board's");
      for (Common each : Common.values()) {
        common.getItems().add("common to " + each.words());
      }
      common.setValue(
          c.hookup()
              .common()
              .map(each -> "common to " + each.words())
              .orElse("common as the board's"));
      common.setOnAction(
          event ->
              set(
                  c,
                  "Common of ",
                  h ->
                      h.withCommon(
                          java.util.Arrays.stream(Common.values())
                              .filter(e -> common.getValue().endsWith(e.words()))
                              .findFirst())));
      hookup.getChildren().addAll(nc, common);
    }
    if (bench.catalogue().kindOf(c).lit()) {
      CheckBox shares = new CheckBox("lamp on the contact");
      shares.setId("hookup-lamp");
      shares.setSelected(c.hookup().lampShares());
      shares.setOnAction(event -> set(c, "Lamp of ", h -> h.withLampShares(shares.isSelected())));
      ComboBox<String> from = new ComboBox<>();
      from.setAccessibleText("What feeds the lamp");
      from.getItems().add("lamp fed by plan");
      List<String> names =
          bench.board().stream()
              .flatMap(b -> b.terminals().stream())
              .filter(t -> t.role() == Terminal.Role.SUPPLY || t.can(Terminal.Ability.DRIVE))
              .map(Terminal::name)
              .toList();
      names.forEach(n -> from.getItems().add("lamp from " + n));
      from.setValue(c.hookup().lampFrom().map(n -> "lamp from " + n).orElse("lamp fed by plan"));
      from.setOnAction(
          event ->
              set(
                  c,
                  "Lamp feed of ",
                  h ->
                      h.withLampFrom(
                          from.getValue().startsWith("lamp from ")
                              ? Optional.of(from.getValue().substring(10))
                              : Optional.empty())));
      hookup.getChildren().addAll(shares, from);
    }
  }

  private void set(Control control, String label, UnaryOperator<Hookup> change) {
    if (!showing) {
      workbench.apply(
          new Edit(
              label + control.label(),
              b -> b.withControl(control.id(), c -> c.withHookup(change))));
    }
  }
}
