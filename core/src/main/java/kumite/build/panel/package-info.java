/** What the builder decided of the panel and its case. Start at {@link Panel}. */
@NullMarked
package kumite.build.panel;

import org.jspecify.annotations.NullMarked;
