/**
 * How values are asked of a JSON document and refused by their place in it.
 *
 * <p>Start at {@link kumite.json.Key}: it knows its path, asks for what it needs, and refuses what
 * nobody asked for. {@link kumite.json.JsonText} makes a document of a text. All that does not fit
 * ends in a {@link kumite.json.Misfit}, which says where, what was found and what is wanted.
 */
@NullMarked
package kumite.json;

import org.jspecify.annotations.NullMarked;
