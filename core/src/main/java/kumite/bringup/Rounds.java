package kumite.bringup;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.bringup.Answer;
import kumite.build.bringup.Ask;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.build.map.Chord;
import kumite.circuit.Arrivals;
import kumite.circuit.Shown;
import kumite.component.Component;
import kumite.kind.Terminal;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.loom.Pad;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.working.Working;

/**
 * The questions that bring a build up, made from its wires as they are: nothing powered, powered,
 * before its host, in play. Each round is ordered so that the black probe stays put as long as it
 * can.
 *
 * <pre>{@code
 * List<Question> all = Rounds.of(places, List.of(Question.Kind.values()));
 * }</pre>
 */
public final class Rounds {
  private static final String SHORT =
      "What is shorted here burns or goes down: find it before anything is plugged in";
  private static final String HANDS = "Keep fingers and loose wire off what is powered";

  private final Places places;
  private final Case sound;
  private final Map<String, Question> made = new LinkedHashMap<>();
  private final Set<Ask> asked = new LinkedHashSet<>();

  private Rounds(Places places) {
    this.places = places;
    this.sound = places.sound();
  }

  /** {@return the questions of some rounds, in the order in which they are asked} */
  public static List<Question> of(Places places, Collection<Question.Kind> kinds) {
    Rounds rounds = new Rounds(places);
    for (Question.Kind kind : Question.Kind.values()) {
      if (kinds.contains(kind)) {
        rounds.asked.clear();
        places.views().forEach(view -> rounds.make(kind, view));
        if (kind == Question.Kind.PLAY) {
          rounds.together();
        }
      }
    }
    return List.copyOf(rounds.made.values());
  }

  private void make(Question.Kind kind, View view) {
    switch (kind) {
      case TRIAL -> trial(view);
      case CONTINUITY -> continuity(view);
      case VOLTS -> volts(view, view.all(), kind);
      case HOST -> host(view);
      case PLAY -> play(view);
    }
  }

  private void add(
      Question.Kind kind,
      Ask ask,
      String what,
      String expected,
      Optional<Answer> answer,
      String why,
      Optional<String> caution) {
    if (asked.add(ask)) {
      String id = kind.word() + "-" + (made.size() + 1);
      made.put(id, new Question(id, kind, ask, what, expected, answer, why, caution));
    }
  }

  // ---- continuity

  private void continuity(View view) {
    Optional<Joint> ground = anchor(view, true);
    supplies(view, ground);
    ground.ifPresent(g -> through(view, g, "Each shared side has to come through to its rail"));
    for (Joint rail : rails(view)) {
      through(view, rail, "Each shared side has to come through to its rail");
    }
    Set<Integer> done = new LinkedHashSet<>();
    ground.ifPresent(g -> done.add(view.wiring().nets().of(g).orElseThrow().number()));
    rails(view).forEach(rail -> done.add(view.wiring().nets().of(rail).orElseThrow().number()));
    for (Terminal terminal : view.wires().board().terminals()) {
      Joint pin = Joint.board(terminal.name());
      if (wired(view, pin) && done.add(view.wiring().nets().of(pin).orElseThrow().number())) {
        through(view, pin, "A wire that is not landed shows here first");
      }
    }
    for (Ask.Probe ask : Commons.asks(view)) {
      add(
          Question.Kind.CONTINUITY,
          ask,
          ask.red() + " to " + ask.black() + ": do they share a side?",
          "not known: a beep means one shared side, silence two",
          Optional.empty(),
          "Until it is proven each contact gets two wires",
          Optional.empty());
    }
    view.looks().keySet().forEach(contact -> contact(view, contact));
    neighbours(view);
  }

  /** {@return the first ground terminal that has a wire, else the first there is} */
  private static Optional<Joint> anchor(View view, boolean ground) {
    List<Joint> there =
        view.wiring().nets().places().values().stream()
            .filter(p -> p.own() && (ground ? p.zero() : p.gives()))
            .map(Place::joint)
            .toList();
    return there.stream()
        .filter(j -> wired(view, j))
        .findFirst()
        .or(() -> there.stream().findFirst());
  }

