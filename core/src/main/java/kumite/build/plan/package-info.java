/** What a builder decided about the order of work: what is done, what is there already. */
@NullMarked
package kumite.build.plan;

import org.jspecify.annotations.NullMarked;
