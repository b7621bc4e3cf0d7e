/**
 * Whether the parts fit the panel, the case and each other.
 *
 * <p>{@link kumite.panel.Gaps#of} measures every gap that is narrow enough to matter; {@link
 * kumite.panel.DrillPlan} lists the holes; {@link kumite.panel.Arrange} makes the edits of moving,
 * copying and mirroring. Lengths are millimetres in the coordinates of {@code kumite.build}.
 * Nothing here judges; that is done in {@code kumite.verdict}.
 */
@NullMarked
package kumite.panel;

import org.jspecify.annotations.NullMarked;
