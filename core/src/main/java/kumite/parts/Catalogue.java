package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/**
 * All kinds of controls and boards that a build can use.
 *
 * <pre>{@code
 * Catalogue catalogue = Catalogue.standard();
 * ControlKind kind = catalogue.control("button-30").orElseThrow();
 * }</pre>
 */
public final class Catalogue {
  private final Map<String, ControlKind> controls;
  private final Map<String, BoardKind> boards;
  private final List<PortKind> ports;
  private final List<BoardKind> ready;
  private final Map<PortKind, ControlKind> pads = new ConcurrentHashMap<>();
  private final Map<PortKind, Optional<BoardKind>> circuits = new ConcurrentHashMap<>();

  private Catalogue(
      Map<String, ControlKind> controls,
      Map<String, BoardKind> boards,
      List<PortKind> ports,
      List<BoardKind> ready) {
    this.ready = List.copyOf(ready);
    this.controls = Collections.unmodifiableMap(controls);
    this.boards = Collections.unmodifiableMap(boards);
    this.ports = List.copyOf(ports);
  }

  private static final class Standard {
    static final Catalogue CATALOGUE = CatalogueReader.shipped();
  }

  /** {@return the catalogue that ships with the application; read once} */
  public static Catalogue standard() {
    return Standard.CATALOGUE;
  }

  /**
   * A catalogue of the given kinds.
   *
   * @throws IllegalArgumentException if two kinds share an id
   */
  public static Catalogue of(Collection<ControlKind> controls, Collection<BoardKind> boards) {
    Map<String, ControlKind> byControl = new LinkedHashMap<>();
    for (ControlKind kind : controls) {
      requireNew(byControl.put(kind.id(), kind) == null, kind.id());
    }
    Map<String, BoardKind> byBoard = new LinkedHashMap<>();
    for (BoardKind kind : boards) {
      requireNew(byBoard.put(kind.id(), kind) == null, kind.id());
    }
    return new Catalogue(byControl, byBoard, List.of(), List.of());
  }

  /** {@return the same with boards that ready-made programs are loaded on} */
  Catalogue ready(JsonNode programs) {
    return new Catalogue(controls, boards, ports, ReadyBoards.of(programs, boards));
  }

  private static void requireNew(boolean isNew, String id) {
    if (!isNew) {
      throw new IllegalArgumentException("the catalogue has two kinds with the id \"" + id + "\"");
    }
  }

  /** {@return this catalogue with one more board, or another one of its id} */
  public Catalogue with(BoardKind board) {
    Map<String, BoardKind> next = new LinkedHashMap<>(boards);
    next.put(board.id(), board);
    return new Catalogue(new LinkedHashMap<>(controls), next, ports, ready);
  }

  /**
   * {@return this catalogue with the build's own parts and boards; an own one goes before a shipped
   * one}
   */
  public Catalogue with(Build build) {
    Catalogue all = withOwn(build.own());
    for (BoardKind board : build.ownBoards()) {
      all = all.with(board);
    }
    all = all.with(build.ports());
    for (Port port : build.ports().ports()) {
      Optional<BoardKind> circuit =
          port.reads() ? Optional.empty() : all.port(port.kind()).flatMap(all::circuit);
      if (circuit.isPresent()) {
        all = all.with(circuit.get());
      }
    }
    return all;
  }

  /** {@return whether a catalogue with the kinds of one build is that of another} */
  public static boolean knowsAlike(Build one, Build other) {
    return one.own().equals(other.own())
        && one.ownBoards().equals(other.ownBoards())
        && (one.ports().equals(other.ports())
            || one.ports().kinds().equals(other.ports().kinds())
                && answered(one).equals(answered(other)));
  }

  private static Set<String> answered(Build build) {
    return build.ports().ports().stream()
        .filter(port -> !port.reads())
        .map(Port::kind)
        .collect(Collectors.toSet());
  }

  /** {@return this catalogue with a build's own kinds of ports} */
  public Catalogue with(PortBook own) {
    return own.kinds().isEmpty() ? this : new Catalogue(controls, boards, own.kinds(), ready);
  }

  /** {@return this catalogue with more kinds of controls, in place of those of their ids} */
  public Catalogue withOwn(List<ControlKind> own) {
    if (own.isEmpty()) {
      return this;
    }
    Map<String, ControlKind> next = new LinkedHashMap<>(controls);
    own.forEach(kind -> next.put(kind.id(), kind));
    return new Catalogue(next, new LinkedHashMap<>(boards), ports, ready);
  }

  /** {@return the kinds of controls of one family, in tray order} */
  public List<ControlKind> controls(ControlKind.Family family) {
    return controls.values().stream().filter(kind -> kind.family() == family).toList();
  }

  /** {@return all kinds of controls, in tray order} */
  public List<ControlKind> controls() {
    return List.copyOf(controls.values());
  }

  /** {@return all kinds of boards} */
  public List<BoardKind> boards() {
    return List.copyOf(boards.values());
  }

  /** {@return boards that a ready-made program is loaded on} */
  public List<BoardKind> readyBoards() {
    return ready;
  }

  /** {@return the kind of control with that id, if there is one} */
  public Optional<ControlKind> control(String id) {
    return Optional.ofNullable(controls.get(id));
  }

  /** {@return the kind of board with that id, if there is one; a circuit of a known port too} */
  public Optional<BoardKind> board(String id) {
    return Optional.ofNullable(boards.get(id))
        .or(() -> ready.stream().filter(board -> board.id().equals(id)).findFirst())
        .or(
            () ->
                id.startsWith(CircuitBoard.ID)
                    ? port(id.substring(CircuitBoard.ID.length())).flatMap(this::circuit)
                    : Optional.empty());
  }

  /** {@return the board of logic chips that answers as such a pad; empty where chips cannot} */
  public Optional<BoardKind> circuit(PortKind kind) {
    return circuits.computeIfAbsent(kind, CircuitBoard::of);
  }

  /**
   * The kind of a control of a checked build.
   *
   * @throws IllegalArgumentException if the catalogue has none; files are checked for that on load
   */
  public ControlKind kindOf(Control control) {
    return (control.kind().startsWith(Port.AS_CONTROL)
            ? pad(control.kind().substring(Port.AS_CONTROL.length()))
            : control(control.kind()))
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "control \""
                        + control.id()
                        + "\" is of kind \""
                        + control.kind()
                        + "\", which the catalogue does not have"));
  }

  /** {@return the kind of port of that id, if it is known} */
  public Optional<PortKind> port(String id) {
    return PortFile.find(ports, id).or(() -> PortFile.find(PortFile.standard(), id));
  }

  /** {@return the kind of the port that a pad is at; empty for a control} */
  public Optional<PortKind> portOf(Control control) {
    return control.kind().startsWith(Port.AS_CONTROL)
        ? port(control.kind().substring(Port.AS_CONTROL.length()))
        : Optional.empty();
  }

  private Optional<ControlKind> pad(String id) {
    return port(id).map(kind -> pads.computeIfAbsent(kind, PadKind::of));
  }

  /** {@return the kind of a checked build's board, if one is chosen} */
  public Optional<BoardKind> boardOf(Build build) {
    return build.board().flatMap(choice -> board(choice.kind()));
  }
}
