package kumite.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Laws of all mechanisms: what is held comes out, at any times within the limits. */
public class SignalLawTest {
  private static final int PLAYS = 40;

  @DataProvider
  public Object[] kinds() {
    return PortFile.standard().toArray();
  }

  private static Held drawn(PortKind kind, SplittableRandom random) {
    Set<String> buttons = new LinkedHashSet<>();
    boolean keys = kind.mechanism() instanceof KeyFrame;
    for (String button : kind.buttons()) {
      if (random.nextInt(keys ? 12 : 2) == 0) {
        buttons.add(button);
      }
    }
    Map<String, Double> axes = new LinkedHashMap<>();
    kind.axes().forEach(axis -> axes.put(axis, random.nextInt(256) / 255.0));
    return new Held(buttons, axes);
  }

  private static int frames(PortKind kind, Held held) {
    return kind.mechanism() instanceof KeyFrame ? 2 + 2 * held.buttons().size() : 2;
  }

  /** The console's side reads what is held, also when every time is drawn between its limits. */
  @Test(dataProvider = "kinds")
  public void whatIsHeldIsRead(PortKind kind) {
    SplittableRandom random = new SplittableRandom(kind.id().hashCode());
    for (int i = 0; i < PLAYS; i++) {
      Held held = drawn(kind, random);
      Tempo tempo = i == 0 ? Tempo.usual(kind) : Tempo.of(kind, OptionalLong.of(random.nextLong()));
      Play play = Play.straight(kind, held, frames(kind, held), tempo);
      boolean silent = kind.mechanism() instanceof KeyFrame && held.buttons().isEmpty();
      if (silent) {
        assertThat(play.readings()).as("a keyboard without a key says nothing").isEmpty();
        continue;
      }
      Reading last = play.readings().get(play.readings().size() - 1);
      assertThat(last.held()).as("%s, play %s", kind.id(), i).isEqualTo(held.buttons());
      held.axes()
          .forEach(
              (axis, at) -> assertThat(last.axes().get(axis)).isCloseTo(at, within(1 / 127.0)));
      assertThat(last.buttons().values()).doesNotContain(Answer.UNCLEAR);
    }
  }

  @DataProvider
  public Object[] asked() {
    return PortFile.standard().stream()
        .filter(kind -> kind.mechanism().asking(kind).isPresent())
        .toArray();
  }

  /**
   * A program's steps hear what is held, however quick or slow the pad is; a packet pad that never
   * acknowledges too, and a line that is lost makes no button.
   */
  @Test(dataProvider = "asked")
  public void theStepsOfAProgramHearIt(PortKind kind) {
    SplittableRandom random = new SplittableRandom(3L + kind.id().hashCode());
    for (int i = 0; i < PLAYS; i++) {
      Held held = drawn(kind, random);
      Tempo tempo = i == 0 ? Tempo.usual(kind) : Tempo.of(kind, OptionalLong.of(random.nextLong()));
      for (Reading reading :
          Play.asked(kind, pad -> held, 3, tempo, Play.Over.straight()).readings()) {
        assertThat(reading.held()).as("%s, play %s", kind.id(), i).isEqualTo(held.buttons());
        held.axes()
            .forEach(
                (axis, at) ->
                    assertThat(reading.axes().get(axis)).isCloseTo(at, within(1 / 510.0)));
        assertThat(reading.buttons().values()).doesNotContain(Answer.UNCLEAR);
      }
      String lost = kind.lines().get(random.nextInt(kind.lines().size())).name();
      Reading reading = Play.heard(kind, List.of(held), without(lost)).orElseThrow();
      assertThat(held.buttons()).as("%s without %s", kind.id(), lost).containsAll(reading.held());
      if (lost.equals("acknowledge")) {
        assertThat(reading.held()).isEqualTo(held.buttons());
      }
    }
  }

  private static Play.Over without(String lost) {
    Map<Pin, Integer> nets = new HashMap<>();
    return new Play.Over(
        pin ->
            nets.computeIfAbsent(
                new Pin(pin.line().equals(lost) ? pin.side() : 0, pin.line()), p -> nets.size()),
        List.of(1),
        Set.of());
  }

  /**
   * Between two readings a pad is left alone long enough even where a look is late, and no longer.
   */
  @Test(dataProvider = "asked")
  public void aPadHasItsPause(PortKind kind) {
    Asking asking = kind.mechanism().asking(kind).orElseThrow();
    SplittableRandom random = new SplittableRandom(5);
    for (int i = 0; i < 200; i++) {
      long look = 1000L * random.nextInt(100, 6000);
      long step = random.nextInt(200, 8000);
      int every = asking.everyLooks(look, step);
      long takes = 0;
      for (Asking.Step one : asking.steps()) {
        long stands = one instanceof Asking.Step.Drive drive ? drive.forNs() : 0;
        takes += Math.max(step, (stands + step - 1) / step * step);
      }
      assertThat(asking.takesNs(step)).isEqualTo(takes);
      if (asking.pauseNs() == 0) {
        assertThat(every).isEqualTo(1);
      } else {
        assertThat((every - 1) * look - takes).isGreaterThanOrEqualTo(asking.pauseNs());
        assertThat((every - 2) * look - takes).isLessThan(asking.pauseNs());
      }
    }
  }

