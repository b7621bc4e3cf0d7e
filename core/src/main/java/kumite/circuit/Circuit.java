package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * A circuit of resistors, sources, switches and diodes.
 *
 * <pre>{@code
 * Circuit divider = Circuit.of(
 *     new Element.Source("1", "in", "0", 3.3),
 *     new Element.Resistor("1", "in", "out", 10_000),
 *     new Element.Resistor("2", "out", "0", 10_000));
 * divider.operatingPoint(); // out at 1.65 V
 * }</pre>
 *
 * @param elements its parts; names are unique within a kind of part
 */
public record Circuit(List<Element> elements) {
  /** The node all volts are measured against. */
  public static final String GROUND = "0";

  public Circuit {
    elements = List.copyOf(elements);
    Set<String> names = new HashSet<>();
    for (Element element : elements) {
      if (!names.add(element.getClass().getSimpleName() + element.name())) {
        throw new IllegalArgumentException("two parts of the circuit are named " + element.name());
      }
    }
  }

  /** {@return a circuit of the parts} */
  public static Circuit of(Element... elements) {
    return new Circuit(List.of(elements));
  }

  /** {@return this circuit with one more part} */
  public Circuit with(Element element) {
    List<Element> next = new ArrayList<>(elements);
    next.add(element);
    return new Circuit(next);
  }

  /** {@return its nodes in the order they are first named, ground left out} */
  public List<String> nodes() {
    Set<String> nodes = new LinkedHashSet<>();
    for (Element element : elements) {
      nodes.add(element.a());
      nodes.add(element.b());
    }
    nodes.remove(GROUND);
    return List.copyOf(nodes);
  }

  /** {@return volts and amps at rest, or why there are none} */
  public OperatingPoint operatingPoint() {
    return Solver.solve(this);
  }
}
