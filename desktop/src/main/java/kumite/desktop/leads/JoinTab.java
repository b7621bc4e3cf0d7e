package kumite.desktop.leads;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Head;
import kumite.lead.Core;
import kumite.lead.Drawer;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Told;

/** What leads do together, what undoes one, and which makes one into another. */
final class JoinTab extends ScrollPane {
  private final LeadDesk desk;
  private final Runnable made;
  private final List<String> chain = new ArrayList<>();
  private final VBox links = new VBox();
  private final Choice<Lead> more;
  private final Label joined = result("join-result");
  private final Button takeJoined;
  private final Choice<Lead> undo;
  private final Label undone = result("undo-result");
  private final Choice<Lead> have;
  private final Choice<Lead> want;
  private final Label between = result("between-result");
  private final Label among = Plain.note("");
  private final Button takeBetween;
  private final Button takeUndone;
  private boolean showing;

  JoinTab(LeadDesk desk, Runnable made) {
    this.desk = desk;
    this.made = made;
    setId("lead-join");
    getStyleClass().add("quiet-scroll");
    setFitToWidth(true);
    setFocusTraversable(false);
    more =
        new Choice<>(
            "plug in another lead",
            List.of(),
            Lead::name,
            lead -> {
              chain.add(lead.name());
              say();
            });
    more.setId("join-more");
    more.wide(16);
    more.setPromptText("another lead");
    takeJoined = Plain.button("Make it one lead", "join-take", () -> take(this::chained));
    VBox first =
        new VBox(
            Plain.title("What do these do, joined?"),
            Plain.note("The first one is where the stick plugs in."),
            links,
            Head.named("plug in", more),
            joined,
            takeJoined);
    undo = leads("lead to undo");
    undo.setId("join-undo");
    takeUndone =
        Plain.button(
            "Make it",
            "undo-take",
            () -> take(() -> Optional.ofNullable(undo.getValue()).map(Making::inverse)));
    VBox second =
        new VBox(Plain.title("What undoes it?"), Head.named("lead", undo), undone, takeUndone);
    have = leads("lead that is there");
    have.setId("join-have");
    want = leads("lead that is wanted");
    want.setId("join-want");
    takeBetween = Plain.button("Make it", "between-take", () -> take(this::making));
    FlowPane pair = new FlowPane(Head.named("with", have), Head.named("I want", want));
    pair.getStyleClass().add("lead-fields");
    VBox third =
        new VBox(
            Plain.title("Which lead makes one into the other?"), pair, between, among, takeBetween);
    VBox all = new VBox(first, second, third);
    for (VBox box : List.of(first, second, third)) {
      box.getStyleClass().addAll("sheet", "make-way");
    }
    all.getStyleClass().add("make-ways");
    setContent(all);
  }

  private static Label result(String id) {
    Label label = new Label();
    label.setId(id);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    label.getStyleClass().add("join-result");
    return label;
  }

  private Choice<Lead> leads(String name) {
    Choice<Lead> choice = new Choice<>(name, List.of(), Lead::name, lead -> say());
    choice.wide(16);
    return choice;
  }

  void show() {
    showing = true;
    List<Lead> leads =
        desk.book().leads().stream()
            .filter(l -> l.from() instanceof End.Plug && l.to() instanceof End.Plug)
            .toList();
    chain.removeIf(name -> leads.stream().noneMatch(l -> l.name().equals(name)));
    if (chain.isEmpty()) {
      leads.stream().limit(2).forEach(lead -> chain.add(lead.name()));
    }
    for (Choice<Lead> choice : List.of(more, undo, have, want)) {
      String was = choice.getValue() == null ? "" : choice.getValue().name();
      choice.offer(leads);
      choice.show(leads.stream().filter(l -> l.name().equals(was)).findFirst());
    }
    more.show(Optional.empty());
    if (undo.getValue() == null) {
      undo.show(leads.stream().findFirst());
      have.show(leads.stream().findFirst());
      want.show(leads.stream().skip(1).findFirst().or(() -> leads.stream().findFirst()));
    }
    showing = false;
    say();
  }

  private Optional<Lead> chained() {
    List<Lead> leads = chain.stream().flatMap(name -> desk.book().lead(name).stream()).toList();
    return leads.isEmpty() ? Optional.empty() : Optional.of(Making.joined(leads));
  }

  private Optional<Lead> making() {
    return have.getValue() == null || want.getValue() == null
        ? Optional.empty()
        : Optional.of(Making.making(have.getValue(), want.getValue()));
  }

  private void say() {
    if (showing) {
      return;
    }
    links();
    say(joined, takeJoined, this::chained);
    say(undone, takeUndone, () -> Optional.ofNullable(undo.getValue()).map(Making::inverse));
    say(between, takeBetween, this::making);
    among.setText("");
    try {
      making()
          .flatMap(lead -> new Drawer(desk.book().leads()).doing(lead))
          .ifPresent(
              leads ->
                  among.setText(
                      "You have it: "
                          + String.join(", then ", leads.stream().map(Lead::name).toList())));
    } catch (IllegalArgumentException e) {
      among.setText(""); // said above
    }
    javafx.application.Platform.runLater(() -> more.show(Optional.empty()));
  }

  private void say(Label label, Button take, java.util.function.Supplier<Optional<Lead>> maker) {
    label.getStyleClass().remove("bad-text");
    try {
      Optional<Lead> lead = maker.get();
      label.setText(
          lead.map(
                  l ->
                      "= "
                          + Told.of(l, desk.plugs()).words()
                          + "\n"
                          + String.join(
                              "  ",
                              desk.plugs().inOrder(l).stream()
                                  .map((Core c) -> c.from() + ">" + c.to())
                                  .toList()))
              .orElse("Make a lead first, in the tab Make."));
      take.setDisable(lead.isEmpty());
    } catch (IllegalArgumentException e) {
      label.setText(e.getMessage());
      label.getStyleClass().add("bad-text");
      take.setDisable(true);
    }
  }

  private void links() {
    links.getChildren().clear();
    for (int i = 0; i < chain.size(); i++) {
      int at = i;
      Label name = new Label((i + 1) + "  " + chain.get(i));
      name.setMaxWidth(Double.MAX_VALUE);
      javafx.scene.layout.HBox.setHgrow(name, javafx.scene.layout.Priority.ALWAYS);
      Button gone = new Button("✕");
      gone.getStyleClass().addAll("quiet", "small");
      gone.setAccessibleText("Unplug " + chain.get(i));
      gone.setOnAction(
          event -> {
            chain.remove(at);
            say();
          });
      javafx.scene.layout.HBox row = new javafx.scene.layout.HBox(name, gone);
      row.getStyleClass().add("join-link");
      links.getChildren().add(row);
    }
  }

  private void take(java.util.function.Supplier<Optional<Lead>> maker) {
    try {
      maker.get().ifPresent(desk::add);
      made.run();
    } catch (IllegalArgumentException e) {
      desk.workbench().complain(e.getMessage());
    }
  }
}
