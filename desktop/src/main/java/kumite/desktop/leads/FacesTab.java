package kumite.desktop.leads;

import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.shell.Shell;
import kumite.lead.ConnectorKind;
import kumite.lead.End;
import kumite.lead.Gender;
import kumite.lead.Lead;
import kumite.lead.LeadPart;
import kumite.lead.Seen;
import kumite.lead.Side;
import kumite.lead.Where;
import kumite.lead.Wired;
import kumite.sheet.Exports;

/** Both ends of the lead from both sides, and the half that each plugs into. */
final class FacesTab extends VBox {
  private final LeadDesk desk;
  private final GridPane grid = new GridPane();
  private final Label lit = new Label();

  FacesTab(LeadDesk desk, Shell.Frame frame) {
    this.desk = desk;
    setId("lead-faces");
    getStyleClass().add("faces-tab");
    Label note =
        new Label(
            "Pin 1 has the square. Click a pin: it lights wherever it is. Hold the real plug so that"
                + " you look at it as the line above each drawing says.");
    note.getStyleClass().add("note");
    note.setWrapText(true);
    note.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(note, Priority.ALWAYS);
    Button print = new Button("Print in true size");
    print.setId("print-faces");
    print.setMinWidth(Region.USE_PREF_SIZE);
    print.setOnAction(event -> frame.commands().export(Exports.LEADS));
    HBox bar = new HBox(note, print);
    bar.getStyleClass().add("lead-bar");
    lit.setId("lit-pin");
    lit.setWrapText(true);
    lit.setMaxWidth(Double.MAX_VALUE);
    lit.setMinHeight(Region.USE_PREF_SIZE);
    lit.getStyleClass().add("lay-words");
    grid.getStyleClass().add("faces-grid");
    VBox.setVgrow(grid, Priority.ALWAYS);
    getChildren().addAll(bar, grid, lit);
    desk.lit().addListener((o, was, is) -> say());
  }

  void show(Lead lead) {
    grid.getChildren().clear();
    int column = 0;
    for (Where where : Where.values()) {
      Optional<ConnectorKind> kind = desk.plugs().connector(lead.end(where)).filter(k -> !k.bare());
      Gender gender = lead.end(where) instanceof End.Plug plug ? plug.gender() : Gender.MALE;
      VBox side = new VBox();
      side.getStyleClass().add("faces-column");
      Label title = new Label(where == Where.FROM ? "First end" : "Other end");
      title.getStyleClass().add("strong");
      side.getChildren().add(title);
      if (kind.isEmpty()) {
        Label none =
            new Label(
                lead.end(where) instanceof End.OfBoard
                    ? "This end is the board of the build: see the Loom station for its terminals."
                    : "This end is cut off: its cores are told by colour.");
        none.setWrapText(true);
        none.getStyleClass().add("note");
        side.getChildren().add(none);
      } else {
        side.getChildren().add(how(kind.get(), (End.Plug) lead.end(where)));
        face(side, lead, where, kind.get().seen(gender, Side.WIRES));
        face(side, lead, where, kind.get().seen(gender, Side.MATING));
        face(side, lead, where, kind.get().seen(gender.other(), Side.MATING));
      }
      GridPane.setHgrow(side, Priority.ALWAYS);
      GridPane.setVgrow(side, Priority.ALWAYS);
      side.setPrefWidth(10);
      grid.add(side, column++, 0);
    }
    say();
  }

  /** How it is counted, and what it takes to put a wire on. */
  private static Label how(ConnectorKind kind, End.Plug plug) {
    Wired wired = kind.wired(plug.wired());
    String words =
        String.format(
            Locale.ROOT,
            "%s. %s, %s%d to %d AWG; %s.",
            kind.numbering(),
            wired.how().words(),
            wired.stripMm() > 0
                ? String.format(Locale.ROOT, "strip %.0f mm, ", wired.stripMm())
                : "",
            wired.thickestAwg(),
            wired.thinnestAwg(),
            wired.tool());
    Label label = new Label(words);
    label.getStyleClass().add("note");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    label.setTooltip(new Tooltip(words + " " + kind.source().inWords()));
    return label;
  }

  private void face(VBox side, Lead lead, Where where, Seen seen) {
    boolean theirs = lead.end(where) instanceof End.Plug plug && plug.gender() != seen.gender();
    Label words = new Label((theirs ? "It plugs into: " : "") + seen.words());
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    words.getStyleClass().add(theirs ? "note" : "face-words");
    FaceView view = new FaceView(desk, where);
    VBox.setVgrow(view, Priority.ALWAYS);
    view.setMaxWidth(Double.MAX_VALUE);
    side.getChildren().addAll(words, view);
    view.show(lead, seen);
  }

  private void say() {
    lit.setText(
        desk.lit()
            .get()
            .flatMap(
                place ->
                    desk.lead()
                        .map(
                            lead -> {
                              String function = desk.function(lead, place.end(), place.pin());
                              var nets = kumite.lead.LeadNets.of(lead);
                              var across = nets.across(place);
                              return "Pin "
                                  + place.pin()
                                  + (function.isEmpty() ? "" : ", " + function + ",")
                                  + " of the "
                                  + place.end().words()
                                  + flow(lead, place)
                                  + (across.isEmpty()
                                      ? " goes nowhere"
                                      : " goes to pin "
                                          + String.join(" and ", across)
                                          + " of the "
                                          + place.end().across().words());
                            }))
            .orElse("No pin is lit."));
  }

  /** Who does what at a pin, and at which volts. */
  private String flow(Lead lead, LeadPart.Place place) {
    if (!(lead.end(place.end()) instanceof End.Plug plug)) {
      return "";
    }
    return desk.plugs()
        .pinout(plug)
        .flatMap(
            pinout ->
                pinout
                    .at(place.pin())
                    .map(
                        pin ->
                            String.format(
                                Locale.ROOT,
                                ", %s at %.1f V%s,",
                                pin.flow().words(),
                                pinout.volts(),
                                pin.some() ? " on some hosts" : "")))
        .orElse("");
  }
}
