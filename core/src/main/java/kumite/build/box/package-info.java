/** What the builder decided about the case: how it is made, of what, and what goes through it. */
@org.jspecify.annotations.NullMarked
package kumite.build.box;
