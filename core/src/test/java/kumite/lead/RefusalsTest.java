package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import kumite.kind.WireColour;
import kumite.lead.LeadPart.Place;
import kumite.measure.Point;
import kumite.ringout.Reading;
import kumite.ringout.RingOut;
import kumite.working.Source;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Values that cannot be are not made; the message says why in words of the bench. */
public class RefusalsTest {
  private static final Plugs PLUGS = Plugs.standard();
  private static final WireColour BROWN = WireColour.parse("BN");
  private static final Place ONE = new Place(Where.FROM, "1");

  private static Lead lead(List<Core> cores, List<LeadPart> parts) {
    End.Plug end = End.Plug.of("nine-pin", Gender.MALE);
    return new Lead("L", end, end, cores, parts, Cable.forCores(2), List.of());
  }

  private static Core core(String from, String to) {
    return new Core(from, to, BROWN, Optional.empty());
  }

  private static ConnectorKind kind(String id, List<ConnectorKind.Pin> pins) {
    ConnectorKind nine = PLUGS.needed("nine-pin");
    return new ConnectorKind(
        id,
        "K",
        "m",
        pins,
        nine.outline(),
        List.of(),
        List.of(),
        "n",
        nine.wired(),
        1,
        Gender.MALE,
        Source.given("g"));
  }

  private static ConnectorKind.Pin pin(String name, double x) {
    return new ConnectorKind.Pin(name, new Point(x, 0));
  }

  private static RingOut ring(Map<String, String> likely, Reading... readings) {
    RingOut plain = RingOut.of("R", PLUGS.needed("header-3"), PLUGS.needed("header-3"));
    return plain.withReadings(List.of(readings)).withLikely(likely);
  }

  private static Object[] row(Supplier<?> made, String why) {
    return new Object[] {made, why};
  }

  @DataProvider
  public Object[][] impossible() {
    return new Object[][] {
      row(() -> lead(List.of(core("1", "2"), core("1", "2")), List.of()), "is there twice"),
      row(() -> lead(List.of(), List.of(new LeadPart.Series("1", "2", 100))), "no such core"),
      row(() -> core(" ", "2"), "pin that a core comes from"),
      row(() -> lead(List.of(), List.of(new LeadPart.Diode("1", "2", Where.TO))), "no such core"),
      row(() -> lead(List.of(), List.of(new LeadPart.Drain(ONE))), "no shield"),
      row(() -> new LeadPart.ResistorAcross(ONE, ONE, 100), "needs two pins"),
      row(() -> new LeadPart.CapacitorAcross(ONE, ONE.across(), 5), "capacitor in F"),
      row(() -> new LeadPart.Bridge(ONE, "1"), "joins two pins"),
      row(() -> new LeadPart.PullUp(ONE, 0), "pull-up in ohm"),
      row(() -> new LeadPart.CapacitorToGround(ONE, 5), "capacitor in F"),
      row(() -> new Cable(0, 26, 1000, 0), "cores of the cable"),
      row(() -> new Cable(9, 50, 1000, 0), "gauge in AWG"),
      row(() -> new Cable(9, 26, 1, 0), "length of the lead"),
      row(() -> new Cable(9, 26, 1000, -1), "outer diameter"),
      row(() -> kind("Nine", List.of(pin("1", 0))), "no id of a connector"),
      row(() -> kind("nine", List.of()), "number of pins"),
      row(() -> kind("nine", List.of(pin("1", 0), pin("1", 2))), "two pins called"),
      row(() -> kind("nine", List.of(pin("1", 0), pin("2", 0))), "another pin where"),
      row(() -> new Wired(Wired.How.CRIMP, 3, 30, 20, "t"), "thinnest wire"),
      row(() -> new Function.Own(" "), "function of a pin"),
      row(() -> new Function.Own("x".repeat(41)), "40 letters"),
      row(() -> new Turn(4, false), "quarter turns"),
      row(() -> ring(Map.of("1", "9")), "no place \"9\" at the far end"),
      row(() -> ring(Map.of("7", "1")), "no place \"7\" at the near end"),
      row(() -> new Reading(Set.of(), Set.of(ONE), true), "both probes"),
      row(() -> new Reading(Set.of(ONE), Set.of(ONE), true), "touches 1 with both probes"),
      row(
          () -> ring(Map.of(), new Reading(Set.of(new Place(Where.TO, "8")), Set.of(ONE), true)),
          "reading 1: there is no place \"8\""),
    };
  }

  @Test(dataProvider = "impossible")
  public void whatCannotBeIsNotMade(Supplier<?> made, String why) {
    assertThatThrownBy(made::get)
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(why);
  }

  /** A name that is known in another writing is the known function; any other is the builder's. */
  @Test
  public void functionsAreKnownByTheirNames() {
    for (Function.Known known : Function.Known.values()) {
      for (String words :
          List.of(
              known.words(),
              known.words().toUpperCase(java.util.Locale.ROOT),
              " " + known.words().replace(' ', '_'))) {
        assertThat(Function.named(words)).isEqualTo(known);
      }
    }
    assertThat(Function.named("Bell")).isEqualTo(new Function.Own("bell"));
    List<String> seen = new ArrayList<>();
    for (Turn turn : Turn.all()) {
      seen.add(turn.title());
      seen.add(turn.words());
    }
    assertThat(seen).doesNotHaveDuplicates();
  }
}
