/**
 * The rooms of the application, one small declaration for each station: what it keeps, says, writes
 * and shows. They are named in {@code META-INF/services}, in working order.
 */
@NullMarked
package kumite.station;

import org.jspecify.annotations.NullMarked;
