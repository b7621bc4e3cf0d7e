package kumite.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.lead.LeadBook;
import kumite.lead.Lead;
import kumite.lead.Making;
import kumite.lead.Plugs;
import kumite.lead.RandomLeads;
import kumite.lead.Turn;
import kumite.parts.Catalogue;
import kumite.ringout.RingOut;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Leads and ring-outs as files, by themselves and in builds. */
public class LeadFileTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final ObjectMapper JSON = new ObjectMapper();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "seeds")
  public void anyLeadsOfABuildAreReadBackAsTheyWere(int seed) throws Exception {
    Build plain = Builds.ferryBridge();
    Build build = plain.withLeads(RandomLeads.book(plain, new SplittableRandom(seed)));
    String text = BuildFile.text(build);
    assertThat(BuildFile.parse(text, "leads", CATALOGUE)).isEqualTo(build);
    JsonSchema schema =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(Files.readString(Path.of("../docs/build.schema.json")));
    assertThat(schema.validate(JSON.readTree(text))).isEmpty();
    for (Lead lead : build.leads().leads()) {
      LeadFile.Found found = LeadFile.lead(LeadFile.text(lead, build.leads()), lead.name());
      assertThat(found.lead()).isEqualTo(lead.withCores(build.leads().plugs().inOrder(lead)));
      assertThat(found.book().connectors()).isEqualTo(build.leads().connectors());
    }
    for (RingOut ringOut : build.leads().ringOuts()) {
      assertThat(LeadFile.ringOut(LeadFile.text(ringOut, build.leads()), "ring").ringOut())
          .isEqualTo(ringOut);
    }
  }

  private static String quarter() {
    Plugs plugs = Plugs.standard();
    return LeadFile.text(
        Making.turning(Turn.degrees(90), plugs.neededPinout("nine-pin-direct"), plugs),
        LeadBook.EMPTY);
  }

  @DataProvider
  public Object[][] hostile() {
    return new Object[][] {
      {"\"from\": \"1\"", "\"from\": \"12\"", "pins[0].from", "no pin \"12\""},
      {"\"to\": \"3\"", "\"to\": \"zero\"", "pins[0].to", "no pin \"zero\""},
      {"\"from\": \"2\"", "\"from\": \"1\"", "", ""},
      {"\"connector\": \"nine-pin\"", "\"connector\": \"ten-pin\"", "from.connector", "nine-pin"},
      {"\"pinout\": \"nine-pin-direct\"", "\"pinout\": \"usb-device\"", "from.pinout", "is of usb"},
      {"\"gender\": \"male\"", "\"gender\": \"both\"", "from.gender", "male, female"},
      {"\"colour\": \"BN\"", "\"colour\": \"ZZ\"", "pins[0].colour", "no wire colour"},
      {"\"cores\": 10", "\"cores\": 0", "cable", "cores of the cable"},
      {"\"length_mm\": 1500", "\"length_mm\": 1e99", "cable", "length"},
      {"\"version\": 1", "\"version\": 3", "version", "newer Kumite"},
      {"\"name\"", "\"nome\"", "nome", "unknown key"},
      {"\"kumite-lead\"", "\"recipe\"", "format", "kumite-lead"},
    };
  }

  @Test(dataProvider = "hostile")
  public void aSpoiltLeadIsRefusedAtItsPlace(String old, String by, String place, String what)
      throws Exception {
    String text = quarter().replaceFirst(java.util.regex.Pattern.quote(old), by);
    assertThat(text).isNotEqualTo(quarter());
    if (place.isEmpty()) { // two cores from one pin: read, and judged
      assertThat(LeadFile.lead(text, "q").lead().cores()).hasSize(9);
      return;
    }
    assertThatThrownBy(() -> LeadFile.lead(text, "q.lead.json"))
        .isInstanceOf(BuildFileException.class)
        .hasMessageStartingWith("q.lead.json")
        .hasMessageContaining(place)
        .hasMessageContaining(what);
  }

  @Test
  public void theSameCoreTwiceIsRefused() {
    String twice =
        quarter()
            .replaceFirst("\"from\": \"2\"", "\"from\": \"1\"")
            .replaceFirst("\"to\": \"4\"", "\"to\": \"3\"");
    assertThatThrownBy(() -> LeadFile.lead(twice, "q")).hasMessageContaining("is there twice");
  }

  /** Any few letters changed: read, or refused in one line. */
  @Test(dataProvider = "seeds")
  public void aTornFileIsReadOrRefusedInOneLine(int seed) throws Exception {
    SplittableRandom random = new SplittableRandom(seed);
    Build plain = Builds.ferryBridge();
    RingOut ring = RandomLeads.book(plain, random).ringOuts().get(0);
    for (String whole :
        new String[] {quarter(), LeadFile.text(ring, kumite.build.lead.LeadBook.EMPTY)}) {
      for (int i = 0; i < 20; i++) {
        int from = random.nextInt(whole.length());
        int to = Math.min(whole.length(), from + random.nextInt(1, 40));
        String torn = whole.substring(0, from) + whole.substring(to);
        try {
          if (whole.equals(quarter())) {
            assertThat(LeadFile.lead(torn, "torn")).isNotNull();
          } else {
            assertThat(LeadFile.ringOut(torn, "torn")).isNotNull();
          }
        } catch (BuildFileException e) {
          assertThat(e.getMessage().lines()).as(e.getMessage()).hasSize(1);
          assertThat(e.getMessage()).startsWith("torn").doesNotContain("Exception");
        }
      }
    }
  }

  @DataProvider
  public Object[][] ringOuts() {
    String head = "{\"format\": \"kumite-ringout\", \"version\": 1, ";
    return new Object[][] {
      {head + "\"cores\": 0}", "cores"},
      {head + "\"cores\": 65}", "cores"},
      {head + "\"near\": [\"a\"]}", "from"},
      {head + "\"cores\": 2, \"near\": [\"a\", \"a\"]}", "near: it names a twice"},
      {
        head
            + "\"cores\": 2, \"readings\": [{\"near\": [\"3\"], \"far\": [\"1\"], \"beep\": true}]}",
        "no place \"3\""
      },
      {
        head + "\"cores\": 2, \"readings\": [{\"near\": [], \"far\": [\"1\"], \"beep\": true}]}",
        "both probes"
      },
      {
        head
            + "\"cores\": 2, \"readings\": [{\"near\": [\"1\"], \"near_against\": [\"1\"], \"beep\": true}]}",
        "both probes"
      },
      {head + "\"cores\": 2, \"likely\": {\"1\": \"7\"}}", "no place \"7\""},
      {head + "\"cores\": 2, \"likely\": {\"1\": \"2\", \"2\": \"2\"}}", "likely pairs end at"},
      {head + "\"cores\": 2, \"readings\": [{\"near\": [\"1\"], \"far\": [\"1\"]}]}", "beep"},
      {"{\"format\": \"kumite-build\"}", "kumite-ringout"},
    };
  }

  @Test(dataProvider = "ringOuts")
  public void aSpoiltRingOutIsRefused(String text, String what) {
    assertThatThrownBy(() -> LeadFile.ringOut(text, "r.ringout.json"))
        .isInstanceOf(BuildFileException.class)
        .hasMessageStartingWith("r.ringout.json")
        .hasMessageContaining(what);
  }
}
