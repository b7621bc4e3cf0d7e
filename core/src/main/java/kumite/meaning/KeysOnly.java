package kumite.meaning;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.device.Senses;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.map.Coverage;
import kumite.map.MapCode;
import kumite.map.Proposal;
import kumite.map.TargetText;
import kumite.map.Turned;
import kumite.name.ContactId;

/**
 * A computer takes keys from its own header; buttons and axes of a gamepad reach it from nobody.
 */
final class KeysOnly {
  private KeysOnly() {}

  static Optional<Finding> of(Profile profile, Sites sites, Optional<BoardKind> board) {
    if (board.filter(b -> b.brain().keysOnly() && !b.bringsProgram()).isEmpty()) {
      return Optional.empty();
    }
    List<Coverage.Giver> lost =
        Coverage.givers(profile).stream()
            .filter(giver -> !Senses.isKey(giver.entry().target()))
            .filter(giver -> giver.contacts().stream().anyMatch(c -> pressed(c, sites)))
            .toList();
    if (lost.isEmpty()) {
      return Optional.empty();
    }
    List<ContactId> contacts =
        lost.stream().flatMap(giver -> giver.contacts().stream()).distinct().sorted().toList();
    String meanings =
        lost.stream()
            .map(giver -> TargetText.of(giver.entry().target()))
            .distinct()
            .limit(4)
            .collect(Collectors.joining(", "));
    Map<Target, Target> keys = keys(profile, lost);
    Finding finding =
        Finding.of(
            MapCode.KEYS_ONLY,
            contacts.stream().map(Subject::of).toList(),
            contacts.size() == 1
                ? sites.label(contacts.get(0)) + " gives no key"
                : contacts.size() + " contacts give no key",
            "\"" + board.get().name() + "\" turns contacts into keys, and cannot give " + meanings);
    return Optional.of(
        keys.size() < lost.stream().map(g -> g.entry().target()).distinct().count()
            ? finding
            : finding.mendedBy(
                Fix.of(
                    contacts.size() == 1 ? "Give it a key" : "Give each a key",
                    b -> given(b, keys))));
  }

  private static boolean pressed(ContactId contact, Sites sites) {
    return Optional.ofNullable(sites.by().get(contact))
        .filter(site -> !site.contact().type().analog())
        .isPresent();
  }

  /** A free key for each meaning that is no key: arrows for directions, else the next letter. */
  private static Map<Target, Target> keys(Profile profile, List<Coverage.Giver> lost) {
    Set<Target> used = new HashSet<>();
    profile.entries().map(Mapping.Entry::target).forEach(used::add);
    Map<Target, Target> keys = new LinkedHashMap<>();
    for (Coverage.Giver giver : lost) {
      Target target = giver.entry().target();
      if (!keys.containsKey(target)) {
        Stream.concat(Turned.meant(target).map(Turned::arrow).stream(), Proposal.keys().stream())
            .filter(used::add)
            .findFirst()
            .ifPresent(key -> keys.put(target, key));
      }
    }
    return keys;
  }

  private static Build given(Build build, Map<Target, Target> keys) {
    return build.withProfile(
        p -> {
          List<Layer> layers =
              p.layers().stream().map(l -> l.withMapping(m -> given(m, keys))).toList();
          List<Chord> chords =
              p.chords().stream().map(c -> c.meaning(given(c.entry(), keys))).toList();
          return p.withBase(given(p.base(), keys)).withLayers(layers).withChords(chords);
        });
  }

  private static Mapping given(Mapping mapping, Map<Target, Target> keys) {
    Map<ContactId, Mapping.Entry> next = new TreeMap<>(mapping.entries());
    next.replaceAll((contact, entry) -> given(entry, keys));
    return new Mapping(next);
  }

  private static Mapping.Entry given(Mapping.Entry entry, Map<Target, Target> keys) {
    return new Mapping.Entry(
        Objects.requireNonNullElse(keys.get(entry.target()), entry.target()), entry.function());
  }
}