  private static boolean wired(View view, Joint place) {
    return view.wiring().wires().keySet().stream()
        .anyMatch(wire -> wire.a().equals(place) || wire.b().equals(place));
  }

  /** {@return one terminal for each supply of the board} */
  private static List<Joint> rails(View view) {
    Map<Integer, Joint> byNet = new LinkedHashMap<>();
    for (Place place : view.wiring().nets().places().values()) {
      if (place.own() && place.gives()) {
        int net = view.wiring().nets().of(place.joint()).orElseThrow().number();
        Joint known = byNet.get(net);
        if (known == null || !wired(view, known) && wired(view, place.joint())) {
          byNet.put(net, place.joint());
        }
      }
    }
    return List.copyOf(byNet.values());
  }

  private void supplies(View view, Optional<Joint> ground) {
    for (Joint supply : rails(view)) {
      ground.ifPresent(
          g ->
              beep(
                  view,
                  supply,
                  g,
                  Held.NONE,
                  "Supply " + view.global(supply) + " to ground " + view.global(g),
                  SHORT));
    }
    List<Joint> rails = rails(view);
    for (int i = 1; i < rails.size(); i++) {
      beep(
          view,
          rails.get(i),
          rails.get(i - 1),
          Held.NONE,
          "Supply " + view.global(rails.get(i)) + " to supply " + view.global(rails.get(i - 1)),
          SHORT);
    }
  }

  private void through(View view, Joint anchor, String why) {
    Net net = view.wiring().nets().of(anchor).orElseThrow();
    for (Place place : net.places()) {
      boolean landed = wired(view, place.joint());
      if (!place.joint().equals(anchor) && landed) {
        beep(
            view,
            place.joint(),
            anchor,
            Held.NONE,
            view.global(place.joint()) + " through to " + view.global(anchor),
            why);
      }
    }
  }

  /** One contact at rest and held, from its terminal to its shared side. */
  private void contact(View view, ContactId contact) {
    for (Component part : view.wiring().parts()) {
      if (part.moved().filter(contact::equals).isEmpty()) {
        continue;
      }
      if (part instanceof Component.Pole pole) {
        Joint signal = landing(view, wired(view, pole.open()) ? pole.open() : pole.closed());
        Joint common = landing(view, pole.common());
        if (!signal.equals(common) && reachable(view, contact, signal)) {
          moved(view, contact, signal, common, List.of(Held.NONE, Held.of(contact)));
        }
      } else if (part instanceof Component.Pot pot) {
        Joint wiper = landing(view, pot.wiper());
        for (Joint end : List.of(pot.low(), pot.high())) {
          if (wired(view, end) && reachable(view, contact, wiper)) {
            moved(view, contact, wiper, landing(view, end), ends(contact));
          }
        }
      } else if (part instanceof Component.Selector selector) {
        Joint wiper = landing(view, selector.wiper());
        int last = selector.taps().size() - 1;
        for (int i = 0; i <= last; i++) {
          Held held = new Held(Map.of(contact, i / (double) last));
          moved(view, contact, wiper, landing(view, selector.taps().get(i)), List.of(held));
        }
      }
    }
  }

  /** No probe gets to what is inside of a pad; its plug is where its wires are. */
  private static boolean reachable(View view, ContactId contact, Joint signal) {
    return signal.part().equals(Joint.BOARD)
        || view.wires().loom().site(contact).flatMap(ContactSite::pad).isEmpty();
  }

  private static List<Held> ends(ContactId contact) {
    return List.of(new Held(Map.of(contact, 0.0)), new Held(Map.of(contact, 1.0)));
  }

  /** {@return the ends of a travel, or each step of one that goes by steps} */
  private static List<Held> stops(View view, ContactId contact) {
    return view.wiring().parts().stream()
        .filter(Component.Selector.class::isInstance)
        .map(Component.Selector.class::cast)
        .filter(selector -> selector.contact().equals(contact))
        .findFirst()
        .map(
            selector -> {
              List<Held> all = new ArrayList<>();
              int last = selector.taps().size() - 1;
              for (int i = 0; i <= last; i++) {
                all.add(new Held(Map.of(contact, i / (double) last)));
              }
              return all;
            })
        .orElseGet(() -> ends(contact));
  }

