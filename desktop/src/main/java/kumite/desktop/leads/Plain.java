package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import kumite.lead.Beyond;
import kumite.lead.ConnectorKind;
import kumite.lead.ConnectorRow;
import kumite.lead.End;
import kumite.lead.Pinout;
import kumite.lead.Plugs;

/** Small things that several tabs of the station are made of. */
final class Plain {
  private Plain() {}

  static Label title(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("strong");
    return label;
  }

  static Label note(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("note");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  static Button button(String words, String id, Runnable run) {
    Button button = new Button(words);
    button.setId(id);
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(event -> run.run());
    return button;
  }

  /** {@return all connectors that can be chosen, rows in every length} */
  static List<ConnectorKind> kinds(Plugs plugs) {
    List<ConnectorKind> kinds = new ArrayList<>(plugs.connectors());
    for (ConnectorRow row : plugs.rows()) {
      IntStream.rangeClosed(row.fewest(), row.most()).forEach(n -> kinds.add(row.of(n)));
    }
    // A lead may have two plugs at one end: two pads of one kind on one host.
    for (ConnectorKind kind : plugs.connectors()) {
      if (!kind.bare() && !plugs.of(kind).isEmpty()) {
        plugs.connector(kind.id() + "-and-" + kind.id()).ifPresent(kinds::add);
      }
    }
    return kinds;
  }

  /** {@return an end of a shape, with the first pinout known for it} */
  static End.Plug plug(ConnectorKind kind, Beyond beyond, Plugs plugs) {
    Optional<Pinout> pinout = plugs.of(kind).stream().findFirst();
    End.Plug plug =
        End.Plug.of(kind.id(), beyond == Beyond.PAD ? kind.padGender().other() : kind.padGender());
    return pinout
        .map(p -> plug.into(beyond, p))
        .orElse(
            new End.Plug(
                plug.connector(), plug.gender(), beyond, Optional.empty(), Optional.empty()));
  }

  /** {@return a cut end or row of so many places; other shapes keep theirs} */
  static End.Plug resized(End.Plug plug, int places) {
    return plug.connector().matches("(bare|header|strip)-[0-9]+")
        ? new End.Plug(
            plug.connector().replaceFirst("[0-9]+$", String.valueOf(places)),
            plug.gender(),
            plug.beyond(),
            plug.pinout(),
            plug.wired())
        : plug;
  }
}
