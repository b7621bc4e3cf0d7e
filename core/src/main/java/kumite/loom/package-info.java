/**
 * Which contact goes to which terminal, by which wire.
 *
 * <p>{@link kumite.loom.Loom#of} is the door: it plans the pins ({@link kumite.loom.PinPlan}), lays
 * the commons ({@link kumite.loom.CommonRun}) and cuts the strands. All lengths are millimetres;
 * colours are IEC 60757 codes. Nothing here judges; that is done in {@code kumite.verdict}.
 */
package kumite.loom;
