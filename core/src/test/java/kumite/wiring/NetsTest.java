package kumite.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import kumite.Builds;
import kumite.build.Build;
import kumite.kind.BoardKind;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.parts.Catalogue;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.Pseudograph;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class NetsTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private static Nets nets(Build build) {
    return Wiring.asBuilt(build, board(build), Loom.of(build, CATALOGUE)).nets();
  }

  private static List<NetFault> faults(Build build) {
    Loom loom = Loom.of(build, CATALOGUE);
    return NetFaults.of(
            build,
            loom,
            Wiring.asBuilt(build, board(build), loom),
            Wiring.planned(board(build), loom))
        .here();
  }

  private static BoardKind board(Build build) {
    return CATALOGUE.boardOf(build).orElseThrow();
  }

  private static Build with(String wire) {
    Build build = Builds.ferryBridge();
    return build.withLoom(build.loom().withAdded(Jumper.parse(wire)));
  }

  /** Against the library's connected components over strands, grounds and supplies as edges. */
  @Test
  public void netsAreTheConnectedComponents() {
    Build build = with("horn:NO - radio:TX");
    Loom loom = Loom.of(build, CATALOGUE);
    Graph<String, DefaultEdge> graph = new Pseudograph<>(DefaultEdge.class);
    for (Strand strand : loom.strands()) {
      join(graph, strand.from().place().toString(), strand.to().place().toString());
    }
    join(graph, "horn:NO", "radio:TX");
    for (int i = 2; i <= 5; i++) {
      join(graph, "board:GND", "board:GND." + i);
    }
    Set<Set<String>> wanted =
        new ConnectivityInspector<>(graph)
            .connectedSets().stream().filter(set -> set.size() > 1).collect(Collectors.toSet());
    Set<Set<String>> ours = new HashSet<>();
    for (Net net : nets(build).joined()) {
      ours.add(
          net.places().stream().map(place -> place.joint().toString()).collect(Collectors.toSet()));
    }
    assertThat(ours).isEqualTo(wanted);
  }

  private static void join(Graph<String, DefaultEdge> graph, String a, String b) {
    graph.addVertex(a);
    graph.addVertex(b);
    graph.addEdge(a, b);
  }

  @Test
  public void theDemosAreSoundAsPlanned() throws Exception {
    for (String name : kumite.Builds.demosWithBoards()) {
      Build build = kumite.files.Demo.open(name, CATALOGUE);
      assertThat(faults(build)).as(name).isEmpty();
    }
  }

  @DataProvider
  Object[][] wires() {
    return new Object[][] {
      {"bilge:COM - board:3V3", NetFault.Kind.SUPPLY_ON_GROUND},
      {"board:GND - board:5V", NetFault.Kind.SUPPLY_ON_GROUND},
      {"board:3V3 - board:5V", NetFault.Kind.SUPPLIES_JOINED},
      {"bilge:NO - wiper:NO", NetFault.Kind.INPUTS_JOINED},
      {"bilge:NO - bilge:COM", NetFault.Kind.INPUT_STUCK},
      {"bilge:NO - board:3V3", NetFault.Kind.INPUT_STUCK},
      {"bilge:NO - board:5V", NetFault.Kind.TOO_MANY_VOLTS},
      {"board:D0 - radio:TX", NetFault.Kind.NO_SHARED_GROUND},
      {"bilge:XX - board:GND", NetFault.Kind.NO_SUCH_PLACE},
    };
  }

  @Test(dataProvider = "wires")
  public void aWireTooManyIsNamedAndTakenOutMendsIt(String wire, NetFault.Kind kind) {
    Build build = with(wire);
    List<NetFault> faults = faults(build);
    assertThat(faults).as(wire).isNotEmpty();
    assertThat(faults.get(0).kind()).isEqualTo(kind);
    if (kind != NetFault.Kind.NO_SHARED_GROUND) {
      assertThat(faults.get(0).remove()).contains(Jumper.parse(wire));
    }
    Build mended = build.withLoom(build.loom().withoutAdded(Jumper.parse(wire)));
    assertThat(faults(mended)).isEmpty();
  }

  @Test
  public void aSenderJoinedToASenderIsNamed() {
    Build build = Builds.wired(Builds.buttons(50, 50), "native-5v-18");
    Build wrong =
        build.withLoom(
            build
                .loom()
                .withAdded(Jumper.parse("board:TX - helper:TX"))
                .withAdded(Jumper.parse("board:GND - helper:GND")));
    assertThat(faults(wrong).stream().map(NetFault::kind))
        .contains(NetFault.Kind.SERIAL_NOT_CROSSED);
    Build right =
        build.withLoom(
            build
                .loom()
                .withAdded(Jumper.parse("board:TX - helper:RX"))
                .withAdded(Jumper.parse("board:GND - helper:GND")));
    assertThat(faults(right).stream().map(NetFault::kind)).containsOnly(NetFault.Kind.UNKNOWN_PART);
  }

  @Test
  public void aGroundThatIsNotJoinedIsNamedWithTheWireThatIsMissing() {
    Build build = Builds.wired(Builds.buttons(50, 50, 90, 50, 130, 50), "native-3v3-26");
    Jumper last =
        Wiring.planned(board(build), Loom.of(build, CATALOGUE)).wires().keySet().stream()
            .filter(w -> w.toString().contains("COM") && w.toString().contains("board"))
            .findFirst()
            .orElseThrow();
    Build cut = build.withLoom(build.loom().withLeftOut(last));
    List<NetFault> faults = faults(cut);
    assertThat(faults).hasSize(1);
    assertThat(faults.get(0).kind()).isEqualTo(NetFault.Kind.UNJOINED_GROUND);
    assertThat(faults.get(0).restore()).contains(last);
  }

  // ---- probing

  private static List<Probe.Found> probed(Build build, String csv) {
    Loom loom = Loom.of(build, CATALOGUE);
    return Probe.parse(csv).against(Wiring.planned(board(build), loom).nets(), loom);
  }

  private static String asPlanned(Build build) {
    StringBuilder csv = new StringBuilder("from,to,beeps\n");
    for (Strand strand : Loom.of(build, CATALOGUE).strands()) {
      csv.append(strand.from().place()).append(',').append(strand.to().place()).append(",yes\n");
    }
    return csv.toString();
  }

  private static String terminal(Build build, String contact) {
    return "board:"
        + Loom.of(build, CATALOGUE).pinOf(ContactId.parse(contact)).orElseThrow().terminal().name();
  }

  @Test
  public void aLoomProbedAsPlannedDiffersNowhere() {
    Build build = Builds.ferryBridge();
    assertThat(probed(build, asPlanned(build))).isEmpty();
  }

  @Test
  public void swappedStrandsAreNamedOnceAndAsSwapped() {
    Build build = Builds.ferryBridge();
    String one = terminal(build, "bilge");
    String other = terminal(build, "wiper");
    String csv =
        asPlanned(build)
            .replace("bilge:NO," + one, "bilge:NO,@")
            .replace("wiper:NO," + other, "wiper:NO," + one)
            .replace("@", other);
    List<Probe.Found> found = probed(build, csv);
    assertThat(found).hasSize(1);
    assertThat(found.get(0).kind()).isEqualTo(Probe.Difference.SWAPPED);
    assertThat(found.get(0).words()).contains("bilge").contains("wiper");
  }

  @Test
  public void bridgesBreaksAndTwoGroundsAreToldApart() {
    Build build = Builds.ferryBridge();
    String bridge = asPlanned(build) + "bilge:NO,wiper:NO,yes\n";
    assertThat(probed(build, bridge).stream().map(Probe.Found::kind))
        .containsExactly(Probe.Difference.EXTRA);
    String silent =
        asPlanned(build)
            .replace(
                "bilge:NO," + terminal(build, "bilge") + ",yes",
                "bilge:NO," + terminal(build, "bilge") + ",no");
    assertThat(probed(build, silent).stream().map(Probe.Found::kind))
        .containsExactly(Probe.Difference.MISSING);
    // The ring cut in two places leaves two grounds.
    String[] lines = asPlanned(build).split("\n");
    StringBuilder cut = new StringBuilder();
    int ground = 0;
    for (String line : lines) {
      boolean run = line.contains("COM") || line.contains("end 1");
      ground += run ? 1 : 0;
      cut.append(run && (ground == 5 || ground == 10) ? line.replace(",yes", ",no") : line)
          .append('\n');
    }
    List<Probe.Found> found = probed(build, cut.toString());
    assertThat(found.get(0).kind()).isEqualTo(Probe.Difference.TWO_GROUNDS);
    assertThat(found).hasSize(1);
  }

  @DataProvider
  Object[][] badTables() {
    return new Object[][] {
      {"", "has no pairs"},
      {"from,to\nhorn:NO", "row 2: needs two places"},
      {"from,to\nhorn,board:D9", "row 2: \"horn\" is no place"},
      {"from,to,beeps\nhorn:NO,board:D9,perhaps", "row 2: beeps is \"perhaps\""},
    };
  }

  @Test(dataProvider = "badTables")
  public void aBadTableIsRefusedByRow(String csv, String words) {
    assertThatThrownBy(() -> Probe.parse(csv)).hasMessageContaining(words);
  }

  @Test
  public void aPlaceTheBuildDoesNotHaveIsNamedByRow() {
    List<Probe.Found> found = probed(Builds.ferryBridge(), "from,to\nfoghorn:NO,board:D9\n");
    assertThat(found.get(0).kind()).isEqualTo(Probe.Difference.UNKNOWN);
    assertThat(found.get(0).words()).contains("Row 2").contains("foghorn:NO");
  }

  @Test
  public void jumpersReadAsWritten() {
    Jumper wire = Jumper.parse("horn:lamp- - board:GND.2");
    assertThat(wire.a()).isEqualTo(Joint.board("GND.2"));
    assertThat(Jumper.parse(wire.toString())).isEqualTo(wire);
    assertThatThrownBy(() -> Jumper.parse("horn:NO")).hasMessageContaining("two places");
    assertThatThrownBy(() -> Jumper.parse("horn:NO - horn:NO")).hasMessageContaining("two ends");
  }
}
