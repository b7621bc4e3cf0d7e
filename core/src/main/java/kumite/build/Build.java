package kumite.build;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import kumite.build.brief.Brief;
import kumite.build.lead.LeadBook;
import kumite.build.loom.LoomSettings;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.ScriptBook;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.build.panel.Panel;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.SeatId;

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
 * <p>Most builds have one {@link Seat} with one profile; {@link #board()}, {@link #loom()}, {@link
 * #profile()} and {@link #timing()} speak of the one that is looked at, and so do the edits of
 * them. {@link #facing} looks at another one.
 *
 * <p>Longer than most files: one value, with a change for each thing that every room reads
 * (decision 19 says why these are written by hand).
 *
 * @param revision the letter of the revision, {@code A} to {@code Z}
 * @param parts what was decided at each station for the whole build
 * @param controls the controls, each id once, in the order they were added
 * @param seats its boards with their wiring and meanings, at least one
 * @param links wires between boards
 * @param own kinds of controls that belong to this build and are not in the shipped catalogue
 * @param ownBoards kinds of boards that belong to this build alone
 * @param at which seat is looked at, from 0; not saved
 */
public record Build(
    String revision,
    Parts parts,
    List<Control> controls,
    List<Seat> seats,
    List<Link> links,
    List<ControlKind> own,
    List<BoardKind> ownBoards,
    int at) {

  /** More controls than this in one build is taken for a damaged file. */
  public static final int MOST_CONTROLS = 1000;

  /** More seats than this in one build is taken for a damaged file. */
  public static final int MOST_SEATS = 8;

  public Build {
    if (!revision.matches("[A-Z]")) {
      throw new IllegalArgumentException(
          "revision must be one letter A to Z, but was \"" + revision + "\"");
    }
    seats = List.copyOf(seats);
    controls = seated(controls, seats);
    links = List.copyOf(links);
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
    if (seats.isEmpty() || seats.size() > MOST_SEATS) {
      throw new IllegalArgumentException(
          "a build has 1 to " + MOST_SEATS + " seats, but had " + seats.size());
    }
    kumite.measure.Check.between(0, seats.size() - 1, at, "seat looked at");
    Set<SeatId> chairs = new HashSet<>();
    for (Seat seat : seats) {
      if (!chairs.add(seat.id())) {
        throw new IllegalArgumentException("two seats are called \"" + seat.id() + "\"");
      }
    }
    for (Link link : links) {
      for (SeatId end : List.of(link.from().seat(), link.to().seat())) {
        if (!chairs.contains(end)) {
          throw new IllegalArgumentException(
              "link \"" + link + "\" names seat \"" + end + "\", which there is not");
        }
      }
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
      control
          .seat()
          .filter(seat -> !chairs.contains(seat))
          .ifPresent(
              seat -> {
                throw new IllegalArgumentException(
                    "control \""
                        + control.id()
                        + "\" is at seat \""
                        + seat
                        + "\", which there is not");
              });
    }
    PortBook ports = parts.get(PortBook.PART).seated(seats.stream().map(Seat::id).toList());
    for (Port port : ports.ports()) {
      port.seat()
          .filter(seat -> !chairs.contains(seat))
          .ifPresent(
              seat -> {
                throw new IllegalArgumentException(
                    "port \"" + port.id() + "\" is at seat \"" + seat + "\", which there is not");
              });
      if (port.id().text().equals(Joint.BOARD) || !seen.add(port.id())) {
        throw new IllegalArgumentException(
            "port \"" + port.id() + "\" has an id that something else has; call it another way");
      }
    }
    for (SupplyPart part : parts.get(SupplyBook.PART).parts()) {
      if (part.id().text().equals(Joint.BOARD) || !seen.add(part.id())) {
        throw new IllegalArgumentException(
            "supply part \""
                + part.id()
                + "\" has an id that something else has; call it another way");
      }
    }
    parts = parts.with(PortBook.PART, ports).within(chairs, seen);
  }

  /** Where there are several seats each control says which it is at; where there is one, none. */
  private static List<Control> seated(List<Control> controls, List<Seat> seats) {
    boolean several = seats.size() > 1;
    if (controls.stream().allMatch(c -> c.seat().isPresent() == several) || seats.isEmpty()) {
      return List.copyOf(controls);
    }
    Optional<SeatId> first = Optional.of(seats.get(0).id());
    return controls.stream()
        .map(
            c ->
                !several
                    ? c.seat().filter(seat -> !seat.equals(first.get())).isPresent()
                        ? c
                        : c.withSeat(Optional.empty())
                    : c.seat().isPresent() ? c : c.withSeat(first))
        .toList();
  }

  /** {@return a build with a bare 300 by 200 mm panel and nothing on it} */
  public static Build empty(String title) {
    Brief brief = Brief.PART.usual().withTitle(title);
    return new Build(
        "A",
        Parts.USUAL.with(Brief.PART, brief),
        List.of(),
        List.of(Seat.empty(SeatId.FIRST)),
        List.of(),
        List.of(),
        List.of(),
        0);
  }

  /** {@return what was decided at a station for the whole build} */
  public <T extends Decided<T>> T get(Part<T> part) {
    return parts.get(part);
  }

  /** {@return what it must be} */
  public Brief brief() {
    return get(Brief.PART);
  }

  /** {@return the plate the controls sit in} */
  public Panel panel() {
    return get(Panel.PART);
  }

  /** {@return how single contacts are read} */
  public Tuning tuning() {
    return get(Tuning.PART);
  }

  /** {@return short plays of hands} */
  public List<Script> scripts() {
    return get(ScriptBook.PART).scripts();
  }

  /** {@return dated notes, oldest first} */
  public List<LogNote> log() {
    return get(LogBook.PART).notes();
  }

  /** {@return its ports} */
  public PortBook ports() {
    return get(PortBook.PART);
  }

  /** {@return its leads, cables and ring-outs} */
  public LeadBook leads() {
    return get(LeadBook.PART);
  }

  /** {@return the seat that is looked at, of most builds the only one} */
  public Seat seat() {
    return seats.get(at);
  }

  /** {@return the controls that sit in the panel, and not in another face of the case} */
  public List<Control> onPanel() {
    return allOnPanel() ? controls : controls.stream().filter(c -> c.face().isEmpty()).toList();
  }

  /** Asked within loops over controls, so as cheap as it can be. */
  private boolean allOnPanel() {
    for (Control control : controls) {
      if (control.face().isPresent()) {
        return false;
      }
    }
    return true;
  }

  /**
   * {@return the same with the case unfolded into the plane of the panel, as wires see it: controls
   * in other faces lie beside the panel}
   */
  public Build flat() {
    return allOnPanel()
        ? this
        : withControls(
            controls.stream()
                .map(
                    c ->
                        c.face()
                            .map(face -> c.withPlacement(face.flat(c.placement(), panel())))
                            .orElse(c)
                            .on(Optional.empty()))
                .toList());
  }

  /** {@return all that bears contacts: the controls of the panel, then the pads at ports} */
  public List<Control> hands() {
    if (ports().ports().isEmpty()) {
      return controls;
    }
    List<Control> all = new ArrayList<>(controls);
    all.addAll(ports().controls());
    return List.copyOf(all);
  }

  /** {@return all that has a label and a place: what bears contacts, and the plugs of consoles} */
  public List<Control> labelled() {
    List<Control> all = new ArrayList<>(controls);
    ports().ports().forEach(port -> all.add(port.control()));
    return List.copyOf(all);
  }

  /** {@return all that bears contacts at the seat that is looked at} */
  public List<Control> seated() {
    return seats.size() == 1
        ? hands()
        : hands().stream().filter(c -> seatOf(c).equals(seat().id())).toList();
  }

  /** {@return what is looked at} */
  public Aspect aspect() {
    return new Aspect(seat().id(), profile().name());
  }

  /** {@return the same build with another seat and profile looked at; the nearest there is} */
  public Build facing(Aspect aspect) {
    Aspect there = aspect.in(this);
    if (there.equals(aspect())) {
      return this;
    }
    List<Seat> turned = new ArrayList<>();
    int next = 0;
    for (Seat seat : seats) {
      boolean meant = seat.id().equals(there.seat());
      next = meant ? turned.size() : next;
      turned.add(meant ? seat.facing(there.profile()) : seat.facing(""));
    }
    return new Build(revision, parts, controls, turned, links, own, ownBoards, next);
  }

  /** {@return the same build with the first profile of the first seat looked at, as it is saved} */
  public Build home() {
    return facing(Aspect.of(seats.get(0)));
  }

  /** {@return the board of the seat looked at, once chosen} */
  public Optional<BoardChoice> board() {
    return seat().board();
  }

  /** {@return decisions about the wiring of the seat looked at} */
  public LoomSettings loom() {
    return seat().loom();
  }

  /** {@return the profile that is looked at} */
  public Profile profile() {
    return seat().profile();
  }

  /** {@return what contacts mean in the profile looked at, below all layers} */
  public Mapping mapping() {
    return profile().base();
  }

  /** {@return how the board looks and reports} */
  public Timing timing() {
    return seat().timing();
  }

  /** {@return which seat a control belongs to} */
  public SeatId seatOf(Control control) {
    return control.seat().orElse(seats.get(0).id());
  }

  /** {@return the control of that id, or the pad at the port of that id, if there is one} */
  public Optional<Control> control(ControlId id) {
    int at = indexOf(id);
    return at >= 0 ? Optional.of(controls.get(at)) : ports().port(id).map(Port::control);
  }

  /** {@return an id made from the label that no control of this build has yet} */
  public ControlId freshId(String label) {
    ControlId wanted = ControlId.fromLabel(label);
    Set<ControlId> taken = new HashSet<>();
    hands().forEach(control -> taken.add(control.id()));
    taken.add(new ControlId(Joint.BOARD));
    seats.forEach(seat -> seat.loom().groups().forEach(group -> taken.add(group.name())));
    ControlId id = wanted;
    for (int n = 2; taken.contains(id); n++) {
      id = new ControlId(wanted.text() + "-" + n);
    }
    return id;
  }

  /** {@return a label such as {@code Button 3} that no control of this build has yet} */
  public String freshLabel(String word) {
    Set<String> taken = new HashSet<>();
    hands().forEach(control -> taken.add(control.label()));
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
    int at = indexOf(id);
    return at < 0 ? this : withControl(change.apply(controls.get(at)));
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
    return withControls(next)
        .withSeats(seats.stream().map(seat -> seat.without(id)).toList())
        .withParts(parts.without(id));
  }

  /** {@return this build with other controls} */
  public Build withControls(List<Control> newControls) {
    return new Build(revision, parts, newControls, seats, links, own, ownBoards, at);
  }

  private Build withParts(Parts newParts) {
    return newParts == parts
        ? this
        : new Build(revision, newParts, controls, seats, links, own, ownBoards, at);
  }

  /** {@return this build with another decision of a station} */
  public <T extends Decided<T>> Build with(Part<T> part, T value) {
    return withParts(parts.with(part, value));
  }

  /** {@return this build under another brief} */
  public Build withBrief(Brief newBrief) {
    return with(Brief.PART, newBrief);
  }

  /** {@return this build on another panel} */
  public Build withPanel(Panel newPanel) {
    return with(Panel.PART, newPanel);
  }

  /** {@return this build with other seats} */
  public Build withSeats(List<Seat> newSeats) {
    int nearest = Math.min(at, newSeats.size() - 1);
    return new Build(revision, parts, controls, newSeats, links, own, ownBoards, nearest);
  }

  /** {@return this build with other wires between boards} */
  public Build withLinks(List<Link> newLinks) {
    return new Build(revision, parts, controls, seats, newLinks, own, ownBoards, at);
  }

  /** {@return this build with contacts read otherwise} */
  public Build withTuning(Tuning newTuning) {
    return with(Tuning.PART, newTuning);
  }

  /** {@return this build with other scripts} */
  public Build withScripts(List<Script> newScripts) {
    return with(ScriptBook.PART, new ScriptBook(newScripts));
  }

  /** {@return this build with another log} */
  public Build withLog(List<LogNote> newLog) {
    return with(LogBook.PART, new LogBook(newLog));
  }

  /** {@return this build as another revision} */
  public Build withRevision(String newRevision) {
    return new Build(newRevision, parts, controls, seats, links, own, ownBoards, at);
  }

  /** {@return this build with other own parts} */
  public Build withOwn(List<ControlKind> newOwn) {
    return new Build(revision, parts, controls, seats, links, newOwn, ownBoards, at);
  }

  /** {@return this build with other own boards} */
  public Build withOwnBoards(List<BoardKind> newOwnBoards) {
    return new Build(revision, parts, controls, seats, links, own, newOwnBoards, at);
  }

  /** {@return this build with other ports} */
  public Build withPorts(PortBook newPorts) {
    return with(PortBook.PART, newPorts);
  }

  /** {@return this build with other leads} */
  public Build withLeads(LeadBook newLeads) {
    return with(LeadBook.PART, newLeads);
  }

  /** {@return this build with the seat looked at changed} */
  public Build withSeat(UnaryOperator<Seat> change) {
    List<Seat> next = new ArrayList<>(seats);
    next.set(at, change.apply(next.get(at)));
    return withSeats(next);
  }

  /** {@return this build with another board, or none} */
  public Build withBoard(Optional<BoardChoice> newBoard) {
    return withSeat(seat -> seat.withBoard(newBoard));
  }

  /** {@return this build wired otherwise} */
  public Build withLoom(LoomSettings newLoom) {
    return withSeat(seat -> seat.withLoom(newLoom));
  }

  /** {@return this build timed otherwise} */
  public Build withTiming(Timing newTiming) {
    return withSeat(seat -> seat.withTiming(newTiming));
  }

  /** {@return this build with the profile looked at changed} */
  public Build withProfile(UnaryOperator<Profile> change) {
    return withSeat(seat -> seat.withProfile(change));
  }

  /** {@return this build mapped otherwise, below all layers} */
  public Build withMapping(Mapping newMapping) {
    return withProfile(profile -> profile.withBase(newMapping));
  }

  /** {@return this build with one more own part, or another one of its id} */
  public Build withOwn(ControlKind kind) {
    List<ControlKind> next = new ArrayList<>(own);
    next.removeIf(k -> k.id().equals(kind.id()));
    next.add(kind);
    return withOwn(next);
  }

  /** {@return this build with one more own board, or another one of its id} */
  public Build withOwnBoard(BoardKind kind) {
    List<BoardKind> next = new ArrayList<>(ownBoards);
    next.removeIf(k -> k.id().equals(kind.id()));
    next.add(kind);
    return withOwnBoards(next);
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
