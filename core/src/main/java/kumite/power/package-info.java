/**
 * Volts, amps and ohms that follow from closed formulas: wires, lamp resistors, input levels.
 *
 * <p>Each answer carries its {@link kumite.working.Working}. Units are in the names: volts, amps,
 * milliamps, ohms, millimetres, metres.
 */
@NullMarked
package kumite.power;

import org.jspecify.annotations.NullMarked;
