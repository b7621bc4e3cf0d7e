/**
 * The workbench window. Start reading at {@link kumite.desktop.KumiteApp}; the state of the window
 * is {@link kumite.desktop.shell.Workbench}.
 *
 * <p>Nothing here computes facts of the trade: stations show a {@code kumite.verdict.Bench} and
 * make {@code kumite.build.Edit}s.
 */
@NullMarked
package kumite.desktop;

import org.jspecify.annotations.NullMarked;
