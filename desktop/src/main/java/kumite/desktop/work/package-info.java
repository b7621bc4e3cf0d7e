/** The Plan station: steps in order, what can be done today, and what it all takes. */
@NullMarked
package kumite.desktop.work;

import org.jspecify.annotations.NullMarked;
