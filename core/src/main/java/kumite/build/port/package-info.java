/** What was decided about ports: where old pads plug in, and what kinds of them there are. */
@NullMarked
package kumite.build.port;

import org.jspecify.annotations.NullMarked;
