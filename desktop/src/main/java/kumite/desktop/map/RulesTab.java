package kumite.desktop.map;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.map.AxisName;
import kumite.build.map.FourWay;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Ramp;
import kumite.build.map.Repeat;
import kumite.build.map.Target;
import kumite.build.map.Tuning;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Words;
import kumite.desktop.shell.Workbench;
import kumite.device.SignalPath;
import kumite.kind.ContactKind;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** Opposite directions, four ways, ramps, rapid fire, keys told: what the map does with presses. */
final class RulesTab extends ScrollPane {
  private final Workbench workbench;
  private final VBox rows = new VBox();

  RulesTab(Workbench workbench) {
    this.workbench = workbench;
    setId("rules");
    setContent(rows);
    setFitToWidth(true);
    setFocusTraversable(false);
    getStyleClass().add("edge-to-edge");
    rows.getStyleClass().add("rules");
  }

  private void change(String label, UnaryOperator<Profile> change) {
    workbench.apply(new Edit(label, b -> b.withProfile(change)));
  }

  void show(Bench bench) {
    rows.getChildren().clear();
    Profile profile = bench.build().profile();
    head("Both opposite directions at once give", "Some events forbid some of these.");
    for (Opposed pair : pairs(bench, profile)) {
      rows.getChildren().add(opposites(pair, profile));
    }
    List<SignalPath> levers =
        bench.paths().stream()
            .filter(p -> p.site().kind().pushesDirections())
            .filter(p -> p.site().contact().name().equals("up"))
            .toList();
    if (!levers.isEmpty()) {
      head("Four ways", "Of two neighbouring directions one passes, whatever the gate.");
      levers.forEach(path -> rows.getChildren().add(fourWay(path, profile)));
    }
    Set<AxisName> driven = new LinkedHashSet<>();
    profile
        .entries()
        .forEach(
            entry -> {
              if (entry.target().plain() instanceof Target.AxisEnd end) {
                driven.add(end.axis());
              }
            });
    if (!driven.isEmpty()) {
      head("Axes that switches drive", "To an end and back, in ms; 0 jumps.");
      driven.forEach(axis -> rows.getChildren().add(ramp(axis, profile)));
    }
    List<SignalPath> pairs =
        bench.paths().stream()
            .filter(p -> !p.site().contact().type().analog())
            .filter(p -> Pulses.partner(p.id()).flatMap(bench::path).isPresent())
            .toList();
    if (!pairs.isEmpty()) {
      head(
          "Pairs that count",
          "Counts in a turn and for a step; empty are two plain contacts. A's meaning is forward.");
      pairs.forEach(path -> rows.getChildren().add(counts(path, bench)));
    }
    List<SignalPath> pressed =
        bench.paths().stream()
            .filter(p -> p.site().contact().type() == ContactKind.Type.WIPER)
            .filter(p -> p.target().filter(RulesTab::press).isPresent())
            .toList();
    if (!pressed.isEmpty()) {
      head("Travel used as a press", "Pressed from and let go below, in % of the range.");
      pressed.forEach(path -> rows.getChildren().add(threshold(path, bench)));
    }
    head("Rapid fire", "On and off in ms while held; empty is off.");
    bench.paths().stream()
        .filter(p -> !p.site().contact().type().analog())
        .forEach(path -> rows.getChildren().add(rapid(path, bench)));
    head("Keyboard report", "Six keys are what hosts know that read no descriptor.");
    Choice<Profile.Keys> keys =
        new Choice<>(
            "Keys told at once",
            List.of(Profile.Keys.values()),
            Profile.Keys::words,
            k -> change("Tell " + k.words(), p -> p.telling(k)));
    keys.setId("rule-keys");
    keys.show(Optional.of(profile.keys()));
    rows.getChildren().add(row("Keys", keys));
  }

  private void head(String title, String note) {
    Label words = new Label(title);
    words.getStyleClass().add("strong");
    Label more = new Label(note);
    more.getStyleClass().add("note");
    HBox head = new HBox(words, more);
    head.getStyleClass().add("rules-head");
    rows.getChildren().add(head);
  }

