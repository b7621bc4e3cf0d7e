/** The Map station: what each contact means, what the host asks for, what the host receives. */
package kumite.desktop.map;
