/**
 * Sets of a catalogue's lines: what of a case is chosen, how that was changed, and the sets that are kept under a name. Public face:
 * {@link org.brantel.server.selection.Selections}, {@link org.brantel.server.selection.Marks}.
 */
@NullMarked
package org.brantel.server.selection;

import org.jspecify.annotations.NullMarked;