  /** {@return how far something is moved, in words} */
  private static String far(ContactId contact, Held held) {
    double share = held.at(contact, 0);
    return share == 0
        ? "to where its travel begins"
        : share == 1 ? "all the way" : "to " + Math.round(share * 100) + " % of its travel";
  }

  /** {@return the terminal of the board that a place is joined to; itself where there is none} */
  private static Joint landing(View view, Joint place) {
    Net net = view.wiring().nets().of(place).orElseThrow();
    return net.places().stream()
        .filter(Place::own)
        .map(Place::joint)
        .min(Comparator.comparing((Joint j) -> !wired(view, j)))
        .orElse(place);
  }

  private void moved(View view, ContactId contact, Joint red, Joint black, List<Held> hands) {
    for (Held held : hands) {
      beep(
          view,
          red,
          black,
          held,
          view.global(red)
              + " to "
              + view.global(black)
              + (held.none() ? ", nothing held" : ", " + held + " held"),
          held.none()
              ? "Closed at rest means the wrong tab, or a bridge"
              : "The contact has to close when it is held");
    }
  }

  private void neighbours(View view) {
    for (Terminal.Side side : Terminal.Side.values()) {
      List<Terminal> row =
          view.wires().board().terminals().stream()
              .filter(t -> t.side() == side)
              .sorted(Comparator.comparingDouble(t -> t.at().yMm()))
              .toList();
      for (int i = 1; i < row.size(); i++) {
        Joint one = Joint.board(row.get(i - 1).name());
        Joint other = Joint.board(row.get(i).name());
        if (wired(view, one) && wired(view, other)) {
          beep(
              view,
              other,
              one,
              Held.NONE,
              view.global(other) + " against its neighbour " + view.global(one),
              "Solder and loose strands bridge neighbours");
        }
      }
    }
  }

  /** A question that a meter answers by beeping, or by ohms where parts lie between. */
  private void beep(View view, Joint red, Joint black, Held held, String what, String why) {
    if (red.equals(black)) {
      return;
    }
    Joint one = view.global(red);
    Joint other = view.global(black);
    Ask.Probe ask = new Ask.Probe(one, other, Power.UNPOWERED, held);
    boolean beeps = sound.outcome(ask).equals("beep");
    Optional<Answer> answer = Optional.of(new Answer.Beep(beeps));
    String expected = beeps ? "beep" : "silent";
    if (!beeps) {
      Shown shown = sound.shown(ask);
      if (shown.ohm().isPresent() && shown.ohm().getAsDouble() < 1e6) {
        places.expectOhms(ask);
        answer = Optional.of(new Answer.Ohms(shown.ohm().getAsDouble()));
        expected = "silent; on ohms " + shown.span();
      } else if (shown.drop().isPresent()) {
        expected =
            "silent; on the diode range "
                + Working.number(shown.drop().getAsDouble(), 2)
                + " V with the red probe on "
                + one;
      }
    }
    add(Question.Kind.CONTINUITY, ask, what, expected, answer, why, Optional.empty());
  }

  // ---- volts

  private void volts(View view, List<Look> looks, Question.Kind kind) {
    // A board that shows no ground is measured against its shared side.
    Optional<Joint> ground = anchor(view, true).or(() -> anchor(view, false));
    if (ground.isEmpty()) {
      return;
    }
    Joint black = view.global(ground.get());
    for (Joint supply : rails(view)) {
      volt(
          kind,
          view.global(supply),
          black,
          Held.NONE,
          "Supply " + view.global(supply),
          "Without its volts nothing else can be right");
    }
    for (Look look : looks) {
      boolean plain =
          look.how() instanceof Look.Level
              || look.how() instanceof Look.Volts
              || look.how() instanceof Look.Step;
      Joint red = view.global(Joint.board(look.read().name()));
      if (plain && look.contact().isPresent()) {
        ContactId contact = look.contact().get();
        String limits =
            "Below "
                + Working.number(view.wires().board().lowVolts(), 1)
                + " V the board reads low, above "
                + Working.number(view.wires().board().highVolts(), 1)
                + " V high";
        String why = look.measured() ? "The board measures these volts" : limits;
        if (look.travels()) {
          for (Held end : stops(view, contact)) {
            volt(kind, red, black, end, red + ", " + contact + " moved " + far(contact, end), why);
          }
        } else {
          volt(kind, red, black, Held.NONE, red + ", nothing held", why);
          volt(kind, red, black, Held.of(contact), red + " while " + contact + " is held", why);
        }
      }
    }
  }

