/** What the builder decided at the Brief: host, functions, hand. Start at {@link Brief}. */
@NullMarked
package kumite.build.brief;

import org.jspecify.annotations.NullMarked;
