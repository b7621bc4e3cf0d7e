package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.Link;
import kumite.build.Seat;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Words;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.verdict.Bench;

/** The seats of a build: their boards, which controls belong to which, wires between boards. */
final class SeatsPane extends VBox {
  private final Workbench workbench;
  private final VBox seats = new VBox();
  private final VBox links = new VBox();
  private final Words fresh;
  private final Words link;
  private final Choice<SeatId> move;
  private final Label chosen = new Label();

  SeatsPane(Workbench workbench, Runnable close) {
    this.workbench = workbench;
    getStyleClass().add("file-pane");
    setId("seats");
    Label title = new Label("Seats and links");
    title.getStyleClass().add("emphasis");
    Label note =
        new Label(
            "A seat is one board with its controls: a player, or a board that speaks to another."
                + " Loom, Power and Map show the one that is looked at.");
    note.setWrapText(true);
    note.setMinHeight(Region.USE_PREF_SIZE);
    note.getStyleClass().add("note");
    fresh = new Words("Name of another seat", this::add, workbench::complain);
    fresh.setId("seat-new");
    fresh.setPromptText("another seat, such as right");
    Button add = new Button("Add seat");
    add.setId("seat-add");
    add.setOnAction(event -> fresh.fireEvent(new javafx.event.ActionEvent()));
    HBox adder = new HBox(fresh, add);
    adder.getStyleClass().add("field-row");
    move =
        new Choice<>("Seat of the selected controls", List.of(), SeatId::text, this::moveSelected);
    move.setId("seat-move");
    HBox mover = new HBox(Head.named("selected controls belong to", move), chosen);
    mover.getStyleClass().add("field-row");
    Label wires = new Label("Wires between boards");
    wires.getStyleClass().add("strong");
    link = new Words("A wire between boards", this::join, workbench::complain);
    link.setId("link-new");
    link.setPromptText("seat:terminal - seat:terminal, such as left:TX - right:RX");
    Em.pref(link, 330);
    Button join = new Button("Add wire");
    join.setId("link-add");
    join.setOnAction(event -> link.fireEvent(new javafx.event.ActionEvent()));
    HBox joiner = new HBox(link, join);
    joiner.getStyleClass().add("field-row");
    Button done = new Button("Done");
    done.setId("seats-done");
    done.getStyleClass().add("accent");
    done.setOnAction(event -> close.run());
    HBox foot = new HBox(done);
    foot.getStyleClass().add("foot");
    seats.getStyleClass().add("rules");
    links.getStyleClass().add("rules");
    getChildren().addAll(title, note, seats, adder, mover, wires, links, joiner, foot);
    setMaxSize(600, USE_PREF_SIZE);
    workbench.bench().addListener((o, was, is) -> show(is));
    workbench.selection().addListener((o, was, is) -> show(workbench.bench().get()));
    show(workbench.bench().get());
  }

  private void add(String text) {
    SeatId id = new SeatId(text.toLowerCase(Locale.ROOT).strip());
    Build build = workbench.build().get();
    if (build.seats().stream().anyMatch(seat -> seat.id().equals(id))) {
      throw new IllegalArgumentException("there is a seat \"" + id + "\" already");
    }
    workbench.apply(
        new Edit(
            "Another seat",
            b -> {
              List<Seat> next = new ArrayList<>(b.seats());
              next.add(Seat.empty(id));
              return b.withSeats(next);
            }));
    workbench.say("Seat " + id + ": select its controls and say that they belong to it");
    javafx.application.Platform.runLater(
        () -> {
          fresh.clear();
          fresh.show("");
        });
  }

  private void moveSelected(SeatId seat) {
    Set<ControlId> selection = workbench.selection().get();
    if (selection.isEmpty()) {
      workbench.complain("Select controls first, at the Panel station or here by the finder");
      return;
    }
    workbench.apply(
        new Edit(
            selection.size() + (selection.size() == 1 ? " control to " : " controls to ") + seat,
            b ->
                b.withControls(
                        b.controls().stream()
                            .map(
                                c -> selection.contains(c.id()) ? c.withSeat(Optional.of(seat)) : c)
                            .toList())
                    .withPorts(
                        b.ports().moved(p -> selection.contains(p.id()), Optional.of(seat)))));
  }

