package kumite.firmware;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.build.map.AxisName;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.Profile;
import kumite.build.map.Ramp;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.program.Chords;
import kumite.program.Meanings;

/**
 * The tables of what contacts mean, one stretch of rows for each profile.
 *
 * <p>Longer than most files: the columns of one row, in the order in which the program reads them.
 */
final class ProfileRows {
  private static final int NO_BIT = 65535;
  private static final String[] STRETCHES = {
    "MEANINGS_AT",
    "TARGETS_AT",
    "TARGETS",
    "REPORTS_AT",
    "REPORTS",
    "AXES_AT",
    "AXES",
    "MICE_AT",
    "MOUSE_REPORT",
    "LAYERS_AT",
    "LAYERS",
    "CHORDS_AT",
    "CHORDS",
    "LEVERS_AT",
    "LEVERS",
    "GATES_AT",
    "GATES",
    "PAIRS_AT",
    "PAIRS",
    "DESCRIPTOR_AT",
    "DESCRIPTOR"
  };

  /** One axis of a gamepad. */
  private record Axis(InputField field, int low, int high, Optional<Ramp> ramp) {}

  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final LookRows looks;
  private final int mostLayers;

  ProfileRows(Blueprint blueprint, Score.Sheet sheet, LookRows looks) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.looks = looks;
    this.mostLayers =
        blueprint.profiles().stream().mapToInt(p -> p.layers().size()).max().orElse(0);
  }

  void write() {
    sheet.size("N_PROFILES", blueprint.profiles().size());
    for (Profile profile : blueprint.profiles()) {
      new One(profile).write();
      choice(profile);
    }
    end("layer_at", "layer_keys", sheet.get("N_LAYERS"));
    end("chord_at", "chord_keys", sheet.get("N_CHORDS"));
    sheet.numbers("choice_at").add(sheet.numbers("choice_looks").size());
    filled("choice_looks");
    filled("target_report");
    if (sheet.bytes("target_kind").size() == 0) {
      sheet.bytes("target_kind").code("TARGET_NOWHERE", "");
      sheet.words("target_bit").add(NO_BIT);
      sheet.words("target_more").add(0);
    }
    boolean taps = sheet.get("N_CHORDS") > 0 || sheet.get("N_PULSES") > 0;
    sheet.uses("USE_TAPS", taps);
    sheet.uses("USE_RAMPS", false);
    boolean shapes = sheet.get("USE_ANALOG_AXES") + sheet.get("USE_ANALOG_MOUSE") > 0;
    sheet.size("USE_SHAPES", shapes ? sheet.get("USE_SHAPES") : 0);
    boolean axes =
        sheet.get("N_AXES") > 0
            || sheet.get("USE_MOUSE") > 0
            || sheet.get("USE_STEPPED") > 0
            || sheet.get("N_PULSES") > 0;
    sheet.uses("USE_AXES", axes);
  }

  private void end(String at, String of, int count) {
    if (count > 0) {
      sheet.words(at).add(sheet.numbers(of).size());
      filled(of);
    }
  }

  /** The code names the table even where all its stretches are empty. */
  private void filled(String table) {
    if (sheet.numbers(table).size() == 0) {
      sheet.number(table, -1, "");
    }
  }

  private void choice(Profile profile) {
    Choice choice = profile.choice();
    sheet.numbers("choice_at").add(sheet.numbers("choice_looks").size(), "", profile.name());
    for (ContactId contact : choice.contacts()) {
      sheet.number("choice_looks", looks.place(contact), contact.toString());
    }
    String kind =
        choice instanceof Choice.Held
            ? "CHOICE_HELD"
            : choice instanceof Choice.Switched by
                ? by.closed() ? "CHOICE_CLOSED" : "CHOICE_OPEN"
                : choice instanceof Choice.Running ? "CHOICE_RUNNING" : "CHOICE_NONE";
    sheet.uses("USE_RUNNING", blueprint.profiles().size() > 1 && choice instanceof Choice.Running);
    sheet.bytes("choice_kind").code(kind, "");
  }

  /** One profile. */
  private final class One {
    private final Profile profile;
    private final ReportLayout layout;
    private final Meanings meanings;
    private final List<Integer> ids;
    private final Map<String, Integer> row = new TreeMap<>();
    private final List<Axis> axes = new ArrayList<>();
    private final Map<Target.MouseAxis, InputField> mouse = new EnumMap<>(Target.MouseAxis.class);

    One(Profile profile) {
      this.profile = profile;
      this.layout = blueprint.layout(profile);
      this.meanings = Meanings.of(profile, looks.senses());
      this.ids = layout.reportIds();
    }

    void write() {
      row.put("MEANINGS_AT", sheet.numbers("meanings").size());
      for (int layer = 0; layer < meanings.contacts().length; layer++) {
        for (int i = 0; i < meanings.contacts()[layer].length; i++) {
          String on = layer == 0 ? "" : " on " + profile.layers().get(layer - 1).name();
          sheet.number("meanings", meanings.contacts()[layer][i], looks.contacts().get(i) + on);
        }
      }
      targets();
      reports();
      axes();
      layers();
      chords();
      opposites();
      row.put("DESCRIPTOR_AT", sheet.bytes("descriptors").size());
      // A header is told of keys by its own system: there is no report to describe.
      byte[] descriptor = blueprint.header() ? new byte[1] : layout.descriptor();
      row.put("DESCRIPTOR", descriptor.length);
      for (byte b : descriptor) {
        sheet.bytes("descriptors").add(b & 0xFF);
      }
      for (String stretch : STRETCHES) {
        sheet.words("profiles").add(row.getOrDefault(stretch, 0), "", stretch);
      }
    }

    private void targets() {
      row.put("TARGETS_AT", sheet.bytes("target_kind").size());
      row.put("TARGETS", meanings.targets().size());
      sheet.most("N_MEANINGS", Math.max(1, meanings.targets().size()));
      for (Target target : meanings.targets()) {
        target(target);
      }
    }

    private void target(Target target) {
      Target plain = target.plain();
      Optional<InputField> field = layout.fieldOf(target);
      String kind = "TARGET_NOWHERE";
      int more = 0;
      if (field.isPresent()) {
        if (plain instanceof Target.Hat hat) {
          kind = "TARGET_HAT";
          more = 1 << hat.direction().ordinal();
          sheet.uses("USE_HATS", true);
        } else if (plain instanceof Target.Steps steps) {
          kind = "TARGET_STEPS";
          more = buttons(target, steps, field.get());
          sheet.uses("USE_STEPPED", sheet.get("N_TRAVELS") > 0);
        } else if (plain instanceof Target.Axis whole) {
          kind = "TARGET_AXIS";
          more = axis(field.get(), target.pad(), whole.axis());
          sheet.uses("USE_ANALOG_AXES", sheet.get("N_TRAVELS") > 0);
        } else if (plain instanceof Target.AxisEnd end) {
          kind = "TARGET_AXIS_END";
          more = axis(field.get(), target.pad(), end.axis());
        } else if (plain instanceof Target.Motion motion) {
          kind = "TARGET_MOTION";
          more = motion.axis().ordinal();
          mouse.put(motion.axis(), field.get());
          sheet.uses("USE_MOUSE", true);
          sheet.uses("USE_ANALOG_MOUSE", sheet.get("N_TRAVELS") > 0);
          sheet.uses("USE_SHAPES", sheet.get("N_TRAVELS") > 0);
        } else if (plain instanceof Target.MotionEnd end) {
          kind = "TARGET_MOTION_END";
          more = end.axis().ordinal() * 2 + (end.high() ? 1 : 0);
          mouse.put(end.axis(), field.get());
          sheet.uses("USE_MOUSE", true);
        } else if (field.get().array()) {
          kind = "TARGET_KEY";
          more = ((Target.Key) plain).usage();
          sheet.uses("USE_KEYS", true);
        } else if (field.get().bits() == 1) {
          kind = "TARGET_BIT";
        }
      }
      sheet.bytes("target_kind").code(kind, TargetText.of(target));
      sheet.number("target_report", field.map(f -> ids.indexOf(f.reportId())).orElse(-1), "");
      sheet.words("target_bit").add(field.map(InputField::bitOffset).orElse(NO_BIT));
      sheet.words("target_more").add(more);
    }

    private int buttons(Target target, Target.Steps steps, InputField first) {
      int count = 0;
      while (layout.fieldOf(target, new Usage(Usage.BUTTON, steps.first() + count)).isPresent()) {
        InputField field =
            layout.fieldOf(target, new Usage(Usage.BUTTON, steps.first() + count)).orElseThrow();
        if (field.bitOffset() != first.bitOffset() + count) {
          break;
        }
        count++;
      }
      return count;
    }

    private int axis(InputField field, int pad, AxisName name) {
      for (int i = 0; i < axes.size(); i++) {
        if (axes.get(i).field().equals(field)) {
          return i;
        }
      }
      axes.add(
          new Axis(
              field,
              meanings.at(pad, new Target.AxisEnd(name, false)),
              meanings.at(pad, new Target.AxisEnd(name, true)),
              Optional.ofNullable(profile.ramps().get(name))));
      return axes.size() - 1;
    }

    private void reports() {
      row.put("REPORTS_AT", sheet.bytes("report_id").size());
      row.put("REPORTS", ids.size());
      sheet.most("N_REPORTS", ids.size());
      int[] bytes = Score.reportBytes(layout);
      sheet.most("LONGEST_REPORT", Math.max(1, bytes[0]));
      sheet.most("REPORT_BYTES", Math.max(1, bytes[1]));
      int at = 0;
      for (int id : ids) {
        List<InputField> keys = layout.arrays(id);
        Optional<InputField> hat =
            layout.fields().stream()
                .filter(f -> f.reportId() == id && f.usage().equals(Usage.HAT))
                .findFirst();
        // A hat that nothing moves still has to say that it rests.
        sheet.uses("USE_HATS", hat.isPresent());
        sheet.bytes("report_id").add(id, "", layout.words(id));
        sheet.words("report_bytes").add(layout.lengthBytes(id));
        sheet.words("report_at").add(at);
        sheet.words("report_hat").add(hat.map(InputField::bitOffset).orElse(NO_BIT));
        sheet.bytes("report_keys").add(keys.size());
        sheet.words("report_keys_at").add(keys.isEmpty() ? 0 : keys.get(0).bitOffset());
        sheet.most("MOST_KEYS", Math.max(1, keys.size()));
        at += layout.lengthBytes(id);
      }
    }

    private void axes() {
      row.put("AXES_AT", sheet.numbers("axis_report").size());
      row.put("AXES", axes.size());
      sheet.most("N_AXES", axes.size());
      for (Axis axis : axes) {
        boolean ends = axis.low() >= 0 || axis.high() >= 0;
        sheet.uses("USE_ENDS", ends);
        sheet.uses("USE_RAMPS", ends && axis.ramp().isPresent());
        sheet.number("axis_report", ids.indexOf(axis.field().reportId()), "");
        sheet.words("axis_bit").add(axis.field().bitOffset());
        sheet.bytes("axis_bits").add(axis.field().bits());
        sheet.words("axis_most").add(axis.field().logicalMaximum());
        sheet.number("axis_low", axis.low(), "");
        sheet.number("axis_high", axis.high(), "");
        sheet.words("axis_rise_ms").add(axis.ramp().map(Ramp::riseMs).orElse(NO_BIT));
        sheet.words("axis_return_ms").add(axis.ramp().map(Ramp::returnMs).orElse(NO_BIT));
      }
      row.put("MICE_AT", sheet.words("mouse_at").size());
      row.put("MOUSE_REPORT", NO_BIT);
      for (Target.MouseAxis axis : Target.MouseAxis.values()) {
        InputField field = mouse.get(axis);
        if (field != null) {
          row.put("MOUSE_REPORT", ids.indexOf(field.reportId()));
        }
        sheet.words("mouse_at").add(field == null ? NO_BIT : field.bitOffset());
      }
    }

    private void layers() {
      row.put("LAYERS_AT", sheet.bytes("layer_toggles").size());
      row.put("LAYERS", profile.layers().size());
      sheet.most("N_LAYERS", profile.layers().size());
      for (Layer layer : profile.layers()) {
        boolean toggles = layer.reach() == Layer.Reach.TOGGLE;
        sheet.bytes("layer_toggles").add(toggles ? 1 : 0, "", layer.name());
        sheet.words("layer_at").add(sheet.numbers("layer_keys").size());
        // Without a look of all its contacts a layer can never be reached.
        boolean whole = layer.by().stream().allMatch(c -> looks.place(c) >= 0);
        inOrder(layer.by())
            .filter(i -> whole)
            .forEach(i -> sheet.numbers("layer_keys").add(i, looks.contacts().get(i), ""));
        bits(
            "layer_named",
            looks.senses().size(),
            i -> looks.senses().get(i).contact().flatMap(c -> layer.mapping().of(c)).isPresent());
      }
    }

    private IntStream inOrder(java.util.Set<ContactId> contacts) {
      return contacts.stream().mapToInt(looks::place).filter(i -> i >= 0).sorted();
    }

    private void bits(String table, int count, java.util.function.IntPredicate is) {
      for (int at = 0; at < count; at += 8) {
        int from = at;
        int value =
            IntStream.range(0, Math.min(8, count - at))
                .map(i -> is.test(from + i) ? 1 << i : 0)
                .sum();
        sheet.bytes(table).add(value);
      }
    }

    private void chords() {
      List<Chord> chords = profile.chords();
      row.put("CHORDS_AT", sheet.bytes("chord_waits").size());
      row.put("CHORDS", chords.size());
      sheet.most("N_CHORDS", chords.size());
      int[] sizes = new int[chords.size()];
      for (int c = 0; c < sizes.length; c++) {
        Chord chord = chords.get(c);
        sizes[c] = (int) inOrder(chord.contacts()).count();
        boolean whole = sizes[c] == chord.contacts().size();
        sheet.bytes("chord_waits").add(chord.waits() ? 1 : 0, "", chord.id());
        sheet.words("chord_window_ms").add(chord.windowMs());
        sheet.number("chord_meaning", meanings.chords()[c], "");
        sheet.words("chord_at").add(sheet.numbers("chord_keys").size());
        inOrder(chord.contacts())
            .forEach(i -> sheet.numbers("chord_keys").add(i, looks.contacts().get(i), ""));
        bits(
            "chord_layers",
            mostLayers + 1,
            l -> whole && l <= profile.layers().size() && Chords.available(profile, chord, l));
      }
      IntStream.range(0, sizes.length)
          .boxed()
          .sorted(Comparator.comparingInt(c -> -sizes[c]))
          .forEach(c -> sheet.numbers("chord_longest_first").add(c));
    }

    // ---- opposites

    private void opposites() {
      row.put("LEVERS_AT", sheet.bytes("lever_rule").size());
      row.put("GATES_AT", sheet.bytes("gate_rule").size());
      row.put("PAIRS_AT", sheet.bytes("pair_rule").size());
      for (Map.Entry<Opposed, OppositesRule> rule : profile.opposites().entrySet()) {
        if (rule.getKey() instanceof Opposed.Lever lever) {
          sheet.number("lever_low", at(lever.control(), lever.upright() ? "up" : "left"), "");
          sheet.number("lever_high", at(lever.control(), lever.upright() ? "down" : "right"), "");
          rule("lever_rule", rule.getValue(), rule.getKey().text());
        }
      }
      for (Opposed.OfReport pair : Opposed.ofReports()) {
        pairs(pair, profile.opposites().getOrDefault(pair, OppositesRule.NEUTRAL));
      }
      for (Map.Entry<ControlId, FourWay> way : profile.fourWays().entrySet()) {
        for (String direction : List.of("up", "down", "left", "right")) {
          sheet.number("gate_looks", at(way.getKey(), direction), way.getKey() + " " + direction);
        }
        boolean first = way.getValue() == FourWay.FIRST;
        rule("gate_rule", first ? OppositesRule.FIRST : OppositesRule.LAST, "");
      }
      count("LEVERS", "lever_rule");
      count("GATES", "gate_rule");
      count("PAIRS", "pair_rule");
    }

    private void count(String stretch, String table) {
      int count = sheet.bytes(table).size() - row.get(stretch + "_AT");
      row.put(stretch, count);
      sheet.most("N_" + stretch, count);
    }

    private void rule(String table, OppositesRule rule, String note) {
      sheet.bytes(table).add(rule.ordinal(), "", (note + ": " + rule.words()).strip());
    }

    private int at(ControlId control, String contact) {
      return looks.place(new ContactId(control, contact));
    }

    private void pairs(Opposed.OfReport pair, OppositesRule rule) {
      for (int pad = 1; pad <= 8; pad++) {
        int low = meanings.at(pad, pair.low());
        int high = meanings.at(pad, pair.high());
        if (low >= 0 && high >= 0) {
          sheet.number("pair_low", low, "");
          sheet.number("pair_high", high, "");
          rule("pair_rule", rule, pair.text());
        }
      }
    }
  }
}
