package kumite.desktop.brief;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.build.Edit;
import kumite.build.brief.Brief;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.map.Profile;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.field.TypedField;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.verdict.Bench;

/** What the controller must do. */
public final class BriefStation implements StationView {
  private enum Part {
    HOST("Host"),
    PLAYER("Player");

    private final String words;

    Part(String words) {
      this.words = words;
    }
  }

  private final Workbench workbench;
  private final VBox root = new VBox();
  private final VBox hands = new VBox();
  private final VBox list = new VBox();
  private final TextField title = new TextField();
  private final TextField revision = new TextField();
  private final Segments<Host> host;
  private final TypedField supply;
  private final PlayerForm player;
  private final Label hostFacts = new Label();
  private final ListView<HostFunction> functions = new ListView<>();
  private final TextField newName = new TextField();
  private final Choice<HostFunction.Wants> newWants =
      new Choice<>(
          "What kind of input it takes",
          List.of(HostFunction.Wants.values()),
          HostFunction.Wants::words,
          wants -> {});
  private final Label count = new Label();

  /** The station's room. */
  public BriefStation(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    root.getStyleClass().add("station-room");
    Segments<Part> parts = new Segments<>(part -> part.words, this::look, Part.values());
    parts.choose(Part.HOST);
    Head head = new Head("Brief", parts);
    head.facts("what it must do, for whose hands, on which host");

    title.setId("brief-title");
    title.setAccessibleText("Name of the build");
    title.setPrefColumnCount(22);
    onTaken(
        title,
        text -> brief("Title " + text, b -> b.withTitle(text)),
        () -> workbench.build().get().brief().title());
    revision.setId("brief-revision");
    revision.setAccessibleText("Revision");
    revision.setPrefColumnCount(2);
    onTaken(
        revision,
        text ->
            workbench.apply(
                new Edit(
                    "Revision " + text,
                    b -> b.withRevision(text.toUpperCase(java.util.Locale.ROOT)))),
        () -> workbench.build().get().revision());
    host =
        new Segments<>(
            Host::words, h -> profile("Host " + h.words(), p -> p.withHost(h)), Host.values());
    supply =
        TypedField.number(
            "supply", Brief.SUPPLY, v -> brief("Set the supply", b -> b.withSupplyVolts(v)));
    player = new PlayerForm(workbench);
    HBox first =
        new HBox(
            Head.named("title", title), Head.named("revision", revision), Head.named("host", host));
    first.getStyleClass().add("field-row");
    HBox second = new HBox(Head.named("supply from the host's port", supply), hostFacts);
    HBox.setHgrow(hostFacts, javafx.scene.layout.Priority.ALWAYS);
    second.getStyleClass().add("field-row");
    hostFacts.getStyleClass().add("note");
    hostFacts.setWrapText(true);
    hostFacts.setMinHeight(Region.USE_PREF_SIZE);
    VBox facts = new VBox(first, second);
    facts.getStyleClass().addAll("sheet", "form");
    hands.getChildren().add(player);
    hands.getStyleClass().addAll("sheet", "form");
    VBox.setVgrow(hands, Priority.ALWAYS);

    Label listTitle = new Label("The host asks for");
    listTitle.getStyleClass().add("emphasis");
    count.getStyleClass().add("note");
    HBox listHead = new HBox(listTitle, count);
    listHead.getStyleClass().add("station-head");
    functions.setId("functions");
    functions.setAccessibleText("Functions the host asks for");
    functions.setFixedCellSize(34);
    functions.setCellFactory(view -> new FunctionCell());
    Label none =
        new Label(
            "List what the host's settings page asks for, in its order: one line each.\n"
                + "The Map station then tells what is covered.");
    none.getStyleClass().add("note");
    functions.setPlaceholder(none);
    VBox.setVgrow(functions, Priority.ALWAYS);
    newName.setId("new-function");
    newName.setPromptText("Another function, such as Sound horn");
    newName.setPrefColumnCount(24);
    newName.setOnAction(event -> addFunction());
    newWants.setValue(HostFunction.Wants.PRESS);
    Button add = new Button("Add");
    add.setOnAction(event -> addFunction());
    HBox adder = new HBox(newName, newWants, add);
    adder.getStyleClass().add("field-row");
    list.getChildren().addAll(listHead, functions, adder);
    list.getStyleClass().addAll("sheet", "form");
    VBox.setVgrow(list, Priority.ALWAYS);
    root.getChildren().addAll(head, facts, list);
  }

