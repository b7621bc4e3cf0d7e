package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kumite.kind.WireColour;
import kumite.leads.LeadChecks;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is refused of leads, what the meter is asked, and in which order a lead is made. */
public class LeadTruthsTest {
  private static final Plugs PLUGS = Plugs.standard();

  private static Core core(String from, String to) {
    return new Core(from, to, WireColour.parse("BN"), Optional.empty());
  }

  private static Lead lead(String connector, Gender from, Gender to, String... pairs) {
    List<Core> cores = new ArrayList<>();
    for (String pair : pairs) {
      cores.add(core(pair.split(">")[0], pair.split(">")[1]));
    }
    return new Lead(
        "L",
        End.Plug.of(connector, from),
        End.Plug.of(connector, to),
        cores,
        List.of(),
        Cable.forCores(Math.max(1, cores.size())),
        List.of());
  }

  /** Pins go into sockets: of the four ways two halves meet, two are refused. */
  @Test
  public void socketsDoNotGoIntoSockets() {
    for (Gender one : Gender.values()) {
      for (Gender other : Gender.values()) {
        Lead first = lead("nine-pin", Gender.MALE, one, "1>1", "8>8");
        Lead second = lead("nine-pin", other, Gender.FEMALE, "1>2", "8>8");
        if (one == other) {
          assertThatThrownBy(() -> Making.joined(List.of(first, second)))
              .hasMessageContaining("pins in sockets");
        } else {
          assertThat(Making.joined(List.of(first, second)).cores()).hasSize(2);
        }
      }
    }
  }

  /** What is joined no lead parts again. */
  @Test
  public void joinedPinsCannotBeUndone() {
    Lead joins = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1", "2>1", "8>8");
    Lead splits = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1", "1>2", "8>8");
    for (Lead lead : List.of(joins, splits)) {
      assertThatThrownBy(() -> Making.inverse(lead)).hasMessageContaining("joins pins");
    }
    Lead whole = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>3", "3>1", "8>8");
    Lead both = Making.joined(List.of(whole, Making.inverse(whole)));
    assertThat(both.cores()).allMatch(c -> c.from().equals(c.to()));
  }

  @Test
  public void aHeadWithoutCoresAndANameWithoutEndAreNoLead() {
    ConnectorKind nine = PLUGS.needed("nine-pin");
    LeadTable table = new LeadTable(nine, Optional.empty(), nine, Optional.empty());
    assertThatThrownBy(() -> table.read("from,to,role,colour\n"))
        .hasMessageContaining("a head and no core");
    Lead plain = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1");
    assertThatThrownBy(() -> plain.named("x".repeat(100_000)))
        .hasMessageContaining("letters of a lead's name");
    assertThat(plain.named("x".repeat(Lead.MOST_LETTERS)).name()).hasSize(200);
  }

  @DataProvider
  public Object[][] kinds() {
    return List.of("nine-pin", "fifteen-pin", "usb", "header-7", "ribbon-5").stream()
        .map(id -> new Object[] {id})
        .toArray(Object[][]::new);
  }

  /**
   * Every two nets of which pins lie beside each other, between rows too, are touched: by the
   * places of the pins alone, the least distance of all times one and a half.
   */
  @Test(dataProvider = "kinds")
  public void everyPairThatAWhiskerCanJoinIsTouched(String id) {
    ConnectorKind kind = PLUGS.needed(id);
    String[] pairs = kind.names().stream().map(n -> n + ">" + n).toArray(String[]::new);
    Lead lead = lead(id, Gender.MALE, Gender.FEMALE, pairs);
    Set<Set<String>> touched = new HashSet<>();
    for (Chart.Test test : Chart.of(lead, PLUGS).tests()) {
      if (!test.joined()) {
        touched.add(Set.of(pin(test.one()), pin(test.other())));
      }
    }
    double least = Double.MAX_VALUE;
    for (ConnectorKind.Pin a : kind.pins()) {
      for (ConnectorKind.Pin b : kind.pins()) {
        least = a == b ? least : Math.min(least, a.at().distanceMm(b.at()));
      }
    }
    for (ConnectorKind.Pin a : kind.pins()) {
      for (ConnectorKind.Pin b : kind.pins()) {
        if (a != b && a.at().distanceMm(b.at()) <= 1.5 * least) {
          assertThat(touched).contains(Set.of(a.name(), b.name()));
        }
      }
    }
  }

  private static String pin(String words) {
    return words.replaceAll(".*pin (\\S+).*", "$1");
  }

