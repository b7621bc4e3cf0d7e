package kumite.leads;

import java.util.Optional;
import kumite.build.Build;
import kumite.loom.Loom;
import kumite.wiring.Wiring;

/**
 * What leads and cables find at a seat.
 *
 * @param build the build with that seat looked at
 * @param loom its strands
 * @param wiring its wires as they are; empty without a board
 * @param endangered whether nothing about its board may be called fine
 */
public record AtSeat(Build build, Loom loom, Optional<Wiring> wiring, boolean endangered) {}
