package kumite.desktop.signals;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.port.Port;
import kumite.circuit.Wired;
import kumite.desktop.field.Em;
import kumite.desktop.field.StrandLine;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.loom.Pad;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.ports.PortLines;
import kumite.ports.PortPlay;
import kumite.signal.Answer;
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
  private final FlowPane buttons = new FlowPane();
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
        .addAll(
            card(title, plug, lines, told),
            card(
                new Label("What it gives"),
                note("contacts like any: Map gives them their meaning; hold one down"),
                buttons,
                read),
            frame);
    workbench.holds().addListener((o, was, is) -> refresh());
  }

  private static Label note(String words) {
    Label note = new Label(words);
    note.getStyleClass().add("note");
    return note;
  }

  private static VBox card(Label title, Label beside, javafx.scene.Node... content) {
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
    lines.getChildren().clear();
    buttons.getChildren().clear();
    Optional<Pad> pad = pad(bench, port);
    pad.ifPresent(
        p -> {
          bench.circuit().ifPresent(wired -> lines(bench, wired, p));
          p.kind().contacts().forEach(bit -> buttons.getChildren().add(button(bench, port, bit)));
        });
    told.setText(
        pad.isEmpty()
            ? "Kumite plays this mechanism (kumite signal simulate), but plans no wires and writes"
                + " no program for it yet."
            : bench.circuit().isEmpty() ? "Choose a board: its terminals take these lines." : "");
    told.setVisible(!told.getText().isEmpty());
    told.setManaged(!told.getText().isEmpty());
    play(bench, port);
  }

  private static Optional<Pad> pad(Bench bench, Port port) {
    return bench.loom().pads().stream().filter(p -> p.port().equals(port)).findFirst();
  }

  // ---- line by line

  private void lines(Bench bench, Wired wired, Pad pad) {
    List<PortLines.Line> all =
        PortLines.of(
            bench.loom(),
            wired.inputs().looks(),
            wired.asBuilt(),
            bench.board().orElseThrow(),
            pad);
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

  private Button button(Bench bench, Port port, PortKind.Bit bit) {
    ContactId contact = new ContactId(port.id(), bit.contact());
    String means =
        bench.paths().stream()
            .filter(path -> path.id().equals(contact))
            .findFirst()
            .flatMap(SignalPath::target)
            .map(TargetText::of)
            .orElse("no meaning");
    Button button = new Button(bit.button() + "\n" + means);
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
    Optional<Pad> pad = pad(bench, port);
    Optional<Wired> wired = bench.circuit();
    boolean talks = pad.isPresent() && wired.isPresent();
    frame.setVisible(talks);
    frame.setManaged(talks);
    for (var node : buttons.getChildren()) {
      ContactId contact = ContactId.parse(node.getId().substring("port-button-".length()));
      node.pseudoClassStateChanged(LIVE, workbench.holds().get().on(contact));
    }
    if (pad.isEmpty() || wired.isEmpty()) {
      read.setText("");
      return;
    }
    Play play =
        PortPlay.of(
            bench.loom(),
            wired.get().inputs().looks(),
            wired.get().asBuilt(),
            pad.get(),
            contact -> workbench.holds().get().on(contact),
            1,
            Tempo.usual(pad.get().kind()));
    read.setText(words(play.readings().get(0)));
    wave.show(pad.get().kind(), play, !play.readings().get(0).held().isEmpty());
  }

  private static String words(Reading reading) {
    long unclear = reading.buttons().values().stream().filter(a -> a == Answer.UNCLEAR).count();
    String held = reading.held().isEmpty() ? "nothing held" : String.join(", ", reading.held());
    String presence =
        switch (reading.presence()) {
          case YES -> "a pad is there";
          case NO -> "no pad";
          case UNCLEAR -> "whether a pad is there is not told";
        };
    return "The board reads: "
        + held
        + (unclear > 0 ? ", " + unclear + " unclear" : "")
        + " · "
        + presence
        + String.format(
            java.util.Locale.ROOT,
            " · one reading takes %.1f us",
            (reading.endNs() - Play.REST_NS) / NS_IN_US);
  }
}
