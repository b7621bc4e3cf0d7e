/**
 * What feeds a build, as a tree: what each source gives, what each branch takes, and what is wrong
 * between them. Start at {@link kumite.supply.SupplyTree}.
 */
@NullMarked
package kumite.supply;

import org.jspecify.annotations.NullMarked;
