package kumite.files;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import kumite.build.LogBook;
import kumite.build.LogNote;
import kumite.codec.Codec;
import kumite.codec.Field;
import kumite.codec.Fields;
import kumite.codec.Plain;
import kumite.json.Value;
import kumite.room.PartCodec;

/** How the log stands in the file. */
public final class LogJson {
  /** A day. */
  static final Codec<LocalDate> DATE =
      Plain.form("^\\d{4}-\\d{2}-\\d{2}$").asAt(LogJson::date, LocalDate::toString);

  /** The log's codec. */
  public static final PartCodec<LogBook> CODEC =
      new PartCodec<>(LogBook.PART, true, Plain.list(note()).as(LogBook::new, LogBook::notes));

  private LogJson() {}

  private static Codec<LogNote> note() {
    Fields<LogNote> f = new Fields<>();
    Field<LogNote, LocalDate> date = f.need("date", DATE, LogNote::date);
    Field<LogNote, String> text = f.need("text", Plain.LINE, LogNote::text);
    return f.make(in -> new LogNote(in.get(date), in.get(text)));
  }

  private static LocalDate date(String text, Value at) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeParseException e) {
      throw at.misfit("\"" + text + "\" is no date", "write it as 2026-11-23");
    }
  }
}
