package kumite.desktop.signals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.port.Port;
import kumite.circuit.PadPlay;
import kumite.circuit.Wired;
import kumite.desktop.field.Em;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.loom.Console;
import kumite.loom.Pad;
import kumite.loom.Plugged;
import kumite.loom.Talk;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.ports.Margin;
import kumite.ports.PortLines;
import kumite.signal.Answer;
import kumite.signal.Asking;
import kumite.signal.Play;
import kumite.signal.PortKind;
import kumite.signal.Reading;
import kumite.signal.Tempo;
import kumite.verdict.Bench;

/** One port: from its plug to the board, what it gives, and the frame as its wires carry it. */
final class PortSheet extends VBox {
  private static final PseudoClass LIVE = PseudoClass.getPseudoClass("live");
  private static final double NS_IN_US = 1000;

  private final Workbench workbench;
  private final Label title = new Label();
  private final Label plug = new Label();
  private final GridPane lines = new GridPane();
  private final Label told = new Label();
  private final Label gives = new Label();
  private final Label how = note("");
  private final FlowPane buttons = new FlowPane();
  private final ChipsCard chips = new ChipsCard();
  private final Label read = new Label();
  private final WaveView wave = new WaveView();
  private final VBox frame =
      card(
          new Label("The frame, as your wires carry it"),
          note("held contacts of the path strip too"),
          wave);
  private Optional<Port> shown = Optional.empty();

  PortSheet(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("port-sheet");
    lines.getStyleClass().add("port-lines");
    told.setWrapText(true);
    told.getStyleClass().add("note");
    plug.getStyleClass().add("note");
    read.setWrapText(true);
    read.getStyleClass().add("note");
    read.setId("port-read");
    buttons.getStyleClass().add("port-buttons");
    getChildren()
        .addAll(card(title, plug, lines, told), card(gives, how, buttons, read), chips, frame);
    workbench.holds().addListener((o, was, is) -> refresh());
  }

  static Label note(String words) {
    Label note = new Label(words);
    note.getStyleClass().add("note");
    return note;
  }

  static VBox card(Label title, Label beside, Node... content) {
    title.getStyleClass().add("card-title");
    HBox.setHgrow(title, Priority.ALWAYS);
    title.setMaxWidth(Double.MAX_VALUE);
    HBox top = new HBox(title, beside);
    top.setAlignment(Pos.BASELINE_LEFT);
    VBox card = new VBox(top);
    card.getChildren().addAll(content);
    card.getStyleClass().addAll("sheet", "port-card");
    return card;
  }

  private void refresh() {
    shown.ifPresent(port -> play(workbench.bench().get(), port));
  }

  void show(Bench bench, Port port) {
    shown = Optional.of(port);
    title.setText(port.label() + ": from its plug to the board");
    Optional<PortKind> kind = bench.build().ports().kindOf(port);
    plug.setText(kind.map(PortKind::what).orElse(""));
    gives.setText(port.reads() ? "What it gives" : "What it asks for");
    how.setText(
        port.reads()
            ? "contacts like any: Map gives them their meaning; hold one down"
            : "a contact with that meaning gives it; hold one down");
    lines.getChildren().clear();
    buttons.getChildren().clear();
    Optional<Pad> pad = pad(bench, port);
    Optional<Console> console = console(bench, port);
    Stream.<Plugged>concat(pad.stream(), console.stream())
        .forEach(plugged -> bench.circuit().ifPresent(wired -> lines(bench, wired, plugged)));
    pad.ifPresent(
        p ->
            Stream.concat(p.kind().contacts().stream(), p.kind().axisContacts().stream())
                .forEach(bit -> buttons.getChildren().add(button(bench, port, bit))));
    console.ifPresent(
        c -> c.kind().buttons().forEach(name -> buttons.getChildren().add(asked(bench, c, name))));
    told.setText(told(bench, port, pad, console));
    told.setVisible(!told.getText().isEmpty());
    told.setManaged(!told.getText().isEmpty());
    play(bench, port);
  }

