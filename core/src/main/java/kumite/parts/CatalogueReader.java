package kumite.parts;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;

/** Reads the catalogue's data files. */
final class CatalogueReader {
  private CatalogueReader() {}

  static Catalogue shipped() {
    List<ControlKind> controls = new ArrayList<>();
    for (JsonNode item : resource("controls.json")) {
      controls.add(PartJson.read(new Key("controls.json[" + controls.size() + "]", item)));
    }
    List<BoardKind> boards = new ArrayList<>();
    for (JsonNode item : resource("boards.json")) {
      boards.add(BoardJson.read(new Key("boards.json[" + boards.size() + "]", item)));
    }
    return Catalogue.of(controls, boards).ready(resource("programs.json"));
  }

  private static JsonNode resource(String name) {
    try (InputStream stream = CatalogueReader.class.getResourceAsStream("/kumite/parts/" + name)) {
      if (stream == null) {
        throw new IOException("the application lacks its file kumite/parts/" + name);
      }
      return JsonText.read(new String(stream.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException("the shipped catalogue cannot be read", e);
    }
  }
}
