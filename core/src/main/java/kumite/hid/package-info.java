/**
 * What goes over the wire to the host: usages, report descriptors and reports.
 *
 * <p>Start at {@link kumite.hid.ReportLayout}: it writes the descriptor of a mapping and knows
 * where in a report each meaning sits. {@link kumite.hid.DescriptorReader} reads any descriptor
 * back into {@link kumite.hid.InputField}s and {@link kumite.hid.HostView} shows a report as the
 * host sees it; neither knows how the descriptor was made. Source: Device Class Definition for HID
 * 1.11 and the HID Usage Tables; numbers are from memory where the code says so.
 */
@NullMarked
package kumite.hid;

import org.jspecify.annotations.NullMarked;
