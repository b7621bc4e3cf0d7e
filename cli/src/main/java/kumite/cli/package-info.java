/**
 * The core for scripts: check, paths, press, export, sum. Start reading at {@link
 * kumite.cli.KumiteCommand}. Exit codes: 0 nothing to stop, 1 something to stop, 2 bad input or
 * usage. JSON keys are snake_case with the unit in the key.
 */
@NullMarked
package kumite.cli;

import org.jspecify.annotations.NullMarked;
