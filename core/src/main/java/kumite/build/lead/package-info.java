/** What a build keeps of leads: its own connectors, its leads and cables, its ring-outs. */
@NullMarked
package kumite.build.lead;

import org.jspecify.annotations.NullMarked;
