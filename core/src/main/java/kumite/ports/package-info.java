/**
 * Ports at their boards: whether a pad is fed as it should be, whether it is read in time, and what
 * its lines carry over the wires as they are.
 *
 * <p>Start at {@link kumite.ports.PortChecks}; {@link kumite.ports.PortLines} tells each line from
 * plug to board.
 */
@NullMarked
package kumite.ports;

import org.jspecify.annotations.NullMarked;
