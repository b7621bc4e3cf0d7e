/** The Case station: faces unfolded, the case as a solid, its sheets and screws. */
@org.jspecify.annotations.NullMarked
package kumite.desktop.box;
