/** The Map station: what each contact means, what the host asks for, what the host receives. */
@NullMarked
package kumite.desktop.map;

import org.jspecify.annotations.NullMarked;
