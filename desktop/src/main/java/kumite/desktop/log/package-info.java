/** The Log station: dated notes. */
package kumite.desktop.log;
