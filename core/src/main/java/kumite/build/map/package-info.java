/** What the builder decided of meanings and timing. Start at {@link Mapping}. */
@NullMarked
package kumite.build.map;

import org.jspecify.annotations.NullMarked;
