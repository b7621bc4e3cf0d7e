package kumite.desktop.shell;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Edit;
import kumite.build.lead.LeadBook;
import kumite.build.map.Script;
import kumite.device.Holds;
import kumite.device.Trace;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.kind.ControlKind;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.verdict.Rooms;

/**
 * The state of the window: the build, its undo list, the latest worked-out bench, what is selected
 * and what is pressed.
 *
 * <p>All methods are for the interface thread. The bench is worked out on a thread of its own;
 * while it lags behind, only the newest build is worked out next. A bench is shown only while its
 * build is the one on the workbench: what comes late is dropped.
 */
public final class Workbench {
  private final Catalogue catalogue;
  private final ReadOnlyObjectWrapper<Bench> bench;
  private final ReadOnlyObjectWrapper<Build> build;
  private final ReadOnlyObjectWrapper<Build> saved;
  private final ObjectProperty<Set<ControlId>> selection = new SimpleObjectProperty<>(Set.of());
  private final ObjectProperty<Optional<ContactId>> path =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Optional<ContactId>> hovered =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Station> station = new SimpleObjectProperty<>(Station.PANEL);
  private final ObjectProperty<Optional<java.nio.file.Path>> file =
      new SimpleObjectProperty<>(Optional.empty());
  private final ObjectProperty<Optional<Notice>> notice =
      new SimpleObjectProperty<>(Optional.empty());
  private final History history = new History();
  private final Pressing pressing = new Pressing(() -> bench().get());
  private Optional<Build> previewBase = Optional.empty();

  private final Deriving deriving;

  /**
   * A line of news for the person, shown inside the window.
   *
   * @param bad whether something went wrong
   * @param text what happened
   */
  public record Notice(boolean bad, String text) {}

  /** A workbench with a build on it. */
  public Workbench(Catalogue catalogue, Build first) {
    this(catalogue, Bench.of(first, catalogue));
  }

  /**
   * A workbench with a build that is worked out already.
   *
   * @param catalogue the kinds of parts that are shipped
   */
  public Workbench(Catalogue catalogue, Bench first) {
    this.catalogue = catalogue;
    this.build = new ReadOnlyObjectWrapper<>(first.build());
    this.saved = new ReadOnlyObjectWrapper<>(first.build());
    this.bench = new ReadOnlyObjectWrapper<>(first);
    this.deriving = new Deriving(first, this::worked, this::complain);
    selectFirstPath();
    toItsStation(first.build());
  }

  /** A build of leads alone is looked at where they are; others where one was. */
  private void toItsStation(Build opened) {
    if (opened.controls().isEmpty() && !opened.leads().equals(LeadBook.EMPTY)) {
      station.set(Station.LEADS);
    }
  }

  /** Takes the time between two presses from elsewhere, so that what is shown can be repeated. */
  public void clock(LongSupplier newNanos) {
    pressing.clock(newNanos);
  }

  /** {@return the rooms that there are} */
  public Rooms rooms() {
    return bench.get().rooms();
  }

  /** {@return the kinds of parts there are, with the build's own} */
  public Catalogue catalogue() {
    return catalogue.with(build.get());
  }

  /** {@return the kinds of parts there are for a build; may be called on any thread} */
  public Catalogue catalogueOf(Build of) {
    return catalogue.with(of);
  }

  /** {@return the latest worked-out bench; may lag a few milliseconds behind the build} */
  public ReadOnlyObjectProperty<Bench> bench() {
    return bench.getReadOnlyProperty();
  }

  /** {@return the build} */
  public ReadOnlyObjectProperty<Build> build() {
    return build.getReadOnlyProperty();
  }

  /** {@return the build as it was last saved or opened} */
  public ReadOnlyObjectProperty<Build> saved() {
    return saved.getReadOnlyProperty();
  }

  /** {@return the selected controls} */
  public ObjectProperty<Set<ControlId>> selection() {
    return selection;
  }

  /** {@return the contact under the mouse, whose whole path lights up} */
  public ObjectProperty<Optional<ContactId>> hovered() {
    return hovered;
  }

  /** {@return the contact to be shown: the one under the mouse, else the selected one} */
  public Optional<ContactId> shown() {
    return hovered.get().isPresent() ? hovered.get() : path.get();
  }

