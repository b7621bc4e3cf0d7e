package kumite.signal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Terminal;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Pads of chips as an event-driven simulator of logic dumped them on 2026-11-30 (an outside one,
 * from Debian; {@code benchmarks/run signals} writes them anew). It had its own models of the two
 * chips and joined them by the numbers of their pins alone, so these tables are tried too.
 */
public class OutsideDumpTest {
  @DataProvider
  public Object[][] dumps() {
    List<Object[]> all = new ArrayList<>();
    for (String kind : List.of("select-line-3", "serial-latch-8", "serial-latch-16")) {
      for (int i = 1; i <= 4; i++) {
        all.add(new Object[] {kind, i});
      }
    }
    return all.toArray(Object[][]::new);
  }

  private static String text(String kind, int number) throws IOException {
    String name = "/kumite/signal/outside/" + kind + "-" + number + ".vcd";
    try (var in = OutsideDumpTest.class.getResourceAsStream(name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static Set<String> held(String text) {
    String first = text.lines().findFirst().orElseThrow();
    String names = first.replace("$comment held", "").replace("$end", "").strip();
    return names.isEmpty() ? Set.of() : new TreeSet<>(List.of(names.split(",")));
  }

  /** What our reader would take from the outside pad's lines is what hands hold there. */
  @Test(dataProvider = "dumps")
  public void theOutsidePadAnswersOurReader(String id, int number) throws IOException {
    PortKind kind = PortFile.find(PortFile.standard(), id).orElseThrow();
    String text = text(id, number);
    Dump dump = new Dump(text);
    Set<String> read = new TreeSet<>();
    for (Taken taken : kind.mechanism().taken(kind)) {
      boolean high = dump.high(taken.line(), Play.REST_NS + taken.afterNs() - 1);
      if (!high) {
        taken.button().ifPresent(read::add);
      }
    }
    assertThat(read).isEqualTo(new TreeSet<>(held(text)));
    if (kind.mechanism() instanceof SerialLatch) {
      assertThat(dump.high("data", dump.end())).as("a pad holds it low after the last").isFalse();
    }
  }

  /** Edge by edge the console's lines are ours, and at each moment it looks so are the pad's. */
  @Test(dataProvider = "dumps")
  public void ourPadOfChipsAndTheOutsideOneSayTheSame(String id, int number) throws IOException {
    PortKind kind = PortFile.find(PortFile.standard(), id).orElseThrow();
    String text = text(id, number);
    Dump dump = new Dump(text);
    Play play = play(kind, held(text));
    for (SignalLine line : kind.lines()) {
      if (line.from() == SignalLine.From.CONSOLE) {
        List<Waveform.Change> ours = play.waveform().of(line.name());
        for (Waveform.Change change : ours) {
          assertThat(dump.high(line.name(), change.atNs()))
              .as("%s at %d", line.name(), change.atNs())
              .isEqualTo(change.level() == Level.HIGH);
          if (change.atNs() > 0) {
            assertThat(dump.high(line.name(), change.atNs() - 1))
                .as("%s turns at %d", line.name(), change.atNs())
                .isEqualTo(change.level() == Level.LOW);
          }
        }
      }
    }
    for (Taken taken : kind.mechanism().taken(kind)) {
      long at = Play.REST_NS + taken.afterNs() - 1;
      assertThat(play.waveform().at(taken.line(), at) == Level.HIGH)
          .as("%s at %d", taken.line(), at)
          .isEqualTo(dump.high(taken.line(), at));
    }
  }

  /** The chips of our board over a straight lead, with contacts that close to ground. */
  private static Play play(PortKind kind, Set<String> held) {
    BoardKind board = Catalogue.standard().circuit(kind).orElseThrow();
    Circuit circuit = board.circuit().orElseThrow();
    Map<String, Integer> nets = new HashMap<>();
    Map<Integer, Level> rails = new HashMap<>();
    for (Circuit.Way way : circuit.ways()) {
      if (way instanceof Circuit.Straight straight) {
        nets.put(straight.out(), net(nets, straight.in()));
      }
    }
    for (SignalLine line : kind.lines()) {
      nets.put("line " + line.name(), net(nets, board.line(line.name()).orElseThrow().name()));
    }
    rails.put(net(nets, "GND"), Level.LOW);
    rails.put(net(nets, "VCC"), Level.HIGH);
    Set<String> inputs = new TreeSet<>();
    List<Terminal> terminals = board.terminals(Terminal.Role.INPUT);
    for (int i = 0; i < terminals.size(); i++) {
      inputs.add(terminals.get(i).name());
      if (held.contains(kind.buttons().get(i))) {
        rails.put(net(nets, terminals.get(i).name()), Level.LOW);
      }
    }
    Play.Over over =
        new Play.Over(
            pin -> net(nets, pin.side() == Pin.CONSOLE ? "line " + pin.line() : pin.line()),
            List.of(1),
            Set.of(),
            rails);
    return Play.over(kind, circuit, inputs, 1, Tempo.usual(kind), over);
  }

  private static int net(Map<String, Integer> nets, String name) {
    Integer known = nets.get(name);
    if (known == null) {
      known = nets.size() + 1; // two names of one net leave a number out
      nets.put(name, known);
    }
    return known;
  }
}
