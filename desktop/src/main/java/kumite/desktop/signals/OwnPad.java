package kumite.desktop.signals;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.hid.DescriptorText;
import kumite.hid.UsbPads;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/** A pad of one's own: the report descriptor of a USB pad, or a kind of port as a file has it. */
final class OwnPad extends VBox {
  private enum Speed {
    FULL("full speed, asked each 1 ms"),
    LOW("low speed, asked each 10 ms");

    private final String words;

    Speed(String words) {
      this.words = words;
    }

    String words() {
      return words;
    }
  }

  private final Workbench workbench;
  private final Shell.Frame frame;
  private final TextField name = new TextField("My pad");
  private final Choice<Speed> speed;
  private final TextArea text = new TextArea();
  private final Label understood = new Label();
  private final Label wrong = new Label();
  private final Button plug = new Button("Plug it in");

  OwnPad(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    this.frame = frame;
    getStyleClass().add("file-pane");
    setMaxSize(720, 520);
    Label title = new Label("A pad of your own");
    title.getStyleClass().add("emphasis");
    Label how =
        note(
            "Paste the report descriptor of a USB pad, byte by byte in hexadecimal: system tools for"
                + " USB devices print it. Or paste a kind of port as ports.json has it. It is saved"
                + " inside this build.");
    speed = new Choice<>("speed", List.of(Speed.values()), Speed::words, chosen -> understand());
    speed.setId("own-pad-speed");
    speed.show(Optional.of(Speed.FULL));
    name.setId("own-pad-name");
    name.setAccessibleText("name of your pad");
    name.textProperty().addListener((o, was, is) -> understand());
    FlowPane form = new FlowPane(Head.named("name", name), Head.named("USB speed", speed));
    form.getStyleClass().add("field-row");
    form.setMinHeight(Region.USE_PREF_SIZE);
    text.setId("own-pad-text");
    text.setAccessibleText("report descriptor or kind of port");
    text.getStyleClass().add("mono");
    text.setWrapText(true);
    text.setPromptText("05 01 09 05 A1 01 05 09 19 01 29 08 ... C0");
    text.textProperty().addListener((o, was, is) -> understand());
    understood.setId("own-pad-understood");
    understood.setWrapText(true);
    understood.setMinHeight(Region.USE_PREF_SIZE);
    wrong.setId("own-pad-wrong");
    wrong.getStyleClass().add("bad-text");
    wrong.setWrapText(true);
    wrong.setMinHeight(Region.USE_PREF_SIZE);
    Button cancel = new Button("Cancel");
    cancel.setOnAction(event -> frame.over().lower());
    plug.setId("own-pad-plug");
    plug.getStyleClass().add("accent");
    plug.setOnAction(event -> plug());
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(gap, cancel, plug);
    foot.getStyleClass().add("foot");
    VBox.setVgrow(text, Priority.ALWAYS);
    getChildren().addAll(title, how, form, text, understood, wrong, foot);
    understand();
  }

  private static Label note(String words) {
    Label note = new Label(words);
    note.getStyleClass().add("note");
    note.setWrapText(true);
    note.setMinHeight(Region.USE_PREF_SIZE);
    return note;
  }

  /** Says at each letter what is understood so far. */
  private void understand() {
    String typed = text.getText().strip();
    understood.setText("");
    wrong.setText("");
    plug.setDisable(true);
    if (typed.isEmpty()) {
      understood.setText("Nothing pasted yet.");
      return;
    }
    try {
      understood.setText(words(typed));
      plug.setDisable(false);
    } catch (IllegalArgumentException e) {
      wrong.setText(e.getMessage());
    }
  }

  private String words(String typed) {
    if (typed.startsWith("{")) {
      PortKind kind = file(typed);
      return kind.id() + ": " + says(kind);
    }
    UsbPads.Told told = told(typed);
    StringBuilder words = new StringBuilder("Understood: ").append(says(told.kind())).append('.');
    if (!told.left().isEmpty()) {
      words.append("\nLeft out: ").append(String.join("; ", told.left())).append('.');
    }
    if (!told.others().isEmpty()) {
      words.append("\nThe device has further pads, in other reports: those are not taken.");
    }
    return words.toString();
  }

  private static String says(PortKind kind) {
    return "buttons "
        + String.join(", ", kind.buttons())
        + "; axes "
        + (kind.axes().isEmpty() ? "none" : String.join(", ", kind.axes()));
  }

  private static PortKind file(String typed) {
    return PortFile.PORT.read(new Key("", JsonText.read(typed)).here());
  }

  private UsbPads.Told told(String typed) {
    byte[] bytes =
        DescriptorText.hex(typed)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "These are no pairs of hexadecimal digits; write 05 01 09 05 ..."));
    String called = name.getText().strip();
    return UsbPads.of(
        bytes,
        new UsbPads.Wish(
            UsbPads.Wish.id(called), called, speed.getValue() != Speed.LOW, Optional.empty()));
  }

  private void plug() {
    try {
      String typed = text.getText().strip();
      PortKind kind = typed.startsWith("{") ? file(typed) : told(typed).kind();
      PortBook book = workbench.build().get().ports().withKind(kind);
      Port pad = Consoles.pad(workbench.build().get().withPorts(book), kind);
      workbench.apply(
          new Edit(
              "Plug in " + kind.title(),
              b -> b.withPorts(b.ports().withKind(kind).with(pad.withLabel(label(pad, kind))))));
      workbench.select(pad.id());
      frame.over().lower();
    } catch (IllegalArgumentException e) {
      wrong.setText(e.getMessage());
    }
  }

  /** It is called as it was named, as long as nothing else is. */
  private String label(Port pad, PortKind kind) {
    boolean taken =
        workbench.build().get().ports().ports().stream()
            .anyMatch(port -> port.label().equals(kind.title()));
    return taken ? pad.label() : kind.title();
  }
}
