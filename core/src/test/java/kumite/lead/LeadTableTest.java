package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import kumite.measure.LengthUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tables of cores, own connectors and own roles: read, or refused with row and remedy. */
public class LeadTableTest {
  private static final Plugs PLUGS = Plugs.standard();
  private static final ConnectorKind NINE = PLUGS.needed("nine-pin");
  private static final Optional<Pinout> DIRECT = PLUGS.pinout("nine-pin-direct");
  private static final LeadTable TABLE = new LeadTable(NINE, DIRECT, NINE, DIRECT);

  private static List<String> pairs(List<Core> cores) {
    return cores.stream().map(c -> c.from() + ">" + c.to()).toList();
  }

  @Test
  public void theSameLeadInFourWritings() {
    List<String> wanted = List.of("1>3", "2>4", "3>2", "4>1");
    assertThat(pairs(TABLE.readShort("1>3 2>4 3>2 4>1"))).isEqualTo(wanted);
    assertThat(pairs(TABLE.readShort("4 > 1,3>2; 2>4\n1>3"))).isEqualTo(wanted);
    assertThat(pairs(TABLE.read("from,to\n1,3\n2,4\n3,2\n4,1"))).isEqualTo(wanted);
    assertThat(pairs(TABLE.read("To;From\nleft;up\nright;down\ndown;left\nup;right\n")))
        .isEqualTo(wanted);
    assertThat(TABLE.read("from\tto\tcolour\trole\n1\t1\tbrown\tfirst\n8\t8\t\t"))
        .extracting(core -> core.colour().code())
        .containsExactly("BN", "BK");
  }

  @DataProvider
  public Object[][] bad() {
    return new Object[][] {
      {"from,to\n1,2\n1,2", "row 3", "used in row 2 too"},
      {"core,from,to\n1,1,1\n1,2,2", "row 3", "core 1"},
      {"from,to\n10,1", "row 2", "no pin \"10\""},
      {"from,to\n1,fire 9", "row 2", "no such function"},
      {"from,to,hue\n1,1,red", "row 1", "no column is called \"hue\""},
      {"from,colour\n1,RD", "row 1", "\"to\" is missing"},
      {"from,to,colour\n1,1,XX", "row 2", "no wire colour"},
      {"from,to\n1", "row 2", "\"to\" is missing"},
      {"", "empty", "from,to"},
      {"from,from,to\n1,1,1", "row 1", "two columns"},
      {
        "from,to\n"
            + String.join(
                "\n",
                IntStream.range(0, 10)
                    .mapToObj(i -> i % 9 + 1 + "," + (i + i / 9) % 9)
                    .map(s -> s.replace(",0", ",9"))
                    .toList()),
        "row 11",
        "more cores than pins"
      },
      {"from,to\n\"1,2", "row", "quote"},
    };
  }

  @Test(dataProvider = "bad")
  public void whatIsWrongIsNamedWithItsRow(String text, String row, String what) {
    assertThatThrownBy(() -> TABLE.read(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(row)
        .hasMessageContaining(what);
  }

  @Test
  public void aPermutationThatIsNoneIsNamed() {
    assertThatThrownBy(() -> TABLE.readShort("1>3 2>3"))
        .hasMessageContaining("pairs 1 and 2 both end at pin 3")
        .hasMessageContaining("no permutation");
    assertThatThrownBy(() -> TABLE.readShort("1>3 1>4"))
        .hasMessageContaining("both begin at pin 1");
    assertThatThrownBy(() -> TABLE.readShort("1>12")).hasMessageContaining("pair 1");
    assertThat(LeadTable.isShort("from,to\n1,2")).isFalse();
  }

  /** Any letters: a list of cores with pins that there are, or one clear refusal. */
  @Test
  public void anyTextIsReadOrRefused() {
    SplittableRandom random = new SplittableRandom(5);
    String letters = "fromt,;>\n\t\"19 up";
    for (int trial = 0; trial < 3000; trial++) {
      StringBuilder text = new StringBuilder(trial % 3 == 0 ? "from,to\n" : "");
      for (int i = random.nextInt(30); i > 0; i--) {
        text.append(letters.charAt(random.nextInt(letters.length())));
      }
      String typed = text.toString();
      try {
        List<Core> cores = LeadTable.isShort(typed) ? TABLE.readShort(typed) : TABLE.read(typed);
        cores.forEach(core -> assertThat(NINE.has(core.from()) && NINE.has(core.to())).isTrue());
      } catch (IllegalArgumentException e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }

  @Test
  public void aConnectorOfOnesOwnIsToldByItsPins() {
    ConnectorKind kind =
        OwnPlugs.connector(
            "Two rows!", "pin,x,y\nA,0,0\nB,0.1 in,0\nC,-2.54,5", Wired.How.SOLDER, LengthUnit.MM);
    assertThat(kind.id()).isEqualTo("two-rows");
    assertThat(kind.names()).containsExactly("A", "B", "C");
    assertThat(kind.pins().get(1).at().xMm() - kind.pins().get(0).at().xMm())
        .isCloseTo(2.54, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(kind.pins().get(2).at().yMm()).isPositive();
    assertThat(PLUGS.with(List.of(kind), List.of()).needed("two-rows")).isEqualTo(kind);
    Pinout pinout =
        OwnPlugs.pinout(
            "Bells", kind, 3.3, "pin,function,flow\nA,bell,from_pad\nB,supply,\nC,ground,");
    assertThat(pinout.at("B").orElseThrow().flow()).isEqualTo(Flow.HOST_SUPPLIES);
    assertThat(pinout.at("A").orElseThrow().function()).isEqualTo(new Function.Own("Bell"));
  }

  @DataProvider
  public Object[][] badOwn() {
    return new Object[][] {
      {"pin,x,y\nA,1,1\nA,2,2", "two pins called \"A\""},
      {"pin,x,y\nA,1,1\nB,1,1", "another pin where"},
      {"pin,x,y\nA,far,1", "row 2"},
      {"pin,x\nA,1", "\"y\" is missing"},
      {"pin,x,y", "names no pin"},
      {"pin,x,y,z\nA,1,1,1", "\"z\""},
      {"", "empty"},
    };
  }

  @Test(dataProvider = "badOwn")
  public void anOwnConnectorThatIsNoneIsRefused(String table, String what) {
    assertThatThrownBy(() -> OwnPlugs.connector("Own", table, Wired.How.CRIMP, LengthUnit.MM))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(what);
  }

  @Test
  public void ownRolesThatAreNoneAreRefused() {
    assertThatThrownBy(() -> OwnPlugs.pinout("Own", NINE, 5, "pin,function\n12,up"))
        .hasMessageContaining("row 2")
        .hasMessageContaining("no pin \"12\"");
    assertThatThrownBy(() -> OwnPlugs.pinout("Own", NINE, 5, "pin,function,flow\n1,up,sideways"))
        .hasMessageContaining("no flow");
    assertThatThrownBy(() -> OwnPlugs.pinout("Own", NINE, 5, "pin,function\n1,up\n1,down"))
        .hasMessageContaining("twice");
  }
}
