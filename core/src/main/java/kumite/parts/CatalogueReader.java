package kumite.parts;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.PropertyNamingStrategies;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;

/** Reads the catalogue's data files. */
final class CatalogueReader {
  static final ObjectMapper JSON =
      JsonMapper.builder()
          .propertyNamingStrategy(PropertyNamingStrategies.SNAKE_CASE)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  private CatalogueReader() {}

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

  /** {@return where in a document a value did not fit, such as {@code terminals[3].side}} */
  static String where(JsonMappingException e) {
    return e.getPath().stream()
        .map(r -> r.getFieldName() == null ? "[" + r.getIndex() + "]" : r.getFieldName())
        .reduce((a, b) -> b.startsWith("[") ? a + b : a + "." + b)
        .orElse("");
  }
}
