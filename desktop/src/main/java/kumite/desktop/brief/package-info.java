/** The Brief station: what the controller must do, for whose hands, on which host. */
@NullMarked
package kumite.desktop.brief;

import org.jspecify.annotations.NullMarked;
