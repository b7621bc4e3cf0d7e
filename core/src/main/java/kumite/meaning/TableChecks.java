package kumite.meaning;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.build.map.Target.Direction;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Settable;
import kumite.loom.Loom;
import kumite.map.Coverage;
import kumite.map.MapCode;
import kumite.map.Proposal;
import kumite.map.TargetText;
import kumite.map.Turned;
import kumite.map.Within;
import kumite.name.ContactId;

/** What of a map the table of a settable encoder cannot say: named, and never shown as done. */
public final class TableChecks {
  private final Build build;
  private final BoardKind board;
  private final Settable table;
  private final Profile profile;
  private final Sites sites;
  private final List<Finding> findings = new ArrayList<>();

  private TableChecks(Build build, BoardKind board, Settable table, Loom loom) {
    this.build = build;
    this.board = board;
    this.table = table;
    this.profile = build.profile();
    this.sites = Sites.of(loom);
  }

  /**
   * {@return what the profile looked at asks of a board's table in vain; nothing of other boards}
   *
   * @param first whether it is its seat's first: the table is made from that one
   */
  public static List<Finding> of(Build build, Optional<BoardKind> board, Loom loom, boolean first) {
    Optional<Settable> table = board.flatMap(BoardKind::settable);
    if (table.isEmpty() || loom.sites().isEmpty()) {
      return List.of();
    }
    TableChecks checks = new TableChecks(build, board.get(), table.get(), loom);
    checks.meanings();
    checks.layers();
    checks.chords();
    checks.rules();
    if (first) {
      checks.profiles();
    }
    return checks.findings;
  }

  private void meanings() {
    List<Coverage.Giver> lost =
        Coverage.givers(profile).stream()
            .filter(giver -> giver.contacts().size() == 1)
            .filter(giver -> !Within.gives(table, giver.entry().target()))
            .filter(giver -> giver.contacts().stream().anyMatch(sites.by()::containsKey))
            .toList();
    if (lost.isEmpty()) {
      return;
    }
    List<ContactId> contacts =
        lost.stream().flatMap(giver -> giver.contacts().stream()).distinct().sorted().toList();
    Map<Target, Target> others = others(lost);
    boolean all =
        lost.stream().map(giver -> giver.entry().target()).allMatch(others::containsKey)
            && contacts.stream().noneMatch(this::measured);
    Finding finding =
        Finding.of(
            MapCode.TABLE_CANNOT_SAY,
            contacts.stream().map(Subject::of).toList(),
            (contacts.size() == 1 ? sites.label(contacts.get(0)) : contacts.size() + " contacts")
                + " cannot give what the map says",
            "The table of \""
                + board.name()
                + "\" sets sockets to "
                + table.words()
                + ", and not to "
                + lost.stream()
                    .map(giver -> TargetText.of(giver.entry().target()))
                    .distinct()
                    .limit(4)
                    .collect(Collectors.joining(", ")));
    findings.add(
        all
            ? finding.mendedBy(
                Fix.of(
                    "Give " + (contacts.size() == 1 ? "it" : "them") + " what it can say",
                    b -> given(b, others)))
            : finding);
  }

  private boolean measured(ContactId contact) {
    return Optional.ofNullable(sites.by().get(contact))
        .filter(site -> site.contact().type().analog())
        .isPresent();
  }

  /** Something free that the table can say for each meaning that it cannot. */
  private Map<Target, Target> others(List<Coverage.Giver> lost) {
    Set<Target> used = new HashSet<>();
    profile.entries().map(Mapping.Entry::target).forEach(used::add);
    Map<Target, Target> others = new LinkedHashMap<>();
    for (Coverage.Giver giver : lost) {
      Target target = giver.entry().target();
      if (!others.containsKey(target)) {
        Optional<Direction> way = Turned.meant(target);
        Stream.of(
                way.<Target>map(Target.Hat::new).stream(),
                way.map(Turned::arrow).stream(),
                IntStream.rangeClosed(1, 128).<Target>mapToObj(Target.Button::new),
                Proposal.keys().stream())
            .flatMap(s -> s)
            .filter(other -> Within.gives(table, other))
            .filter(used::add)
            .findFirst()
            .ifPresent(other -> others.put(target, other));
      }
    }
    return others;
  }