  private void volt(
      Question.Kind kind, Joint red, Joint black, Held held, String what, String why) {
    if (red.equals(black)) {
      return;
    }
    Ask.Probe ask = new Ask.Probe(red, black, Power.POWERED, held);
    Shown shown = sound.shown(ask);
    add(
        kind,
        ask,
        what,
        shown.trouble().isPresent() ? shown.words() : shown.words() + " (" + shown.span() + ")",
        shown.volts().isPresent()
            ? Optional.of(new Answer.Volts(shown.volts().getAsDouble()))
            : Optional.empty(),
        why,
        Optional.of(
            shown.trouble().isPresent() ? "Do not power it: " + shown.trouble().get() : HANDS));
  }

  // ---- the host

  private void host(View view) {
    add(
        Question.Kind.HOST,
        new Ask.Devices(),
        "How many devices of this build does the host show?",
        new Answer.Count(sound.devices()).toString(),
        Optional.of(new Answer.Count(sound.devices())),
        "A device that is not there has no cable, no volts or another program",
        Optional.empty());
    press(
        Question.Kind.HOST,
        Held.NONE,
        "Hands off: what does the host show?",
        "Whatever shows now is stuck");
    for (ContactSite site : view.wires().loom().sites()) {
      String does = view.wires().shown().get(site.id());
      Look look = view.looks().get(site.id());
      if (does == null || look == null) {
        continue;
      }
      if (site.kind().givesPulses()) {
        add(
            Question.Kind.HOST,
            new Ask.Try(
                "Turn "
                    + site.label()
                    + " both ways: "
                    + does
                    + " goes both ways, one step a notch",
                Held.NONE),
            "Turn " + site.label() + " both ways",
            does + " goes both ways, one step a notch",
            Optional.of(new Answer.Works(true)),
            "Two wires changed over turn it round",
            Optional.empty());
      } else if (look.travels()) {
        for (Held end : stops(view, site.id())) {
          press(
              Question.Kind.HOST,
              end,
              "Move " + site.label() + " " + far(site.id(), end) + " (" + does + ")",
              "An axis has to reach both its ends, and in the right sense");
        }
      } else {
        press(
            Question.Kind.HOST,
            Held.of(site.id()),
            "Hold " + site.label() + " (" + does + ")",
            "Each function once, and nothing else moves");
      }
    }
    for (Pad pad : Pad.all(view.wires().build(), places.catalogue())) {
      String at = pad.port().id().text();
      add(
          Question.Kind.HOST,
          new Ask.Try("Pull the pad of " + at + ", then plug it in again", Held.NONE),
          "Pull the pad of " + at + ", then plug it in again",
          "nothing sticks while it is out, all its buttons work again",
          Optional.of(new Answer.Works(true)),
          "An empty socket must read as nothing pressed",
          Optional.of("Not while an old console is on: its plugs are not made for that"));
    }
  }

  private void press(Question.Kind kind, Held held, String what, String why) {
    Map<ContactId, Double> shown = new LinkedHashMap<>();
    boolean unsure = false;
    Map<ContactId, Arrivals.Seen> rest = sound.arrivals(Held.NONE);
    for (Map.Entry<ContactId, Arrivals.Seen> entry : sound.arrivals(held).entrySet()) {
      Arrivals.Seen seen = entry.getValue();
      boolean travels = places.travels(entry.getKey());
      unsure |= seen.state() == Arrivals.State.UNSURE;
      boolean moved =
          !travels
              || held.contacts().contains(entry.getKey())
              || Math.abs(seen.share() - rest.get(entry.getKey()).share()) > 0.05;
      if (seen.state() == Arrivals.State.PRESSED && moved) {
        shown.put(entry.getKey(), travels ? Math.min(1, seen.share()) : 1.0);
      }
    }
    Answer answer = new Answer.Shows(new Held(shown));
    add(
        kind,
        new Ask.Press(held),
        what,
        unsure ? "unclear: a level is undefined" : answer.toString(),
        unsure ? Optional.empty() : Optional.of(answer),
        why,
        Optional.empty());
  }

