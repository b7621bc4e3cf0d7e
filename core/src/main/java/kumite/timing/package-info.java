/**
 * Time between a finger and a report: bounce, debounce and latency. Times are whole microseconds.
 *
 * <p>Randomness is seeded and passed in: the same seed gives the same bounce.
 */
@NullMarked
package kumite.timing;

import org.jspecify.annotations.NullMarked;
