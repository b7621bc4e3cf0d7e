package kumite.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Edit;
import kumite.build.loom.Laying;
import kumite.finding.Station;
import kumite.firmware.Firmware;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.map.Proposal;
import kumite.measure.LengthUnit;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.panel.Arrange;
import kumite.sheet.Exports;
import kumite.verdict.Export;

/**
 * The one list of everything that can be done. Keys, buttons and the finder are made from it, so
 * that they cannot disagree.
 */
public final class Commands {
  private final Workbench workbench;
  private final FileDesk files;
  private final List<Command> all = new ArrayList<>();
  private Runnable openFinder = () -> {};
  private Runnable toggleDark = () -> {};

  Commands(Workbench workbench, FileDesk files, List<Station> stations) {
    this.workbench = workbench;
    this.files = files;
    all.add(find());
    all.add(Command.of("New build", "Shortcut+N", files::startNew));
    all.add(Command.of("Open a build", "Shortcut+O", files::askOpen));
    all.add(Command.of("Save", "Shortcut+S", files::save));
    all.add(Command.of("Save under another name", "Shortcut+Shift+S", files::askSave));
    all.add(Command.of("Save a copy", "", files::askCopy));
    all.add(Command.of("Export everything", "Shortcut+Shift+X", files.exports()::askEverything));
    all.add(
        Command.of("Undo", "Shortcut+Z", workbench::undo)
            .when(() -> workbench.undoLabel().isPresent()));
    all.add(
        Command.of("Redo", "Shortcut+Shift+Z", workbench::redo)
            .when(() -> workbench.redoLabel().isPresent()));
    all.add(sheet());
    for (Firmware.Target target : Firmware.Target.values()) {
      all.add(
          Command.of(
              "Export: Firmware, " + target.title(),
              "",
              () -> files.exports().askFirmware(target)));
    }
    for (Export export : workbench.rooms().exports()) {
      if (export != Exports.BENCH_SHEET && export != Exports.FIRMWARE) {
        all.add(
            Command.of(
                "Export: " + export.title(),
                export == Exports.TEMPLATE ? "Shortcut+Shift+P" : "",
                () -> files.exports().askExport(export)));
      }
    }
    for (int i = 0; i < stations.size(); i++) {
      Station station = stations.get(i);
      all.add(
          Command.of(
              "Go to " + station.title(),
              "Shortcut+" + (i + 1),
              () -> workbench.station().set(station)));
    }
    all.add(Command.of("Show millimetres", "", () -> workbench.apply(units(LengthUnit.MM))));
    all.add(Command.of("Show inches", "", () -> workbench.apply(units(LengthUnit.INCH))));
    all.add(Command.of("Dark or light", "Shortcut+Shift+L", () -> toggleDark.run()));
    all.add(Command.of("Let everything go", "", workbench::release));
    for (ControlKind kind : workbench.catalogue().controls()) {
      all.add(Command.of("Add " + kind.name(), "", () -> add(kind)));
    }
    all.addAll(arranging());
    all.add(Command.of("Read own parts from a file", "", files::askParts));
    all.add(Command.of("Select all controls", "Shortcut+A", this::selectAll));
    for (BoardKind kind : workbench.catalogue().boards()) {
      all.add(Command.of("Use " + kind.name(), "", () -> workbench.apply(board(kind))));
    }
    for (Laying.CommonShape shape : Laying.CommonShape.values()) {
      all.add(
          Command.of(
              "Lay commons as " + shape.words(),
              "",
              () ->
                  workbench.apply(
                      new Edit(
                          "Commons as " + shape.words(),
                          b ->
                              b.withLoom(
                                  b.loom().withLaying(b.loom().laying().withShape(shape)))))));
    }
    all.add(mapRest());
  }

  /** {@return everything that can be done} */
  List<Command> all() {
    return List.copyOf(all);
  }

  void onFind(Runnable open) {
    openFinder = open;
  }

  void onToggleDark(Runnable toggle) {
    toggleDark = toggle;
  }

  /** {@return opening the finder} */
  Command find() {
    return Command.of("Find", "Shortcut+K", () -> openFinder.run());
  }

  /** {@return writing the bench sheet} */
  public Command sheet() {
    return Command.of(
        "Bench sheet", "Shortcut+P", () -> files.exports().askExport(Exports.BENCH_SHEET));
  }

  /** Does what a name in the list says; nothing if the list has no such name. */
  public void run(String name) {
    all.stream().filter(c -> c.name().equals(name)).findFirst().ifPresent(c -> c.run().run());
  }

  /** Adds something that a station can do. */
  public Commands offer(String name, String keys, Runnable run) {
    all.add(Command.of(name, keys, run));
    return this;
  }

