/** Data: SQLite 3, OpenType, ISO 9660 images. One class a kind. */
@NullMarked
package org.brantel.core.kind.data;

import org.jspecify.annotations.NullMarked;
