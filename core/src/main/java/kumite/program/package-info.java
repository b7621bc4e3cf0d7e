/**
 * What the board's program does with a level it looked at, until a report leaves: the steps of
 * {@code docs/semantics.md}, one small type each.
 *
 * <p>Start at {@link kumite.program.Program}. It knows no wires and no clock: it is told what each
 * look read and at what time, in whole microseconds, and gives reports. All of it is whole-number
 * arithmetic, so that a second program in another language can be proved equal.
 */
@NullMarked
package kumite.program;

import org.jspecify.annotations.NullMarked;
