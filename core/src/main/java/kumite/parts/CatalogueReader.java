package kumite.parts;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kumite.build.Common;
import kumite.build.ControlKind;
import kumite.build.Point;
import kumite.working.Source;

/** Reads the catalogue's data files; the records here have the shape of those files. */
final class CatalogueReader {
  /** Distance between two terminals along a header, the usual 0.1 in. */
  private static final double PITCH_MM = 2.54;

  static final ObjectMapper JSON =
      JsonMapper.builder()
          .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  private CatalogueReader() {}

  record GroupData(List<String> names, String role, List<String> can, double volts) {}

  record SeatingData(
      double heightMm, double[][] standoffsMm, double standoffHoleMm, double[] plugMm) {
    BoardKind.Seating toSeating() {
      return new BoardKind.Seating(
          heightMm,
          standoffsMm == null
              ? List.of()
              : Arrays.stream(standoffsMm).map(at -> new Point(at[0], at[1])).toList(),
          standoffHoleMm,
          plugMm == null ? 0 : plugMm[0],
          plugMm == null ? 0 : plugMm[1]);
    }
  }

  record SourceData(String kind, String text) {}

  record BoardData(
      String id,
      String name,
      String trait,
      double[] sizeMm,
      double rowsApartMm,
      double logicV,
      boolean fiveVoltTolerant,
      String common,
      double lowV,
      double highV,
      SourceData levelsFrom,
      double[] pullOhm,
      int adcBits,
      boolean fixedMap,
      List<String> left,
      List<String> right,
      List<GroupData> groups,
      Map<String, String> keep,
      Map<String, String> means,
      SeatingData seating) {

    BoardKind toKind() {
      List<Terminal> terminals = new ArrayList<>();
      addEdge(terminals, left, Terminal.Side.LEFT);
      addEdge(terminals, right, Terminal.Side.RIGHT);
      return new BoardKind(
          id,
          name,
          trait,
          sizeMm[0],
          sizeMm[1],
          logicV,
          fiveVoltTolerant,
          Common.valueOf(common.toUpperCase(Locale.ROOT)),
          lowV,
          highV,
          new Source(
              Source.Kind.valueOf(levelsFrom.kind().toUpperCase(Locale.ROOT)), levelsFrom.text()),
          pullOhm[0],
          pullOhm[1],
          adcBits,
          fixedMap,
          terminals,
          seating == null ? BoardKind.Seating.BARE : seating.toSeating());
    }

    private void addEdge(List<Terminal> terminals, List<String> names, Terminal.Side side) {
      double x = (side == Terminal.Side.LEFT ? -1 : 1) * rowsApartMm / 2;
      for (int i = 0; i < names.size(); i++) {
        double y = ((names.size() - 1) / 2.0 - i) * PITCH_MM; // listed from the plug to the front
        terminals.add(terminal(names.get(i), new Point(x, y), side));
      }
    }

    private Terminal terminal(String terminalName, Point at, Terminal.Side side) {
      // A name such as GND stands on a board several times; the file writes GND, GND.2, GND.3.
      String group = terminalName.replaceAll("\\.\\d+$", "");
      GroupData data =
          groups.stream()
              .filter(g -> g.names().contains(group))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "board " + id + ": terminal " + terminalName + " is in no group"));
      Set<Terminal.Ability> abilities = EnumSet.noneOf(Terminal.Ability.class);
      if (data.can() != null) {
        data.can()
            .forEach(a -> abilities.add(Terminal.Ability.valueOf(a.toUpperCase(Locale.ROOT))));
      }
      return new Terminal(
          terminalName,
          Terminal.Role.valueOf(data.role().toUpperCase(Locale.ROOT)),
          at,
          side,
          abilities,
          Optional.ofNullable(keep == null ? null : keep.get(terminalName))
              .map(k -> Terminal.Keep.valueOf(k.toUpperCase(Locale.ROOT))),
          Optional.ofNullable(means == null ? null : means.get(terminalName)),
          data.volts());
    }
  }

  static Catalogue shipped() {
    try {
      List<ControlKind> controls = new ArrayList<>();
      for (PartData data : JSON.readValue(resource("controls.json"), PartData[].class)) {
        controls.add(data.toKind());
      }
      List<BoardKind> boards = new ArrayList<>();
      for (BoardData data : JSON.readValue(resource("boards.json"), BoardData[].class)) {
        boards.add(data.toKind());
      }
      return Catalogue.of(controls, boards);
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped catalogue cannot be read", e);
    }
  }

  private static InputStream resource(String name) throws IOException {
    InputStream stream = CatalogueReader.class.getResourceAsStream("/kumite/parts/" + name);
    if (stream == null) {
      throw new IOException("the application lacks its file kumite/parts/" + name);
    }
    return stream;
  }
}
