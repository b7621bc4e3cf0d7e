/** What feeds a build: its sources, and what lies between them and what they feed. */
@org.jspecify.annotations.NullMarked
package kumite.build.supply;
