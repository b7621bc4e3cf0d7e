/**
 * The case under the panel: its pieces in space, how they join, which screws hold them, what goes
 * through them, how they are laid on sheets, and whether all of it can be made and goes in.
 */
@org.jspecify.annotations.NullMarked
package kumite.box;
