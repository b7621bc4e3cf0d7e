package kumite.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is known of the mechanisms from outside, each with its source. */
public class SignalFactsTest {
  private static PortKind kind(String id) {
    return PortFile.find(PortFile.standard(), id).orElseThrow();
  }

  private static Dump dump(String id, String... held) {
    PortKind kind = kind(id);
    Held hands = Held.of(kind, List.of(held));
    return new Dump(Vcd.write(Play.straight(kind, hands, 1, Tempo.usual(kind)).waveform(), id));
  }

  /** Latch 12 us, 6 us later pulses of 6 and 6 us: common practice; 210 us in all by sum. */
  @Test
  public void aRegisterIsClockedAsEverybodyDoes() {
    Dump dump = dump("serial-latch-16", "B");
    assertThat(dump.widths("latch", '1')).containsExactly(12_000L);
    long fall = dump.edges("latch", '0').get(0);
    assertThat(dump.edges("clock", '0').get(0) - fall).isEqualTo(6_000);
    assertThat(dump.widths("clock", '0')).hasSize(16).containsOnly(6_000L);
    assertThat(dump.edges("clock", '1').get(15) + 6_000 - dump.edges("latch", '1').get(0))
        .isEqualTo(210_000);
    assertThat(dump.high("data", fall + 3_000)).as("the first is there before any clock").isFalse();
    assertThat(dump.high("data", fall + 13_000)).as("and goes as the clock rises").isTrue();
    assertThat(dump.high("data", dump.end())).as("a pad holds it low after the last").isFalse();
  }

  /** Order of the bits, from common practice: a held one is the only low among sixteen. */
  @DataProvider
  public Object[][] orders() {
    return new Object[][] {
      {"serial-latch-16", "B Y Select Start Up Down Left Right A X L R"},
      {"serial-latch-8", "A B Select Start Up Down Left Right"},
    };
  }

  @Test(dataProvider = "orders")
  public void bitsComeInOrder(String id, String order) {
    List<String> names = List.of(order.split(" "));
    for (int i = 0; i < names.size(); i++) {
      int place = i;
      List<Boolean> bits = dump(id, names.get(i)).whileLow("clock", "data");
      assertThat(IntStream.range(0, bits.size()).filter(b -> !bits.get(b)).boxed())
          .containsExactly(place);
    }
  }

  /** Rows of the select line's truth table: common practice for three, from memory for six. */
  @DataProvider
  public Object[][] phases() {
    return new Object[][] {
      // kind, phase, held, lines that are low
      {"select-line-3", 0, "Up Left B", "up left fire"},
      {"select-line-3", 0, "A Start", ""},
      {"select-line-3", 0, "C Right Down", "fire_2 right down"},
      {"select-line-3", 1, "", "left right"},
      {"select-line-3", 1, "A", "left right fire"},
      {"select-line-3", 1, "Start Up", "left right fire_2 up"},
      {"select-line-3", 1, "Left Right B C", "left right"},
      {"select-line-6", 5, "", "up down left right"},
      {"select-line-6", 6, "Z", "up"},
      {"select-line-6", 6, "Y", "down"},
      {"select-line-6", 6, "X", "left"},
      {"select-line-6", 6, "Mode", "right"},
      {"select-line-6", 6, "Up Down", ""},
    };
  }

  @Test(dataProvider = "phases")
  public void theSelectLinePicks(String id, int phase, String held, String low) {
    PortKind kind = kind(id);
    Held hands = Held.of(kind, held.isEmpty() ? List.of() : List.of(held.split(" ")));
    Map<String, Level> truth = ((Phased) kind.mechanism()).truth(kind, phase, hands);
    Set<String> lows =
        truth.entrySet().stream()
            .filter(entry -> entry.getValue() == Level.LOW)
            .map(Map.Entry::getKey)
            .collect(Collectors.toSet());
    assertThat(lows).isEqualTo(low.isEmpty() ? Set.of() : Set.copyOf(List.of(low.split(" "))));
  }

  /** A quad two-to-one multiplexer's function: select low gives A, high gives B (74HC157). */
  @Test
  public void theSameSixLinesSayEightThings() {
    Dump dump = dump("select-line-3", "Start", "C");
    long low = dump.edges("select", '0').get(0);
    assertThat(dump.at("fire_2", low - 1)).as("C").isEqualTo('0');
    assertThat(dump.at("left", low - 1)).isEqualTo('1');
    assertThat(dump.at("left", low + 3_000)).as("forced low").isEqualTo('0');
    assertThat(dump.at("fire_2", low + 3_000)).as("Start").isEqualTo('0');
  }

  /** Odd parity, worked by hand: 0x1C has three ones, 0xF0 four, 0x00 none. */
  @DataProvider
  public Object[][] frames() {
    return new Object[][] {
      {0x1C, "00011100001"}, {0xF0, "00000111111"}, {0xAA, "00101010111"}, {0x00, "00000000011"},
    };
  }

  @Test(dataProvider = "frames")
  public void aByteIsFramedWithOddParity(int value, String bits) {
    assertThat(KeyFrame.frame(value).stream().map(b -> b ? "1" : "0").collect(Collectors.joining()))
        .isEqualTo(bits);
  }

  /** Between 10 and 16.7 kHz, data standing while the clock is low (from memory). */
  @Test
  public void aKeyboardClocksInItsBand() {
    Dump dump = dump("keyboard-frame", "A");
    List<Long> falls = dump.edges("clock", '0');
    assertThat(falls).hasSize(11);
    for (int i = 1; i < falls.size(); i++) {
      assertThat(1e6 / (falls.get(i) - falls.get(i - 1))).isBetween(10.0, 16.7);
    }
    for (long turn : dump.edges("data", '0')) {
      assertThat(dump.at("clock", turn)).as("data turns while the clock is high").isEqualTo('1');
    }
  }

