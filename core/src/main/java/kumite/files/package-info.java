/**
 * Build files, the journal of unsaved work, and the tables that go out.
 *
 * <p>{@link kumite.files.BuildFile} reads and writes {@code NAME.kumite.json}; the format is
 * described in docs/file-format.md and docs/build.schema.json. Bad input raises a {@link
 * kumite.files.BuildFileException} that names file, place and remedy; nothing is half-read or
 * half-written.
 */
@NullMarked
package kumite.files;

import org.jspecify.annotations.NullMarked;
