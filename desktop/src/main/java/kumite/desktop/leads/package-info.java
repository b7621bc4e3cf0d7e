/** The Leads station: pins to pins, faces, joining, and ringing out. */
@NullMarked
package kumite.desktop.leads;

import org.jspecify.annotations.NullMarked;
