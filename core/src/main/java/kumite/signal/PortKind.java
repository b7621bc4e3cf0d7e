package kumite.signal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.measure.Check;
import kumite.measure.Range;
import kumite.working.Source;

/**
 * A kind of port: which plug, which lines, in which order what is said, and how fast.
 *
 * @param id its word in files and on the command line, such as {@code serial-latch-16}; it says the
 *     mechanism
 * @param what it for people, one line; its name, and after a colon how it works
 * @param pinout what the pins of its plug do, by id
 * @param volts that a pad takes, in V
 * @param worksFromVolts what a pad works from, in V; as a rule the same
 * @param lineVolts of its lines, in V: those that it takes, or what it makes of them itself
 * @param lines its lines, supply and ground left out
 * @param times how long what lasts
 * @param order what is said bit after bit: the names of buttons, and blank where nothing is
 * @param axes its axes, in the order they are said
 * @param mechanism how it talks
 * @param source where it comes from
 */
public record PortKind(
    String id,
    String what,
    String pinout,
    double volts,
    double worksFromVolts,
    double lineVolts,
    List<SignalLine> lines,
    Map<Timed, Limits> times,
    List<String> order,
    List<String> axes,
    Mechanism mechanism,
    Source source) {
  /** Of its lines. */
  public static final Range VOLTS = Range.above(0, 24, "V");

  /** Bits of one pad. */
  public static final Range BITS = Range.of(0, 128);

  public PortKind {
    if (!id.matches("[a-z0-9]+(-[a-z0-9]+){0,5}")) {
      throw new IllegalArgumentException(
          "\"" + id + "\" is no id of a port; use small letters, digits and hyphens");
    }
    Check.writable(what, "what");
    Check.filled(pinout, "pinout");
    VOLTS.check(volts, "volts of a port");
    VOLTS.check(worksFromVolts, "volts that a pad works from");
    if (worksFromVolts > volts) {
      throw new IllegalArgumentException(
          "a pad of " + volts + " V cannot work from " + worksFromVolts + " V only; say less");
    }
    VOLTS.check(lineVolts, "volts of a port's lines");
    if (lineVolts > volts) {
      throw new IllegalArgumentException(
          "a pad of " + volts + " V cannot make " + lineVolts + " V for its lines; say less");
    }
    lines = List.copyOf(lines);
    once(lines.stream().map(SignalLine::name).toList(), "line");
    once(lines.stream().map(SignalLine::pin).toList(), "pin");
    Map<Timed, Limits> sorted = new EnumMap<>(Timed.class);
    sorted.putAll(times);
    times = Collections.unmodifiableMap(sorted);
    order = List.copyOf(order);
    axes = List.copyOf(axes);
    BITS.check(order.size(), "number of bits");
    if (named(order).isEmpty()) {
      throw new IllegalArgumentException("there are no bits; name at least one button");
    }
    List<String> names = new ArrayList<>(named(order));
    names.addAll(axes);
    names.forEach(name -> Check.writable(name, "name of a button"));
    once(names.stream().map(name -> name.toLowerCase(java.util.Locale.ROOT)).toList(), "bit");
    Objects.requireNonNull(source, "source");
    for (Timed needed : mechanism.times()) {
      if (!times.containsKey(needed)) {
        throw new IllegalArgumentException(
            "time "
                + needed.word()
                + " is missing: "
                + needed.words()
                + "; write it as [least, usual, most]");
      }
    }
    for (Timed said : times.keySet()) {
      if (!mechanism.times().contains(said)) {
        throw new IllegalArgumentException(
            "time "
                + said.word()
                + " is none of this mechanism; use "
                + mechanism.times().stream()
                    .sorted()
                    .map(Timed::word)
                    .collect(Collectors.joining(", ")));
      }
    }
  }

  /**
   * A kind of port, held against its mechanism.
   *
   * @throws IllegalArgumentException if something is missing or contradicts; the message names it
   */
  public static PortKind checked(PortKind kind) {
    kind.mechanism().check(kind);
    return kind;
  }

  private static List<String> named(List<String> order) {
    return order.stream().filter(name -> !name.isEmpty()).toList();
  }

  /** {@return the volts of its lines while it is fed so much, in V} */
  public double lineVolts(double fed) {
    return lineVolts == volts ? fed : Math.min(fed, lineVolts);
  }

  /** {@return its buttons, in the order they are said} */
  public List<String> buttons() {
    return named(order);
  }

  private static void once(List<String> names, String what) {
    Set<String> seen = new HashSet<>();
    for (String name : names) {
      if (!seen.add(name)) {
        throw new IllegalArgumentException(what + " \"" + name + "\" stands there twice");
      }
    }
  }

  /**
   * A button or an axis as a contact.
   *
   * @param contact its name among contacts: letters and digits of the button's name
   * @param button the name of the button or of the axis
   */
  public record Bit(String contact, String button) {}

  /** {@return its buttons as contacts, in the order they are said} */
  public List<Bit> contacts() {
    return named(buttons(), new HashSet<>());
  }

  /** {@return its axes as contacts, in the order they are said} */
  public List<Bit> axisContacts() {
    if (axes.isEmpty()) {
      return List.of();
    }
    Set<String> taken = new HashSet<>();
    contacts().forEach(bit -> taken.add(bit.contact()));
    return named(axes, taken);
  }

  private static List<Bit> named(List<String> names, Set<String> taken) {
    List<Bit> bits = new ArrayList<>();
    for (String button : names) {
      String plain = plain(button);
      String name = plain.isEmpty() || Character.isDigit(plain.charAt(0)) ? "b" + plain : plain;
      String contact = name;
      for (int n = 2; !taken.add(contact); n++) {
        contact = name + "n" + n;
      }
      bits.add(new Bit(contact, button));
    }
    return bits;
  }

  /** Asked at each look at each contact, so it is done without a pattern. */
  private static String plain(String name) {
    StringBuilder plain = new StringBuilder();
    for (char c : name.toLowerCase(java.util.Locale.ROOT).toCharArray()) {
      if (c >= 'a' && c <= 'z' || c >= '0' && c <= '9') {
        plain.append(c);
      }
    }
    return plain.toString();
  }

  /** {@return the line of that name, if it has one} */
  public Optional<SignalLine> find(String name) {
    return lines.stream().filter(line -> line.name().equals(name)).findFirst();
  }

  /**
   * {@return the line of that name}
   *
   * @throws IllegalArgumentException if it has none
   */
  public SignalLine line(String name) {
    return find(name)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "line \"" + name + "\" is missing; this mechanism needs it"));
  }

  /** {@return its name for people} */
  public String title() {
    int colon = what.indexOf(':');
    return colon < 0 ? what : what.substring(0, colon);
  }

  /** {@return how long something lasts} */
  public Limits time(Timed timed) {
    return times.get(timed);
  }

  /** {@return the same with another usual time} */
  public PortKind with(Timed timed, Limits limits) {
    Map<Timed, Limits> next = new EnumMap<>(Timed.class);
    next.putAll(times);
    next.put(timed, limits);
    return new PortKind(
        id,
        what,
        pinout,
        volts,
        worksFromVolts,
        lineVolts,
        lines,
        next,
        order,
        axes,
        mechanism,
        source);
  }

  /** Refuses lines that are not named. */
  void only(Set<String> names) {
    for (SignalLine line : lines) {
      if (!names.contains(line.name())) {
        throw new IllegalArgumentException(
            "line \""
                + line.name()
                + "\" is none of this mechanism; it has "
                + names.stream().sorted().collect(Collectors.joining(", ")));
      }
    }
    names.forEach(this::line);
  }

  /** Wants a line driven from a certain side. */
  void from(String name, SignalLine.From... allowed) {
    SignalLine line = line(name);
    if (!List.of(allowed).contains(line.from())) {
      throw new IllegalArgumentException(
          "line \"" + name + "\" cannot be so: " + line.from().words() + " says nothing here");
    }
  }
}
