package kumite.room;

import java.util.Set;
import kumite.json.Topic;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.SeatId;
import kumite.parts.Catalogue;

/** What stands in the same file beside a part, so that names in it can be checked. */
public final class Around {
  /** The kinds of parts there are, with the build's own. */
  public static final Topic<Catalogue> CATALOGUE = new Topic<>("catalogue");

  /** The controls. */
  public static final Topic<Set<ControlId>> CONTROLS = new Topic<>("controls");

  /** Their contacts. */
  public static final Topic<Set<ContactId>> CONTACTS = new Topic<>("contacts");

  /** The seats. */
  public static final Topic<Set<SeatId>> SEATS = new Topic<>("seats");

  private Around() {}
}
