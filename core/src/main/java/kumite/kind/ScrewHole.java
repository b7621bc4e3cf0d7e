package kumite.kind;

import kumite.measure.Point;

/**
 * A screw hole of a control's mounting pattern.
 *
 * @param at offset from the control's centre, before turning
 * @param diameterMm of the clearance hole
 * @param screw the screw it clears, such as {@code M4}
 */
public record ScrewHole(Point at, double diameterMm, String screw) {}
