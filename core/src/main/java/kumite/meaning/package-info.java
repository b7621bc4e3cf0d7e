/**
 * Whether what contacts mean comes out, for every hand, layer and board. Start at {@link
 * kumite.meaning.MapChecks}.
 */
@NullMarked
package kumite.meaning;

import org.jspecify.annotations.NullMarked;
