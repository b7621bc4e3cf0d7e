/**
 * What volts and amps come to rest where.
 *
 * <p>{@link kumite.circuit.Network} turns the wiring as it is into islands, each a {@link
 * kumite.circuit.Circuit} over its nets; {@link kumite.circuit.Solves} solves every island once, at
 * rest and with each set of contacts held. What the board reads ({@link
 * kumite.circuit.InputLevels}), what a lamp draws ({@link kumite.circuit.LampCurrent}), what the
 * supply has to give ({@link kumite.circuit.Budget}), the sketch and the deck ({@link
 * kumite.circuit.IslandDeck}) are all taken from those solutions. Volts, amps and ohms throughout.
 */
@NullMarked
package kumite.circuit;

import org.jspecify.annotations.NullMarked;
