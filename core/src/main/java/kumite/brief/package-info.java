/** Whether the brief is sound: {@link kumite.brief.BriefChecks}. */
@NullMarked
package kumite.brief;

import org.jspecify.annotations.NullMarked;
