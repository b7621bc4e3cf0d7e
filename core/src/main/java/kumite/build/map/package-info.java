/** What the builder decided of meanings and timing. Start at {@link Mapping}. */
package kumite.build.map;
