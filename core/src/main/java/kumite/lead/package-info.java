/**
 * Leads: connectors with their pins, what pins do, and the cores that carry pins to pins.
 *
 * <p>Start with {@link kumite.lead.Lead}. What a lead joins is worked out once, in {@link
 * kumite.lead.LeadNets}; chart, composition, turn and checks all ask that.
 */
@NullMarked
package kumite.lead;

import org.jspecify.annotations.NullMarked;
