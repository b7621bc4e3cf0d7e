package kumite.circuit;

import kumite.wiring.Wiring;

/**
 * What follows from the wires of one seat.
 *
 * @param planned the wiring as planned
 * @param asBuilt the wiring as it is
 * @param inputs what the board reads
 * @param budget what is taken from the supply
 * @param presses where a press shows otherwise than planned
 */
public record Wired(
    Wiring planned, Wiring asBuilt, Inputs inputs, Budget budget, Presses presses) {}