  private static String told(Bench bench, Port port, Optional<Pad> pad, Optional<Console> console) {
    if (bench.board().isEmpty()) {
      return port.reads()
          ? "Choose a board: its terminals take these lines."
          : "Choose a board that answers it.";
    }
    return console
        .flatMap(c -> Margin.of(c, bench.board().get(), bench.build().timing()))
        .map(
            margin ->
                String.format(
                    java.util.Locale.ROOT,
                    "The answer stands %.2f us after %s; the console allows %.2f us.",
                    margin.answerUs(),
                    margin.edge(),
                    margin.allowedUs()))
        .orElse("");
  }

  private static Optional<Console> console(Bench bench, Port port) {
    return bench.loom().consoles().stream().filter(c -> c.port().equals(port)).findFirst();
  }

  private static Optional<Pad> pad(Bench bench, Port port) {
    return bench.loom().pads().stream().filter(p -> p.port().equals(port)).findFirst();
  }

  // ---- line by line

  private void lines(Bench bench, Wired wired, Plugged plugged) {
    List<PortLines.Line> all =
        PortLines.of(
            bench.loom(),
            wired.inputs().looks(),
            wired.asBuilt(),
            bench.board().orElseThrow(),
            plugged);
    int row = 0;
    for (PortLines.Line line : all) {
      Label pin = new Label(line.pin());
      pin.getStyleClass().addAll("mono", "port-pin");
      Label name = new Label(line.name());
      name.getStyleClass().add("port-name");
      StrandLine strand = new StrandLine();
      line.colour()
          .ifPresent(colour -> strand.show(colour, line.strand().orElse("") + " " + colour));
      strand.setVisible(line.colour().isPresent());
      GridPane.setHgrow(strand, Priority.ALWAYS);
      Label terminal =
          new Label(line.terminal().isEmpty() ? "nothing" : String.join(" ", line.terminal()));
      terminal.getStyleClass().addAll("mono", "terminal-chip");
      Em.min(terminal, 64);
      Label level = new Label(line.level());
      level.getStyleClass().add("mono");
      level.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
      Label shares =
          new Label(
              line.asPlanned()
                  ? line.shares().isEmpty() ? "" : "shared with " + String.join(", ", line.shares())
                  : "\u25CF "
                      + line.planned().map(wanted -> "wants " + wanted).orElse("wants a wire"));
      shares.getStyleClass().addAll("note", line.asPlanned() ? "port-shares" : "stop");
      shares.setWrapText(true);
      lines.addRow(row++, pin, name, strand, terminal, level, shares);
    }
  }

  // ---- what it gives

  private Node asked(Bench bench, Console console, String name) {
    List<ContactId> givers = bench.givers(console, name);
    if (givers.isEmpty()) {
      Label nobody = new Label(name + "\nnobody gives it");
      nobody.getStyleClass().addAll("port-button", "port-nobody", "note");
      return nobody;
    }
    ContactId contact = givers.get(0);
    String label =
        bench.path(contact).map(path -> path.site().label()).orElseGet(contact::toString);
    return held(contact, name + "\n" + label);
  }

  private Button button(Bench bench, Port port, PortKind.Bit bit) {
    ContactId contact = new ContactId(port.id(), bit.contact());
    String means =
        bench.paths().stream()
            .filter(path -> path.id().equals(contact))
            .findFirst()
            .flatMap(SignalPath::target)
            .map(TargetText::of)
            .orElse("no meaning");
    return held(contact, bit.button() + "\n" + means);
  }

