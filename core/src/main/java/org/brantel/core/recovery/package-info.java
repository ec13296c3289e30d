/**
 * Writing a selection out: never outside the destination, never onto the source, hashed while writing and
 * again when read back. Unread ranges become listed gaps.
 */
@NullMarked
package org.brantel.core.recovery;

import org.jspecify.annotations.NullMarked;
