/**
 * What the builder decided of the wiring; pins, strands and lengths are worked out. Start at {@link
 * LoomSettings}.
 */
@NullMarked
package kumite.build.loom;

import org.jspecify.annotations.NullMarked;
