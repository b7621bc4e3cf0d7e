package kumite.desktop.leads;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import kumite.build.lead.LeadBook;
import kumite.desktop.field.Choice;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Tab;
import kumite.desktop.shell.Tabs;
import kumite.desktop.shell.Workbench;
import kumite.finding.Station;
import kumite.lead.Lead;
import kumite.lead.Told;
import kumite.sheet.Exports;
import kumite.verdict.Bench;

/** Which pin goes to which. */
public final class LeadsStation implements StationView {
  private enum View {
    PINS("Pins"),
    FACES("Faces"),
    MAKE("Make"),
    JOIN("Join"),
    RING_OUT("Ring-out");

    private final String words;

    View(String words) {
      this.words = words;
    }
  }

  private final LeadDesk desk;
  private final VBox root = new VBox();
  private final Head head;
  private final Tabs<View> tabs = new Tabs<>(View.class, v -> v.words, this::go);
  private final Choice<String> which;
  private final TextField name = new TextField();
  private final HBox bar;
  private final StackPane body = new StackPane();
  private final RingOutTab ringOut;

  /** What was asked for; where there is none of it, another tab is shown. */
  private View view = View.PINS;

  private boolean showing;

  /** The station's room. */
  public LeadsStation(Workbench workbench, Shell.Frame frame) {
    desk = new LeadDesk(workbench);
    root.getStyleClass().add("station-room");
    head = new Head("Leads", tabs.bar());
    which =
        new Choice<>(
            "lead",
            List.of(),
            n -> n,
            n -> {
              desk.look(n);
              show(workbench.bench().get());
            });
    which.setId("lead-which");
    which.wide(15);
    name.setId("lead-name");
    name.setAccessibleText("name of the lead");
    Em.pref(name, 170);
    name.setOnAction(event -> rename());
    name.focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is && !showing) {
                rename();
              }
            });
    Button more = Plain.button("New lead", "lead-new", () -> go(View.MAKE));
    Button chart =
        Plain.button("Wiring chart", "lead-chart", () -> frame.commands().export(Exports.LEADS));
    Button gone = Plain.button("Delete", "lead-delete", this::delete);
    bar =
        new HBox(
            Head.named("lead", which),
            Head.named("name", name),
            Head.named(" ", more),
            Head.named(" ", chart),
            Head.named(" ", gone));
    bar.getStyleClass().add("lead-bar");
    Runnable toPins = () -> go(View.PINS);
    ringOut = new RingOutTab(desk, () -> go(View.MAKE), toPins);
    tabs.tab(View.PINS, () -> ofLead(new PinsTab(desk), PinsTab::show))
        .tab(View.FACES, () -> ofLead(new FacesTab(desk, frame), FacesTab::show))
        .tab(View.MAKE, () -> ofBook(make(workbench, toPins), MakeTab::show))
        .tab(View.JOIN, () -> ofBook(new JoinTab(desk, toPins), JoinTab::show))
        .tab(View.RING_OUT, () -> ofBook(ringOut, RingOutTab::show));
    VBox.setVgrow(body, Priority.ALWAYS);
    root.getChildren().addAll(head, bar, body);
    for (View v : View.values()) {
      frame
          .commands()
          .offer(
              "Leads: " + v.words,
              "",
              () -> {
                workbench.station().set(Station.LEADS);
                go(v);
              });
    }
  }

  private MakeTab make(Workbench workbench, Runnable toPins) {
    return new MakeTab(desk, toPins, () -> begun(workbench.build().get().leads()));
  }

  private <N extends Node> Tab ofLead(N node, BiConsumer<N, Lead> show) {
    return Tab.of(node, bench -> show.accept(node, desk.lead().orElseThrow()));
  }

  private static <N extends Node> Tab ofBook(N node, Consumer<N> show) {
    return Tab.of(node, bench -> show.accept(node));
  }

  private void begun(LeadBook book) {
    ringOut.look(book.ringOuts().get(book.ringOuts().size() - 1).name());
    go(View.RING_OUT);
  }

  private void go(View next) {
    view = next;
    show(desk.workbench().bench().get());
    if (view == View.RING_OUT) {
      // Without a ring-out, or at its end, there is nothing to answer.
      Optional.ofNullable(ringOut.lookup("#ringout-beep")).ifPresent(Node::requestFocus);
    }
  }

  private void rename() {
    Optional<Lead> lead = desk.lead();
    String typed = name.getText().strip();
    if (lead.isEmpty() || typed.equals(lead.get().name()) || typed.isEmpty()) {
      return;
    }
    String old = lead.get().name();
    if (desk.ofBoard()) {
      desk.edit(
          "Call it " + typed,
          book ->
              book.withCables(
                  book.cables().stream()
                      .map(c -> c.name().equals(old) ? c.named(typed) : c)
                      .toList()));
    } else {
      desk.edit("Call it " + typed, book -> book.with(old, lead.get().named(typed)));
    }
    desk.look(typed);
    show(desk.workbench().bench().get());
  }

  private void delete() {
    desk.lead()
        .ifPresent(lead -> desk.edit("Delete " + lead.name(), book -> book.without(lead.name())));
  }

  @Override
  public Station station() {
    return Station.LEADS;
  }

  @Override
  public Node node() {
    return root;
  }

  @Override
  public void show(Bench bench) {
    showing = true;
    Optional<Lead> lead = desk.lead();
    boolean wanted = view == View.PINS || view == View.FACES;
    boolean ofLead = wanted && lead.isPresent();
    View now =
        wanted && lead.isEmpty()
            ? desk.book().ringOuts().isEmpty() ? View.MAKE : View.RING_OUT
            : view;
    tabs.choose(now);
    bar.setVisible(ofLead);
    bar.setManaged(ofLead);
    which.offer(desk.all().stream().map(Lead::name).toList());
    which.show(lead.map(Lead::name));
    if (!name.isFocused()) {
      name.setText(lead.map(Lead::name).orElse(""));
    }
    head.facts(facts(now, lead));
    Node content = tabs.show(bench);
    if (!body.getChildren().equals(List.of(content))) {
      body.getChildren().setAll(content);
    }
    showing = false;
  }

  private String facts(View now, Optional<Lead> lead) {
    int leads = desk.all().size();
    int rings = desk.book().ringOuts().size();
    return switch (now) {
      case PINS, FACES -> lead.map(l -> Told.of(l, desk.plugs()).words()).orElse("");
      case MAKE -> leads == 0 ? "no leads yet: make one" : "another lead";
      case JOIN -> leads + (leads == 1 ? " lead" : " leads");
      case RING_OUT -> rings == 0 ? "" : String.format(Locale.ROOT, "%d begun", rings);
    };
  }
}
