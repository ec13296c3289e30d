/**
 * Content by its own structure: recognising a kind, walking it to its true end, and checking it.
 *
 * <p>{@link org.brantel.core.carve.Carver} looks for starts on a whole source; {@link org.brantel.core.kinds.Kinds}
 * lists what is known, one class a kind in the packages below, and checks the content of files that a file system
 * names.
 */
@NullMarked
package org.brantel.core.carve;

import org.jspecify.annotations.NullMarked;
