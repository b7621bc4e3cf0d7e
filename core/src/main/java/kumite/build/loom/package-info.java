/**
 * What the builder decided of the wiring; pins, strands and lengths are worked out. Start at {@link
 * LoomSettings}.
 */
package kumite.build.loom;
