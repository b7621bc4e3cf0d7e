/**
 * How a number came about, so that every number can show it.
 *
 * <p>A {@link kumite.working.Working} holds the formula, the values put in, the result and the
 * {@link kumite.working.Source} of the formula. Screens offer it on click, sheets print it, the
 * command line adds it to its JSON. Nothing here computes; packages above fill it in.
 *
 * <p>Null is never passed or returned anywhere in the core; an absent value is an empty {@code
 * Optional}.
 */
@NullMarked
package kumite.working;

import org.jspecify.annotations.NullMarked;
