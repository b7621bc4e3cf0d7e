package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import kumite.build.LogBook;
import kumite.build.LogNote;
import kumite.json.Key;
import kumite.room.Around;
import kumite.room.PartCodec;

/** How the log stands in the file. */
public final class LogJson {
  /** The log's codec. */
  public static final PartCodec<LogBook> CODEC =
      new PartCodec<>(LogBook.PART, true, LogJson::read, LogJson::write);

  private LogJson() {}

  private static LogBook read(Key top, String key, Around around) {
    List<LogNote> notes = new ArrayList<>();
    for (Key item : top.objects(key)) {
      notes.add(note(item));
    }
    return new LogBook(notes);
  }

  private static LogNote note(Key key) {
    String text = key.text("date");
    LocalDate date;
    try {
      date = LocalDate.parse(text);
    } catch (DateTimeParseException e) {
      throw key.misfit("date", "\"" + text + "\" is no date", "write it as 2026-11-23");
    }
    LogNote note = key.make(() -> new LogNote(date, key.text("text")));
    key.done();
    return note;
  }

  private static JsonNode write(LogBook book) {
    ArrayNode log = JsonNodeFactory.instance.arrayNode();
    for (LogNote note : book.notes()) {
      log.addObject().put("date", note.date().toString()).put("text", note.text());
    }
    return log;
  }
}
