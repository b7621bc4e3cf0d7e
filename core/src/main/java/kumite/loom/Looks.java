package kumite.loom;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.name.ContactId;
import kumite.signal.SignalLine;

/**
 * How the board's program uses its terminals: all its looks, and the pull it sets at each terminal.
 * They follow from the plan alone; a wire that is put in wrongly changes what is seen, not where
 * the board looks.
 *
 * @param all each contact's look in the order of contacts; on a board with fixed sockets, each
 *     socket's
 * @param pulls the resistor that is switched on at a terminal, by its name; others have none
 * @param feeds terminals that are driven high all the time, since a lamp on its contact hangs there
 * @param lamps terminals that drive lamps, by name, with the contacts that these follow
 */
public record Looks(
    List<Look> all,
    Map<String, Pull> pulls,
    List<String> feeds,
    Map<String, List<ContactId>> lamps) {

  /** The resistor inside a board that holds an open input. */
  public enum Pull {
    UP("pull-up"),
    DOWN("pull-down"),
    /** A pull-up of megohms, as touch needs. */
    TOUCH("touch pull-up"),
    /** The resistor in front of the capacitor that a timed input charges. */
    CHARGE("charged capacitor"),
    NONE("none");

    private final String words;

    Pull(String words) {
      this.words = words;
    }

    /** {@return in words for people} */
    public String words() {
      return words;
    }
  }

  public Looks {
    all = List.copyOf(all);
    pulls = Map.copyOf(pulls);
    feeds = List.copyOf(feeds);
    lamps = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(lamps));
  }

  /** {@return how a board reads the contacts of a loom} */
  public static Looks of(BoardKind board, Loom loom) {
    List<Look> looks = board.fixedMap() ? sockets(board, loom) : contacts(board, loom);
    Map<String, Pull> pulls = new HashMap<>();
    for (Look look : looks) {
      if (look.how() instanceof Look.Frame frame) {
        frame(frame.talk(), pulls);
        continue;
      }
      // Where volts are measured too, a resistor inside the board would pull them off.
      pulls.merge(
          look.read().name(),
          pull(board, look),
          (one, other) -> one == Pull.NONE || other == Pull.NONE ? Pull.NONE : one);
    }
    return new Looks(looks, pulls, feeds(board, loom), lamps(board, loom));
  }

  /** Lines that a pad does not hold by itself, and those of an empty socket. */
  private static void frame(Talk talk, Map<String, Pull> pulls) {
    for (SignalLine line : talk.kind().lines()) {
      Terminal terminal = talk.lines().get(line.name());
      if (terminal != null && line.pull().isPresent()) {
        boolean up = terminal.can(Terminal.Ability.PULL_UP);
        pulls.put(terminal.name(), up ? Pull.UP : Pull.NONE);
      }
    }
  }

  private static List<String> feeds(BoardKind board, Loom loom) {
    return loom.sites().stream()
        .filter(site -> Lamps.shares(board, site))
        .flatMap(site -> Lamps.driver(board, site).stream())
        .map(Terminal::name)
        .distinct()
        .toList();
  }

  private static Map<String, List<ContactId>> lamps(BoardKind board, Loom loom) {
    Map<String, List<ContactId>> lamps = new HashMap<>();
    List<String> feeds = feeds(board, loom);
    for (ContactSite site : loom.sites()) {
      if (site.kind().lit()) {
        Lamps.driver(board, site)
            .filter(terminal -> !feeds.contains(terminal.name()))
            .ifPresent(
                terminal ->
                    lamps.computeIfAbsent(terminal.name(), t -> new ArrayList<>()).add(site.id()));
      }
    }
    return lamps;
  }

  /** {@return the look that is meant for a contact, if it has one} */
  public Optional<Look> of(ContactId contact) {
    return all.stream().filter(l -> l.contact().filter(contact::equals).isPresent()).findFirst();
  }

  /** {@return the looks by the contacts they are meant for} */
  public Map<ContactId, Look> byContact() {
    Map<ContactId, Look> map = new LinkedHashMap<>();
    all.forEach(look -> look.contact().ifPresent(contact -> map.put(contact, look)));
    return map;
  }

  private static List<Look> contacts(BoardKind board, Loom loom) {
    Map<ContactId, Sharing> shared = new HashMap<>();
    Map<ContactId, Sharing.Seat> seats = new HashMap<>();
    for (Sharing sharing : loom.sharings()) {
      for (Sharing.Seat seat : sharing.seats()) {
        shared.put(seat.site().id(), sharing);
        seats.put(seat.site().id(), seat);
      }
    }
    List<Look> looks = new ArrayList<>();
    for (ContactSite site : loom.sites()) {
      Sharing sharing = shared.get(site.id());
      if (sharing != null && sharing.placed(loom.plan())) {
        Sharing.Seat seat = seats.get(site.id());
        Look.How how = Grouping.of(sharing.group().topology()).how(sharing, seat, loom.plan());
        looks.add(
            new Look(
                Optional.of(site.id()),
                loom.plan().of(seat.read().id()).orElseThrow().terminal(),
                how,
                Optional.empty()));
      } else if (sharing == null) {
        loom.plan()
            .of(site.id())
            .ifPresent(
                pin ->
                    looks.add(
                        new Look(
                            Optional.of(site.id()),
                            pin.terminal(),
                            how(board, site, pin.terminal()),
                            Optional.empty())));
      }
    }
    return looks;
  }

  private static Look.How how(BoardKind board, ContactSite site, Terminal terminal) {
    if (site.contact().type().analog()) {
      return terminal.can(Terminal.Ability.OHMS) ? new Look.Ohms() : new Look.Volts();
    }
    if (site.touched() && Line.senses(board, terminal)) {
      return new Look.Touch();
    }
    // The output of a fed part is high at rest.
    return new Look.Level(site.fed() || site.common() == Common.GROUND);
  }

  private static List<Look> sockets(BoardKind board, Loom loom) {
    Map<String, ContactId> planned = new HashMap<>();
    loom.plan()
        .choices()
        .forEach((contact, choice) -> planned.put(choice.terminal().name(), contact));
    List<Look> looks = new ArrayList<>();
    for (Terminal terminal : board.terminals(Terminal.Role.INPUT)) {
      Look.How how =
          terminal.can(Terminal.Ability.OHMS)
              ? new Look.Ohms()
              : terminal.can(Terminal.Ability.TOUCH)
                  ? new Look.Touch()
                  : new Look.Level(board.common() == Common.GROUND);
      looks.add(
          new Look(
              Optional.ofNullable(planned.get(terminal.name())), terminal, how, terminal.fixed()));
    }
    return looks;
  }

  private static Pull pull(BoardKind board, Look look) {
    boolean up = look.read().can(Terminal.Ability.PULL_UP);
    boolean down = look.read().can(Terminal.Ability.PULL_DOWN);
    if (look.how() instanceof Look.Ohms) {
      return Pull.CHARGE;
    }
    if (look.measured()) {
      return Pull.NONE;
    }
    if (look.how() instanceof Look.Touch) {
      return Pull.TOUCH;
    }
    boolean low = !(look.how() instanceof Look.Level level) || level.pressedLow();
    // A contact to the rail wants a pull-down; where the board has only a pull-up, that is on.
    return low ? up ? Pull.UP : Pull.NONE : down ? Pull.DOWN : up ? Pull.UP : Pull.NONE;
  }
}
