/** The Signals station: what plugs in, line by line, and what its lines carry. */
@NullMarked
package kumite.desktop.signals;

import org.jspecify.annotations.NullMarked;
