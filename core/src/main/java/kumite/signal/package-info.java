/**
 * What old pads and consoles say to each other: the kinds of ports by their mechanism, and both
 * sides of each as stand-ins that talk over lines.
 *
 * <p>Start with {@link kumite.signal.PortKind}, which is data, and {@link kumite.signal.Play},
 * which lets the two sides of one talk and keeps a {@link kumite.signal.Waveform}. Each {@link
 * kumite.signal.Mechanism} is one small class; all of them talk over a {@link kumite.signal.Bus}.
 * Times are whole nanoseconds here and microseconds in files.
 */
@NullMarked
package kumite.signal;

import org.jspecify.annotations.NullMarked;
