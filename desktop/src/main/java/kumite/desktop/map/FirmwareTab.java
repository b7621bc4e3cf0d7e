package kumite.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.Segments;
import kumite.desktop.shell.Aside;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.Workbench;
import kumite.device.BounceReading;
import kumite.device.SelfTest;
import kumite.firmware.Contents;
import kumite.firmware.Firmware;
import kumite.firmware.Footprint;
import kumite.firmware.Trail;
import kumite.kind.BoardKind;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** The code for this board: what it holds, what it takes, and each contact's way through it. */
final class FirmwareTab extends VBox {
  /** What is worked out aside. */
  private record Told(
      List<Trail> trails, Contents contents, Footprint footprint, Optional<String> why) {}

  private record Asked(Bench bench, Firmware.Target target) {
    @Override
    public boolean equals(Object other) {
      return other instanceof Asked asked && asked.bench == bench && asked.target == target;
    }

    @Override
    public int hashCode() {
      return System.identityHashCode(bench);
    }
  }

  private final Workbench workbench;
  private final Label what = new Label();
  private final Label holds = new Label();
  private final Label leaves = new Label();
  private final Label measured = new Label();
  private final Gauge flash = new Gauge("Flash");
  private final Gauge memory = new Gauge("Memory");
  private final Button write;
  private final ListView<Trail> contacts = new ListView<>();
  private final ListView<Trail.Line> code = new ListView<>();
  private final Label codeTitle = new Label();
  private final VBox told = new VBox();
  private final Aside<Asked, Told> aside;
  private Firmware.Target target = Firmware.Target.PORTABLE;
  private Bench shown;
  private boolean telling;

  FirmwareTab(Workbench workbench, Shell.Frame frame) {
    this.workbench = workbench;
    setId("firmware");
    getStyleClass().add("rules");
    Segments<Firmware.Target> targets =
        new Segments<>(
            Firmware.Target::title,
            chosen -> {
              target = chosen;
              show(shown);
            },
            Firmware.Target.values());
    targets.setId("firmware-target");
    targets.choose(target);
    write = new Button("Write the folder");
    write.setId("firmware-write");
    write.getStyleClass().add("accent");
    write.setOnAction(event -> frame.commands().exportFirmware(target));
    Button selfTest = new Button("Read a board's self-test");
    selfTest.setId("firmware-self-test");
    selfTest.setOnAction(event -> frame.commands().readSelfTest(this::selfTest));
    FlowPane row = new FlowPane(Head.named("code", targets), write, selfTest);
    row.getStyleClass().add("profile-bar");
    for (Label label : List.of(what, holds, leaves, measured)) {
      label.setWrapText(true);
      label.setMinHeight(Region.USE_PREF_SIZE);
    }
    leaves.getStyleClass().add("note");
    measured.getStyleClass().add("note");
    HBox gauges = new HBox(flash, memory);
    gauges.getStyleClass().add("firmware-gauges");
    gauges.setMinHeight(Region.USE_PREF_SIZE);
    told.getChildren().addAll(holds, leaves, gauges, measured, ways());
    told.getStyleClass().add("firmware-told");
    VBox.setVgrow(told, Priority.ALWAYS);
    getChildren().addAll(row, what, told);
    aside =
        new Aside<>(
            "firmware",
            FirmwareTab::work,
            question -> {},
            (question, answer) -> tell(question.bench(), answer),
            this::refuse);
    workbench.path().addListener((o, was, is) -> select());
  }

