package kumite.lead;

import java.util.Objects;

/**
 * Something that goes over the cable before its joints are made.
 *
 * @param end over which end it is slid
 * @param kind what it is
 */
public record Slip(Where end, Kind kind) {

  /** What goes over a cable first. */
  public enum Kind {
    HOOD("hood"),
    BOOT("boot"),
    GLAND("gland or case hole"),
    TUBE("wide tube over the jacket");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** {@return it in words} */
    public String words() {
      return words;
    }
  }

  public Slip {
    Objects.requireNonNull(end, "end");
    Objects.requireNonNull(kind, "kind");
  }

  /** {@return the same in a lead that is used the other way round} */
  public Slip turned() {
    return new Slip(end.across(), kind);
  }
}