  /** The same by decoders that know the dump alone. */
  @Test(dataProvider = "kinds")
  public void aDecoderOfTheDumpReadsTheSame(PortKind kind) {
    SplittableRandom random = new SplittableRandom(7L + kind.id().hashCode());
    for (int i = 0; i < PLAYS; i++) {
      Held held = drawn(kind, random);
      Tempo tempo = i == 0 ? Tempo.usual(kind) : Tempo.of(kind, OptionalLong.of(random.nextLong()));
      int frames = kind.mechanism() instanceof KeyFrame ? frames(kind, held) : 1;
      Play play = Play.straight(kind, held, frames, tempo);
      Dump dump = new Dump(Vcd.write(play.waveform(), kind.id()));
      assertThat(dump.names()).isEqualTo(kind.lines().stream().map(SignalLine::name).toList());
      assertThat(dump.end()).isEqualTo(play.waveform().endNs());
      decoded(kind, held, dump);
    }
  }

  private static void decoded(PortKind kind, Held held, Dump dump) {
    if (kind.mechanism() instanceof SerialLatch) {
      assertThat(dump.whileLow("clock", "data"))
          .isEqualTo(kind.order().stream().map(b -> !held.holds(b)).toList());
    } else if (kind.mechanism() instanceof PulsedWire) {
      List<Boolean> bits = dump.pulses("data");
      assertThat(bits.subList(0, 9))
          .as("the question, 1, and its stop bit")
          .containsExactly(false, false, false, false, false, false, false, true, true);
      assertThat(bits).hasSize(9 + 32 + 1);
      for (int b = 0; b < 16; b++) {
        assertThat(bits.get(9 + b)).isEqualTo(held.holds(kind.order().get(b)));
      }
    } else if (kind.mechanism() instanceof Packet) {
      List<Integer> says = Dump.toBytes(dump.onRise("clock", "data", 0));
      assertThat(Dump.toBytes(dump.onRise("clock", "command", 0)).subList(0, 3))
          .containsExactly(1, 66, 0);
      assertThat(says.subList(0, 3)).containsExactly(255, 115, 90);
      for (int b = 0; b < 16; b++) {
        assertThat((says.get(3 + b / 8) >> b % 8 & 1) == 0)
            .isEqualTo(held.holds(kind.order().get(b)));
      }
      assertThat(dump.widths("acknowledge", '0')).hasSize(says.size());
    } else if (kind.mechanism() instanceof KeyFrame keys) {
      List<Integer> sent = new ArrayList<>();
      held.buttons().forEach(key -> sent.addAll(keys.codes().get(key)));
      List<Integer> got = new ArrayList<>();
      List<Boolean> bits = dump.whileLow("clock", "data");
      for (int f = 0; f + 11 <= bits.size(); f += 11) {
        List<Boolean> frame = bits.subList(f, f + 11);
        assertThat(frame.get(0)).as("start").isFalse();
        assertThat(frame.get(10)).as("stop").isTrue();
        assertThat(frame.subList(1, 10).stream().filter(b -> b).count() % 2).as("odd").isOne();
        got.addAll(Dump.toBytes(frame.subList(1, 9)));
      }
      assertThat(got.subList(0, Math.min(got.size(), sent.size()))).isEqualTo(sent);
    } else if (kind.mechanism() instanceof SerialBytes) {
      List<Integer> bytes = dump.bytes("data", 1e9 / 115_200);
      assertThat(bytes).hasSizeGreaterThanOrEqualTo(4).startsWith(0xA5);
      assertThat((bytes.get(1) + bytes.get(2)) % 256).isEqualTo(bytes.get(3));
      for (int b = 0; b < 16; b++) {
        assertThat((bytes.get(1 + b / 8) >> b % 8 & 1) == 1)
            .isEqualTo(held.holds(kind.order().get(b)));
      }
    } else if (kind.mechanism() instanceof UsbPad) {
      List<List<Integer>> packets = dump.packets(1000 / 12.0);
      assertThat(packets).as("question, report, thanks").hasSize(3);
      assertThat(packets.get(0).get(1)).isEqualTo(0x69);
      assertThat(packets.get(1).get(1)).isEqualTo(0xC3);
      assertThat(packets.get(2)).containsExactly(0x80, 0xD2);
      for (int b = 0; b < 8; b++) {
        assertThat((packets.get(1).get(2) >> b & 1) == 1)
            .isEqualTo(held.holds(kind.order().get(b)));
      }
    } else if (kind.mechanism() instanceof OneShot) {
      List<String> pots = List.of("pot_x", "pot_y", "pot_x_2", "pot_y_2");
      for (int a = 0; a < 4; a++) {
        double us = dump.widths(pots.get(a), '1').get(0) / 1000.0;
        double ohm = held.at(kind.axes().get(a)) * 100_000;
        assertThat(us).isCloseTo(24.2 + 0.011 * ohm, within(0.9));
      }
    } else if (kind.mechanism() instanceof Phased phased) {
      assertThat(phased.phases()).isNotEmpty();
      boolean select = phased.select().isPresent();
      long first = select ? dump.edges("select", '0').get(0) - 1 : dump.end();
      assertThat(!dump.high("up", first)).isEqualTo(held.holds("Up"));
      assertThat(!dump.high("fire", first)).isEqualTo(held.holds(select ? "B" : "Fire"));
      if (select) {
        long low = dump.edges("select", '1').get(0) - 1;
        assertThat(dump.at("left", low)).as("the host knows the pad by it").isEqualTo('0');
        assertThat(!dump.high("fire_2", low)).isEqualTo(held.holds("Start"));
      }
    }
  }