  /** Asks where to write an export. */
  public void export(Export export) {
    files.exports().askExport(export);
  }

  /** Asks where to write the code for the board that is looked at. */
  public void exportFirmware(Firmware.Target target) {
    files.exports().askFirmware(target);
  }

  /** Asks for what a board told of itself, and hands the text on. */
  public void readSelfTest(Consumer<String> told) {
    files.askSelfTest(told);
  }

  /** Asks for a file of own parts. */
  public void importParts() {
    files.askParts();
  }

  /** {@return what can be done with the selection on the panel} */
  public List<Command> arranging() {
    return List.of(
        duplicate(),
        mirror(),
        arrange("Put in a row", "Shortcut+Shift+H", Arrange::row, 2),
        arrange("Put in a column", "Shortcut+Shift+V", Arrange::column, 2),
        arrange(
            "Spread across",
            "Shortcut+Shift+E",
            (build, ids) -> Arrange.spread(build, workbench.catalogue(), ids, true),
            3),
        arrange(
            "Spread front to back",
            "Shortcut+Shift+F",
            (build, ids) -> Arrange.spread(build, workbench.catalogue(), ids, false),
            3),
        arrange(
            "Second seat",
            "Shortcut+Shift+2",
            (build, ids) -> Arrange.secondSeat(build, ids, false),
            1),
        arrange(
            "Second seat, mirrored",
            "Shortcut+Shift+M",
            (build, ids) -> Arrange.secondSeat(build, ids, true),
            1),
        delete());
  }

  private interface Arranged {
    Edit of(Build build, Set<ControlId> ids);
  }

  private Command arrange(String name, String keys, Arranged arranged, int least) {
    return Command.of(
        name,
        keys,
        () -> {
          if (selection().size() < least) {
            workbench.complain(name + ": select " + least + " controls or more first");
          } else {
            workbench.apply(arranged.of(workbench.build().get(), selection()));
          }
        });
  }

  /** {@return copying the selection} */
  public Command duplicate() {
    return Command.of("Duplicate", "Shortcut+D", this::duplicateNow).when(this::any);
  }

  /** {@return mirroring the selection} */
  public Command mirror() {
    return Command.of(
            "Mirror left to right",
            "Shortcut+M",
            () -> workbench.apply(Arrange.mirror(workbench.build().get(), selection())))
        .when(this::any);
  }

  /** {@return deleting the selection} */
  public Command delete() {
    return Command.of(
            "Delete",
            "Delete",
            () -> workbench.apply(Arrange.delete(workbench.build().get(), selection())))
        .when(this::any);
  }

  /** {@return mapping every contact that means nothing yet} */
  public Command mapRest() {
    return Command.of(
        "Map the rest",
        "",
        () ->
            workbench.apply(
                new Edit(
                    "Map the rest", b -> b.withMapping(Proposal.rest(b, workbench.catalogue())))));
  }

  private boolean any() {
    return !selection().isEmpty();
  }

  private Set<ControlId> selection() {
    return workbench.selection().get();
  }

  private void selectAll() {
    Set<ControlId> ids = new java.util.LinkedHashSet<>();
    workbench.build().get().controls().forEach(c -> ids.add(c.id()));
    workbench.selection().set(ids);
  }

  private void duplicateNow() {
    Build before = workbench.build().get();
    workbench.apply(Arrange.duplicate(before, workbench.catalogue(), selection()));
    Set<ControlId> fresh = new java.util.LinkedHashSet<>();
    workbench.build().get().controls().stream()
        .map(Control::id)
        .filter(id -> before.control(id).isEmpty())
        .forEach(fresh::add);
    workbench.selection().set(fresh);
  }

  /** Adds a control of a kind near the middle of the panel, where it is free, and selects it. */
  public void add(ControlKind kind) {
    Build build = workbench.build().get();
    Point middle = new Point(build.panel().widthMm() / 2, build.panel().heightMm() / 2);
    Point free = Arrange.freePlace(build, workbench.catalogue(), kind, middle);
    Control control = Arrange.fresh(build, kind, free);
    workbench.apply(Arrange.add(control));
    workbench.selection().set(Set.of(control.id()));
    workbench.path().set(Optional.of(new ContactId(control.id(), kind.contacts().get(0).name())));
    workbench.station().set(Station.PANEL);
  }

  static Edit units(LengthUnit unit) {
    return new Edit("Show " + unit.symbol(), b -> b.withBrief(b.brief().withUnits(unit)));
  }

  /** {@return an edit that chooses a board} */
  public static Edit board(BoardKind kind) {
    return new Edit("Use " + kind.name(), build -> Arrange.withBoard(build, kind));
  }
}
