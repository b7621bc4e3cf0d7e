package kumite.files;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Set;
import kumite.build.lead.LeadBook;
import kumite.json.JsonText;
import kumite.json.Key;
import kumite.json.Misfit;
import kumite.json.Scope;
import kumite.lead.Core;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.lead.Told;
import kumite.ringout.NextProbe;
import kumite.ringout.RingOut;
import kumite.room.Around;

/** Leads and ring-outs in files of their own. */
public final class LeadFile {
  /** The ending of the name of a file with a lead. */
  public static final String LEAD_ENDING = ".lead.json";

  /** The ending of the name of a file with a ring-out. */
  public static final String RING_OUT_ENDING = ".ringout.json";

  private static final String LEAD = "kumite-lead";
  private static final String RING_OUT = "kumite-ringout";
  private static final int VERSION = 1;

  private LeadFile() {}

  /**
   * A lead, with the connectors and pinouts that its file brings.
   *
   * @param book with the one lead, and what is its own
   */
  public record Found(LeadBook book) {
    /** {@return the lead} */
    public Lead lead() {
      return book.leads().get(0);
    }
  }

  /**
   * A ring-out found in a file.
   *
   * @param own connectors and pinouts that go along
   */
  public record FoundRingOut(RingOut ringOut, LeadBook own) {}

  /** {@return whether a file's text says that it holds a lead} */
  public static boolean isLead(String text) {
    return text.contains("\"" + LEAD + "\"");
  }

  /**
   * Reads a lead.
   *
   * @param name what messages call the file
   * @throws BuildFileException if it holds none; the message names the key
   */
  public static Found lead(String text, String name) throws BuildFileException {
    try {
      Key key = head(JsonText.read(text), LEAD);
      // What follows from the pins is printed for scripts, and worked out anew when it is read.
      key.has("turn");
      key.has("does");
      key.has("findings");
      LeadBook own = own(key);
      key.know(Scope.NONE.with(PinNames.PLUGS, own.plugs()));
      Lead lead = LeadJson.LEAD.read(key);
      key.done();
      return new Found(own.withLeads(java.util.List.of(lead)));
    } catch (Misfit e) {
      throw new BuildFileException(name, e.place(), e.what(), e.remedy());
    }
  }

  /** Connectors and pinouts that go along. */
  private static LeadBook own(Key key) {
    if (!key.has("own")) {
      return LeadBook.EMPTY;
    }
    Scope nobody = Scope.NONE.with(Around.SEATS, Set.of()).with(Around.CONTROLS, Set.of());
    return LeadJson.BOOK.read(key.value("own").within(nobody));
  }

  private static Key head(JsonNode root, String format) {
    Key key = new Key("", root);
    String said = key.text("format", "");
    if (!said.equals(format)) {
      throw key.misfit(
          "format",
          said.isEmpty() ? "is missing" : "is \"" + said + "\"",
          "such a file says \"" + format + "\" here; is it the right file?");
    }
    int version = key.integer("version");
    if (version != VERSION) {
      throw key.misfit(
          "version",
          "is " + version + ", but this Kumite reads " + VERSION,
          version > VERSION ? "open it with a newer Kumite" : "versions begin at 1");
    }
    return key;
  }

  private static ObjectNode head(String format) {
    return JsonNodeFactory.instance.objectNode().put("format", format).put("version", VERSION);
  }

  /**
   * {@return a lead as JSON that can be read back, with what follows from it for scripts}
   *
   * @param book whose connectors and pinouts it may use
   */
  public static ObjectNode tree(Lead lead, LeadBook book) {
    Plugs plugs = book.plugs();
    ObjectNode node = head(LEAD);
    LeadJson.LEAD.write(lead.withCores(plugs.inOrder(lead)), node);
    ArrayNode pins = (ArrayNode) node.get("pins");
    int at = 0;
    for (Core core : plugs.inOrder(lead)) {
      String colour = pins.get(at).get("colour").asText();
      ObjectNode pin = (ObjectNode) pins.get(at++);
      pin.remove("colour");
      pin.put("role", plugs.role(lead, core)).put("colour", colour);
    }
    Told told = Told.of(lead, plugs);
    told.turn().flatMap(kumite.lead.Turn::degrees).ifPresent(degrees -> node.put("turn", degrees));
    node.put("does", told.words());
    along(book, node);
    return node;
  }

  private static void along(LeadBook book, ObjectNode node) {
    LeadBook own =
        new LeadBook(
            book.connectors(),
            book.pinouts(),
            java.util.List.of(),
            java.util.List.of(),
            java.util.List.of());
    if (!own.equals(LeadBook.EMPTY)) {
      node.set("own", LeadJson.BOOK.write(own));
    }
  }

  /** {@return a lead as the text of a file} */
  public static String text(Lead lead, LeadBook book) {
    return BuildFile.print(tree(lead, book));
  }

  /**
   * Reads a ring-out.
   *
   * @throws BuildFileException if the file holds none; the message names the key
   */
  public static FoundRingOut ringOut(Path file) throws BuildFileException {
    return ringOut(TextFile.read(file), file.toString());
  }

  /**
   * Reads a ring-out.
   *
   * @param name what messages call the file
   * @throws BuildFileException if it holds none; the message names the key
   */
  public static FoundRingOut ringOut(String text, String name) throws BuildFileException {
    try {
      Key key = head(JsonText.read(text), RING_OUT);
      LeadBook own = own(key);
      key.know(Scope.NONE.with(PinNames.PLUGS, own.plugs()));
      RingOut ringOut = RingOutJson.CODEC.read(key);
      key.done();
      return new FoundRingOut(ringOut, own);
    } catch (Misfit e) {
      throw new BuildFileException(name, e.place(), e.what(), e.remedy());
    }
  }

  /**
   * {@return a ring-out as the text of a file}
   *
   * @param book with connectors of its own, which go along
   */
  public static String text(RingOut ringOut, LeadBook book) {
    ObjectNode node = head(RING_OUT);
    RingOutJson.CODEC.write(ringOut, node);
    along(book, node);
    return BuildFile.print(node);
  }

  /** Writes the places of a probe, as a reading in a file has them. */
  public static void places(ObjectNode node, NextProbe probe) {
    RingOutJson.places(node, probe.one(), probe.other());
  }

  /**
   * Writes a file whole or not at all.
   *
   * @throws BuildFileException if it cannot be written
   */
  public static void write(Path file, String text) throws BuildFileException {
    BuildFile.writeWhole(file, text);
  }
}
