/** The Panel station: the plan to scale, the tray, typed coordinates. */
@NullMarked
package kumite.desktop.panel;

import org.jspecify.annotations.NullMarked;
