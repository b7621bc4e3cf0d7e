package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.measure.Point;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Faces of connectors cannot be mirrored wrong, and the shipped ones count as the trade does. */
public class ConnectorTest {
  private static final Plugs PLUGS = Plugs.standard();

  @DataProvider
  public Object[][] kinds() {
    List<Object[]> rows = new ArrayList<>();
    PLUGS.connectors().forEach(kind -> rows.add(new Object[] {kind}));
    for (String id : List.of("header-4", "header-40", "double-header-5", "strip-6", "bare-9")) {
      rows.add(new Object[] {PLUGS.needed(id)});
    }
    return rows.toArray(Object[][]::new);
  }

  private static List<Point> mirrored(List<Point> points) {
    return points.stream().map(p -> new Point(p.xMm() == 0 ? 0 : -p.xMm(), p.yMm())).toList();
  }

  private static List<Point> places(Seen seen) {
    return seen.pins().stream().map(ConnectorKind.Pin::at).toList();
  }

  /** A plug and its socket face each other; a back is the mirror image of its own face. */
  @Test(dataProvider = "kinds")
  public void eachFaceIsTheMirrorOfItsPartnerAndOfItsBack(ConnectorKind kind) {
    for (Gender gender : Gender.values()) {
      for (Side side : Side.values()) {
        Seen seen = kind.seen(gender, side);
        Side back = side == Side.MATING ? Side.WIRES : Side.MATING;
        assertThat(places(kind.seen(gender.other(), side))).isEqualTo(mirrored(places(seen)));
        assertThat(places(kind.seen(gender, back))).isEqualTo(mirrored(places(seen)));
        assertThat(kind.seen(gender, back).outline()).isEqualTo(mirrored(seen.outline()));
        assertThat(kind.seen(gender, back).key()).isEqualTo(mirrored(seen.key()));
        assertThat(places(kind.seen(gender.other(), back))).isEqualTo(places(seen));
        assertThat(seen.words()).contains(gender.words());
      }
    }
    assertThat(places(kind.seen(Gender.MALE, Side.MATING)))
        .isEqualTo(kind.pins().stream().map(ConnectorKind.Pin::at).toList());
  }

  /**
   * The tongue of a plug lies below its contacts and 1 is at the right; that of the socket lies
   * above them and 1 is at the left (USB 2.0, figures 6-7 and 6-8, from memory). So put together,
   * neither tongue is where the other is, and whoever turns the real socket to the picture finds
   * pin 1.
   */
  @Test
  public void tonguesOfAPlugAndItsSocketPassEachOther() {
    ConnectorKind usb = Plugs.standard().needed("usb");
    Seen plug = usb.seen(Gender.MALE, Side.MATING);
    Seen socket = usb.seen(Gender.FEMALE, Side.MATING);
    double contacts = plug.pins().get(0).at().yMm();
    assertThat(plug.key()).allMatch(p -> p.yMm() < contacts);
    assertThat(socket.key()).allMatch(p -> p.yMm() > contacts);
    assertThat(plug.pins().get(0).at().xMm()).isPositive();
    assertThat(socket.pins().get(0).at().xMm()).isNegative();
    assertThat(usb.numbering()).contains("plug: tongue below, 1 at the right");
    assertThat(usb.numbering()).contains("socket: tongue above, 1 at the left");
    double below = plug.key().stream().mapToDouble(Point::yMm).max().orElseThrow();
    double above = socket.key().stream().mapToDouble(Point::yMm).min().orElseThrow();
    assertThat(below).as("they pass").isLessThan(above);
  }

  @Test(dataProvider = "kinds")
  public void pinsLieApartAndInsideTheirOutline(ConnectorKind kind) {
    double wide = kind.outline().stream().mapToDouble(p -> Math.abs(p.xMm())).max().orElseThrow();
    for (ConnectorKind.Pin one : kind.pins()) {
      assertThat(Math.abs(one.at().xMm())).isLessThan(wide);
      for (ConnectorKind.Pin other : kind.pins()) {
        assertThat(one == other || one.at().distanceMm(other.at()) > 0.9).isTrue();
      }
    }
  }

