/**
 * What a build takes: all that is bought or taken from the drawer, and how wire is cut from what is
 * there.
 *
 * <p>Start at {@link kumite.bill.Bill}; {@link kumite.bill.Stock} is the drawer, {@link
 * kumite.bill.Shopping} holds one against the other.
 */
@NullMarked
package kumite.bill;

import org.jspecify.annotations.NullMarked;