  /** {@return the contact whose path the strip shows} */
  public ObjectProperty<Optional<ContactId>> path() {
    return path;
  }

  /** {@return the station shown} */
  public ObjectProperty<Station> station() {
    return station;
  }

  /** {@return the file the build was opened from or saved to} */
  public ObjectProperty<Optional<java.nio.file.Path>> file() {
    return file;
  }

  /** {@return what is pressed on the simulated device} */
  public ReadOnlyObjectProperty<Holds> holds() {
    return pressing.holds();
  }

  /** {@return what the last press or release did} */
  public ReadOnlyObjectProperty<Optional<Trace>> trace() {
    return pressing.trace();
  }

  /** {@return the line of news, if there is one} */
  public ObjectProperty<Optional<Notice>> notice() {
    return notice;
  }

  /** Says something went as wished. */
  public void say(String text) {
    notice.set(Optional.of(new Notice(false, text)));
  }

  /** Says something went wrong. */
  public void complain(String text) {
    notice.set(Optional.of(new Notice(true, text)));
  }

  // ---- edits

  /** {@return the build without what is only shown: what is saved, kept safe and compared} */
  public Build kept() {
    return previewBase.orElse(build.get()).home();
  }

  /** Looks at another board or profile; that is no edit. */
  public void face(Aspect aspect) {
    endPreview();
    Build faced = build.get().facing(aspect);
    if (faced != build.get()) {
      pressing.letGo();
      set(faced);
    }
  }

  /** {@return whether the build differs from its file} */
  public boolean unsaved() {
    return !kept().equals(saved.get());
  }

  /** Applies one undoable step; a step that changes nothing is not kept. */
  public void apply(Edit edit) {
    Build base = previewBase.orElse(build.get());
    previewBase = Optional.empty();
    Build after;
    try {
      after = edit.apply(base);
    } catch (IllegalArgumentException e) {
      set(base);
      complain(e.getMessage());
      return;
    }
    if (!after.equals(base)) {
      history.did(edit.label(), base);
    }
    set(after);
  }

  /** Makes parts belong to the build, in one step. */
  public void takeParts(List<ControlKind> kinds) {
    apply(
        new Edit(
            kinds.size() == 1 ? "Own part " + kinds.get(0).name() : kinds.size() + " own parts",
            before -> {
              Build after = before;
              for (ControlKind kind : kinds) {
                after = after.withOwn(kind);
              }
              return after;
            }));
    say(
        kinds.size() == 1
            ? kinds.get(0).name() + " is in the tray now, under " + kinds.get(0).family().plural()
            : kinds.size() + " parts are in the tray now");
  }

  /** Shows a change without keeping it; {@link #apply} or {@link #endPreview} ends it. */
  public void preview(UnaryOperator<Build> change) {
    Build base = previewBase.orElse(build.get());
    previewBase = Optional.of(base);
    set(change.apply(base));
  }

  /** Takes a preview back. */
  public void endPreview() {
    previewBase.ifPresent(this::set);
    previewBase = Optional.empty();
  }

  /** {@return the label of the step that undo takes back} */
  public Optional<String> undoLabel() {
    return history.undoLabel();
  }

  /** {@return the label of the step that redo brings back} */
  public Optional<String> redoLabel() {
    return history.redoLabel();
  }

  /** Takes the last step back. */
  public void undo() {
    endPreview();
    history
        .undo(build.get())
        .ifPresent(
            step -> {
              set(step.other().facing(build.get().aspect()));
              say("Took back: " + step.label());
            });
  }

  /** Brings the last step taken back again. */
  public void redo() {
    endPreview();
    history
        .redo(build.get())
        .ifPresent(
            step -> {
              set(step.other().facing(build.get().aspect()));
              say("Did again: " + step.label());
            });
  }

  /** Puts another build on the bench, with an empty undo list. */
  public void open(Build next, Optional<java.nio.file.Path> from) {
    previewBase = Optional.empty();
    history.forget();
    release();
    selection.set(Set.of());
    path.set(Optional.empty());
    file.set(from);
    saved.set(next);
    build.set(next);
    Bench opened = Bench.of(next, catalogue, rooms());
    deriving.restart(opened);
    bench.set(opened);
    selectFirstPath();
    toItsStation(next);
  }

