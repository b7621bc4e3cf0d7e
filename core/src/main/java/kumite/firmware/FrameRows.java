package kumite.firmware;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kumite.kind.Terminal;
import kumite.loom.Look;
import kumite.loom.Looks;
import kumite.loom.Talk;
import kumite.signal.Asking;
import kumite.signal.Level;
import kumite.signal.SignalLine;

/**
 * The tables of pads that talk in frames: those of a kind share what is driven, and are one frame.
 */
final class FrameRows {
  /** So often a line is driven in one step at most. */
  private static final int MOST_TIMES = 127;

  static final int HIGH_STEP = 128;

  private final Blueprint blueprint;
  private final Score.Sheet sheet;
  private final LookRows looks;
  private final List<Talk> pads = new ArrayList<>(); // frame by frame
  private final Map<Talk, Integer> firstBits = new LinkedHashMap<>();

  FrameRows(Blueprint blueprint, Score.Sheet sheet, LookRows looks) {
    this.blueprint = blueprint;
    this.sheet = sheet;
    this.looks = looks;
  }

  /** {@return the pads that are asked in frames, those of one frame beside each other} */
  static List<Talk> pads(Blueprint blueprint) {
    return frames(blueprint).stream().flatMap(List::stream).toList();
  }

  private static List<List<Talk>> frames(Blueprint blueprint) {
    Map<Object, Set<Talk>> frames = new LinkedHashMap<>();
    for (Look look : blueprint.looks().all()) {
      if (look.how() instanceof Look.Frame frame && look.asked()) {
        List<Terminal> driven = frame.driven();
        frames
            .computeIfAbsent(List.of(frame.talk().kind().id(), driven), k -> new LinkedHashSet<>())
            .add(frame.talk());
      }
    }
    return frames.values().stream().map(List::copyOf).toList();
  }

  void write() {
    List<List<Talk>> frames = frames(blueprint);
    sheet.size("N_FRAMES", frames.size());
    if (frames.isEmpty()) {
      return;
    }
    int bits = 0;
    for (List<Talk> frame : frames) {
      Asking asking = asking(frame.get(0));
      List<String> read = read(asking);
      sheet
          .words("frame_every")
          .add(
              asking.everyLooks(1000L * blueprint.timing().scanUs(), Talk.SETTLE_NS),
              "",
              frame.get(0).kind().title());
      sheet.words("frame_steps_at").add(sheet.bytes("step_how").size());
      steps(frame.get(0), asking, read);
      sheet.numbers("frame_pads_at").add(pads.size());
      sheet.words("frame_known_at").add(sheet.words("frame_known").size());
      asking.known().forEach((bit, level) -> sheet.words("frame_known").add(2 * bit + high(level)));
      rest(frame.get(0));
      for (Talk pad : frame) {
        pads.add(pad);
        firstBits.put(pad, bits);
        sheet.words("pad_bits_at").add(bits, "", pad.pad().port().label());
        sheet.words("pad_reads_at").add(sheet.numbers("pad_reads").size());
        read.forEach(line -> sheet.number("pad_reads", terminal(pad, line), line));
        bits += asking.bits();
        heard(pad);
      }
    }
    sheet.words("frame_steps_at").add(sheet.bytes("step_how").size());
    sheet.numbers("frame_pads_at").add(pads.size());
    sheet.words("frame_known_at").add(sheet.words("frame_known").size());
    sheet.words("frame_known").add(0); // C has no empty arrays; nothing reads this row
    sheet.size("N_PADS", pads.size());
    sheet.size("N_FRAME_BITS", bits);
    sheet.size("N_FRAME_LINES", sheet.numbers("frame_line").size());
  }

  static Asking asking(Talk talk) {
    return talk.kind().mechanism().asking(talk.kind()).orElseThrow();
  }

  private static int high(Level level) {
    return level == Level.HIGH ? 1 : 0;
  }

  private static List<String> read(Asking asking) {
    return asking.steps().stream()
        .filter(Asking.Step.Take.class::isInstance)
        .map(Asking.Step::line)
        .distinct()
        .toList();
  }

  /** {@return the number of a line's terminal, below 0 where it got none} */
  private int terminal(Talk pad, String line) {
    Terminal terminal = pad.lines().get(line);
    if (terminal == null) {
      return -1;
    }
    boolean driven = pad.kind().line(line).from() == SignalLine.From.CONSOLE;
    Looks.Pull pull = blueprint.looks().pulls().getOrDefault(terminal.name(), Looks.Pull.NONE);
    return looks.use(
        terminal, driven ? "USE_OF_OUTPUT" : pull == Looks.Pull.UP ? "USE_OF_UP" : "USE_OF_OPEN");
  }

  private void steps(Talk pad, Asking asking, List<String> read) {
    for (Asking.Step step : asking.steps()) {
      if (step instanceof Asking.Step.Drive drive) {
        int times = Asking.times(drive.forNs(), Talk.SETTLE_NS);
        for (int left = times; left > 0; left -= MOST_TIMES) {
          int now = Math.min(left, MOST_TIMES) + (drive.high() ? HIGH_STEP : 0);
          sheet.bytes("step_how").add(now);
          sheet.number("step_with", terminal(pad, drive.line()), "");
        }
      } else {
        sheet.bytes("step_how").add(0);
        sheet.numbers("step_with").add(read.indexOf(step.line()));
      }
    }
  }

  private void rest(Talk pad) {
    for (SignalLine line : pad.kind().lines()) {
      int terminal = terminal(pad, line.name());
      if (line.from() == SignalLine.From.CONSOLE && terminal >= 0) {
        sheet.numbers("frame_line").add(terminal, "", line.name());
        sheet.bytes("frame_line_high").add(high(line.idle()));
      }
    }
  }

  /** Lines that nothing reads are set up all the same: the pad needs their pull-ups. */
  private void heard(Talk pad) {
    pad.kind().lines().forEach(line -> terminal(pad, line.name()));
  }

  /** {@return the number of a look's pad} */
  int pad(Look.Frame look) {
    return pads.indexOf(look.talk());
  }

  /** {@return the first bit that says a look, of all bits of all pads} */
  int place(Look.Frame look) {
    Asking asking = asking(look.talk());
    return firstBits.get(look.talk())
        + (look.axis() ? asking.axes() : asking.buttons()).get(look.says());
  }
}
