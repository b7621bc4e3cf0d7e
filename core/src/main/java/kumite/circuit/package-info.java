/**
 * What volts and amps come to rest where.
 *
 * <p>{@link kumite.circuit.Circuit} holds the parts between named nodes and {@link
 * kumite.circuit.Circuit#operatingPoint} solves them; {@link kumite.circuit.InputCircuit} draws the
 * circuit of one contact of a loom, and {@link kumite.circuit.InputLevels} what the board reads
 * there, at its best and at its worst. Volts, amps and ohms throughout.
 */
package kumite.circuit;