  private void look(Part part) {
    root.getChildren().set(2, part == Part.HOST ? list : hands);
  }

  private static void onTaken(
      TextField field,
      java.util.function.Consumer<String> taken,
      java.util.function.Supplier<String> current) {
    Runnable take =
        () -> {
          String text = field.getText().strip();
          if (!text.equals(current.get())) {
            taken.accept(text);
          }
          field.setText(current.get());
        };
    field.setOnAction(event -> take.run());
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take.run();
              }
            });
  }

  private void brief(String label, java.util.function.UnaryOperator<Brief> change) {
    workbench.apply(new Edit(label, b -> b.withBrief(change.apply(b.brief()))));
  }

  private void functions(
      String label, java.util.function.UnaryOperator<List<HostFunction>> change) {
    profile(label, p -> p.withFunctions(change.apply(new ArrayList<>(p.functions()))));
  }

  private void profile(String label, java.util.function.UnaryOperator<Profile> change) {
    workbench.apply(new Edit(label, b -> b.withProfile(change)));
  }

  private void addFunction() {
    String name = newName.getText().strip();
    if (name.isEmpty()) {
      workbench.complain("Name the function first, as the host's settings page does");
      return;
    }
    HostFunction function = new HostFunction(name, newWants.getValue());
    int before = workbench.build().get().profile().functions().size();
    functions(
        "Ask for " + name,
        list -> {
          list.add(function);
          return list;
        });
    if (workbench.build().get().profile().functions().size() > before) {
      newName.clear();
    }
    newName.requestFocus();
  }

  @Override
  public Station station() {
    return Station.BRIEF;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    Brief brief = bench.build().brief();
    Profile profile = bench.build().profile();
    if (!title.isFocused()) {
      title.setText(brief.title());
    }
    if (!revision.isFocused()) {
      revision.setText(bench.build().revision());
    }
    host.choose(profile.host());
    supply.show(brief.supplyVolts());
    player.show(bench);
    hostFacts.setText(
        "A "
            + profile.host().words()
            + " takes "
            + profile.host().buttons()
            + " buttons of one gamepad dependably (common practice, no source).");
    if (!functions.getItems().equals(profile.functions())) {
      functions.getItems().setAll(profile.functions());
    }
    count.setText(
        profile.functions().isEmpty()
            ? ""
            : profile.functions().size() + " functions, in its order");
  }

  private final class FunctionCell extends ListCell<HostFunction> {
    private final Label number = new Label();
    private final Label name = new Label();
    private final Label wants = new Label();
    private final Button up = new Button("Up");
    private final Button remove = new Button("Remove");
    private final HBox row;

    FunctionCell() {
      number.getStyleClass().addAll("mono", "note");
      Em.min(number, 28);
      wants.getStyleClass().add("note");
      Em.min(name, 160);
      up.getStyleClass().add("small");
      remove.getStyleClass().add("small");
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      row = new HBox(number, name, wants, gap, up, remove);
      row.getStyleClass().add("contact-row");
      up.setOnAction(
          event -> {
            int at = getIndex();
            functions(
                "Move " + getItem().name() + " up",
                list -> {
                  list.add(at - 1, list.remove(at));
                  return list;
                });
          });
      remove.setOnAction(
          event -> {
            int at = getIndex();
            functions(
                "No longer ask for " + getItem().name(),
                list -> {
                  list.remove(at);
                  return list;
                });
          });
    }

    @Override
    protected void updateItem(HostFunction function, boolean empty) {
      super.updateItem(function, empty);
      setText(null);
      setGraphic(empty ? null : row);
      if (!empty) {
        number.setText(String.valueOf(getIndex() + 1));
        name.setText(function.name());
        wants.setText("wants a " + function.wants().words());
        up.setDisable(getIndex() == 0);
      }
    }
  }
}
