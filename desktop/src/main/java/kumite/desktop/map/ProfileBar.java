package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.brief.Host;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.Words;
import kumite.desktop.shell.Workbench;
import kumite.map.ChoiceText;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/**
 * The profiles of the board, as a row: which is looked at, its name, its host, how it is chosen.
 */
final class ProfileBar extends FlowPane {
  private final Workbench workbench;
  private final HBox chips = new HBox();
  private final Words name;
  private final Segments<Host> host;
  private final Words chosen;
  private final Button remove = new Button("Remove");
  private final Node chosenBox;

  ProfileBar(Workbench workbench) {
    this.workbench = workbench;
    getStyleClass().add("profile-bar");
    chips.getStyleClass().add("segments");
    name =
        new Words(
            "Name of the profile",
            text -> {
              Profile called = profile().called(text);
              change("Call the profile " + text, p -> called);
              workbench.face(new Aspect(build().seat().id(), text));
            },
            workbench::complain);
    name.setId("profile-name");
    Em.pref(name, 96);
    host =
        new Segments<>(
            Host::words, h -> change("Host " + h.words(), p -> p.withHost(h)), Host.values());
    chosen =
        new Words(
            "How the profile is chosen",
            text -> {
              Choice choice = ChoiceText.parse(text, known());
              change("Choose the profile otherwise", p -> p.chosen(choice));
            },
            workbench::complain);
    chosen.setId("profile-chosen");
    chosen.setPromptText("a + b held, or nav closed");
    chosen.setTooltip(new Tooltip("Type " + ChoiceText.FORMS));
    Em.pref(chosen, 190);
    remove.getStyleClass().add("small");
    remove.setId("profile-remove");
    remove.setOnAction(event -> remove());
    chosenBox = Head.named("chosen by", chosen);
  }

  private Build build() {
    return workbench.build().get();
  }

  private Profile profile() {
    return build().profile();
  }

  private Set<ContactId> known() {
    Set<ContactId> known = new TreeSet<>();
    workbench.bench().get().paths().forEach(path -> known.add(path.id()));
    return known;
  }

  private void change(String label, UnaryOperator<Profile> change) {
    workbench.apply(new Edit(label, b -> b.withProfile(change)));
  }

  private void add() {
    Profile like = profile();
    Set<String> names = new TreeSet<>();
    build().seat().profiles().forEach(p -> names.add(p.name()));
    int n = 2;
    while (names.contains("Profile " + n)) {
      n++;
    }
    Profile fresh = like.called("Profile " + n).chosen(Choice.NONE);
    workbench.apply(
        new Edit(
            "Another profile",
            b ->
                b.withSeat(
                    seat -> {
                      List<Profile> next = new ArrayList<>(seat.profiles());
                      next.add(fresh);
                      return seat.withProfiles(next);
                    })));
    workbench.face(new Aspect(build().seat().id(), fresh.name()));
    workbench.say(fresh.name() + " is a copy of " + like.name() + "; say how it is chosen");
  }

  private void remove() {
    String gone = profile().name();
    Aspect first = Aspect.of(build().seat());
    workbench.apply(
        new Edit(
            "Remove profile " + gone,
            b ->
                b.withSeat(
                        seat ->
                            seat.withProfiles(
                                seat.profiles().stream()
                                    .filter(p -> !p.name().equals(gone))
                                    .toList()))
                    .facing(first)));
  }

  void show(Bench bench) {
    List<Profile> profiles = bench.build().seat().profiles();
    chips.getChildren().clear();
    for (Profile profile : profiles) {
      ToggleButton chip = new ToggleButton(profile.name());
      chip.getStyleClass().add("segment");
      chip.setId("profile-" + chips.getChildren().size());
      chip.setSelected(profile.name().equals(bench.build().profile().name()));
      chip.setAccessibleText("Look at profile " + profile.name());
      chip.setOnAction(
          event -> {
            chip.setSelected(true);
            workbench.face(new Aspect(build().seat().id(), profile.name()));
          });
      chips.getChildren().add(chip);
    }
    Button add = new Button("Add profile");
    add.setId("profile-add");
    add.getStyleClass().add("small");
    add.setTooltip(new Tooltip("A copy of this one, for another host"));
    add.setOnAction(event -> add());
    Profile profile = bench.build().profile();
    name.show(profile.name());
    host.choose(profile.host());
    chosen.show(ChoiceText.of(profile.choice()));
    boolean first = bench.build().seat().inForce() == 0;
    List<Node> content = new ArrayList<>(List.of(Head.named("profile", chips), add));
    if (profiles.size() > 1) {
      content.add(Head.named("name", name));
      content.add(Head.named("host", host));
      if (first) {
        content.add(Head.note("in force when no other is chosen"));
      } else {
        content.add(chosenBox);
        content.add(remove);
      }
    }
    getChildren().setAll(content);
  }
}
