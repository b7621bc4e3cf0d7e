/** Small controls used by several stations: typed numbers, segmented choices, drawn strands. */
package kumite.desktop.field;
