/** The panel to scale as several stations draw it: how it lies on the screen, and its case. */
package kumite.desktop.plan;
