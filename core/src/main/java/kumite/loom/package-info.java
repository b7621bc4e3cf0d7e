/**
 * The plan of the wiring: which contact goes to which terminal, by which wire, through which part.
 *
 * <p>{@link kumite.loom.Loom#of} is the door: it plans the pins ({@link kumite.loom.PinPlan}), lays
 * each topology ({@link kumite.loom.Grouping}) and the shared runs ({@link kumite.loom.Runs}), and
 * cuts the strands ({@link kumite.loom.CutList}). All lengths are millimetres; colours are IEC
 * 60757 codes. Nothing here judges; that is done in {@code kumite.verdict}.
 */
@NullMarked
package kumite.loom;

import org.jspecify.annotations.NullMarked;
