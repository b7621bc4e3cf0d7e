package kumite.desktop.leads;

import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.lead.BoardCable;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.lead.Beyond;
import kumite.lead.Cable;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.LeadTable;
import kumite.lead.Making;
import kumite.lead.Pinout;
import kumite.lead.Turn;
import kumite.name.ControlId;
import kumite.ringout.RingOut;

/** All ways to make a lead. */
final class MakeTab extends ScrollPane {
  private static final double SHORT_MM = 300;
  private static final double LEAST_MM = 20;

  private final LeadDesk desk;
  private final Runnable made;
  private final Runnable ring;
  private final Choice<Pinout> stick;
  private final Choice<Turn> turn;
  private final Choice<Pinout> pad;
  private final Choice<Pinout> host;
  private final Choice<ConnectorKind> from;
  private final Choice<ConnectorKind> to;
  private final Choice<ConnectorKind> near;
  private final Choice<ConnectorKind> far;
  private final Choice<ConnectorKind> lid;
  private final TextArea table = new TextArea();
  private final OwnForm own;

  /**
   * The tab.
   *
   * @param made shows the lead that was made
   * @param ring shows the ring-out that was begun
   */
  MakeTab(LeadDesk desk, Runnable made, Runnable ring) {
    this.desk = desk;
    this.made = made;
    this.ring = ring;
    setId("lead-make");
    getStyleClass().add("quiet-scroll");
    setFitToWidth(true);
    setFocusTraversable(false);
    own = new OwnForm(desk, this::show);
    stick = pinouts("stick");
    turn = new Choice<>("turn", Turn.all(), Turn::title, t -> {});
    turn.show(Optional.of(new Turn(1, false)));
    pad = pinouts("pad");
    host = pinouts("host");
    from = kinds("first end", "nine-pin");
    to = kinds("other end", "nine-pin");
    near = kinds("near end", "nine-pin");
    far = kinds("far end", "bare-9");
    lid = kinds("at the lid", "header-10");
    table.setId("lead-table");
    table.setAccessibleText("Table of cores");
    table.setPromptText("1>3 2>4 3>2 4>1   or a table whose first row is   from,to,role,colour");
    table.setPrefRowCount(3);
    table.getStyleClass().add("mono");
    VBox all =
        new VBox(
            way(
                "Turn a stick",
                "Swaps the four directions and leaves the rest straight.",
                Head.named("stick", stick),
                Head.named("turn, as the player sees it", turn),
                Head.named(
                    " ",
                    Plain.button(
                        "Make it",
                        "make-turn",
                        () ->
                            make(
                                () ->
                                    Making.turning(
                                        turn.getValue(), stick.getValue(), desk.plugs()))))),
            way(
                "Function to function",
                "Carries each function of the pad to the same one of the host.",
                Head.named("pad", pad),
                Head.named("host", host),
                Head.named(
                    " ",
                    Plain.button(
                        "Make it",
                        "make-functions",
                        () ->
                            make(
                                () ->
                                    Making.byFunctions(
                                        pad.getValue(), host.getValue(), desk.plugs()))))),
            wayOfTable(),
            way(
                "Ring out a cable",
                "Nobody knows which core goes where: a meter and the fewest questions tell.",
                Head.named("near end", near),
                Head.named("far end", far),
                Head.named(" ", Plain.button("Begin", "make-ringout", this::begin))),
            way(
                "A cable of this build",
                "From lid to base, or from an old pad to its board. Its cores are the wires of the"
                    + " Loom that run to the board: of the selected controls, or of all.",
                Head.named("connector at the lid", lid),
                Head.named(" ", Plain.button("Lay it", "make-cable", this::cable))),
            own);
    all.getStyleClass().add("make-ways");
    setContent(all);
  }

  /** Offers the connectors and pinouts that are known now. */
  void show() {
    for (Choice<Pinout> choice : List.of(stick, pad, host)) {
      Pinout was = choice.getValue();
      choice.offer(desk.plugs().pinouts());
      choice.show(Optional.ofNullable(was));
    }
    for (Choice<ConnectorKind> choice : List.of(from, to, near, far, lid)) {
      ConnectorKind was = choice.getValue();
      choice.offer(Plain.kinds(desk.plugs()));
      choice.show(Optional.ofNullable(was));
    }
    own.show();
  }

