package kumite.json;

/** A value is not what it must be; says where, what is so, and what to do. */
public final class Misfit extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;
  private final String place;
  private final String what;
  private final String remedy;

  /**
   * A misfit.
   *
   * @param place key or line
   * @param what what was found there
   * @param remedy what is wanted; may be empty
   */
  public Misfit(String place, String what, String remedy) {
    super(place + ": " + what + (remedy.isEmpty() ? "" : "; " + remedy));
    this.place = place;
    this.what = what;
    this.remedy = remedy;
  }

  /** {@return key or line} */
  public String place() {
    return place;
  }

  /** {@return what was found} */
  public String what() {
    return what;
  }

  /** {@return what is wanted; may be empty} */
  public String remedy() {
    return remedy;
  }
}
