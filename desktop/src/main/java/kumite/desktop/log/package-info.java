/** The Log station: dated notes. */
@NullMarked
package kumite.desktop.log;

import org.jspecify.annotations.NullMarked;