  /** An empty socket is never read as held, and is told where the mechanism tells it. */
  @Test(dataProvider = "kinds")
  public void nobodyIsNobody(PortKind kind) {
    Held all = new Held(new LinkedHashSet<>(kind.buttons()), Map.of());
    Play play = Play.over(kind, pad -> all, 3, Tempo.usual(kind), Play.Over.straight().empty());
    for (Reading reading : play.readings()) {
      assertThat(reading.held()).isEmpty();
      assertThat(reading.presence()).isNotEqualTo(Answer.YES);
    }
    boolean tells = !kind.id().equals("direct-9") && !kind.id().equals("keyboard-frame");
    assertThat(play.readings().stream().anyMatch(r -> r.presence() == Answer.NO)).isEqualTo(tells);
  }

  /** Each line on its own, lost: whatever is read then is no wrong button told as sure. */
  @Test(dataProvider = "kinds")
  public void aLostLineNeverMakesAButton(PortKind kind) {
    SplittableRandom random = new SplittableRandom(11);
    for (SignalLine lost : kind.lines()) {
      for (int i = 0; i < 6; i++) {
        Held held = drawn(kind, random);
        Map<Pin, Integer> nets = new HashMap<>();
        Play.Over over =
            new Play.Over(
                pin ->
                    nets.computeIfAbsent(
                        pin.line().equals(lost.name()) ? pin : new Pin(0, pin.line()),
                        key -> nets.size()),
                List.of(1),
                Set.of());
        Play play =
            Play.over(kind, pad -> pad == 1 ? held : Held.NOTHING, 3, Tempo.usual(kind), over);
        for (Reading reading : play.readings()) {
          if (!mayShift(kind, lost)) {
            assertThat(held.buttons())
                .as("%s without %s", kind.id(), lost.name())
                .containsAll(reading.held());
          }
        }
      }
    }
  }

  /**
   * Without latch a register is clocked empty and without select a phase is taken for another, so
   * the level that comes is a clear one of something else: then the reader says that nobody is
   * there, or what the lines truly carry.
   */
  private static boolean mayShift(PortKind kind, SignalLine lost) {
    return lost.name().equals("latch")
        || lost.name().equals("clock")
        || lost.name().equals("select");
  }

  /** Two pads on one data line are unclear wherever they differ. */
  @Test
  public void twoPadsOnOneDataLineAreUnclear() {
    PortKind kind = PortFile.find(PortFile.standard(), "serial-latch-16").orElseThrow();
    Held held = Held.of(kind, List.of("A", "Start"));
    Map<String, Integer> nets = new HashMap<>();
    Play.Over both =
        new Play.Over(
            pin -> nets.computeIfAbsent(pin.line(), line -> nets.size()), List.of(1, 2), Set.of());
    Reading reading =
        Play.over(kind, pad -> pad == 1 ? held : Held.NOTHING, 1, Tempo.usual(kind), both)
            .readings()
            .get(0);
    reading
        .buttons()
        .forEach(
            (name, answer) ->
                assertThat(answer)
                    .as(name)
                    .isEqualTo(held.holds(name) ? Answer.UNCLEAR : Answer.NO));
  }

  /** Equal seeds give equal dumps, and other seeds other ones. */
  @Test(dataProvider = "kinds")
  public void aSeedIsAPlay(PortKind kind) {
    Held held = Held.of(kind, kind.buttons().subList(0, 2));
    String one = dump(kind, held, 5);
    assertThat(dump(kind, held, 5)).isEqualTo(one);
    assertThat(dump(kind, held, 6)).isNotEqualTo(one);
  }

  private static String dump(PortKind kind, Held held, long seed) {
    Tempo tempo = Tempo.of(kind, OptionalLong.of(seed));
    return Vcd.write(Play.straight(kind, held, 2, tempo).waveform(), kind.id());
  }
}
