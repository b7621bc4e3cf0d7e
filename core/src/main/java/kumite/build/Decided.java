package kumite.build;

import java.util.Set;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * What a builder decided at one station: an immutable value that knows what to do when something
 * that it names is taken out of the build.
 *
 * @param <T> the type itself
 */
public interface Decided<T extends Decided<T>> {

  /** {@return the same without what it says of a control that is taken out} */
  default T without(ControlId gone) {
    return self();
  }

  /**
   * {@return the same less what names a seat or a control that a build does not have}
   *
   * <p>Asked whenever a build is made, so it should cost nothing where there is nothing to name.
   */
  default T within(Set<SeatId> seats, Set<ControlId> controls) {
    return self();
  }

  @SuppressWarnings("unchecked") // T is the implementing type, as the parameter says
  private T self() {
    return (T) this;
  }
}
