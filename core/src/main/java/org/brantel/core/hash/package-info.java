/** Hashes of bytes, as the manifest and custody write them. */
@NullMarked
package org.brantel.core.hash;

import org.jspecify.annotations.NullMarked;
