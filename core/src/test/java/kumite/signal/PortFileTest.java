package kumite.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.lead.Plugs;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Kinds of ports as files: what is shipped, and what is refused. */
public class PortFileTest {
  @DataProvider
  public Object[] kinds() {
    return PortFile.standard().toArray();
  }

  private static PortKind read(JsonNode node) {
    return PortFile.PORT.read(new Key("port", node).here());
  }

  @Test(dataProvider = "kinds")
  public void whatIsWrittenIsReadAgain(PortKind kind) {
    assertThat(read(PortFile.PORT.write(kind))).isEqualTo(kind);
  }

  /** The lines of a port are on pins of its plug that are no supply and no ground. */
  @Test(dataProvider = "kinds")
  public void linesAreOnPinsOfThePlug(PortKind kind) {
    var pinout = Plugs.standard().neededPinout(kind.pinout());
    for (SignalLine line : kind.lines()) {
      var pin = pinout.at(line.pin()).orElseThrow();
      if (!pin.some()) { // pin 9 of a plain plug is a pot on some and a button on others
        assertThat(pin.function().words().replace(' ', '_'))
            .as("%s of %s", line.name(), kind.id())
            .isEqualTo(line.name());
      }
    }
  }

  @Test
  public void everyMechanismOfTheTradeIsThere() {
    assertThat(PortFile.standard().stream().map(PortKind::id))
        .contains(
            "direct-9",
            "select-line-3",
            "select-line-6",
            "serial-latch-8",
            "serial-latch-16",
            "packet",
            "one-wire-pulse",
            "one-shot-15",
            "keyboard-frame",
            "serial-bytes",
            "usb-pad");
  }

  private static String report(String buttons) {
    return "{\"bytes\": 1, \"buttons\": " + buttons + ", \"axes\": {}}";
  }

