package kumite.lead;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import kumite.measure.Check;

/**
 * A cable or adapter that carries pins to pins.
 *
 * <pre>{@code
 * Lead lead = Making.turning(Turn.degrees(90), plugs.pinout("nine-pin-direct").get(), plugs);
 * LeadNets.of(lead).carried("1"); // [3]
 * }</pre>
 *
 * @param name for people, unlike that of other leads of a build
 * @param from what its first end is
 * @param to what its other end is
 * @param cores its wires; several may share a pin, but no two both pins
 * @param parts what is soldered in
 * @param cable what it is made of
 * @param slips what goes over the cable before the joints
 */
public record Lead(
    String name,
    End from,
    End to,
    List<Core> cores,
    List<LeadPart> parts,
    Cable cable,
    List<Slip> slips) {

  /** Longer names are no names. */
  public static final int MOST_LETTERS = 200;

  /** More cores than this in one lead is taken for a damaged file. */
  public static final int MOST_CORES = 256;

  public Lead {
    Check.writable(name, "name of a lead");
    Check.between(1, MOST_LETTERS, name.length(), "letters of a lead's name");
    Objects.requireNonNull(from, "from");
    Objects.requireNonNull(to, "to");
    cores = List.copyOf(cores);
    parts = List.copyOf(parts);
    slips = List.copyOf(slips);
    Objects.requireNonNull(cable, "cable");
    Check.between(0, MOST_CORES, cores.size(), "number of cores");
    Set<List<String>> ends = new HashSet<>();
    for (Core core : cores) {
      if (!ends.add(List.of(core.from(), core.to()))) {
        throw new IllegalArgumentException(
            "the core from " + core.words() + " is there twice; take one out");
      }
    }
    for (LeadPart part : parts) {
      if (part instanceof LeadPart.InCore within
          && !ends.contains(List.of(within.from(), within.to()))) {
        throw new IllegalArgumentException(
            within.words() + ": there is no such core; name the pins of a core");
      }
      if (part instanceof LeadPart.Drain && !cable.shielded()) {
        throw new IllegalArgumentException(
            part.words() + ": the cable has no shield; say that it has one, or leave that out");
      }
    }
  }

  /** {@return an end} */
  public End end(Where where) {
    return where == Where.FROM ? from : to;
  }

  /** {@return the parts that lie in a core} */
  public List<LeadPart.InCore> within(Core core) {
    return parts.stream()
        .filter(LeadPart.InCore.class::isInstance)
        .map(LeadPart.InCore.class::cast)
        .filter(part -> part.in(core))
        .toList();
  }

  /** {@return the pins that the drain wires of its shield go to} */
  public List<LeadPart.Place> drains() {
    return parts.stream()
        .filter(LeadPart.Drain.class::isInstance)
        .map(part -> ((LeadPart.Drain) part).at())
        .toList();
  }

  /** {@return a core's pin at an end} */
  public static String pin(Core core, Where where) {
    return where == Where.FROM ? core.from() : core.to();
  }

  /** {@return this lead under another name} */
  public Lead named(String newName) {
    return new Lead(newName, from, to, cores, parts, cable, slips);
  }

  /** {@return this lead with other cores; what lies in a core goes with it} */
  public Lead withCores(List<Core> newCores) {
    List<LeadPart> left = new ArrayList<>();
    for (LeadPart part : parts) {
      boolean lost =
          part instanceof LeadPart.InCore within && newCores.stream().noneMatch(within::in);
      if (!lost) {
        left.add(part);
      }
    }
    return new Lead(name, from, to, newCores, left, cable, slips);
  }

  /** {@return this lead between other ends} */
  public Lead withEnds(End newFrom, End newTo) {
    return new Lead(name, newFrom, newTo, cores, parts, cable, slips);
  }

  /** {@return this lead with one end changed} */
  public Lead withEnd(Where where, End end) {
    return where == Where.FROM ? withEnds(end, to) : withEnds(from, end);
  }

  /** {@return this lead with other parts} */
  public Lead withParts(List<LeadPart> newParts) {
    return new Lead(name, from, to, cores, newParts, cable, slips);
  }

  /** {@return this lead made of another cable; drain wires go with the shield} */
  public Lead withCable(Cable newCable) {
    List<LeadPart> left =
        parts.stream().filter(p -> newCable.shielded() || !(p instanceof LeadPart.Drain)).toList();
    return new Lead(name, from, to, cores, left, newCable, slips);
  }

  /** {@return this lead with other things to slip on first} */
  public Lead withSlips(List<Slip> newSlips) {
    return new Lead(name, from, to, cores, parts, cable, newSlips);
  }

  /** {@return this lead used the other way round} */
  public Lead turned() {
    return new Lead(
        name,
        to,
        from,
        cores.stream().map(Core::turned).toList(),
        LeadPart.turned(parts),
        cable,
        slips.stream().map(Slip::turned).toList());
  }
}
