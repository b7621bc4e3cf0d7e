/**
 * In which order, where, with what and how long: the steps of a build, with the reason for the
 * place of each.
 *
 * <p>Start at {@link kumite.plan.Plan}. What must come before what is data ({@link
 * kumite.plan.Rule}); what there is to do follows from the build.
 */
@NullMarked
package kumite.plan;

import org.jspecify.annotations.NullMarked;
