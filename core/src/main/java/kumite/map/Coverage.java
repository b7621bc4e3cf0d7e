package kumite.map;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.build.Build;
import kumite.build.brief.HostFunction;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/**
 * What the host asks for, held against what the mapping gives.
 *
 * @param rows one for each function of the brief, in its order
 * @param clashes meanings that more than one contact gives, each with those contacts
 */
public record Coverage(List<Row> rows, Map<Target, List<ContactId>> clashes) {

  /**
   * One function the host asks for.
   *
   * @param function what it asks
   * @param by the contacts that serve it
   * @param above those of its givers that are on a layer or are chords
   * @param fits whether all of those give the kind of input it takes
   */
  public record Row(HostFunction function, List<ContactId> by, List<Giver> above, boolean fits) {
    /** {@return whether the function is served by an input of the right kind} */
    public boolean covered() {
      return !by.isEmpty() && fits;
    }
  }

  public Coverage {
    rows = List.copyOf(rows);
    clashes = Map.copyOf(clashes);
  }

  /**
   * One meaning that a profile gives.
   *
   * @param layer the layer it is given on
   * @param contacts the contact, or the members of a chord
   * @param entry what it means
   */
  public record Giver(String layer, Set<ContactId> contacts, Mapping.Entry entry) {}

  /** {@return all that a profile gives: the base, each layer, each chord} */
  public static List<Giver> givers(Profile profile) {
    List<Giver> givers = new ArrayList<>();
    profile
        .base()
        .entries()
        .forEach((c, entry) -> givers.add(new Giver(Layer.BASE, Set.of(c), entry)));
    for (Layer layer : profile.layers()) {
      layer
          .mapping()
          .entries()
          .forEach((c, entry) -> givers.add(new Giver(layer.name(), Set.of(c), entry)));
    }
    for (Chord chord : profile.chords()) {
      givers.add(new Giver(chord.layer(), chord.contacts(), chord.entry()));
    }
    return givers;
  }

  /**
   * Compares what the first profile of a build asks for with what it gives. What no hand can do, or
   * its board cannot, covers nothing.
   */
  public static Coverage of(Build build, Catalogue catalogue) {
    Profile profile = Within.of(build.profile(), catalogue.boardOf(build));
    Doable doable = Doable.of(build, catalogue);
    Map<String, List<Giver>> byFunction = new LinkedHashMap<>();
    for (Giver giver : givers(profile)) {
      if (doable.why(giver).isPresent()) {
        continue;
      }
      byFunction.computeIfAbsent(giver.entry().function(), f -> new ArrayList<>()).add(giver);
    }
    List<Row> rows = new ArrayList<>();
    for (HostFunction function : profile.functions()) {
      List<Giver> by = byFunction.getOrDefault(function.name(), List.of());
      boolean fits = by.stream().allMatch(g -> fits(function.wants(), g.entry().target()));
      rows.add(
          new Row(
              function,
              by.stream().flatMap(g -> g.contacts().stream()).distinct().toList(),
              by.stream()
                  .filter(g -> g.contacts().size() > 1 || !g.layer().equals(Layer.BASE))
                  .toList(),
              fits));
    }
    Map<Target, List<ContactId>> clashes = new LinkedHashMap<>();
    clashes(profile.base(), clashes);
    for (Layer layer : profile.layers()) {
      clashes(profile.through(layer), clashes);
    }
    return new Coverage(rows, clashes);
  }

  /** Contacts that give the same on one layer, unless they serve the same function by intent. */
  private static void clashes(Mapping mapping, Map<Target, List<ContactId>> clashes) {
    Map<Target, List<ContactId>> byTarget = new LinkedHashMap<>();
    mapping
        .entries()
        .forEach(
            (contact, entry) ->
                byTarget.computeIfAbsent(entry.target(), t -> new ArrayList<>()).add(contact));
    // A whole axis and one of its ends are one number to the host.
    byTarget.forEach(
        (target, contacts) -> {
          if (target.plain() instanceof Target.Axis whole) {
            for (boolean high : new boolean[] {false, true}) {
              Target end = new Target.AxisEnd(whole.axis(), high);
              contacts.addAll(
                  byTarget.getOrDefault(
                      target.pad() == 1 ? end : new Target.OnPad(target.pad(), end), List.of()));
            }
          }
        });
    byTarget.forEach(
        (target, contacts) -> {
          boolean meant =
              contacts.stream().map(c -> mapping.of(c).orElseThrow().function()).distinct().count()
                      == 1
                  && !mapping.of(contacts.get(0)).orElseThrow().function().isEmpty();
          if (contacts.size() > 1 && !meant) {
            clashes.putIfAbsent(target, contacts);
          }
        });
  }

  /** {@return how many functions are covered} */
  public long covered() {
    return rows.stream().filter(Row::covered).count();
  }

  private static boolean fits(HostFunction.Wants wants, Target target) {
    return switch (wants) {
      case AXIS -> target.follows();
      case PRESS -> !target.follows();
      case DIRECTION -> !target.follows();
    };
  }
}
