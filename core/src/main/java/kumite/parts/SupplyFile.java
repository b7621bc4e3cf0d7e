package kumite.parts;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.kind.Lamp;
import kumite.kind.SupplyKind;

/** The kinds of what feeds a build, as they ship. */
public final class SupplyFile {
  private static final List<SupplyKind> SHIPPED = shipped();

  private SupplyFile() {}

  /** {@return all kinds that ship, what feeds first} */
  public static List<SupplyKind> standard() {
    return SHIPPED;
  }

  /** {@return the kind of that id, if there is one} */
  public static Optional<SupplyKind> find(String id) {
    return SHIPPED.stream().filter(kind -> kind.id().equals(id)).findFirst();
  }

  private static List<SupplyKind> shipped() {
    try (InputStream in = SupplyFile.class.getResourceAsStream("/kumite/parts/supplies.json")) {
      Key top =
          new Key(
              "supplies.json",
              JsonText.read(new String(in.readAllBytes(), StandardCharsets.UTF_8)));
      List<SupplyKind> kinds = new ArrayList<>();
      for (Key key : top.objects("supplies")) {
        kinds.add(
            key.whole(
                () ->
                    new SupplyKind(
                        key.text("id"), key.text("name"), key.text("trait", ""), does(key))));
      }
      top.done();
      return List.copyOf(kinds);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static SupplyKind.Does does(Key key) {
    if (key.has("source")) {
      Key one = key.object("source");
      return one.whole(
          () ->
              new SupplyKind.Source(
                  one.word("form", SupplyKind.Form.class),
                  one.number("volts"),
                  one.number("least_v", 0),
                  one.number("most_ma"),
                  one.number("mah", 0),
                  one.has("lithium") && one.truth("lithium")));
    } else if (key.has("switch")) {
      Key one = key.object("switch");
      return one.whole(() -> new SupplyKind.Switch(one.number("most_ma")));
    } else if (key.has("fuse")) {
      Key one = key.object("fuse");
      return one.whole(() -> new SupplyKind.Fuse(one.number("ma")));
    } else if (key.has("guard")) {
      Key one = key.object("guard");
      return one.whole(() -> new SupplyKind.Guard(one.number("most_ma")));
    } else if (key.has("converter")) {
      Key one = key.object("converter");
      return one.whole(
          () ->
              new SupplyKind.Converter(
                  one.number("least_v"),
                  one.number("most_v"),
                  one.number("volts"),
                  one.number("most_ma"),
                  one.number("share")));
    } else if (key.has("strip")) {
      Key one = key.object("strip");
      return one.whole(
          () ->
              new SupplyKind.Strip(
                  one.number("volts"),
                  one.number("idle_ma"),
                  one.number("most_ma"),
                  one.number("pitch_mm"),
                  one.number("ohm_per_m")));
    }
    Key one = key.object("lamp");
    return one.whole(
        () ->
            new SupplyKind.Indicator(
                new Lamp(
                    one.number("forward_v"),
                    one.number("current_ma"),
                    one.text("colour", ""),
                    one.number("rated_v", 0))));
  }
}
