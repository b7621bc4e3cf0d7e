package kumite.map;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.ConsoleChart;
import kumite.build.port.Port;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Settable;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.parts.Catalogue;

/**
 * Meanings for the contacts that have none yet.
 *
 * <p>The first lever takes the hat, a second one the ends of X and Y; other switches take the next
 * free button, wipers and ladders the next free axis. On a board that fixes its meanings only those
 * are handed out. A host function whose name holds the control's label is named along.
 */
public final class Proposal {
  /** Sliders and knobs are best told apart as Z and Rz, which hosts list first after a stick. */
  private static final List<AxisName> AXIS_ORDER =
      List.of(
          AxisName.Z,
          AxisName.RZ,
          AxisName.SLIDER,
          AxisName.DIAL,
          AxisName.RX,
          AxisName.RY,
          AxisName.X,
          AxisName.Y);

  /** Keyboard page of the HID Usage Tables: A to Z, 1 to 0, Enter, and on to keypad 0. */
  private static final int FIRST_KEY = 0x04;

  private static final int LAST_KEY = 0x62;

  private final Build build;
  private final Set<Target> used = new HashSet<>();
  private final Set<String> served = new HashSet<>();
  private final Optional<Set<Target>> allowed;
  private final boolean keysOnly;
  private final Optional<Settable> table;
  private final List<ConsoleChart> charts = new ArrayList<>();

  private Proposal(Build build, Catalogue catalogue) {
    this.build = build;
    for (Port port : build.ports().ports()) {
      if (!port.reads() && build.seatOf(port.control()).equals(build.seat().id())) {
        catalogue
            .port(port.kind())
            .ifPresent(kind -> charts.add(new ConsoleChart(kind, charts.size() + 1)));
      }
    }
    build
        .profile()
        .entries()
        .forEach(
            entry -> {
              used.add(entry.target());
              served.add(entry.function());
            });
    this.keysOnly = catalogue.boardOf(build).filter(Proposal::keysOnly).isPresent();
    this.table = catalogue.boardOf(build).flatMap(BoardKind::settable);
    this.allowed =
        catalogue
            .boardOf(build)
            .filter(BoardKind::fixedMap)
            .map(
                board -> {
                  Set<Target> targets = new LinkedHashSet<>();
                  board.terminals(Terminal.Role.INPUT).stream()
                      .flatMap(t -> t.fixed().stream())
                      .forEach(text -> targets.add(TargetText.parse(text)));
                  return targets;
                });
  }

  /** {@return whether a board gives nothing but keys, and leaves it open which} */
  private static boolean keysOnly(BoardKind board) {
    return board.brain().keysOnly() && !board.fixedMap();
  }

  /** {@return keys in the order in which they are handed out: letters, digits, then all others} */
  public static List<Target> keys() {
    List<Target> keys = new ArrayList<>();
    for (int usage = FIRST_KEY; usage <= LAST_KEY; usage++) {
      keys.add(new Target.Key(usage));
    }
    return keys;
  }

  /** {@return a layer's mapping with every contact mapped that can be, none as another layer is} */
  public static Mapping on(Build build, Catalogue catalogue, String layer) {
    if (layer.equals(Layer.BASE)) {
      return rest(build, catalogue);
    }
    Proposal proposal = new Proposal(build, catalogue);
    Mapping there = build.profile().mapping(layer).orElse(Mapping.EMPTY);
    return proposal.filled(there, catalogue);
  }

  /** {@return the build's mapping with every contact mapped that can be} */
  public static Mapping rest(Build build, Catalogue catalogue) {
    return new Proposal(build, catalogue).filled(build.mapping(), catalogue);
  }

  private Mapping filled(Mapping before, Catalogue catalogue) {
    Proposal proposal = this;
    Mapping mapping = before;
    for (Control control : build.seated()) {
      ControlKind kind = catalogue.kindOf(control);
      for (ContactKind contact : kind.contacts()) {
        ContactId id = new ContactId(control.id(), contact.name());
        boolean reaches = build.profile().layers().stream().anyMatch(l -> l.by().contains(id));
        if (mapping.of(id).isEmpty() && !reaches) {
          Optional<Target> target =
              proposal.asked(control, contact).or(() -> proposal.next(control, kind, contact));
          if (target.isPresent()) {
            String function =
                proposal
                    .named(target.get())
                    .orElseGet(() -> proposal.functionFor(control, contact));
            proposal.used.add(target.get());
            proposal.served.add(function);
            mapping = mapping.with(id, new Mapping.Entry(target.get(), function));
          }
        }
      }
    }
    return mapping;
  }

  /** {@return the meaning that a console gives a button of that name, if nothing has it yet} */
  private Optional<Target> asked(Control control, ContactKind contact) {
    return charts.stream()
        .flatMap(
            chart ->
                chart.kind().buttons().stream()
                    .filter(
                        name ->
                            name.equalsIgnoreCase(control.label())
                                || name.equalsIgnoreCase(contact.name()))
                    .map(chart::target))
        .filter(target -> !contact.type().analog() && !used.contains(target))
        .filter(target -> allowed.map(set -> set.contains(target)).orElse(true))
        .findFirst();
  }

  /** {@return the function of the host that is a console's button, if it asks for it} */
  private Optional<String> named(Target target) {
    return charts.stream()
        .flatMap(chart -> chart.button(target).stream())
        .filter(name -> build.profile().functions().stream().anyMatch(f -> f.name().equals(name)))
        .filter(name -> !served.contains(name))
        .findFirst();
  }

  /** {@return a meaning for one contact, if any is left for it} */
  private Optional<Target> next(Control control, ControlKind kind, ContactKind contact) {
    List<Target> candidates = new ArrayList<>();
    if (keysOnly) {
      if (!contact.type().analog()) {
        if (kind.pushesDirections()) {
          Turned.pushed(control, contact).map(Turned::arrow).ifPresent(candidates::add);
        }
        candidates.addAll(keys());
      }
    } else if (contact.type().analog()) {
      AXIS_ORDER.forEach(axis -> candidates.add(new Target.Axis(axis)));
    } else {
      if (kind.pushesDirections()) {
        Turned.pushed(control, contact).map(Turned::proposals).ifPresent(candidates::addAll);
      }
      for (int n = 1; n <= 128; n++) {
        candidates.add(new Target.Button(n));
      }
      if (table.isPresent()) {
        candidates.addAll(keys());
      }
    }
    return candidates.stream()
        .filter(target -> !used.contains(target))
        .filter(target -> table.map(t -> Within.gives(t, target)).orElse(true))
        .filter(target -> allowed.map(set -> set.contains(target)).orElse(true))
        .findFirst();
  }

  private String functionFor(Control control, ContactKind contact) {
    String wanted = (control.label() + " " + contact.name()).strip().toLowerCase(Locale.ROOT);
    String[] words = wanted.split("[^a-z0-9]+");
    return build.profile().functions().stream()
        .map(kumite.build.brief.HostFunction::name)
        .filter(name -> !served.contains(name))
        .filter(
            name -> {
              String lower = " " + name.toLowerCase(Locale.ROOT) + " ";
              for (String word : words) {
                if (!lower.contains(" " + word + " ")) {
                  return false;
                }
              }
              return true;
            })
        .findFirst()
        .orElse("");
  }
}
