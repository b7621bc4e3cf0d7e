package kumite.meaning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.hid.ReportLayout;
import kumite.kind.BoardKind;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.map.Coverage;
import kumite.map.Doable;
import kumite.map.LayerWays;
import kumite.map.MapCode;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/** Checks of layers and opposite directions of the first profile. */
public final class LayerChecks {
  /** The most that a full-speed interrupt endpoint takes at once (USB 2.0, section 5.7.3). */
  private static final int MOST_BYTES = 64;

  /** From here on keys are modifiers, each with a bit of its own (HID Usage Tables, page 0x07). */
  private static final int MODIFIERS = 0xE0;

  private final Build build;
  private final Profile profile;
  private final Doable doable;
  private final Sites sites;
  private final List<Finding> findings = new ArrayList<>();

  private LayerChecks(Build build, Catalogue catalogue, Loom loom) {
    this.build = build;
    this.profile = build.profile();
    this.doable = Doable.of(build, catalogue);
    this.sites = Sites.of(loom);
  }

  /** {@return what is to be said of layers, chords and opposites} */
  public static List<Finding> of(
      Build build,
      Catalogue catalogue,
      Loom loom,
      Optional<BoardKind> board,
      Coverage coverage,
      ReportLayout layout) {
    LayerChecks checks = new LayerChecks(build, catalogue, loom);
    if (board.filter(BoardKind::fixedMap).isPresent()) {
      checks.fixed(board.get());
      return checks.findings;
    }
    checks.unfit();
    checks.ways(coverage);
    checks.keysThatMean();
    checks.findings.addAll(ChordChecks.late(checks.profile, checks.sites));
    checks.neverGiven();
    checks.findings.addAll(ChordChecks.amiss(checks.profile, checks.sites));
    checks.sixKeys();
    checks.opposites();
    checks.sizes(layout);
    return checks.findings;
  }

  private void fixed(BoardKind board) {
    if (!profile.layers().isEmpty() || !profile.chords().isEmpty()) {
      findings.add(
          Sites.look(
                  MapCode.LAYERS_IN_VAIN,
                  List.of(Subject.BOARD),
                  "Layers and chords do nothing on this board",
                  board.name() + " fixes what each socket means, and runs no program of yours")
              .mendedBy(
                  Fix.of(
                      "Take layers and chords out",
                      b -> b.withProfile(p -> p.withChords(List.of()).withLayers(List.of())))));
    }
  }

  /** What a contact cannot give on the base it cannot give on a layer either. */
  private void unfit() {
    for (Layer layer : profile.layers()) {
      layer
          .mapping()
          .entries()
          .forEach(
              (contact, entry) -> {
                ContactSite site = sites.by().get(contact);
                String why = site == null ? "" : MapChecks.whyUnfit(site, entry.target());
                if (!why.isEmpty()) {
                  findings.add(
                      Finding.of(
                              MapCode.CANNOT_GIVE,
                              List.of(Subject.of(contact)),
                              site.label()
                                  + " cannot give "
                                  + TargetText.of(entry.target())
                                  + " on layer "
                                  + layer.name(),
                              why)
                          .on("layer " + layer.name())
                          .mendedBy(
                              Fix.of(
                                  "Take it off layer " + layer.name(),
                                  b ->
                                      b.withProfile(
                                          p ->
                                              p.withMapping(
                                                  layer.name(), m -> m.without(contact))))));
                }
              });
    }
  }