  /** A button that holds a contact for as long as it is pressed. */
  private Button held(ContactId contact, String words) {
    Button button = new Button(words);
    button.setId("port-button-" + contact);
    button.getStyleClass().addAll("small", "port-button");
    button.pseudoClassStateChanged(LIVE, workbench.holds().get().on(contact));
    button.setOnMousePressed(
        event -> {
          workbench.select(contact);
          workbench.hold(contact, 1);
        });
    button.setOnMouseReleased(event -> workbench.letGo(contact));
    button.setOnAction(event -> workbench.select(contact));
    return button;
  }

  // ---- the frame

  private void play(Bench bench, Port port) {
    for (var node : buttons.getChildren()) {
      if (node instanceof Button button) {
        ContactId contact = ContactId.parse(button.getId().substring("port-button-".length()));
        button.pseudoClassStateChanged(LIVE, workbench.holds().get().on(contact));
      }
    }
    Optional<Console> console = console(bench, port);
    Optional<Play> play =
        console.isPresent()
            ? bench.play(console.get(), workbench.holds().get())
            : pad(bench, port).flatMap(pad -> played(bench, pad));
    frame.setVisible(play.isPresent());
    frame.setManaged(play.isPresent());
    Optional<PortKind> kind = bench.build().ports().kindOf(port);
    Optional<Asking> asking = kind.filter(k -> port.reads()).flatMap(k -> k.mechanism().asking(k));
    read.setText(
        play.map(p -> (port.reads() ? "The board reads: " : "It reads: ") + words(p, asking))
            .orElse(""));
    play.ifPresent(
        p ->
            wave.show(
                kind.orElseThrow(), p, p.readings().stream().anyMatch(r -> !r.held().isEmpty())));
    chips.show(
        bench.board().filter(board -> console.filter(c -> c.byCircuit(board)).isPresent()),
        console,
        play);
  }

  private Optional<Play> played(Bench bench, Pad pad) {
    return bench
        .circuit()
        .map(
            wired ->
                new PadPlay(wired.inputs().looks(), wired.asBuilt(), bench.loom().talks(pad))
                    .play(
                        workbench.holds().get().over(wired.inputs()::rest),
                        frames(bench, pad, wired),
                        Tempo.usual(pad.kind())));
  }

  /** As many as tell all that is held. */
  private int frames(Bench bench, Pad pad, Wired wired) {
    return bench.loom().talks(pad).stream()
        .map(talk -> talk.held(workbench.holds().get().over(wired.inputs()::rest)))
        .mapToInt(pad.kind().mechanism()::frames)
        .max()
        .orElse(1);
  }

  /**
   * @param asking how the board's program asks, where it does so step by step
   */
  private static String words(Play play, Optional<Asking> asking) {
    if (play.readings().isEmpty()) {
      return "nothing is said";
    }
    Reading reading = play.readings().get(play.readings().size() - 1);
    long unclear = reading.buttons().values().stream().filter(a -> a == Answer.UNCLEAR).count();
    boolean bySelf = play.readings().size() > 1;
    String held = reading.held().isEmpty() ? "nothing held" : String.join(", ", reading.held());
    String presence =
        switch (reading.presence()) {
          case YES -> "a pad is there";
          case NO -> "no pad";
          case UNCLEAR ->
              asking.isPresent()
                  ? "the program does not ask whether a pad is there"
                  : "whether a pad is there is not told";
        };
    double ns =
        asking
            .map(a -> (double) a.takesNs(Talk.SETTLE_NS))
            .orElse((double) (reading.endNs() - Play.REST_NS));
    String axes =
        reading.axes().entrySet().stream()
            .map(
                axis ->
                    String.format(
                        java.util.Locale.ROOT, ", %s %.2f", axis.getKey(), axis.getValue()))
            .collect(java.util.stream.Collectors.joining());
    return held
        + axes
        + (unclear > 0 ? ", " + unclear + " unclear" : "")
        + " · "
        + presence
        + (bySelf
            ? " · it sends by itself"
            : String.format(java.util.Locale.ROOT, " · one reading takes %.1f us", ns / NS_IN_US));
  }
}
