package kumite.wiring;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import kumite.component.Component;
import kumite.name.Joint;
import kumite.name.Jumper;

/**
 * A small change of a wiring, such as a fault.
 *
 * @param out wires that are taken out
 * @param in wires that are put in
 * @param parts parts that are changed: another one in place of each, or none
 */
public record Change(Set<Jumper> out, Set<Jumper> in, Map<Component, Optional<Component>> parts) {
  /** Nothing is changed. */
  public static final Change NONE = new Change(Set.of(), Set.of(), Map.of());

  public Change {
    out = Collections.unmodifiableSet(new LinkedHashSet<>(out));
    in = Collections.unmodifiableSet(new LinkedHashSet<>(in));
    parts = Collections.unmodifiableMap(new LinkedHashMap<>(parts));
  }

  /** {@return a wire taken out} */
  public static Change without(Jumper wire) {
    return new Change(Set.of(wire), Set.of(), Map.of());
  }

  /** {@return a wire put in} */
  public static Change with(Jumper wire) {
    return new Change(Set.of(), Set.of(wire), Map.of());
  }

  /** {@return a wire put in place of another one} */
  public static Change moved(Jumper from, Jumper to) {
    return new Change(Set.of(from), Set.of(to), Map.of());
  }

  /** {@return another part in place of one} */
  public static Change replacing(Component part, Component by) {
    return new Change(Set.of(), Set.of(), Map.of(part, Optional.of(by)));
  }

  /** {@return a part taken out} */
  public static Change without(Component part) {
    return new Change(Set.of(), Set.of(), Map.of(part, Optional.empty()));
  }

  /** {@return both changes} */
  public Change and(Change other) {
    Set<Jumper> allOut = new LinkedHashSet<>(out);
    allOut.addAll(other.out());
    Set<Jumper> allIn = new LinkedHashSet<>(in);
    allIn.addAll(other.in());
    Map<Component, Optional<Component>> all = new LinkedHashMap<>(parts);
    all.putAll(other.parts());
    return new Change(allOut, allIn, all);
  }

  /** {@return the same with its places called otherwise} */
  public Change renamed(UnaryOperator<Joint> name) {
    Map<Component, Optional<Component>> all = new LinkedHashMap<>();
    parts.forEach((part, by) -> all.put(part.renamed(name), by.map(p -> p.renamed(name))));
    return new Change(renamed(out, name), renamed(in, name), all);
  }

  private static Set<Jumper> renamed(Set<Jumper> wires, UnaryOperator<Joint> name) {
    Set<Jumper> next = new LinkedHashSet<>();
    wires.forEach(wire -> next.add(new Jumper(name.apply(wire.a()), name.apply(wire.b()))));
    return next;
  }

  /** {@return what of it is at places of one kind alone} */
  public Change within(Predicate<Joint> here) {
    Map<Component, Optional<Component>> some = new LinkedHashMap<>();
    parts.forEach(
        (part, by) -> {
          if (part.ends().stream().allMatch(here)) {
            some.put(part, by);
          }
        });
    return new Change(within(out, here), within(in, here), some);
  }

  private static Set<Jumper> within(Set<Jumper> wires, Predicate<Joint> here) {
    Set<Jumper> some = new LinkedHashSet<>(wires);
    some.removeIf(wire -> !here.test(wire.a()) || !here.test(wire.b()));
    return some;
  }

  /** {@return the places where anything is changed} */
  public Set<Joint> places() {
    Set<Joint> places = new TreeSet<>();
    for (Set<Jumper> wires : java.util.List.of(out, in)) {
      wires.forEach(
          wire -> {
            places.add(wire.a());
            places.add(wire.b());
          });
    }
    parts.forEach(
        (part, by) -> {
          places.addAll(part.ends());
          by.ifPresent(other -> places.addAll(other.ends()));
        });
    return places;
  }
}