  private void ways(Coverage coverage) {
    LayerWays ways = LayerWays.of(profile, sites.by().keySet());
    for (Layer layer : profile.layers()) {
      if (ways.unreached().contains(layer)) {
        List<String> only =
            coverage.rows().stream()
                .filter(row -> !row.by().isEmpty())
                .filter(
                    row ->
                        row.above().stream().anyMatch(g -> g.layer().equals(layer.name()))
                            && row.above().size() == row.by().size())
                .map(row -> row.function().name())
                .toList();
        findings.add(
            Sites.look(
                    MapCode.LAYER_UNREACHED,
                    Sites.about(layer.by()),
                    "Layer " + layer.name() + " cannot be reached",
                    (layer.by().isEmpty()
                            ? "No contact reaches it; choose one"
                            : sites.labels(layer.by())
                                + " mean something else wherever they could reach it")
                        + (only.isEmpty() ? "" : "; nothing else gives " + String.join(", ", only)))
                .on("layer " + layer.name()));
      }
      if (ways.trapped().contains(layer)) {
        Set<ContactId> keys = new TreeSet<>();
        profile.layers().forEach(l -> keys.addAll(l.by()));
        keys.retainAll(layer.mapping().entries().keySet());
        findings.add(
            Finding.of(
                    MapCode.LAYER_NO_WAY_BACK,
                    Sites.about(layer.by()),
                    "Layer " + layer.name() + " has no way back",
                    "On it "
                        + sites.labels(keys)
                        + (keys.size() == 1 ? " means" : " mean")
                        + " something else, and nothing else leads back to the base")
                .on("layer " + layer.name())
                .mendedBy(
                    Fix.of(
                        "Give the keys of layers no meaning on " + layer.name(),
                        b ->
                            b.withProfile(
                                p ->
                                    p.withMapping(
                                        layer.name(),
                                        m -> {
                                          Mapping left = m;
                                          for (ContactId key : keys) {
                                            left = left.without(key);
                                          }
                                          return left;
                                        })))));
      }
    }
  }

  private void keysThatMean() {
    for (Layer layer : profile.layers()) {
      for (ContactId key : layer.by()) {
        profile
            .base()
            .of(key)
            .ifPresent(
                entry ->
                    findings.add(
                        Sites.look(
                                MapCode.LAYER_KEY_MEANS,
                                List.of(Subject.of(key)),
                                sites.label(key)
                                    + " gives "
                                    + TargetText.of(entry.target())
                                    + " on the way to layer "
                                    + layer.name(),
                                "It reaches the layer and means something itself: both happen")
                            .on("layer " + layer.name())
                            .mendedBy(
                                Fix.of(
                                    "Let it only reach the layer",
                                    b -> b.withMapping(b.mapping().without(key))))));
      }
    }
  }

  /** Chords and entries of layers that no hand can give. */
  private void neverGiven() {
    for (Coverage.Giver giver : Coverage.givers(profile)) {
      Optional<String> why = doable.why(giver);
      boolean whole = sites.by().keySet().containsAll(giver.contacts());
      if (why.isEmpty() || !whole || doable.unreached(giver)) {
        continue; // a layer that cannot be reached is told as one, a chord of two boards too
      }
      String means = TargetText.of(giver.entry().target());
      findings.add(
          Sites.look(
                  MapCode.NO_HAND_CAN,
                  Sites.about(giver.contacts()),
                  sites.labels(giver.contacts()) + " can never give " + means,
                  why.get() + ": " + means + " is not counted as covered by it")
              .on("layer " + giver.layer())
              .mendedBy(
                  Fix.of(
                      "Take it out",
                      b ->
                          b.withProfile(
                              p ->
                                  giver.contacts().size() > 1
                                      ? p.withChords(
                                          p.chords().stream()
                                              .filter(c -> !giver.contacts().equals(c.contacts()))
                                              .toList())
                                      : p.withMapping(
                                          giver.layer(),
                                          m -> m.without(giver.contacts().iterator().next()))))));
    }
  }

