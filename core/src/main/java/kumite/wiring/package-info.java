/**
 * The wiring as it is: every part and every wire, planned and then changed by hand. Nets, volts,
 * presses, findings, sheets and decks follow from it and from nothing else.
 *
 * <p>Start at {@link kumite.wiring.Wiring}. A fault at the bench is one small edit: a wire less, a
 * wire more, a part put in another way round.
 *
 * <pre>{@code
 * Wiring wiring = Wiring.asBuilt(build, board, loom);
 * wiring.without(Jumper.parse("horn:NO - board:D6")).nets().of(Joint.parse("horn:NO"));
 * }</pre>
 */
@NullMarked
package kumite.wiring;

import org.jspecify.annotations.NullMarked;
