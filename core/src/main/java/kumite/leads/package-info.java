/**
 * Whether leads, cables and ring-outs are right, alone and at their boards. Start at {@link
 * kumite.leads.LeadBookChecks}.
 */
@NullMarked
package kumite.leads;

import org.jspecify.annotations.NullMarked;