  private static Build given(Build build, Map<Target, Target> others) {
    return build.withProfile(
        p ->
            p.withBase(given(p.base(), others))
                .withLayers(
                    p.layers().stream().map(l -> l.withMapping(m -> given(m, others))).toList()));
  }

  private static Mapping given(Mapping mapping, Map<Target, Target> others) {
    Map<ContactId, Mapping.Entry> next = new TreeMap<>(mapping.entries());
    next.replaceAll(
        (contact, entry) ->
            new Mapping.Entry(
                Objects.requireNonNullElse(others.get(entry.target()), entry.target()),
                entry.function()));
    return new Mapping(next);
  }

  private void layers() {
    Optional<Layer> second = Within.second(profile, table);
    for (Layer layer : profile.layers()) {
      if (second.filter(layer::equals).isEmpty()) {
        inVain(
            MapCode.LAYERS_IN_VAIN,
            layer.by().stream().map(Subject::of).toList(),
            "Layer " + layer.name() + " does nothing on this board",
            whyNot(layer, second),
            "Take layer " + layer.name() + " out",
            p -> p.withoutLayer(layer.name()));
      }
    }
  }

  private String whyNot(Layer layer, Optional<Layer> second) {
    if (table.meanings() < 2) {
      return "Its sockets have one meaning each";
    }
    if (layer.by().size() != 1) {
      return "The shift of its table is one contact, not " + layer.by().size();
    }
    if (!table.shifts().contains(Within.shift(layer))) {
      return "The shift of its table does not work " + layer.reach().words();
    }
    return "Its sockets have two meanings, and the second ones are those of layer "
        + second.map(Layer::name).orElse("");
  }

  private void chords() {
    for (Chord chord : profile.chords()) {
      inVain(
          MapCode.LAYERS_IN_VAIN,
          chord.contacts().stream().map(Subject::of).toList(),
          sites.labels(chord.contacts()) + " together do nothing on this board",
          "Its table says what each socket gives, and knows no contacts together",
          "Take the chord out",
          p -> p.withChords(p.chords().stream().filter(c -> !c.equals(chord)).toList()));
    }
  }

  private void rules() {
    boolean any =
        !profile.opposites().isEmpty()
            || !profile.fourWays().isEmpty()
            || !profile.ramps().isEmpty()
            || build.tuning().repeats().keySet().stream().anyMatch(sites.by()::containsKey);
    if (any) {
      findings.add(
          Sites.look(
                  MapCode.RULE_IN_VAIN,
                  List.of(Subject.BOARD),
                  "Rules of the map do nothing on this board",
                  board.name()
                      + " runs a program of its own: no rule for opposites, four ways, ramps or rapid"
                      + " fire reaches it")
              .mendedBy(
                  Fix.of(
                      "Take the rules out",
                      b -> {
                        Build next =
                            b.withProfile(
                                p ->
                                    Profile.empty(p.name(), p.host())
                                        .withFunctions(p.functions())
                                        .withTogether(p.together())
                                        .withBase(p.base())
                                        .withLayers(p.layers())
                                        .withChords(p.chords())
                                        .chosen(p.choice())
                                        .telling(p.keys()));
                        for (ContactId contact : sites.by().keySet()) {
                          next =
                              next.withTuning(next.tuning().withRepeat(contact, Optional.empty()));
                        }
                        return next;
                      })));
    }
  }

  private void profiles() {
    int more = build.seat().profiles().size() - 1;
    if (more > 0) {
      findings.add(
          Sites.look(
              MapCode.PROFILE_UNCHOSEN,
              List.of(Subject.BOARD),
              "Its table holds one profile",
              build.seat().profiles().get(0).name()
                  + " is loaded; for another one a table has to be loaded anew, whatever is held"
                  + " while plugging in"));
    }
  }

  private void inVain(
      MapCode code,
      List<Subject> about,
      String title,
      String why,
      String fix,
      java.util.function.UnaryOperator<Profile> mended) {
    findings.add(
        Sites.look(code, about, title, why).mendedBy(Fix.of(fix, b -> b.withProfile(mended))));
  }
}
