/**
 * The frame around the stations: state, undo, top bar, station list, findings, path strip, finder.
 *
 * <p>{@link kumite.desktop.shell.Workbench} holds the state; {@link kumite.desktop.shell.Shell}
 * lays out the window; {@link kumite.desktop.shell.Commands} is the one list of everything that can
 * be done, from which keys, buttons and the finder are made.
 */
@NullMarked
package kumite.desktop.shell;

import org.jspecify.annotations.NullMarked;