  @Test(dataProvider = "kinds")
  public void aConnectorIsReadBackAsItWasWritten(ConnectorKind kind) throws Exception {
    String text = ConnectorFile.CONNECTOR.write(kind).toString();
    assertThat(ConnectorFile.CONNECTOR.read(new Key("k", JsonText.read(text)).here()))
        .isEqualTo(kind);
  }

  /** Names of the pins of a row, as they are seen from the left. */
  private static List<String> row(Seen seen, boolean upper) {
    return seen.pins().stream()
        .filter(pin -> upper == pin.at().yMm() > 0)
        .sorted(Comparator.comparingDouble(pin -> pin.at().xMm()))
        .map(ConnectorKind.Pin::name)
        .toList();
  }

  /**
   * TRADE section 8 (common practice; IEC 60807 from memory): at the mating face pins count 1 to 5
   * from the left in the long row, 6 to 9 below; sockets the other way; the wire side mirrors.
   */
  @Test
  public void connectorsOfTheDShapeCountAsTheTradeDoes() {
    ConnectorKind nine = PLUGS.needed("nine-pin");
    assertThat(row(nine.seen(Gender.MALE, Side.MATING), true))
        .containsExactly("1", "2", "3", "4", "5");
    assertThat(row(nine.seen(Gender.MALE, Side.MATING), false)).containsExactly("6", "7", "8", "9");
    assertThat(row(nine.seen(Gender.FEMALE, Side.MATING), true))
        .containsExactly("5", "4", "3", "2", "1");
    assertThat(row(nine.seen(Gender.MALE, Side.WIRES), true))
        .containsExactly("5", "4", "3", "2", "1");
    assertThat(row(nine.seen(Gender.FEMALE, Side.WIRES), false))
        .containsExactly("6", "7", "8", "9");
    ConnectorKind fifteen = PLUGS.needed("fifteen-pin");
    assertThat(row(fifteen.seen(Gender.MALE, Side.MATING), true))
        .containsExactly("1", "2", "3", "4", "5", "6", "7", "8");
    assertThat(row(fifteen.seen(Gender.MALE, Side.MATING), false))
        .containsExactly("9", "10", "11", "12", "13", "14", "15");
    // Pitch 2.77 mm and rows 2.84 mm apart: IEC 60807, from memory.
    assertThat(nine.pins().get(0).at().distanceMm(nine.pins().get(1).at()))
        .isCloseTo(2.77, within(0.01));
    assertThat(nine.pins().get(0).at().yMm() - nine.pins().get(5).at().yMm())
        .isCloseTo(2.84, within(0.01));
  }

  /** TRADE section 7, pin for pin. */
  @Test
  public void pinoutsAreAsTheTradeHasThem() {
    assertThat(functions("nine-pin-direct"))
        .containsExactly(
            "1 up",
            "2 down",
            "3 left",
            "4 right",
            "5 pot y",
            "6 fire",
            "7 supply",
            "8 ground",
            "9 pot x");
    assertThat(functions("nine-pin-select")).contains("5 supply", "7 select", "8 ground");
    assertThat(functions("game-port"))
        .contains("1 supply", "8 supply", "9 supply", "15 supply")
        .contains("4 ground", "5 ground", "12 ground")
        .contains("2 fire", "7 fire 2", "10 fire 3", "14 fire 4")
        .contains("3 pot x", "6 pot y", "11 pot x 2", "13 pot y 2");
    for (Pinout pinout : PLUGS.pinouts()) {
      ConnectorKind kind = PLUGS.needed(pinout.connector());
      pinout.pins().forEach(pin -> assertThat(kind.has(pin.pin())).as(pinout.id()).isTrue());
    }
  }

  private static List<String> functions(String pinout) {
    return PLUGS.neededPinout(pinout).pins().stream()
        .map(pin -> pin.pin() + " " + pin.function().words())
        .toList();
  }

  @Test
  public void anUnknownConnectorNamesThoseThatThereAre() {
    for (String id :
        List.of("ten-pin", "header-41", "header-0", "header-", "strip-x", "", "bare")) {
      assertThat(PLUGS.connector(id)).isEmpty();
    }
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> PLUGS.needed("ten-pin"))
        .hasMessageContaining("ten-pin")
        .hasMessageContaining("nine-pin")
        .hasMessageContaining("header-2 to header-40");
  }
}