  /** t = 24.2 us + 0.011 us for each ohm (a game adapter's reference, from memory). */
  @DataProvider
  public Object[][] shots() {
    return new Object[][] {{0.0, 24.2}, {0.25, 299.2}, {0.5, 574.2}, {1.0, 1124.2}};
  }

  @Test(dataProvider = "shots")
  public void aPotTimesItsShot(double at, double us) {
    assertThat(dump("one-shot-15", "X=" + at).widths("pot_x", '1').get(0) / 1000.0)
        .isCloseTo(us, within(0.001));
  }

  /** Ten bits at 115 200 baud are 86.8 us (by division). */
  @Test
  public void aByteTakesTenBits() {
    List<Long> falls = dump("serial-bytes").edges("data", '0');
    // The frame's first byte, 0xA5, and the next: from start to start.
    assertThat(falls.stream().mapToLong(f -> f - falls.get(0)).boxed())
        .anySatisfy(ns -> assertThat(ns / 1000.0).isCloseTo(86.8, within(0.05)));
  }

  /** 3 us low is a zero, 1 us a one, four in all, and nobody drives it high (from memory). */
  @Test
  public void pulsesAreShortAndLong() {
    Dump dump = dump("one-wire-pulse", "A");
    assertThat(dump.widths("data", '0')).containsOnly(1_000L, 3_000L).hasSize(42);
    List<Long> falls = dump.edges("data", '0');
    assertThat(falls.get(1) - falls.get(0)).isEqualTo(4_000);
  }

  /** About 250 kHz, the clock idling high, least bit first (from memory). */
  @Test
  public void packetsAreClockedAtAQuarterMegahertz() {
    Dump dump = dump("packet");
    List<Long> falls = dump.edges("clock", '0');
    assertThat(falls.get(1) - falls.get(0)).isEqualTo(4_000);
    assertThat(falls).hasSize(9 * 8);
    assertThat(dump.at("clock", falls.get(0) - 1)).isEqualTo('1');
  }

  /**
   * Check values: CRC-16/USB of "123456789" is 0xB4C8 (catalogue of parametrised CRC algorithms,
   * from memory); address 0x15 with endpoint 0xE gives the bits 10111 (the USB white paper on CRC,
   * from memory).
   */
  @Test
  public void checksAreThePublishedOnes() {
    assertThat(UsbPackets.crc16("123456789".chars().boxed().toList())).isEqualTo(0xB4C8);
    assertThat(UsbPackets.crc16(List.of(0, 1, 2, 3))).isEqualTo(0x7AEF);
    assertThat(UsbPackets.crc5(0x15, 0xE)).isEqualTo(0b11101);
    assertThat(UsbPackets.crc5(0x3A, 0xA)).isEqualTo(0b00111);
  }

  /** A device at full speed holds D+ high by 1.5 kohm against 15 (USB 2.0, 7.1.5). */
  @Test
  public void aFullSpeedPadLiftsTheFirstLine() {
    Dump dump = dump("usb-pad");
    assertThat(dump.at("data_plus", 50_000)).isEqualTo('1');
    assertThat(dump.at("data_minus", 50_000)).isEqualTo('0');
    PortKind kind = kind("usb-pad");
    Play none =
        Play.over(kind, pad -> Held.NOTHING, 1, Tempo.usual(kind), Play.Over.straight().empty());
    assertThat(none.waveform().at("data_plus", 50_000)).isEqualTo(Level.LOW);
  }

  /** What shifts on the fall is read before it; taken before the rise the first would be lost. */
  @Test
  public void aRegisterOfTheOtherEdgeIsReadToo() {
    PortKind rise = kind("serial-latch-16");
    Held held = Held.of(rise, List.of("B", "X"));
    for (SerialLatch.Shift shift : SerialLatch.Shift.values()) {
      PortKind kind =
          new PortKind(
              rise.id(),
              rise.what(),
              rise.pinout(),
              rise.volts(),
              rise.worksFromVolts(),
              rise.lineVolts(),
              rise.lines(),
              rise.times(),
              rise.order(),
              rise.axes(),
              new SerialLatch(shift, SerialLatch.Take.BEFORE_FALL),
              rise.source());
      Play play = Play.straight(kind, held, 1, Tempo.usual(kind));
      assertThat(play.readings().get(0).held()).as("%s", shift).isEqualTo(held.buttons());
    }
  }

  /** Clock and latch swapped: every button of a held pad is lost or unclear, none is invented. */
  @Test
  public void clockAndLatchSwappedReadNothingOfThePad() {
    PortKind kind = kind("serial-latch-16");
    Map<String, Integer> nets = Map.of("latch", 0, "clock", 1, "data", 2);
    Play.Over swapped =
        new Play.Over(
            pin ->
                pin.side() == Pin.CONSOLE
                    ? nets.get(pin.line())
                    : nets.get(
                        pin.line().equals("latch")
                            ? "clock"
                            : pin.line().equals("clock") ? "latch" : "data"),
            List.of(1),
            Set.of());
    Held held = Held.of(kind, List.of("Y"));
    Reading reading =
        Play.over(kind, pad -> pad == 1 ? held : Held.NOTHING, 1, Tempo.usual(kind), swapped)
            .readings()
            .get(0);
    // The clock latches at each high and the latch never shifts, so all bits show the first.
    assertThat(reading.held()).isEmpty();
    Held first = Held.of(kind, List.of("B"));
    Reading all = Play.over(kind, pad -> first, 1, Tempo.usual(kind), swapped).readings().get(0);
    assertThat(all.held()).as("all bits show the first button").hasSize(12);
  }
}