  private void join(String text) {
    Link joined = Link.parse(text);
    workbench.apply(
        new Edit(
            "Link " + joined,
            b -> {
              List<Link> next = new ArrayList<>(b.links());
              next.add(joined);
              return b.withLinks(next);
            }));
    javafx.application.Platform.runLater(
        () -> {
          link.clear();
          link.show("");
        });
  }

  private void show(Bench bench) {
    Build build = bench.build();
    seats.getChildren().setAll(build.seats().stream().map(s -> row(bench, s)).toList());
    List<SeatId> ids = build.seats().stream().map(Seat::id).toList();
    if (!move.getItems().equals(ids)) {
      move.getItems().setAll(ids);
    }
    Set<ControlId> selection = workbench.selection().get();
    List<SeatId> theirs =
        build.controls().stream()
            .filter(c -> selection.contains(c.id()))
            .map(build::seatOf)
            .distinct()
            .toList();
    move.show(theirs.size() == 1 ? Optional.of(theirs.get(0)) : Optional.empty());
    move.setDisable(build.seats().size() < 2);
    chosen.setText(selection.isEmpty() ? "none selected" : selection.size() + " selected");
    links.getChildren().setAll(build.links().stream().map(this::row).toList());
    links.setManaged(!build.links().isEmpty());
    seats.setManaged(true);
  }

  private Node row(Bench bench, Seat seat) {
    Build build = bench.build();
    Label id = new Label(seat.id().text());
    id.getStyleClass().addAll("mono", "strong");
    Em.min(id, 90);
    String board =
        seat.board()
            .flatMap(choice -> bench.catalogue().board(choice.kind()))
            .map(kind -> kind.name())
            .orElse("no board yet");
    List<Control> its =
        build.controls().stream().filter(c -> build.seatOf(c).equals(seat.id())).toList();
    Label facts = new Label(board + " · " + its.size() + " controls");
    Em.min(facts, 240);
    Button look = new Button(build.seat().id().equals(seat.id()) ? "looked at" : "Look at");
    look.getStyleClass().add("small");
    look.setId("seat-look-" + seat.id());
    look.setMinWidth(Region.USE_PREF_SIZE);
    look.setDisable(build.seat().id().equals(seat.id()));
    look.setOnAction(event -> workbench.face(Aspect.of(seat)));
    HBox row = new HBox(id, facts, look);
    if (build.seats().size() > 1) {
      Button remove = new Button("Remove");
      remove.getStyleClass().add("small");
      remove.setId("seat-remove-" + seat.id());
      remove.setMinWidth(Region.USE_PREF_SIZE);
      remove.setOnAction(event -> remove(seat, its));
      row.getChildren().add(remove);
    }
    row.getStyleClass().add("contact-row");
    return row;
  }

  /** Its controls go to the first seat that is left; nothing on the panel is lost. */
  private void remove(Seat seat, List<Control> its) {
    workbench.apply(
        new Edit(
            "Remove seat " + seat.id(),
            b -> {
              List<Seat> left = b.seats().stream().filter(s -> !s.id().equals(seat.id())).toList();
              Optional<SeatId> first = Optional.of(left.get(0).id());
              return b.withLinks(
                      b.links().stream()
                          .filter(
                              l ->
                                  !l.from().seat().equals(seat.id())
                                      && !l.to().seat().equals(seat.id()))
                          .toList())
                  .withControls(
                      b.controls().stream()
                          .map(c -> its.contains(c) ? c.withSeat(first) : c)
                          .toList())
                  .withPorts(b.ports().moved(p -> p.seat().equals(Optional.of(seat.id())), first))
                  .withSeats(left);
            }));
  }

  private Node row(Link wire) {
    Label words = new Label(wire.toString());
    words.getStyleClass().add("mono");
    Em.min(words, 300);
    Button remove = new Button("Remove");
    remove.getStyleClass().add("small");
    remove.setOnAction(
        event ->
            workbench.apply(
                new Edit(
                    "Remove link " + wire,
                    b -> b.withLinks(b.links().stream().filter(l -> !l.equals(wire)).toList()))));
    HBox row = new HBox(words, remove);
    row.getStyleClass().add("contact-row");
    return row;
  }
}