  /** 2.2 kohm in a core does not beep: the meter shows ohms; 10 ohm beeps. */
  @Test
  public void aPartInACoreIsMeasured() {
    Lead plain = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1", "2>2", "8>8");
    for (double ohm : new double[] {2200, 10}) {
      Lead lead = plain.withParts(List.of(new LeadPart.Series("2", "2", ohm)));
      Chart chart = Chart.of(lead, PLUGS);
      List<Chart.Test> through =
          chart.tests().stream().filter(t -> t.joined() && t.one().contains("pin 2")).toList();
      assertThat(through).hasSize(1);
      assertThat(through.get(0).words()).isEqualTo(ohm > 100 ? "2.2 kohm" : "beep");
      assertThat(first(chart, "solder in")).isLessThan(first(chart, "take"));
    }
    assertThat(String.join(" ", Chart.of(plain, PLUGS).steps())).doesNotContain("hood");
    Lead hooded = plain.withSlips(List.of(new Slip(Where.FROM, Slip.Kind.HOOD)));
    assertThat(String.join(" ", Chart.of(hooded, PLUGS).steps())).contains("Close the hoods");
  }

  /** A diode does not beep: the diode range shows its volts, red where the band does not look. */
  @Test
  public void aDiodeIsMeasuredTheWayItLooks() {
    Lead plain = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>3", "2>2", "8>8");
    for (Where band : Where.values()) {
      Chart.Test test =
          Chart.of(plain.withParts(List.of(new LeadPart.Diode("1", "3", band))), PLUGS)
              .tests()
              .stream()
              .filter(Chart.Test::diode)
              .findFirst()
              .orElseThrow();
      assertThat(test.beep()).isFalse();
      assertThat(test.words()).startsWith("diode range, red at the first");
      assertThat(test.other())
          .isEqualTo("pin " + (band == Where.TO ? 3 : 1) + " of the " + band.words());
    }
  }

  /** Resistors between two cores: side by side they read less, and a small one beeps. */
  @Test
  public void aPartBetweenTwoCoresIsMeasured() {
    Lead plain = lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1", "2>2", "8>8");
    LeadPart.Place one = new LeadPart.Place(Where.FROM, "1");
    LeadPart.Place other = new LeadPart.Place(Where.TO, "2");
    Object[][] table = {
      {
        List.of(new LeadPart.ResistorAcross(one, new LeadPart.Place(Where.FROM, "2"), 1000)),
        "1 kohm"
      },
      {
        List.of(
            new LeadPart.ResistorAcross(one, new LeadPart.Place(Where.FROM, "2"), 1000),
            new LeadPart.ResistorAcross(other, new LeadPart.Place(Where.TO, "1"), 1000)),
        "500 ohm"
      },
      {List.of(new LeadPart.ResistorAcross(one, new LeadPart.Place(Where.FROM, "2"), 10)), "beep"},
      {List.of(new LeadPart.ResistorAcross(one, other, 1000)), "1 kohm"},
      {
        List.of(new LeadPart.CapacitorAcross(one, new LeadPart.Place(Where.FROM, "2"), 1e-7)),
        "silent"
      },
      {List.of(), "silent"},
    };
    for (Object[] row : table) {
      @SuppressWarnings("unchecked")
      List<LeadPart> parts = (List<LeadPart>) row[0];
      assertThat(Chart.of(plain.withParts(parts), PLUGS).tests())
          .filteredOn(t -> t.one().contains("pin 1 ") && t.other().contains("pin 2 "))
          .extracting(Chart.Test::words)
          .containsExactly((String) row[1]);
    }
  }

  /**
   * A moulded end is left as it is: no strip, no tube, no hood, and cable cut at the other only.
   */
  @Test
  public void aMouldedEndIsLeftAsItIs() {
    Lead plain =
        lead("nine-pin", Gender.MALE, Gender.FEMALE, "1>1", "8>8")
            .withSlips(
                List.of(new Slip(Where.FROM, Slip.Kind.HOOD), new Slip(Where.TO, Slip.Kind.HOOD)));
    Lead half = moulded(plain, Where.FROM);
    Lead whole = moulded(half, Where.TO);
    double length = plain.cable().lengthMm();
    assertThat(Chart.of(plain, PLUGS).cuts().get(0).lengthMm()).isEqualTo(length + 20);
    assertThat(Chart.of(half, PLUGS).cuts().get(0).lengthMm()).isEqualTo(length + 10);
    assertThat(Chart.of(half, PLUGS).cuts())
        .noneMatch(c -> c.what().contains(Where.FROM.words()))
        .anyMatch(c -> c.what().contains(Where.TO.words()));
    assertThat(Chart.of(half, PLUGS).rows())
        .allMatch(r -> r.stripFromMm() == 0 && r.stripToMm() > 0);
    assertThat(Chart.of(half, PLUGS).steps())
        .anyMatch(s -> s.contains("leave the moulded plug"))
        .anyMatch(s -> s.contains("Close the hoods"));
    assertThat(String.join(" ", Chart.of(whole, PLUGS).steps()))
        .doesNotContain("olde", "hood", "trip")
        .contains("as it is", "with the meter");
    assertThat(Chart.of(half.withCable(half.cable().withBought(true)), PLUGS).cuts())
        .noneMatch(c -> c.what().contains("-core"));
  }

  private static Lead moulded(Lead lead, Where where) {
    End.Plug plug = (End.Plug) lead.end(where);
    return lead.withEnd(
        where,
        new End.Plug(
            plug.connector(),
            plug.gender(),
            plug.beyond(),
            plug.pinout(),
            java.util.Optional.of(Wired.How.MOULDED)));
  }

