package kumite.build.port;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import kumite.build.Control;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.measure.Check;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/**
 * All ports of a build.
 *
 * @param kinds kinds of ports that belong to this build alone; one of a shipped id stands in its
 *     place
 * @param ports its ports, in the order they were added
 */
public record PortBook(List<PortKind> kinds, List<Port> ports) implements Decided<PortBook> {
  /** None. */
  public static final PortBook EMPTY = new PortBook(List.of(), List.of());

  /** Ports as a part of a build. */
  public static final Part<PortBook> PART = new Part<>("ports", EMPTY);

  /** More than this is taken for a damaged file. */
  public static final int MOST = 32;

  public PortBook {
    kinds = List.copyOf(kinds);
    ports = List.copyOf(ports);
    Check.between(0, MOST, kinds.size(), "number of own kinds of ports");
    Check.between(0, MOST, ports.size(), "number of ports");
    once(kinds.stream().map(PortKind::id), "own kinds of ports have the id");
    once(ports.stream().map(port -> port.id().text()), "ports have the id");
  }

  private static void once(Stream<String> names, String what) {
    Set<String> seen = new HashSet<>();
    names.forEach(
        name -> {
          if (!seen.add(name)) {
            throw new IllegalArgumentException("two " + what + " \"" + name + "\"");
          }
        });
  }

  /** {@return the kinds that its ports may be of: the shipped ones, and its own} */
  public List<PortKind> known() {
    List<PortKind> all = new ArrayList<>();
    for (PortKind kind : PortFile.standard()) {
      all.add(PortFile.find(kinds, kind.id()).orElse(kind));
    }
    kinds.stream()
        .filter(kind -> PortFile.find(all, kind.id()).isEmpty())
        .toList()
        .forEach(all::add);
    return List.copyOf(all);
  }

  /** {@return the kind of a port, if it is known} */
  public Optional<PortKind> kindOf(Port port) {
    return PortFile.find(kinds, port.kind())
        .or(() -> PortFile.find(PortFile.standard(), port.kind()));
  }

  /** {@return the port of that id, if there is one} */
  public Optional<Port> port(ControlId id) {
    return ports.stream().filter(port -> port.id().equals(id)).findFirst();
  }

  /** {@return the pads that are read as what bears contacts} */
  public List<Control> controls() {
    return ports.stream().filter(Port::reads).map(Port::control).toList();
  }

  /** {@return the same with one more port, or another in the place of the one of its id} */
  public PortBook with(Port port) {
    List<Port> next = new ArrayList<>(ports);
    int at = ports.stream().map(Port::id).toList().indexOf(port.id());
    if (at < 0) {
      next.add(port);
    } else {
      next.set(at, port);
    }
    return new PortBook(kinds, next);
  }

  /**
   * {@return the same with one more kind of its own; one that is there already stays}
   *
   * @throws IllegalArgumentException if another kind has its id: ports may be of that
   */
  public PortBook withKind(PortKind kind) {
    Optional<PortKind> before = PortFile.find(known(), kind.id());
    if (before.isPresent() && !before.get().equals(kind)) {
      throw new IllegalArgumentException(
          "a kind of port \""
              + kind.id()
              + "\" is known already and is another; name it otherwise");
    }
    if (before.isPresent()) {
      return this;
    }
    List<PortKind> next = new ArrayList<>(kinds);
    next.add(kind);
    return withKinds(next);
  }

  /** {@return the same with other kinds of its own} */
  public PortBook withKinds(List<PortKind> newKinds) {
    return new PortBook(newKinds, ports);
  }

  @Override
  public PortBook without(ControlId gone) {
    return port(gone).isEmpty()
        ? this
        : new PortBook(kinds, ports.stream().filter(port -> !port.id().equals(gone)).toList());
  }

  /** Where there are several seats each port says which it is at; where there is one, none. */
  public PortBook seated(List<SeatId> seats) {
    boolean several = seats.size() > 1;
    if (ports.isEmpty() || ports.stream().allMatch(p -> p.seat().isPresent() == several)) {
      return this;
    }
    Optional<SeatId> first = Optional.of(seats.get(0));
    return new PortBook(
        kinds,
        ports.stream()
            .map(
                p ->
                    !several
                        ? p.seat().filter(s -> !s.equals(first.get())).isPresent()
                            ? p
                            : p.withSeat(Optional.empty())
                        : p.seat().isPresent() ? p : p.withSeat(first))
            .toList());
  }

  /** {@return the same with some of its ports at another seat} */
  public PortBook moved(Predicate<Port> which, Optional<SeatId> to) {
    return new PortBook(
        kinds, ports.stream().map(p -> which.test(p) ? p.withSeat(to) : p).toList());
  }
}