  private static Node row(String name, Node... fields) {
    Label label = new Label(name);
    Em.min(label, 150);
    Em.pref(label, 170);
    HBox row = new HBox(label);
    row.getChildren().addAll(fields);
    row.getStyleClass().add("contact-row");
    return row;
  }

  /** The pairs that the profile's meanings and the levers have, and those that have a rule. */
  private static Set<Opposed> pairs(Bench bench, Profile profile) {
    Set<Opposed> pairs = new TreeSet<>(java.util.Comparator.comparing(Opposed::text));
    profile
        .entries()
        .forEach(
            entry -> {
              Target plain = entry.target().plain();
              if (plain instanceof Target.Hat hat) {
                pairs.add(
                    new Opposed.HatPair(
                        hat.direction() == Target.Direction.N
                            || hat.direction() == Target.Direction.S));
              } else if (plain instanceof Target.AxisEnd end) {
                pairs.add(new Opposed.AxisPair(end.axis()));
              }
            });
    for (SignalPath path : bench.paths()) {
      if (path.site().kind().pushesDirections()) {
        String name = path.site().contact().name();
        if (name.equals("left") || name.equals("up")) {
          pairs.add(new Opposed.Lever(path.id().control(), name.equals("up")));
        }
      }
    }
    pairs.addAll(profile.opposites().keySet());
    return pairs;
  }

  private Node opposites(Opposed pair, Profile profile) {
    List<Optional<OppositesRule>> rules = new ArrayList<>(List.of(Optional.empty()));
    Arrays.stream(OppositesRule.values()).map(Optional::of).forEach(rules::add);
    boolean lever = pair instanceof Opposed.Lever;
    Choice<Optional<OppositesRule>> choice =
        new Choice<>(
            "What " + pair.text() + " give at once",
            rules,
            r ->
                r.map(OppositesRule::words)
                    .orElse(lever ? "not chosen: both" : "not chosen: neither"),
            r ->
                change(
                    pair.text() + ": " + r.map(OppositesRule::words).orElse("not chosen"),
                    p -> p.withOpposites(pair, r)));
    choice.setId("opposites-" + pair.text().replace(' ', '-').toLowerCase(java.util.Locale.ROOT));
    choice.show(Optional.of(Optional.ofNullable(profile.opposites().get(pair))));
    return row(pair.text(), choice);
  }

  private Node fourWay(SignalPath path, Profile profile) {
    List<Optional<FourWay>> ways = new ArrayList<>(List.of(Optional.empty()));
    Arrays.stream(FourWay.values()).map(Optional::of).forEach(ways::add);
    Choice<Optional<FourWay>> choice =
        new Choice<>(
            "Four ways of " + path.site().control().label(),
            ways,
            w -> w.map(FourWay::words).orElse("off: diagonals pass"),
            w -> change("Four ways", p -> p.withFourWay(path.id().control(), w)));
    choice.setId("four-way-" + path.id().control());
    choice.show(Optional.of(Optional.ofNullable(profile.fourWays().get(path.id().control()))));
    return row(path.site().control().label(), choice);
  }

  private Node ramp(AxisName axis, Profile profile) {
    Words field =
        new Words(
            "Ramp of axis " + axis.words(),
            text -> {
              Optional<int[]> two = two(text, 0);
              change(
                  "Ramp of axis " + axis.words(),
                  p -> p.withRamp(axis, two.map(t -> new Ramp(t[0], t[1]))));
            },
            workbench::complain);
    field.setId("ramp-" + axis.words());
    field.setPromptText("300 / 150");
    field.show(
        Optional.ofNullable(profile.ramps().get(axis))
            .map(r -> r.riseMs() + " / " + r.returnMs())
            .orElse(""));
    return row("Axis " + axis.words(), field);
  }

  private static boolean press(Target target) {
    return !target.travels();
  }

