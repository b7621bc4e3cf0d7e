/**
 * What a station's room is made of below all rooms: what it keeps in the file, and what it derives
 * from what. A derivation names what it reads and is given nothing else, so that what may be kept
 * after an edit is no promise but follows.
 */
@NullMarked
package kumite.room;

import org.jspecify.annotations.NullMarked;
