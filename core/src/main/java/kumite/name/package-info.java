/**
 * The names by which files, wires and the command line call things: a control, a contact, a place
 * where a wire lands, a wire between two such places.
 *
 * <p>Start at {@link kumite.name.Joint}. A name is stable: nothing that is saved hangs on a running
 * number.
 */
@NullMarked
package kumite.name;

import org.jspecify.annotations.NullMarked;