  private void sixKeys() {
    if (profile.keys() != Profile.Keys.SIX) {
      return;
    }
    int most = 0;
    String where = Layer.BASE;
    for (int l = 0; l <= profile.layers().size(); l++) {
      Mapping mapping = l == 0 ? profile.base() : profile.through(profile.layers().get(l - 1));
      Map<Target, ContactId> keyed = new HashMap<>();
      mapping
          .entries()
          .forEach(
              (contact, entry) -> {
                boolean plain = entry.target() instanceof Target.Key key && key.usage() < MODIFIERS;
                if (sites.by().containsKey(contact) && plain) {
                  keyed.putIfAbsent(entry.target(), contact);
                }
              });
      int keys = doable.most(Set.copyOf(keyed.values()));
      if (keys > most) {
        most = keys;
        where = l == 0 ? Layer.BASE : profile.layers().get(l - 1).name();
      }
    }
    if (most > 6) {
      findings.add(
          Sites.look(
                  MapCode.KEYS_TOO_MANY,
                  List.of(),
                  most + " keys can be held at once, and six are told",
                  "A seventh key of "
                      + (where.equals(Layer.BASE) ? "the base" : "layer " + where)
                      + " makes the host lose all of them until one is let go")
              .mendedBy(
                  Fix.of(
                      "Tell any number of keys",
                      b -> b.withProfile(p -> p.telling(Profile.Keys.ALL)))));
    }
  }

  /** A pair of directions of one of a device's gamepads. */
  private record PairOfPad(int pad, Opposed pair) {}

  /** Opposite directions that different controls give can be asked for at once. */
  private void opposites() {
    // Each gamepad of a device has a hat and axes of its own: who pushes one up is no rival of who
    // pushes another one down.
    Map<PairOfPad, List<Set<ContactId>>> pairs = new java.util.LinkedHashMap<>();
    for (Coverage.Giver giver : Coverage.givers(profile)) {
      Target plain = giver.entry().target().plain();
      boolean high = false;
      Optional<Opposed> pair = Optional.empty();
      if (plain instanceof Target.Hat hat) {
        boolean upright =
            hat.direction() == Target.Direction.N || hat.direction() == Target.Direction.S;
        pair = Optional.of(new Opposed.HatPair(upright));
        high = hat.direction() == Target.Direction.S || hat.direction() == Target.Direction.E;
      } else if (plain instanceof Target.AxisEnd end) {
        pair = Optional.of(new Opposed.AxisPair(end.axis()));
        high = end.high();
      }
      if (pair.isPresent() && giver.contacts().stream().allMatch(sites.by()::containsKey)) {
        pairs
            .computeIfAbsent(
                new PairOfPad(giver.entry().target().pad(), pair.get()),
                p -> List.of(new TreeSet<>(), new TreeSet<>()))
            .get(high ? 1 : 0)
            .addAll(giver.contacts());
      }
    }
    Set<Opposed> told = new java.util.HashSet<>();
    pairs.forEach(
        (ofPad, sides) -> {
          Opposed pair = ofPad.pair();
          boolean both =
              sides.get(0).stream()
                  .anyMatch(
                      low ->
                          sides.get(1).stream()
                              .anyMatch(high -> !high.control().equals(low.control())));
          if (both && !profile.opposites().containsKey(pair) && told.add(pair)) {
            Set<ContactId> all = new TreeSet<>(sides.get(0));
            all.addAll(sides.get(1));
            findings.add(
                Sites.look(
                        MapCode.OPPOSITES,
                        Sites.about(all),
                        pair.text() + ": both can be held at once",
                        "Different controls give them, and no rule is chosen: now both give"
                            + " neither. Some events forbid some rules; choose one")
                    .mendedBy(
                        Fix.of(
                            "Neither passes: " + pair.text(),
                            b ->
                                b.withProfile(
                                    p ->
                                        p.withOpposites(
                                            pair, Optional.of(OppositesRule.NEUTRAL))))));
          }
        });
  }

  private void sizes(ReportLayout layout) {
    for (int id : layout.reportIds()) {
      int bytes = layout.lengthBytes(id);
      if (bytes > MOST_BYTES) {
        findings.add(
            Finding.of(
                    MapCode.REPORT_TOO_LONG,
                    List.of(),
                    "The report of the " + layout.words(id) + " is too long",
                    bytes + " bytes; an endpoint takes " + MOST_BYTES + " at once. Map less to it")
                .showing(
                    new Working(
                        "length of a report",
                        "n <= " + MOST_BYTES,
                        List.of(Working.value("n", bytes, 0, "bytes", "with its id")),
                        bytes + " bytes",
                        Source.memory("USB 2.0, section 5.7.3: full-speed interrupt endpoints"))));
      }
    }
  }
}
