/** Small controls used by several stations: typed numbers, segmented choices, drawn strands. */
@NullMarked
package kumite.desktop.field;

import org.jspecify.annotations.NullMarked;