  private static int first(Chart chart, String words) {
    for (int i = 0; i < chart.steps().size(); i++) {
      if (chart.steps().get(i).contains(words)) {
        return i;
      }
    }
    return -1;
  }

  /** An end that was counted from the wrong face is named as what it is, on any connector. */
  @Test(dataProvider = "kinds")
  public void mirroredNumberingIsNamed(String id) {
    ConnectorKind kind = PLUGS.needed(id);
    String[] mirrored =
        kind.names().stream()
            .map(n -> n + ">" + kind.facing(n).orElseThrow())
            .toArray(String[]::new);
    assertThat(codes(lead(id, Gender.MALE, Gender.FEMALE, mirrored))).contains("LD-35");
    String[] plain = kind.names().stream().map(n -> n + ">" + n).toArray(String[]::new);
    assertThat(codes(lead(id, Gender.MALE, Gender.FEMALE, plain))).doesNotContain("LD-35");
    assertThat(
            codes(Making.turning(Turn.degrees(90), PLUGS.neededPinout("nine-pin-direct"), PLUGS)))
        .doesNotContain("LD-35");
  }

  private static List<String> codes(Lead lead) {
    return LeadChecks.alone(lead, PLUGS).stream().map(f -> f.code().text()).toList();
  }

  /** Not every host has the same meaning on the later supply and ground of a fifteen-pin port. */
  @Test
  public void laterPinsOfTheFifteenPinPortAreOnSomeHostsOnly() {
    Pinout port = PLUGS.of(PLUGS.needed("fifteen-pin")).stream().findFirst().orElseThrow();
    assertThat(port.at("12").orElseThrow().some()).isTrue();
    assertThat(port.at("15").orElseThrow().some()).isTrue();
    assertThat(port.at("4").orElseThrow().some()).isFalse();
    assertThat(port.at("1").orElseThrow().some()).isFalse();
  }

  /** A lead with three ends: two pads on one host, each pin of either plug a pin of that end. */
  @Test(dataProvider = "kinds")
  public void aLeadMayHaveTwoPlugsAtOneEnd(String id) {
    ConnectorKind one = PLUGS.needed(id);
    ConnectorKind two = PLUGS.needed(id + "-and-" + id);
    assertThat(two.pins()).hasSize(2 * one.pins().size());
    for (int i = 0; i < one.pins().size(); i++) {
      for (int j = 0; j < i; j++) {
        double apart = one.pins().get(i).at().distanceMm(one.pins().get(j).at());
        for (int plug = 0; plug < 2; plug++) {
          int from = plug * one.pins().size();
          assertThat(two.pins().get(from + i).at().distanceMm(two.pins().get(from + j).at()))
              .as("each plug keeps its size")
              .isCloseTo(apart, org.assertj.core.api.Assertions.within(1e-9));
        }
      }
    }
    for (String bad : List.of(id + "-and-", id + "-and-nothing", "bare-3-and-" + id)) {
      assertThat(PLUGS.connector(bad)).as(bad).isEmpty();
    }
  }

  /** Two pads share clock, latch, supply and ground; their data on one pin fight. */
  @Test
  public void twoPadsOnOneHostAreJudgedAsOneLead() {
    Pinout pads = PLUGS.pinout("serial-latch-and-serial-latch").orElseThrow();
    Pinout host = PLUGS.neededPinout("serial-latch");
    ConnectorKind there = PLUGS.needed(pads.connector());
    End.Plug from = End.Plug.of(there.id(), there.padGender().other()).into(Beyond.PAD, pads);
    End.Plug to =
        End.Plug.of(host.connector(), PLUGS.needed(host.connector()).padGender())
            .into(Beyond.HOST, host);
    List<Core> cores = new java.util.ArrayList<>();
    for (String pin : List.of("1", "2", "3", "7")) {
      for (String plug : List.of("A", "B")) {
        cores.add(core(plug + pin, pin));
      }
    }
    cores.add(core("A4", "4"));
    Lead sound = Making.between("Y", from, to, cores, PLUGS);
    Lead wrong = sound.withCores(plus(cores, core("B4", "4")));
    assertThat(stops(sound)).doesNotContain("LD-10", "LD-11", "LD-03", "LD-04");
    assertThat(codes(sound)).as("the second pad's data").contains("LD-19");
    assertThat(stops(wrong)).contains("LD-10");
    Lead short0 = sound.withCores(plus(cores, core("B7", "1")));
    assertThat(stops(short0)).contains("LD-05");
  }

  private static List<Core> plus(List<Core> cores, Core more) {
    List<Core> all = new java.util.ArrayList<>(cores);
    all.add(more);
    return all;
  }

  private static List<String> stops(Lead lead) {
    return kumite.leads.LeadChecks.alone(lead, PLUGS).stream()
        .filter(f -> f.severity() == kumite.finding.Severity.STOP)
        .map(f -> f.code().text())
        .toList();
  }
}
