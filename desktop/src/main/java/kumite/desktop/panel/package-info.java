/** The Panel station: the plan to scale, the tray, typed coordinates. */
package kumite.desktop.panel;
