/** The Leads station: pins to pins, faces, joining, and ringing out. */
package kumite.desktop.leads;
