/** Bring-up in the window: one question at a time, what the readings point to, a stand-in. */
@NullMarked
package kumite.desktop.bringup;

import org.jspecify.annotations.NullMarked;
