package kumite.build;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.build.brief.Host;
import kumite.build.loom.LoomSettings;
import kumite.build.map.Mapping;
import kumite.build.map.Timing;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.Joint;

/**
 * One controller project: everything the builder decided, and nothing that can be worked out.
 *
 * <p>A build is a value: it never changes, and an {@link Edit} makes a new one.
 *
 * <pre>{@code
 * Build build = Build.empty("Corner cabinet");
 * Control horn = Control.of(new ControlId("horn"), "Horn", "button-30", Placement.at(60, 80));
 * Build withHorn = build.withControl(horn);
 * }</pre>
 *
 * @param revision the letter of the revision, {@code A} to {@code Z}
 * @param brief what it must do
 * @param panel the plate the controls sit in
 * @param controls the controls, each id once, in the order they were added
 * @param board the board, once chosen
 * @param loom decisions about the wiring
 * @param mapping what each contact means
 * @param timing how the board looks and reports
 * @param log dated notes, oldest first
 * @param own kinds of controls that belong to this build and are not in the shipped catalogue
 * @param ownBoards kinds of boards that belong to this build alone
 */
public record Build(
    String revision,
    Brief brief,
    Panel panel,
    List<Control> controls,
    Optional<BoardChoice> board,
    LoomSettings loom,
    Mapping mapping,
    Timing timing,
    List<LogNote> log,
    List<ControlKind> own,
    List<BoardKind> ownBoards) {

  /** More controls than this in one build is taken for a damaged file. */
  public static final int MOST_CONTROLS = 1000;

  public Build {
    if (!revision.matches("[A-Z]")) {
      throw new IllegalArgumentException(
          "revision must be one letter A to Z, but was \"" + revision + "\"");
    }
    Objects.requireNonNull(brief, "brief");
    Objects.requireNonNull(panel, "panel");
    controls = List.copyOf(controls);
    Objects.requireNonNull(board, "board");
    Objects.requireNonNull(loom, "loom");
    Objects.requireNonNull(mapping, "mapping");
    Objects.requireNonNull(timing, "timing");
    log = List.copyOf(log);
    own = List.copyOf(own);
    ownBoards = List.copyOf(ownBoards);
    if (ownBoards.stream().map(BoardKind::id).distinct().count() != ownBoards.size()) {
      throw new IllegalArgumentException("two own boards have the same id");
    }
    if (own.stream().map(ControlKind::id).distinct().count() != own.size()) {
      throw new IllegalArgumentException("two own parts have the same id");
    }
    if (controls.size() > MOST_CONTROLS) {
      throw new IllegalArgumentException(
          "a build holds at most " + MOST_CONTROLS + " controls, but had " + controls.size());
    }
    Set<ControlId> seen = new HashSet<>();
    for (Control control : controls) {
      if (control.id().text().equals(Joint.BOARD)) {
        throw new IllegalArgumentException(
            "a control cannot have the id \"board\", which names the board; call it another way");
      }
      if (!seen.add(control.id())) {
        throw new IllegalArgumentException("control id \"" + control.id() + "\" is used twice");
      }
    }
  }

  /** {@return a build with a bare 300 by 200 mm panel and nothing on it} */
  public static Build empty(String title) {
    return new Build(
        "A",
        new Brief(title, Host.COMPUTER, 5.0, Hand.AVERAGE, LengthUnit.MM, List.of(), List.of()),
        new Panel(300, 200, 6, 3, Material.ACRYLIC, new CaseInside(12, 70), Datum.FRONT_LEFT),
        List.of(),
        Optional.empty(),
        LoomSettings.USUAL,
        Mapping.EMPTY,
        Timing.USUAL,
        List.of(),
        List.of(),
        List.of());
  }

  /** {@return the control of that id, if there is one} */
  public Optional<Control> control(ControlId id) {
    return controls.stream().filter(control -> control.id().equals(id)).findFirst();
  }

  /** {@return an id made from the label that no control of this build has yet} */
  public ControlId freshId(String label) {
    ControlId wanted = ControlId.fromLabel(label);
    Set<ControlId> taken = new HashSet<>();
    controls.forEach(control -> taken.add(control.id()));
    taken.add(new ControlId(Joint.BOARD));
    loom.groups().forEach(group -> taken.add(group.name()));
    ControlId id = wanted;
    for (int n = 2; taken.contains(id); n++) {
      id = new ControlId(wanted.text() + "-" + n);
    }
    return id;
  }

  /** {@return a label such as {@code Button 3} that no control of this build has yet} */
  public String freshLabel(String word) {
    Set<String> taken = new HashSet<>();
    controls.forEach(control -> taken.add(control.label()));
    int n = 1;
    while (taken.contains(word + " " + n)) {
      n++;
    }
    return word + " " + n;
  }

  /** {@return this build with the control added, or put in place of the one with its id} */
  public Build withControl(Control control) {
    List<Control> next = new ArrayList<>(controls);
    int at = indexOf(control.id());
    if (at < 0) {
      next.add(control);
    } else {
      next.set(at, control);
    }
    return withControls(next);
  }

  /** {@return this build with one control changed; unchanged if there is none of that id} */
  public Build withControl(ControlId id, UnaryOperator<Control> change) {
    return control(id).map(control -> withControl(change.apply(control))).orElse(this);
  }

  /** {@return this build with several controls placed anew} */
  public Build withPlacements(Map<ControlId, Placement> placements) {
    Map<ControlId, Placement> wanted = new HashMap<>(placements);
    return withControls(
        controls.stream()
            .map(c -> wanted.containsKey(c.id()) ? c.withPlacement(wanted.get(c.id())) : c)
            .toList());
  }

  /** {@return this build without the control, its locks, its colours and its meanings} */
  public Build without(ControlId id) {
    List<Control> next = controls.stream().filter(control -> !control.id().equals(id)).toList();
    return withControls(next).withLoom(loom.without(id)).withMapping(mapping.without(id));
  }

  /** {@return this build with other controls} */
  public Build withControls(List<Control> newControls) {
    return new Build(
        revision, brief, panel, newControls, board, loom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build under another brief} */
  public Build withBrief(Brief newBrief) {
    return new Build(
        revision, newBrief, panel, controls, board, loom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build on another panel} */
  public Build withPanel(Panel newPanel) {
    return new Build(
        revision, brief, newPanel, controls, board, loom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build with another board, or none} */
  public Build withBoard(Optional<BoardChoice> newBoard) {
    return new Build(
        revision, brief, panel, controls, newBoard, loom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build wired otherwise} */
  public Build withLoom(LoomSettings newLoom) {
    return new Build(
        revision, brief, panel, controls, board, newLoom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build mapped otherwise} */
  public Build withMapping(Mapping newMapping) {
    return new Build(
        revision, brief, panel, controls, board, loom, newMapping, timing, log, own, ownBoards);
  }

  /** {@return this build timed otherwise} */
  public Build withTiming(Timing newTiming) {
    return new Build(
        revision, brief, panel, controls, board, loom, mapping, newTiming, log, own, ownBoards);
  }

  /** {@return this build with another log} */
  public Build withLog(List<LogNote> newLog) {
    return new Build(
        revision, brief, panel, controls, board, loom, mapping, timing, newLog, own, ownBoards);
  }

  /** {@return this build as another revision} */
  public Build withRevision(String newRevision) {
    return new Build(
        newRevision, brief, panel, controls, board, loom, mapping, timing, log, own, ownBoards);
  }

  /** {@return this build with one more own part, or another one of its id} */
  public Build withOwn(ControlKind kind) {
    List<ControlKind> next = new ArrayList<>(own);
    next.removeIf(k -> k.id().equals(kind.id()));
    next.add(kind);
    return withOwn(next);
  }

  /** {@return this build with other own parts} */
  public Build withOwn(List<ControlKind> newOwn) {
    return new Build(
        revision, brief, panel, controls, board, loom, mapping, timing, log, newOwn, ownBoards);
  }

  /** {@return this build with one more own board, or another one of its id} */
  public Build withOwnBoard(BoardKind kind) {
    List<BoardKind> next = new ArrayList<>(ownBoards);
    next.removeIf(k -> k.id().equals(kind.id()));
    next.add(kind);
    return new Build(
        revision, brief, panel, controls, board, loom, mapping, timing, log, own, next);
  }

  private int indexOf(ControlId id) {
    for (int i = 0; i < controls.size(); i++) {
      if (controls.get(i).id().equals(id)) {
        return i;
      }
    }
    return -1;
  }
}