  // ---- play

  private static final List<List<String>> DIAGONALS =
      List.of(
          List.of("up", "right"),
          List.of("right", "down"),
          List.of("down", "left"),
          List.of("left", "up"));

  private void play(View view) {
    Set<ContactId> there = view.wires().shown().keySet();
    Set<kumite.name.ControlId> levers = new LinkedHashSet<>();
    there.stream().filter(c -> c.contact().equals("up")).forEach(c -> levers.add(c.control()));
    for (kumite.name.ControlId lever : levers) {
      for (List<String> pair : DIAGONALS) {
        List<ContactId> two = pair.stream().map(name -> new ContactId(lever, name)).toList();
        if (there.containsAll(two)) {
          press(
              Question.Kind.PLAY,
              Held.of(two),
              "Push " + lever + " to " + String.join(" and ", pair) + " at once",
              "A gate that is turned keeps two neighbours from closing together");
        }
      }
      for (List<String> pair : List.of(List.of("left", "right"), List.of("up", "down"))) {
        String what =
            "Push " + lever + " from " + pair.get(0) + " to " + pair.get(1) + " and back, fast";
        add(
            Question.Kind.PLAY,
            new Ask.Try(what, Held.NONE),
            what,
            "no direction sticks",
            Optional.of(new Answer.Works(true)),
            "Opposites that meet for a moment must not stick",
            Optional.empty());
      }
    }
    for (Chord chord : view.wires().build().profile().chords()) {
      String what =
          "Hold "
              + chord.contacts().stream()
                  .map(ContactId::toString)
                  .collect(java.util.stream.Collectors.joining(" and "))
              + " together";
      add(
          Question.Kind.PLAY,
          new Ask.Try(what, Held.NONE),
          what,
          kumite.map.TargetText.of(chord.entry().target()),
          Optional.of(new Answer.Works(true)),
          "Chords want all their members within their window",
          Optional.empty());
    }
  }

  /** What several seats do at once, and what only time shows. */
  private void together() {
    List<ContactId> firsts = new ArrayList<>();
    for (View view : places.views()) {
      view.wires().shown().keySet().stream()
          .filter(c -> view.has(c) && !places.travels(c))
          .findFirst()
          .ifPresent(firsts::add);
    }
    if (firsts.size() > 1) {
      press(
          Question.Kind.PLAY,
          Held.of(firsts),
          "Hold "
              + firsts.stream()
                  .map(ContactId::toString)
                  .collect(java.util.stream.Collectors.joining(" and "))
              + " at once",
          "Seats must not take each other's presses away");
    }
    if (!places.empty()) {
      String what = "Play for ten minutes, with every hand that it is built for";
      add(
          Question.Kind.PLAY,
          new Ask.Try(what, Held.NONE),
          what,
          "nothing sticks, flickers or stops",
          Optional.of(new Answer.Works(true)),
          "Cold joints show when they are shaken and warm",
          Optional.empty());
    }
  }

  // ---- before anything is soldered

  private void trial(View view) {
    Map<String, Look> kinds = new LinkedHashMap<>();
    for (ContactSite site : view.wires().loom().sites()) {
      Look look = view.looks().get(site.id());
      if (look != null && view.wires().shown().containsKey(site.id())) {
        kinds.putIfAbsent(site.kind().id(), look);
      }
    }
    List<Look> some = List.copyOf(kinds.values());
    volts(view, some, Question.Kind.TRIAL);
    for (Look look : some) {
      ContactId contact = look.contact().orElseThrow();
      if (!look.travels()) {
        press(
            Question.Kind.TRIAL,
            Held.of(contact),
            "On the breadboard, hold " + contact + " (" + view.wires().shown().get(contact) + ")",
            "One of each kind first: what is wrong here is wrong a dozen times later");
      }
    }
  }
}
