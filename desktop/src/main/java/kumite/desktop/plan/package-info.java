/** The panel to scale as several stations draw it: how it lies on the screen, and its case. */
@NullMarked
package kumite.desktop.plan;

import org.jspecify.annotations.NullMarked;