  private HBox ways() {
    contacts.setId("firmware-contacts");
    contacts.setAccessibleText("Contacts of the build");
    contacts.setFixedCellSize(26);
    contacts.setCellFactory(view -> cell(trail -> trail.label(), trail -> trail.name()));
    contacts
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, was, is) -> follow(Optional.ofNullable(is)));
    code.setId("firmware-code");
    code.setAccessibleText("Rows of the program's tables for the contact");
    code.setFixedCellSize(26);
    code.setCellFactory(view -> cell(line -> line.words(), line -> line.code()));
    Label title = new Label("Contacts");
    title.getStyleClass().add("strong");
    codeTitle.getStyleClass().add("strong");
    VBox left = new VBox(title, contacts);
    VBox right = new VBox(codeTitle, code);
    VBox.setVgrow(contacts, Priority.ALWAYS);
    VBox.setVgrow(code, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    Em.pref(left, 280);
    HBox ways = new HBox(left, right);
    ways.getStyleClass().add("firmware-ways");
    VBox.setVgrow(ways, Priority.ALWAYS);
    return ways;
  }

  /** What a board told of itself, in place of the code until a contact is chosen. */
  private void selfTest(String text) {
    try {
      Bench bench = workbench.bench().get();
      List<Look> looks = bench.looks();
      SelfTest test = SelfTest.read(text, looks.size());
      codeTitle.setText("What the board told of itself, " + test.lines().size() + " lines");
      List<Trail.Line> lines = new ArrayList<>();
      for (int i = 0; i < looks.size(); i++) {
        Optional<String> label =
            looks.get(i).contact().flatMap(bench::path).map(p -> p.site().label());
        lines.add(
            new Trail.Line(
                test.seen(i).words(bench.timing().waitUs()),
                label.orElse(looks.get(i).read().name())));
      }
      BounceReading bounce = BounceReading.of(test, bench.timing());
      String longest =
          bounce
              .longest()
              .map(looks::get)
              .map(look -> look.contact().map(ContactId::toString).orElse(look.read().name()))
              .orElse("");
      for (String words : bounce.words(bench.timing(), longest)) {
        lines.add(new Trail.Line(words.strip(), "bounce"));
      }
      code.getItems().setAll(lines);
    } catch (IllegalArgumentException e) {
      workbench.complain(e.getMessage());
    }
  }

  /** Words left, code right. */
  private static <T> ListCell<T> cell(
      java.util.function.Function<T, String> words, java.util.function.Function<T, String> code) {
    return new ListCell<>() {
      private final Label said = new Label();
      private final Label name = new Label();
      private final HBox row = new HBox(said, name);

      {
        name.getStyleClass().addAll("mono", "note");
        row.getStyleClass().add("firmware-row");
        said.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        setPrefWidth(0); // what is too long is shortened, not scrolled to
      }

      @Override
      protected void updateItem(T item, boolean empty) {
        super.updateItem(item, empty);
        if (!empty) {
          said.setText(words.apply(item));
          name.setText(code.apply(item));
        }
        setGraphic(empty ? null : row);
        setText(null);
      }
    };
  }

  private void follow(Optional<Trail> trail) {
    if (!telling) {
      trail.flatMap(Trail::contact).ifPresent(workbench::select);
    }
    codeTitle.setText(trail.map(t -> t.label() + " in " + tables()).orElse("Choose a contact"));
    code.getItems().setAll(trail.map(Trail::lines).orElse(List.of()));
  }

  private String tables() {
    return switch (target) {
      case PORTABLE -> "core/device_tables.c";
      case SKETCH -> "device_tables.c";
      case SCRIPT -> "the tables of the program; code.py has them as rows";
    };
  }

  private static Told work(Asked asked) {
    Firmware firmware = asked.bench().firmware();
    return new Told(
        firmware.trails(), firmware.contents(), firmware.footprint(), firmware.why(asked.target()));
  }

  void show(Bench bench) {
    shown = bench;
    if (bench != null) {
      aside.ask(new Asked(bench, target));
    }
  }

  private void refuse(String why) {
    what.setText(why);
    what.getStyleClass().setAll("label", "strong");
    told.setVisible(false);
    write.setDisable(true);
  }

  private void tell(Bench bench, Told answer) {
    if (answer.why().isPresent()) {
      refuse(answer.why().get());
      return;
    }
    what.setText(target.title() + ": " + target.words() + ".");
    what.getStyleClass().setAll("label");
    told.setVisible(true);
    write.setDisable(false);
    holds.setText("It holds " + String.join(", ", answer.contents().holds()) + ".");
    leaves.setText(
        "Not used by this build, so left out: "
            + String.join(", ", answer.contents().leaves())
            + ".");
    size(bench.board().flatMap(b -> b.brain().memory()), answer.footprint());
    telling = true;
    contacts.getSelectionModel().clearSelection(); // the title names the target's file
    if (!contacts.getItems().equals(answer.trails())) {
      contacts.getItems().setAll(answer.trails());
    }
    select();
    telling = false;
  }

  /** The contact that is looked at everywhere is looked at here. */
  private void select() {
    boolean before = telling;
    telling = true;
    Optional<ContactId> path = workbench.path().get();
    int at = 0;
    for (int i = 0; i < contacts.getItems().size(); i++) {
      if (path.isPresent() && contacts.getItems().get(i).contact().equals(path)) {
        at = i;
      }
    }
    contacts.getSelectionModel().select(at);
    contacts.scrollTo(Math.max(0, at - 1));
    telling = before;
  }

  private void size(Optional<BoardKind.Memory> board, Footprint footprint) {
    flash.show(footprint.wholeFlash(), board.map(BoardKind.Memory::flashBytes));
    memory.show(footprint.wholeRam(), board.map(BoardKind.Memory::ramBytes));
    String exact =
        "Compiled for an 8-bit part and run on a simulator of it on "
            + footprint.measured()
            + footprint
                .cycles()
                .map(
                    c ->
                        String.format(
                            Locale.ROOT,
                            ": one look takes %d clock cycles in the mean, %d at most (%s and %s at 16"
                                + " MHz), beside the time its terminals need",
                            c.mean(),
                            c.most(),
                            Footprint.Cycles.millis(c.mean()),
                            Footprint.Cycles.millis(c.most())))
                .orElse("");
    String around =
        "At most about this: counted by its tables ("
            + footprint.tableBytes()
            + " bytes) and what other builds took on a simulator of an 8-bit part on "
            + footprint.measured()
            + ". This build itself was not measured, and its speed is not known";
    measured.setText(
        (footprint.exact() ? exact : around)
            + ". The stack and the board's own USB code are in both figures.");
  }

  /** How much of something is taken. */
  private static final class Gauge extends VBox {
    private final String name;
    private final Label text = new Label();
    private final ProgressBar bar = new ProgressBar(0);

    Gauge(String name) {
      this.name = name;
      setId("firmware-" + name.toLowerCase(Locale.ROOT));
      Em.pref(bar, 260);
      bar.setAccessibleText(name);
      bar.setMinHeight(14);
      setMinHeight(Region.USE_PREF_SIZE);
      getChildren().addAll(text, bar);
    }

    void show(int bytes, Optional<Integer> of) {
      String taken = String.format(Locale.ROOT, "%s %.1f KB", name, bytes / 1024.0);
      text.setText(
          taken
              + of.map(all -> String.format(Locale.ROOT, " of about %.1f", all / 1024.0))
                  .orElse("; what the board has is not known"));
      bar.setVisible(of.isPresent());
      bar.setProgress(of.map(all -> Math.min(1.0, bytes / (double) all)).orElse(0.0));
      text.getStyleClass()
          .setAll("label", of.filter(all -> all < bytes).isPresent() ? "bad-text" : "strong");
    }
  }
}
