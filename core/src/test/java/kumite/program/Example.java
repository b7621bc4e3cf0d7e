package kumite.program;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kumite.build.brief.Host;
import kumite.build.map.AxisName;
import kumite.build.map.AxisTuning;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Ramp;
import kumite.build.map.Repeat;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.hid.InputField;
import kumite.hid.KeyNames;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.ControlId;

/** One example of docs/semantics.md: what is built, what hands do, what is told. */
final class Example {
  private static final int MOST = 255;

  Profile profile = Profile.empty("Example", Host.COMPUTER);
  Tuning tuning = Tuning.NONE;
  Timing timing = new Timing(1000, Timing.Debounce.DEFERRED, 0, 1000);
  Script script = new Script("none", List.of());
  long[] refusesUs = {-1, -1};
  long forgetsUs = -1;
  final List<ContactId> contacts = new ArrayList<>();
  final List<String> expected = new ArrayList<>();

  static Example parse(List<String> lines) {
    Example example = new Example();
    for (String line : lines) {
      example.line(line.strip().split("\\s+"), line.strip());
    }
    return example;
  }

  private void line(String[] w, String line) {
    switch (w[0]) {
      case "wait" ->
          timing =
              new Timing(
                  1000,
                  Timing.Debounce.valueOf(w[3].toUpperCase(Locale.ROOT)),
                  1000 * Integer.parseInt(w[1]),
                  1000);
      case "keys" -> profile = profile.telling(Profile.Keys.SIX);
      case "layer" -> layer(w, line);
      case "chord" -> {
        Set<ContactId> members = new TreeSet<>();
        for (String member : w[1].split("\\+")) {
          members.add(contact(member));
        }
        profile =
            profile.withChord(
                new Chord(
                    Layer.BASE,
                    members,
                    Integer.parseInt(w[2]),
                    w[3].equals("waits"),
                    entry(after(line, "="))));
      }
      case "opposites" ->
          profile =
              profile.withOpposites(
                  Opposed.parse(String.join(" ", Arrays.copyOfRange(w, 1, w.length - 1))),
                  Optional.of(OppositesRule.valueOf(w[w.length - 1].toUpperCase(Locale.ROOT))));
      case "four" ->
          profile =
              profile.withFourWay(
                  new ControlId(w[2]), Optional.of(FourWay.valueOf(w[3].toUpperCase(Locale.ROOT))));
      case "ramp" ->
          profile =
              profile.withRamp(
                  AxisName.valueOf(w[1]),
                  Optional.of(new Ramp(Integer.parseInt(w[2]), Integer.parseInt(w[3]))));
      case "rapid" ->
          tuning =
              tuning.withRepeat(
                  contact(w[1]),
                  Optional.of(new Repeat(Integer.parseInt(w[2]), Integer.parseInt(w[3]))));
      case "tuning" ->
          tuning =
              tuning.withAxis(
                  contact(w[1]),
                  Optional.of(
                      AxisTuning.STRAIGHT
                          .measured(
                              Integer.parseInt(w[2]),
                              OptionalInt.of(Integer.parseInt(w[3])),
                              Integer.parseInt(w[4]))
                          .between(Integer.parseInt(w[6]), 1000)));
      case "pulses" ->
          tuning =
              tuning.withPulses(
                  contact(w[1]),
                  Optional.of(new Pulses(Integer.parseInt(w[2]), Integer.parseInt(w[3]), false)));
      case "refuse" -> {
        refusesUs = new long[] {1000L * Integer.parseInt(w[1]), 1000L * Integer.parseInt(w[2])};
      }
      case "forget" -> forgetsUs = 1000L * Integer.parseInt(w[1]);
      case "play" -> script = Script.parse("play", after(line, "play"));
      case "report", "axis", "moved" -> expected.add(line);
      default -> {
        ContactId contact = contact(w[0]);
        if (!w[2].equals("-")) {
          profile = profile.withBase(profile.base().with(contact, entry(after(line, "="))));
        }
      }
    }
  }

  private void layer(String[] w, String line) {
    String[] meaning = after(line, ":").split("=");
    profile =
        profile.withLayers(
            List.of(
                new Layer(
                    w[1],
                    Layer.Reach.valueOf(w[2].toUpperCase(Locale.ROOT)),
                    Set.of(contact(w[3].replace(":", ""))),
                    Mapping.EMPTY.with(contact(meaning[0].strip()), entry(meaning[1])))));
  }

