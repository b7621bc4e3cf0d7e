package kumite.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.StringReader;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.files.Tables;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A stranger who has the netlist alone can tell what is joined to what. */
public class NetlistTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[40][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void theNetlistReadBackIsTheWiring(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.any(random);
    if (seed % 2 == 1) {
      build = RandomBuilds.spoiled(build, random);
    }
    Bench bench = Bench.of(build, CATALOGUE);
    if (bench.wiring().isEmpty()) {
      throw new SkipException("this build has no board");
    }
    Wiring wiring = bench.wiring().get();
    Map<String, String> netOf = new HashMap<>();
    for (CSVRecord row :
        CSVFormat.RFC4180
            .builder()
            .setHeader()
            .get()
            .parse(new StringReader(Tables.netlist(wiring)))) {
      String before = netOf.put(place(row.get("part"), row.get("tab")), row.get("net"));
      assertThat(before).as("%s stands once", row).isNull();
    }
    assertThat(wiring.wires().keySet())
        .allSatisfy(
            wire ->
                assertThat(netOf.get(place(wire.a())))
                    .as("%s", wire)
                    .isNotNull()
                    .isEqualTo(netOf.get(place(wire.b()))));
    Map<String, Set<String>> read = new HashMap<>();
    netOf.forEach((place, net) -> read.computeIfAbsent(net, n -> new HashSet<>()).add(place));
    Set<Set<String>> told = new HashSet<>();
    for (Net net : wiring.nets().all()) {
      Set<String> places = new HashSet<>();
      net.places().forEach(p -> places.add(place(p.joint())));
      if (netOf.containsKey(places.iterator().next())) {
        told.add(places);
      } else {
        assertThat(places).as("only a lone place is left out").hasSize(1);
      }
    }
    assertThat(new HashSet<>(read.values())).as("nets by their names").isEqualTo(told);
    Map<String, String> json = new HashMap<>();
    for (JsonNode net : new ObjectMapper().readTree(Tables.netlistJson(wiring))) {
      for (JsonNode pin : net.get("pins")) {
        json.put(place(pin.get("part").asText(), pin.get("tab").asText()), net.get("net").asText());
      }
    }
    assertThat(json).isEqualTo(netOf);
  }

  private static String place(Joint joint) {
    return place(joint.part(), joint.tab());
  }

  private static String place(String part, String tab) {
    return part + " / " + tab;
  }
}
