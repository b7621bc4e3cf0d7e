package kumite.lead;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a lead does, found out from what it joins.
 *
 * @param turn of a stick, where both ends know four directions and each arrives
 * @param straight whether every pin goes to the pin of its own name
 * @param moved functions other than directions that arrive as something else, in words
 * @param lost functions that arrive nowhere, in words
 */
public record Told(Optional<Turn> turn, boolean straight, List<String> moved, List<String> lost) {
  public Told {
    moved = List.copyOf(moved);
    lost = List.copyOf(lost);
  }

  /** {@return what a lead does} */
  public static Told of(Lead lead, Plugs plugs) {
    if (lead.from().beyond() == Beyond.HOST && lead.to().beyond() == Beyond.PAD) {
      // What arrives is told from where it comes from.
      return of(lead.turned(), plugs);
    }
    LeadNets nets = LeadNets.of(lead);
    boolean straight =
        nets.oneToOne()
            .filter(m -> m.entrySet().stream().allMatch(e -> e.getKey().equals(e.getValue())))
            .isPresent();
    Optional<Pinout> from = pinout(lead.from(), plugs);
    Optional<Pinout> to = pinout(lead.to(), plugs);
    if (from.isEmpty() || to.isEmpty()) {
      return new Told(Optional.empty(), straight, List.of(), List.of());
    }
    Optional<Turn> turn = turn(nets, from.get(), to.get());
    List<String> moved = new ArrayList<>();
    List<String> lost = new ArrayList<>();
    for (Pinout.Pin pin : from.get().pins()) {
      boolean direction = turn.isPresent() && from.get().directions().containsValue(pin.pin());
      if (pin.flow() == Flow.FREE || direction) {
        continue;
      }
      List<String> there =
          nets.carried(pin.pin()).stream()
              .map(p -> to.get().at(p).map(q -> q.function().words()).orElse("pin " + p))
              .distinct()
              .toList();
      if (there.isEmpty()) {
        lost.add(pin.function().words());
      } else if (!there.contains(pin.function().words())) {
        moved.add(pin.function().words() + " arrives as " + String.join(" and ", there));
      }
    }
    return new Told(turn, straight, moved, lost);
  }

  /**
   * {@return whether each pin goes to the one that is its mirror image: the mark of an end that was
   * numbered from the wrong face}
   */
  public static boolean mirrored(Lead lead, Plugs plugs) {
    Optional<ConnectorKind> from = plugs.connector(lead.from()).filter(kind -> !kind.bare());
    boolean one = from.isPresent() && from.equals(plugs.connector(lead.to()));
    boolean moved = lead.cores().stream().anyMatch(core -> !core.from().equals(core.to()));
    return one
        && moved
        && lead.cores().size() > 2
        && lead.cores().stream()
            .allMatch(core -> from.get().facing(core.from()).filter(core.to()::equals).isPresent());
  }

  /** What an end's pins do: as it says, or the first that its shape is known for. */
  private static Optional<Pinout> pinout(End end, Plugs plugs) {
    if (!(end instanceof End.Plug plug)) {
      return Optional.empty();
    }
    return plug.pinout().isPresent()
        ? plugs.pinout(plug)
        : plugs.connector(plug.connector()).stream()
            .flatMap(kind -> plugs.of(kind).stream())
            .findFirst();
  }

  private static Optional<Turn> turn(LeadNets nets, Pinout from, Pinout to) {
    Map<Turn.Direction, String> pushed = from.directions();
    Map<Turn.Direction, String> read = to.directions();
    Map<Turn.Direction, Turn.Direction> map = new TreeMap<>();
    for (Map.Entry<Turn.Direction, String> push : pushed.entrySet()) {
      List<String> there = nets.carried(push.getValue());
      boolean alone = nets.beside(new LeadPart.Place(Where.FROM, push.getValue())).isEmpty();
      read.entrySet().stream()
          .filter(entry -> alone && there.equals(List.of(entry.getValue())))
          .findFirst()
          .ifPresent(entry -> map.put(push.getKey(), entry.getKey()));
    }
    return map.size() == 4 ? Turn.of(map) : Optional.empty();
  }

  /** {@return it in a sentence without its stop} */
  public String words() {
    List<String> said = new ArrayList<>();
    boolean plain = turn.filter(Turn.PLAIN::equals).isPresent();
    boolean others = !moved.isEmpty();
    if (straight && (turn.isEmpty() || plain)) {
      said.add("a plain extension");
    } else if (plain && !others) {
      said.add("the same functions at other pins");
    } else {
      turn.filter(t -> !t.equals(Turn.PLAIN)).ifPresent(t -> said.add(t.words()));
    }
    said.addAll(moved);
    if (!lost.isEmpty()) {
      said.add("leaves out " + String.join(", ", lost));
    }
    return said.isEmpty() ? "carries pins to other pins" : String.join("; ", said);
  }
}
