/** Volumes that are known by their public heads and not read: families without a reader yet, and encrypted ones. */
@NullMarked
package org.brantel.core.filesystem.recognised;

import org.jspecify.annotations.NullMarked;
