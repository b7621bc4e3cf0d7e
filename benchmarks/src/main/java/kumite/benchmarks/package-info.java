/**
 * Speed, each figure side by side with a reference in the same run. Run with {@code ./kumite
 * benchmarks}, and {@code ./kumite benchmarks start} for the time to a usable window.
 */
package kumite.benchmarks;
