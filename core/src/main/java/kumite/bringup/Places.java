package kumite.bringup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kumite.build.Build;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Shown;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import org.jspecify.annotations.Nullable;

/**
 * All places of a build that a probe can touch, over all its seats, and what a meter shows between
 * any two. The names are those of {@code nets}: at the first seat {@code board:D8}, at another one
 * {@code BOARD-RIGHT:D8}. Not thread-safe.
 */
public final class Places {
  /** Before anything was read, nothing is wrong this often: our choice. */
  private static final double SOUND = 0.3;

  private static final int MOST_PAIRS = 4000;

  private final List<View> views = new ArrayList<>();
  private final Set<ContactId> contacts = new TreeSet<>();
  private boolean unproven;
  private final Set<ContactId> travelling = new HashSet<>();
  private final Map<String, String> boards = new HashMap<>(); // as a part, by the id of the seat
  private final Catalogue catalogue;
  private List<Question> questions = List.of();
  private List<Case> near = List.of();
  private List<Case> far = List.of();
  private @Nullable List<String> unseen;
  private final Map<String, Case> pairs =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Case> eldest) {
          return size() > MOST_PAIRS;
        }
      };
  private final Set<Ask.Probe> ohmic = new HashSet<>();
  private Case sound = Case.sound(this, 1);

  private Places(Build build, Catalogue catalogue, List<SeatWires> seats) {
    this.catalogue = catalogue;
    Set<String> controls =
        build.labelled().stream().map(c -> c.id().text()).collect(Collectors.toSet());
    Set<Joint> known = new HashSet<>();
    for (SeatWires seat : seats) {
      Map<Joint, Joint> local = new LinkedHashMap<>();
      boolean first = views.isEmpty();
      boards.put(seat.seat().text(), first ? Joint.BOARD : Joint.boardOf(seat.seat()));
      for (Joint place : seat.inputs().wiring().nets().places().keySet()) {
        Joint name = first ? place : name(place, seat.seat(), seats.get(0).seat(), build, controls);
        local.put(name, place);
      }
      known.addAll(local.keySet());
      View view = new View(seat, local);
      unproven |= !Commons.sides(view).isEmpty();
      views.add(view);
      seat.inputs()
          .looks()
          .byContact()
          .forEach(
              (contact, look) -> {
                contacts.add(contact);
                if (look.travels()) {
                  travelling.add(contact);
                }
              });
      seat.inputs().wiring().parts().forEach(part -> part.moved().ifPresent(contacts::add));
    }
  }

  private static Joint name(
      Joint place, SeatId here, SeatId home, Build build, Set<String> controls) {
    if (controls.contains(place.part()) || place.part().startsWith("LEAD-")) {
      return place;
    }
    if (place.part().equals(Joint.boardOf(home))) {
      return Joint.board(place.tab());
    }
    String part = place.part();
    String ofHome = "-" + home.text().toUpperCase(Locale.ROOT);
    if (Character.isUpperCase(part.charAt(0))) {
      for (var seat : build.seats()) {
        String end = "-" + seat.id().text().toUpperCase(Locale.ROOT);
        if (!seat.id().equals(here) && part.endsWith(end)) {
          // What is at the first seat has its own name there.
          String own = part.substring(0, part.length() - ofHome.length());
          return end.equals(ofHome)
              ? new Joint(own.startsWith("STRIP") ? own : own.toLowerCase(Locale.ROOT), place.tab())
              : place;
        }
      }
    }
    return place.at(here);
  }

  /**
   * {@return the places of a build}
   *
   * @param seats those with a board; places are called as the first of them calls them
   */
  public static Places of(Build build, Catalogue catalogue, List<SeatWires> seats) {
    return new Places(build, catalogue, seats);
  }

  /** {@return the questions of all rounds but the trial, worked out once} */
  public List<Question> questions() {
    if (questions.isEmpty() && !views.isEmpty()) {
      questions =
          Rounds.of(
              this,
              List.of(
                  Question.Kind.CONTINUITY,
                  Question.Kind.VOLTS,
                  Question.Kind.HOST,
                  Question.Kind.PLAY));
    }
    return questions;
  }

  /** {@return whether ohms are expected where a meter is silent} */
  boolean ohmic(Ask.Probe ask) {
    return ohmic.contains(ask);
  }

  /** {@return whether a question is about what is inside of a board, which nobody knows} */
  boolean unproven(Ask.Probe ask) {
    return unproven
        && view(ask.red(), ask.black()).filter(view -> Commons.open(view, ask)).isPresent();
  }

  /** Notes that ohms are expected. */
  void expectOhms(Ask.Probe ask) {
    ohmic.add(ask);
  }

  /** {@return the build as it is meant, weighed against all that is likely to be wrong} */
  Case sound() {
    near();
    return sound;
  }

  /** {@return what is likely to be wrong, each worked out so far as it was asked about} */
  List<Case> near() {
    if (near.isEmpty()) {
      List<Fault> faults = Faults.near(views);
      double weight = faults.stream().mapToDouble(Fault::weight).sum();
      sound = Case.sound(this, Math.max(1, weight) * SOUND / (1 - SOUND));
      near = new ArrayList<>(List.of(sound));
      faults.forEach(fault -> near.add(sound.with(fault)));
    }
    return near;
  }

  /** {@return the ids of faults that no question of any round shows at all, worked out once} */
  List<String> unseen() {
    List<String> known = unseen;
    if (known == null) {
      List<Ask> asks =
          questions().stream()
              .map(Question::ask)
              .filter(ask -> !(ask instanceof Ask.Try))
              // What is quick to say first: most faults show there.
              .sorted(Comparator.comparing(ask -> ask instanceof Ask.Probe p && p.power().live()))
              .toList();
      known =
          near().stream()
              .filter(c -> c != sound)
              .filter(
                  c ->
                      asks.stream()
                          .filter(ask -> !c.same(ask))
                          .allMatch(ask -> alike(c.outcome(ask), sound.outcome(ask))))
              .map(c -> c.fault().id())
              .toList();
      unseen = known;
    }
    return known;
  }

  /** Of what a question cannot say nobody can tell that it is otherwise. */
  private static boolean alike(String one, String other) {
    return one.equals(other) || one.equals(Case.UNKNOWN);
  }

  /** {@return two faults at once, worked out so far as they were asked about} */
  Case paired(Fault both) {
    return pairs.computeIfAbsent(both.id(), id -> sound().with(both));
  }

  /** {@return what is less likely} */
  List<Case> far() {
    if (far.isEmpty()) {
      far = Faults.far(views).stream().map(fault -> sound().with(fault)).toList();
    }
    return far;
  }

  Catalogue catalogue() {
    return catalogue;
  }

  /** {@return what travels at one of two places, moved all the way */
  Held moved(Joint one, Joint other) {
    List<ContactId> some = new ArrayList<>();
    for (ContactId contact : travelling) {
      String control = contact.control().text();
      if (control.equals(one.part()) || control.equals(other.part())) {
        some.add(contact);
      }
    }
    return Held.of(some);
  }

  /** {@return whether a contact is a way of travel, and not pressed or let go} */
  boolean travels(ContactId contact) {
    return travelling.contains(contact);
  }

  List<View> views() {
    return views;
  }

  /** {@return whether there is anything to probe} */
  public boolean empty() {
    return views.isEmpty();
  }

  /** {@return whether there is such a place} */
  public boolean has(Joint place) {
    return views.stream().anyMatch(view -> view.has(place));
  }

  /** {@return whether there is such a contact} */
  public boolean has(ContactId contact) {
    return contacts.contains(contact);
  }

  /**
   * {@return a place as it is called here: links of a build name a terminal by its seat, such as
   * {@code right:GND}, and so may whoever asks}
   */
  public Joint named(Joint place) {
    return has(place)
        ? place
        : Optional.ofNullable(boards.get(place.part()))
            .map(board -> new Joint(board, place.tab()))
            .filter(this::has)
            .orElse(place);
  }

  /** {@return all places} */
  public Set<Joint> all() {
    Set<Joint> all = new TreeSet<>();
    views.forEach(view -> all.addAll(view.names()));
    return all;
  }

  /** {@return the first seat whose wiring has both places, if one has} */
  Optional<View> view(Joint one, Joint other) {
    return views.stream().filter(view -> view.has(one) && view.has(other)).findFirst();
  }

  /** {@return the seat whose board looks at a contact, if one does} */
  Optional<View> view(ContactId contact) {
    return views.stream().filter(view -> view.has(contact)).findFirst();
  }

  /**
   * {@return what a meter shows}
   *
   * @throws IllegalArgumentException if a place or a contact is not there; the message says which
   */
  public Shown shows(Joint oneProbe, Joint otherProbe, Power power, Held held) {
    Joint red = named(oneProbe);
    Joint black = named(otherProbe);
    requireKnown(red, black, held);
    Optional<View> view = view(red, black);
    if (view.isEmpty()) {
      return Apart.shown(power, red, black);
    }
    return view.get().meter().shows(view.get().local(red), view.get().local(black), power, held);
  }

  /**
   * Refuses what is not there.
   *
   * @throws IllegalArgumentException naming the place or contact, and what there is like it
   */
  public void requireKnown(Joint red, Joint black, Held held) {
    for (Joint place : List.of(red, black)) {
      if (!has(place)) {
        throw new IllegalArgumentException(unknown(place));
      }
    }
    requireKnown(held);
  }

  /**
   * Refuses contacts that are not there.
   *
   * @throws IllegalArgumentException naming the first
   */
  public void requireKnown(Held held) {
    for (ContactId contact : held.contacts()) {
      if (!has(contact)) {
        throw new IllegalArgumentException(
            "there is no contact "
                + contact
                + "; there are "
                + contacts.stream().map(ContactId::toString).collect(Collectors.joining(", ")));
      }
    }
  }

  private String unknown(Joint place) {
    Set<String> tabs = new LinkedHashSet<>();
    Set<String> parts = new LinkedHashSet<>();
    for (Joint other : all()) {
      parts.add(other.part());
      if (other.part().equals(place.part())) {
        tabs.add(other.tab());
      }
    }
    return "there is no place "
        + place
        + (tabs.isEmpty()
            ? "; parts are " + String.join(", ", parts)
            : "; " + place.part() + " has " + String.join(", ", tabs));
  }
}
