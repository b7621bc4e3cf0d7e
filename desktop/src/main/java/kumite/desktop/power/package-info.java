/** The Power station: solved input circuits on their threshold scales, and the supply's budget. */
@NullMarked
package kumite.desktop.power;

import org.jspecify.annotations.NullMarked;