  private Choice<Pinout> pinouts(String name) {
    List<Pinout> all = desk.plugs().pinouts();
    Choice<Pinout> choice = new Choice<>(name, all, Pinout::name, p -> {});
    choice.wide(18);
    choice.show(all.stream().findFirst());
    return choice;
  }

  private Choice<ConnectorKind> kinds(String name, String usual) {
    Choice<ConnectorKind> choice =
        new Choice<>(name, Plain.kinds(desk.plugs()), ConnectorKind::name, k -> {});
    choice.wide(15);
    choice.show(desk.plugs().connector(usual));
    return choice;
  }

  private static VBox way(String title, String what, javafx.scene.Node... fields) {
    FlowPane row = new FlowPane(fields);
    row.getStyleClass().add("lead-fields");
    VBox box = new VBox(Plain.title(title), Plain.note(what), row);
    box.getStyleClass().addAll("sheet", "make-way");
    return box;
  }

  private VBox wayOfTable() {
    FlowPane row =
        new FlowPane(
            Head.named("first end", from),
            Head.named("other end", to),
            Head.named(" ", Plain.button("Read it", "make-table", this::read)));
    row.getStyleClass().add("lead-fields");
    VBox.setVgrow(table, Priority.NEVER);
    VBox box =
        new VBox(
            Plain.title("Type or paste a table"),
            Plain.note(
                "A row a core; pins by number or by function. Columns: from, to, role, colour, shared."),
            row,
            table);
    box.getStyleClass().addAll("sheet", "make-way");
    return box;
  }

  private interface Maker {
    kumite.lead.Lead make();
  }

  private void make(Maker maker) {
    try {
      desk.add(maker.make());
      made.run();
    } catch (IllegalArgumentException e) {
      desk.workbench().complain(e.getMessage());
    }
  }

  private void read() {
    make(
        () -> {
          End.Plug one = Plain.plug(from.getValue(), Beyond.PAD, desk.plugs());
          End.Plug other = Plain.plug(to.getValue(), Beyond.HOST, desk.plugs());
          LeadTable reader =
              new LeadTable(
                  from.getValue(),
                  desk.plugs().pinout(one),
                  to.getValue(),
                  desk.plugs().pinout(other));
          String text = table.getText();
          var cores = LeadTable.isShort(text) ? reader.readShort(text) : reader.read(text);
          return Making.between("Lead", one, other, cores, desk.plugs());
        });
  }

  private void begin() {
    String name = desk.book().freshName("Found cable");
    RingOut plain = RingOut.of(name, near.getValue(), far.getValue());
    desk.edit("Begin " + name, book -> book.with(name, plain));
    ring.run();
  }

  private void cable() {
    String name = desk.book().freshName("Cable to the board");
    TreeSet<ControlId> through = new TreeSet<>(desk.workbench().selection().get());
    var seat = desk.workbench().build().get().seat().id();
    BoardCable plain =
        new BoardCable(
            name,
            seat,
            through,
            End.Plug.of(lid.getValue().id(), Gender.MALE),
            asLaid(lid.getValue().pins().size()),
            java.util.Map.of());
    desk.look(name);
    desk.edit(
        "Lay " + name,
        book -> {
          var cables = new java.util.ArrayList<>(book.cables());
          cables.add(plain);
          return book.withCables(cables);
        });
    made.run();
  }

  /** A cable that begins as the loom is laid: of its gauge, no longer than its shortest wire. */
  private Cable asLaid(int cores) {
    var bench = desk.workbench().bench().get();
    int shortest =
        bench.loom().strands().stream()
            .mapToInt(kumite.loom.Strand::lengthMm)
            .min()
            .orElse((int) SHORT_MM);
    return Cable.forCores(cores)
        .withGauge(bench.build().loom().laying().gaugeAwg())
        .withLength(Math.max(LEAST_MM, Math.min(SHORT_MM, shortest)));
  }
}
