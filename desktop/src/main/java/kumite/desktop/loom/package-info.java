/** The Loom station: strands, commons, cut list, board. */
@NullMarked
package kumite.desktop.loom;

import org.jspecify.annotations.NullMarked;