  /** Kind, the place that is changed (a JSON pointer), what it becomes, what the message says. */
  @DataProvider
  public Object[][] wrongs() {
    return new Object[][] {
      {"serial-latch-16", "/times_us/latch", "[14, 12, 10]", "least over usual to most"},
      {"serial-latch-16", "/times_us/latch", "[12]", "3"},
      {"serial-latch-16", "/times_us/clock_low", "[0.1, 0.2, 0.3]", "answers later"},
      {"serial-latch-16", "/times_us/frame", "[100, 120, 150]", "shorter than one reading"},
      {"serial-latch-16", "/times_us/bit", "[1, 2, 3]", "bit is none of this mechanism"},
      {"serial-latch-16", "/times_us/soon", "[1, 2, 3]", "soon"},
      {"serial-latch-16", "/times_us/latch", "[1, 2, 1e99]", "1000000"},
      {"serial-latch-16", "/bits", "[\"A\", \"B\", \"A\"]", "\"a\" stands there twice"},
      {"serial-latch-16", "/bits", "[]", "no bits"},
      {"serial-latch-16", "/axes", "[\"X axis\"]", "no axes"},
      {
        "serial-latch-16",
        "/mechanism",
        "{\"kind\": \"serial_latch\", \"shift\": \"fall\"}",
        "loses its first button"
      },
      {"serial-latch-16", "/mechanism", "{\"kind\": \"smoke\"}", "smoke"},
      {"serial-latch-16", "/mechanism", "{\"kind\": \"usb\"}", "missing"},
      {"serial-latch-16", "/lines/2/from", "\"console\"", "says nothing here"},
      {"serial-latch-16", "/lines/1/name", "\"latch\"", "line \"latch\" stands there twice"},
      {"serial-latch-16", "/lines/1/pin", "\"3\"", "pin \"3\" stands there twice"},
      {"serial-latch-16", "/lines/1/name", "\"tick\"", "tick"},
      {"serial-latch-16", "/id", "\"Big Pad\"", "id"},
      {"serial-latch-16", "/volts", "0", "volts"},
      {"keyboard-frame", "/lines/0/pull_ohm", "null", "pull"},
      {"keyboard-frame", "/times_us/set_up", "[10, 30, 60]", "set_up must be shorter"},
      {"keyboard-frame", "/mechanism/codes/B", "[28]", "the same code"},
      {"keyboard-frame", "/mechanism/codes/B", "[240]", "no codes"},
      {"keyboard-frame", "/mechanism/codes/B", "[300]", "255"},
      {"one-wire-pulse", "/times_us/to_sample", "[3, 3, 3]", "told apart"},
      {"one-wire-pulse", "/times_us/bit", "[3, 3, 3]", "longer than a bit"},
      {"select-line-3", "/times_us/settle", "[0.5, 1, 2]", "before the pad's answer"},
      {"select-line-3", "/mechanism/select", "\"up\"", "up"},
      {"select-line-3", "/mechanism/phases/0/up", "\"Jump\"", "no button of it"},
      {"select-line-3", "/bits/0", "\"Jump\"", "no button of it"},
      {"select-line-6", "/times_us/forget", "[5, 8, 10]", "forgets while it is read"},
      {"select-line-6", "/times_us/frame", "[900, 1000, 1100]", "count anew"},
      {"packet", "/mechanism/identity", "[255]", "as many"},
      {"packet", "/times_us/answer", "[1, 2, 5]", "shorter than clock_low"},
      {"one-shot-15", "/axes", "[\"X\"]", "1 axes on 4 lines"},
      {"one-shot-15", "/bits", "[\"Fire\"]", "1 buttons on 4 lines"},
      {"one-shot-15", "/mechanism/pot_ohm", "-5", "pot_ohm"},
      {"serial-bytes", "/times_us/bit", "[7, 8.681, 9]", "5 %"},
      {"serial-bytes", "/lines/0/idle", "\"low\"", "idles high"},
      {"serial-bytes", "/times_us/frame", "[100, 200, 300]", "shorter than its bytes"},
      {"usb-pad", "/mechanism/full_speed", "\"yes\"", "true or false"},
      {"usb-pad", "/times_us/to_answer", "[1, 5, 9]", "gives up"},
      {"usb-pad", "/bits", "[]", "at least one button"},
      {"usb-pad", "/line_v", "9", "for its lines"},
      {"usb-pad", "/mechanism/report", report("{\"1\": {\"bit\": 8}}"), "of 1 byte has 8"},
      {"usb-pad", "/mechanism/report", report("{\"1\": {\"bit\": 3}}"), "\"2\" has no place"},
      {"usb-pad", "/mechanism/report", report("{\"9\": {\"bit\": 3}}"), "no place"},
      {
        "usb-pad",
        "/mechanism/report",
        report("{\"1\": {\"bit\": 3}, \"2\": {\"bit\": 3}}"),
        "bit 3 of the report says both"
      },
      {"usb-pad", "/mechanism/report", report("{\"1\": {\"bit\": 3, \"bits\": 0}}"), "bits"},
      {"usb-pad", "/mechanism/report", report("{\"1\": {\"bit\": 3, \"most\": 2}}"), "say 0 to 2"},
      {
        "usb-pad",
        "/mechanism/report",
        "{\"bytes\": 1, \"buttons\": {}, \"axes\": {}, \"hat\": {\"place\": {\"bit\": 0, \"bits\": 3,"
            + " \"most\": 7}, \"says\": [\"1\", \"2\", \"3\", \"4\"]}}",
        "no number is left for a hat at rest"
      },
      {
        "usb-pad",
        "/mechanism/report",
        "{\"bytes\": 1, \"buttons\": {}, \"axes\": {}, \"hat\": {\"place\": {\"bit\": 0, \"bits\": 4,"
            + " \"most\": 5}, \"says\": [\"1\", \"2\", \"3\", \"4\"]}}",
        "8 steps or in 4"
      },
    };
  }

  @Test(dataProvider = "wrongs")
  public void whatCannotBeIsRefusedByPlace(String id, String at, String value, String says)
      throws Exception {
    ObjectNode node =
        (ObjectNode) PortFile.PORT.write(PortFile.find(PortFile.standard(), id).orElseThrow());
    int cut = at.lastIndexOf('/');
    JsonNode parent = node.at(at.substring(0, cut));
    String last = at.substring(cut + 1);
    JsonNode changed = JsonText.read("{\"v\": " + value + "}").get("v");
    if (parent instanceof ObjectNode object && changed.isNull()) {
      object.remove(last);
    } else if (parent instanceof ObjectNode object) {
      object.set(last, changed);
    } else {
      ((com.fasterxml.jackson.databind.node.ArrayNode) parent).set(Integer.parseInt(last), changed);
    }
    assertThatThrownBy(() -> read(node)).hasMessageContaining(says);
  }

  @Test
  public void whatIsHeldIsNamedByTheKind() {
    PortKind kind = PortFile.find(PortFile.standard(), "packet").orElseThrow();
    Held held = Held.of(kind, List.of("up", " North ", "left X=0.25"));
    assertThat(held.buttons()).containsExactly("Up", "North");
    assertThat(held.at("Left x")).isEqualTo(0.25);
    assertThat(held.at("Right y")).isEqualTo(0.5);
    for (String wrong : List.of("Jump", "Up=1", "Left x=2", "Left x=much", "=", "Left x=NaN")) {
      assertThatThrownBy(() -> Held.of(kind, List.of(wrong)))
          .isInstanceOf(IllegalArgumentException.class);
    }
  }
}
