/** The content of a file as something to read: extents in order, holes as zeros, packed units unpacked. */
@NullMarked
package org.brantel.core.content;

import org.jspecify.annotations.NullMarked;
