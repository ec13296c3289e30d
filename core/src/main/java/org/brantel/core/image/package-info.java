/**
 * An image of a medium beside the map of what was read of it, its journal, and the file of what is wanted first. The
 * only rooms of the engine that write are this one, imaging, recovery, the manifest and the sessions' own files.
 */
@NullMarked
package org.brantel.core.image;

import org.jspecify.annotations.NullMarked;
