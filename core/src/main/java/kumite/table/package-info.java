/**
 * Tables that people bring: as a sheet, a page or another program saved them.
 *
 * <p>Start at {@link kumite.table.Table}: it finds out how the cells are parted, and keeps the line
 * of every row so that what is wrong can be named. It knows nothing of what the cells mean.
 */
@NullMarked
package kumite.table;

import org.jspecify.annotations.NullMarked;