  private Node counts(SignalPath path, Bench bench) {
    Optional<Pulses> now = Optional.ofNullable(bench.build().tuning().pulses().get(path.id()));
    Words field =
        new Words(
            "Counts of " + path.site().label(),
            text -> {
              Optional<int[]> two = two(text, 1);
              boolean turned = now.map(Pulses::turned).orElse(false);
              tune(
                  "Counts of " + path.id(),
                  path,
                  (t, id) -> t.withPulses(id, two.map(n -> new Pulses(n[0], n[1], turned))));
            },
            workbench::complain);
    field.setId("pulses-" + path.id().toString().replace('.', '-'));
    field.setPromptText("80 / 4");
    field.show(now.map(p -> p.perTurn() + " / " + p.perStep()).orElse(""));
    CheckBox turned = new CheckBox("mounted the other way round");
    turned.setId("turned-" + path.id().toString().replace('.', '-'));
    turned.setDisable(now.isEmpty());
    turned.setSelected(now.map(Pulses::turned).orElse(false));
    turned.setOnAction(
        event ->
            tune(
                "Front of " + path.id(),
                path,
                (t, id) ->
                    t.withPulses(
                        id,
                        now.map(p -> new Pulses(p.perTurn(), p.perStep(), turned.isSelected())))));
    return row(path.site().control().label() + " " + path.site().contact().name(), field, turned);
  }

  private Node threshold(SignalPath path, Bench bench) {
    PressAt now = bench.build().tuning().presses().getOrDefault(path.id(), PressAt.MIDDLE);
    Words field =
        new Words(
            "Threshold of " + path.site().label(),
            text -> {
              Optional<int[]> two = two(text.replace("%", ""), 0);
              tune(
                  "Threshold of " + path.id(),
                  path,
                  (t, id) -> t.withPress(id, two.map(n -> new PressAt(10 * n[0], 10 * n[1]))));
            },
            workbench::complain);
    field.setId("press-at-" + path.id().toString().replace('.', '-'));
    field.show(now.on() / 10 + " / " + now.off() / 10);
    return row(path.site().label(), field);
  }

  private void tune(
      String label,
      SignalPath path,
      java.util.function.BiFunction<Tuning, ContactId, Tuning> change) {
    change.apply(workbench.build().get().tuning(), path.id()); // refused here, if at all
    workbench.apply(new Edit(label, b -> b.withTuning(change.apply(b.tuning(), path.id()))));
  }

  private Node rapid(SignalPath path, Bench bench) {
    Words field =
        new Words(
            "Rapid fire of " + path.site().label(),
            text -> {
              Optional<int[]> two = two(text, 1);
              workbench.apply(
                  new Edit(
                      "Rapid fire of " + path.id(),
                      b ->
                          b.withTuning(
                              b.tuning()
                                  .withRepeat(path.id(), two.map(t -> new Repeat(t[0], t[1]))))));
            },
            workbench::complain);
    field.setId("rapid-" + path.id().toString().replace('.', '-'));
    field.setPromptText("off");
    field.show(
        Optional.ofNullable(bench.build().tuning().repeats().get(path.id()))
            .map(r -> r.onMs() + " / " + r.offMs())
            .orElse(""));
    return row(path.site().label(), field);
  }

  /** Two whole numbers of ms, such as 60 / 40; empty is none. */
  private static Optional<int[]> two(String text, int least) {
    if (text.isEmpty()) {
      return Optional.empty();
    }
    String[] parts = text.replaceAll("(?i)ms", "").strip().split("[\\s/,;]+");
    if (parts.length != 2 || !parts[0].matches("\\d{1,4}") || !parts[1].matches("\\d{1,4}")) {
      throw new IllegalArgumentException(
          "\""
              + text
              + "\" is not understood; type two times in ms, "
              + least
              + " to 5000, such as 60 / 40");
    }
    int[] two = {Integer.parseInt(parts[0]), Integer.parseInt(parts[1])};
    new Ramp(two[0], two[1]); // in range
    if (two[0] < least || two[1] < least) {
      throw new IllegalArgumentException("both must be between " + least + " and 5000");
    }
    return Optional.of(two);
  }
}
