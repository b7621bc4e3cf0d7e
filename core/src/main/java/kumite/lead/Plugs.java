package kumite.lead;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.json.JsonText;
import kumite.json.Key;

/**
 * The connectors and pinouts that are known: those shipped, and a build's own.
 *
 * <p>Headers, strips and cut ends come in every length: {@code header-12}, {@code strip-6}, {@code
 * bare-9}.
 */
public final class Plugs {
  private static final Plugs STANDARD = shipped();

  private final Map<String, ConnectorKind> connectors;
  private final List<ConnectorRow> rows;
  private final Map<String, Pinout> pinouts;

  private Plugs(
      Map<String, ConnectorKind> connectors, List<ConnectorRow> rows, Map<String, Pinout> pinouts) {
    this.connectors = connectors;
    this.rows = rows;
    this.pinouts = pinouts;
  }

  /** {@return what is shipped} */
  public static Plugs standard() {
    return STANDARD;
  }

  private static Plugs shipped() {
    try (InputStream stream = Plugs.class.getResourceAsStream("/kumite/parts/connectors.json")) {
      if (stream == null) {
        throw new IOException("the application lacks its file kumite/parts/connectors.json");
      }
      JsonNode root = JsonText.read(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
      Key top = new Key("connectors.json", root);
      Map<String, ConnectorKind> connectors = new LinkedHashMap<>();
      for (Key key : top.objects("connectors")) {
        ConnectorKind kind = ConnectorFile.CONNECTOR.read(key.here());
        connectors.put(kind.id(), kind);
      }
      List<ConnectorRow> rows = new ArrayList<>();
      for (Key key : top.objects("rows")) {
        rows.add(ConnectorFile.row(key));
      }
      Map<String, Pinout> pinouts = new LinkedHashMap<>();
      for (Key key : top.objects("pinouts")) {
        Pinout pinout = ConnectorFile.PINOUT.read(key.here());
        pinouts.put(pinout.id(), pinout);
      }
      top.done();
      return new Plugs(connectors, rows, pinouts);
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped connectors cannot be read", e);
    }
  }

  /** {@return these with a build's own; one of a shipped id stands in its place} */
  public Plugs with(List<ConnectorKind> ownConnectors, List<Pinout> ownPinouts) {
    if (ownConnectors.isEmpty() && ownPinouts.isEmpty()) {
      return this;
    }
    Map<String, ConnectorKind> nextConnectors = new LinkedHashMap<>(connectors);
    ownConnectors.forEach(kind -> nextConnectors.put(kind.id(), kind));
    Map<String, Pinout> nextPinouts = new LinkedHashMap<>(pinouts);
    ownPinouts.forEach(pinout -> nextPinouts.put(pinout.id(), pinout));
    return new Plugs(nextConnectors, rows, nextPinouts);
  }

  /** {@return all connectors of a fixed number of pins} */
  public List<ConnectorKind> connectors() {
    return List.copyOf(connectors.values());
  }

  /** {@return those that come in every length} */
  public List<ConnectorRow> rows() {
    return rows;
  }

  /** {@return all pinouts} */
  public List<Pinout> pinouts() {
    return List.copyOf(pinouts.values());
  }

  /** {@return the connector of that id, or several joined by {@code -and-}, if it is known} */
  public Optional<ConnectorKind> connector(String id) {
    ConnectorKind fixed = connectors.get(id);
    if (fixed != null) {
      return Optional.of(fixed);
    }
    List<String> parts = Several.parts(id);
    if (parts.size() > 1) {
      List<ConnectorKind> kinds = parts.stream().flatMap(p -> connector(p).stream()).toList();
      boolean apt =
          kinds.size() == parts.size()
              && kinds.stream().noneMatch(ConnectorKind::bare)
              && kinds.stream().mapToInt(k -> k.pins().size()).sum() <= ConnectorKind.MOST_PINS;
      return apt ? Optional.of(Several.of(kinds)) : Optional.empty();
    }
    return rows.stream().flatMap(row -> row.ofId(id).stream()).findFirst();
  }

  /**
   * {@return the connector of that id}
   *
   * @throws IllegalArgumentException if it is not known; the message lists those that are
   */
  public ConnectorKind needed(String id) {
    return connector(id)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no connector \""
                        + id
                        + "\"; use one of "
                        + String.join(", ", connectors.keySet())
                        + ", "
                        + String.join(", ", rows.stream().map(ConnectorRow::words).toList())));
  }

  /** {@return the pinout of that id, if it is known} */
  public Optional<Pinout> pinout(String id) {
    List<String> parts = Several.parts(id);
    if (pinouts.containsKey(id) || parts.size() < 2) {
      return Optional.ofNullable(pinouts.get(id));
    }
    List<Pinout> each = parts.stream().flatMap(p -> pinout(p).stream()).toList();
    return each.size() == parts.size() ? Optional.of(Several.pins(each)) : Optional.empty();
  }

  /**
   * {@return the pinout of that id}
   *
   * @throws IllegalArgumentException if it is not known; the message lists those that are
   */
  public Pinout neededPinout(String id) {
    return pinout(id)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no pinout \""
                        + id
                        + "\"; use one of "
                        + String.join(", ", pinouts.keySet())));
  }

  /** {@return the pinouts of a shape} */
  public List<Pinout> of(ConnectorKind kind) {
    return of(Several.parts(kind.id()));
  }

  /** Every choice for the first plug with every one for the others. */
  private List<Pinout> of(List<String> shapes) {
    List<List<Pinout>> choices = List.of(List.of());
    for (String shape : shapes) {
      List<List<Pinout>> next = new ArrayList<>();
      for (List<Pinout> before : choices) {
        for (Pinout pinout : pinouts.values()) {
          if (pinout.connector().equals(shape)) {
            List<Pinout> more = new ArrayList<>(before);
            more.add(pinout);
            next.add(more);
          }
        }
      }
      choices = next;
    }
    return choices.stream().map(c -> c.size() == 1 ? c.get(0) : Several.pins(c)).toList();
  }

  /** {@return what a plug's pins do, where it says and that is known} */
  public Optional<Pinout> pinout(End.Plug plug) {
    return plug.pinout().flatMap(this::pinout);
  }

  /**
   * {@return the connector that an end of a lead is; empty for a board, or where it is not known}
   */
  public Optional<ConnectorKind> connector(End end) {
    return end instanceof End.Plug plug ? connector(plug.connector()) : Optional.empty();
  }

  /** {@return what a pin of an end does, where that is known} */
  public Optional<Pinout.Pin> at(End end, String pin) {
    return end instanceof End.Plug plug
        ? pinout(plug).flatMap(pinout -> pinout.at(pin))
        : Optional.empty();
  }

  /** {@return what a core is for: as the builder calls it, else as the pins of its ends are} */
  public String role(Lead lead, Core core) {
    return core.role()
        .or(() -> at(lead.from(), core.from()).map(pin -> pin.function().words()))
        .or(() -> at(lead.to(), core.to()).map(pin -> pin.function().words()))
        .orElse("");
  }

  /** {@return a lead's cores in order of the pins they come from} */
  public List<Core> inOrder(Lead lead) {
    Optional<ConnectorKind> from = connector(lead.from());
    Optional<ConnectorKind> to = connector(lead.to());
    return lead.cores().stream()
        .sorted(
            java.util.Comparator.comparingInt(
                    (Core core) -> from.map(kind -> kind.order(core.from())).orElse(0))
                .thenComparingInt(core -> to.map(kind -> kind.order(core.to())).orElse(0)))
        .toList();
  }

  /** {@return whether what a core is called is a function that some pinout has} */
  public boolean knows(String role) {
    Function named = Function.named(role);
    return named instanceof Function.Known
        || pinouts().stream()
            .flatMap(pinout -> pinout.pins().stream())
            .anyMatch(pin -> pin.function().equals(named));
  }
}