  private static String after(String line, String sign) {
    return line.substring(line.indexOf(sign) + sign.length()).strip();
  }

  private static Mapping.Entry entry(String text) {
    return new Mapping.Entry(TargetText.parse(text), "");
  }

  private ContactId contact(String text) {
    ContactId id = ContactId.parse(text);
    if (!contacts.contains(id)) {
      contacts.add(id);
    }
    return id;
  }

  /** One report that was sent. */
  record Sent(double ms, Set<String> on, Map<String, Integer> axes) {}

  ReportLayout layout() {
    return ReportLayout.of(
        profile.entries().map(Mapping.Entry::target).toList(), Map.of(), MOST, profile.keys());
  }

  boolean travels(ContactId contact) {
    return profile.base().of(contact).filter(e -> e.target() instanceof Target.Axis).isPresent();
  }

  /** What takes looks and is asked for reports. */
  interface Board {
    void look(long us, boolean[] pressed, int[] codes);

    void poll(long us);

    /** The host refuses from now on, or does no more. */
    void refuses(boolean is);

    /** The host has forgotten what it was told. */
    void forget();
  }

  /** Runs it for 400 ms: looks at whole ms, polls half a ms later. */
  List<Sent> run() {
    ReportLayout layout = layout();
    List<Sense> senses =
        contacts.stream()
            .map(c -> travels(c) ? Sense.travel(c.toString()) : Sense.press(c.toString()))
            .toList();
    Program program = Program.of(senses, profile, tuning, timing, layout, MOST);
    List<Sent> sent = new ArrayList<>();
    play(
        contacts,
        new Board() {
          @Override
          public void look(long us, boolean[] pressed, int[] codes) {
            program.look(us, pressed, codes);
          }

          private boolean refuses;

          @Override
          public void poll(long us) {
            program.poll(
                (id, transfer) -> !refuses && sent.add(read(layout, us / 1000.0, transfer)));
          }

          @Override
          public void refuses(boolean is) {
            refuses = is;
          }

          @Override
          public void forget() {
            program.forget();
          }
        });
    return sent;
  }

  /** Plays it before a board that looks at some contacts, in their order. */
  void play(List<ContactId> looked, Board board) {
    for (long us = 0; us < 400_000; us += 1000) {
      boolean[] pressed = new boolean[looked.size()];
      int[] codes = new int[looked.size()];
      for (int i = 0; i < pressed.length; i++) {
        double travel = travel(looked.get(i), us);
        pressed[i] = travel > 0 && !travels(looked.get(i));
        codes[i] = (int) Math.round(travel * MOST);
      }
      board.look(us, pressed, codes);
      if (us == refusesUs[0] || us == refusesUs[1]) {
        board.refuses(us == refusesUs[0]);
      }
      if (us == forgetsUs) {
        board.forget();
      }
      board.poll(us + 500);
    }
  }

  private double travel(ContactId contact, long us) {
    double travel = 0;
    for (Script.Move move : script.moves()) {
      boolean begun = move.contact().equals(contact) && move.fromUs() <= us;
      if (begun) {
        travel = move.forUs() == 0 || us < move.fromUs() + move.forUs() ? move.travel() : 0;
      }
    }
    return travel;
  }

  static Sent read(ReportLayout layout, double ms, byte[] transfer) {
    Set<String> on = new LinkedHashSet<>();
    Map<String, Integer> axes = new TreeMap<>();
    Map<Integer, String> hats = new HashMap<>();
    String[] points = {"Hat N", "Hat NE", "Hat E", "Hat SE", "Hat S", "Hat SW", "Hat W", "Hat NW"};
    for (int i = 0; i < points.length; i++) {
      hats.put(i, points[i]);
    }
    for (InputField field : layout.fields()) {
      int value = field.read(transfer);
      Usage usage = field.usage();
      if (field.array()) {
        if (value != 0) {
          on.add("Key " + KeyNames.of(value));
        }
      } else if (usage.equals(Usage.HAT)) {
        Optional.ofNullable(hats.get(value)).ifPresent(on::add);
      } else if (usage.page() == Usage.BUTTON && value == 1) {
        on.add("Button " + usage.id());
      } else if (usage.page() == Usage.KEYBOARD && value == 1) {
        on.add("Key " + KeyNames.of(usage.id()));
      } else if (usage.page() == Usage.GENERIC_DESKTOP) {
        axes.put("Axis " + AxisName.values()[usage.id() - 0x30].words(), value);
      }
    }
    return new Sent(ms, on, axes);
  }
}
