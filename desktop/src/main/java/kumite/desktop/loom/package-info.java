/** The Loom station: strands, commons, cut list, board. */
package kumite.desktop.loom;
