/**
 * How values stand in a file: reading, writing and what the schema says of them, in one place.
 *
 * <p>Start at {@link kumite.codec.Fields}: the keys of a record, in the order they are written,
 * make its {@link kumite.codec.Codec}. {@link kumite.codec.Plain} has those of numbers, texts,
 * words, lists and maps. Ranges are those of the records ({@link kumite.measure.Range}); names are
 * held against what is known around them ({@link kumite.json.Scope}).
 */
@NullMarked
package kumite.codec;

import org.jspecify.annotations.NullMarked;
