/** Archives: 7z, rar, gzip RFC 1952, xz, Zstandard RFC 8878, bzip2, tar POSIX.1-2001. One class a kind. */
@NullMarked
package org.brantel.core.kind.archive;

import org.jspecify.annotations.NullMarked;