  /** Puts unsaved work on the bench: it differs from what was saved. */
  public void openUnsaved(Build next, Build lastSaved, Optional<java.nio.file.Path> from) {
    open(next, from);
    saved.set(lastSaved);
  }

  /** Notes that the build was saved. */
  public void savedTo(java.nio.file.Path where) {
    file.set(Optional.of(where));
    saved.set(kept());
  }

  /** Lets unsaved work go: it was asked about, and is not wanted. */
  public void letGo() {
    endPreview();
    saved.set(kept());
  }

  private void set(Build next) {
    build.set(next);
    Set<ControlId> still = new LinkedHashSet<>(selection.get());
    still.removeIf(id -> next.control(id).isEmpty());
    if (still.size() != selection.get().size()) {
      selection.set(still);
    }
    deriving.next(next);
  }

  /** By identity, and not by a listener of the build: an equal build is a newer one too. */
  private void worked(Bench made) {
    if (made.build() == build.get()) {
      show(made);
    }
  }

  /**
   * Works out the fixes of findings, off the interface thread; trying one costs a re-check.
   *
   * @param of the bench they belong to; once there is a newer build, the rest is left
   * @param then run on the interface thread when all are known
   */
  void workOutFixes(Bench of, List<Finding> findings, Runnable then) {
    deriving.tryFixes(of, findings, then);
  }

  /** Runs something on the fixes' own thread, once all that was asked for is tried or dropped. */
  void whenTried(Runnable then) {
    deriving.whenTried(then);
  }

  /** Runs something once all benches asked for so far were worked out, and shown or dropped. */
  void whenWorkedOut(Runnable then) {
    deriving.whenWorkedOut(then);
  }

  private void show(Bench worked) {
    bench.set(worked);
    if (path.get().flatMap(worked::path).isEmpty()) {
      selectFirstPath();
    }
    pressing.goOn();
  }

  /** {@return the layer in force on the device: the base, or its name} */
  public String layer() {
    return pressing.layer();
  }

  // ---- selection

  /** Selects one control and shows the path of its first contact. */
  public void select(ControlId id) {
    selection.set(Set.of(id));
    if (path.get().filter(p -> p.control().equals(id)).isEmpty()) {
      bench.get().paths().stream()
          .filter(p -> p.id().control().equals(id))
          .findFirst()
          .ifPresent(p -> path.set(Optional.of(p.id())));
    }
  }

  /** Selects one contact's path and its control. */
  public void select(ContactId id) {
    path.set(Optional.of(id));
    selection.set(Set.of(id.control()));
  }

  /** Adds a control to the selection, or takes it out. */
  public void toggle(ControlId id) {
    Set<ControlId> next = new LinkedHashSet<>(selection.get());
    if (!next.remove(id)) {
      next.add(id);
    }
    selection.set(next);
  }

  private void selectFirstPath() {
    path.set(bench.get().paths().stream().findFirst().map(p -> p.id()));
  }

  // ---- pressing

  /**
   * Moves a control on the simulated device.
   *
   * @param travel 1 is a press or full travel
   */
  public void hold(ContactId contact, double travel) {
    pressing.move(holds().get().with(contact, travel));
    turned();
  }

  /** Takes the hand off a control of the simulated device. */
  public void letGo(ContactId contact) {
    pressing.move(holds().get().without(contact));
    turned();
  }

  /** A combination that chooses a profile was let go: from here on that profile is looked at. */
  private void turned() {
    List<Trace.Turn> turns = trace().get().map(Trace::turns).orElse(List.of());
    if (!turns.isEmpty()) {
      String profile = turns.get(turns.size() - 1).profile();
      face(new Aspect(bench.get().build().seat().id(), profile));
      say("The board took profile " + profile + ", keeps it, and is plugged in anew by itself");
    }
  }

  /** Plays a script on a device that is switched on for it; what is held is let go. */
  public Trace play(Script script) {
    return pressing.play(script);
  }

  /** Lets everything go. */
  public void release() {
    pressing.release();
  }
}
