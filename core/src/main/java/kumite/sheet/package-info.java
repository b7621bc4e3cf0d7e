/**
 * What is printed and laid on the bench.
 *
 * <p>{@link kumite.sheet.BenchSheet} is the sheet of a build as PDF: vector, searchable, fonts
 * embedded, readable in black and white. Places on a page are millimetres from its top left corner.
 */
@NullMarked
package kumite.sheet;

import org.jspecify.annotations.NullMarked;
