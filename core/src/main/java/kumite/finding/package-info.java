/**
 * What can be said of a build, about what, how grave it is, and what may mend it. Start at {@link
 * kumite.finding.Finding}. Every room that judges stands on this one.
 */
@NullMarked
package kumite.finding;

import org.jspecify.annotations.NullMarked;
