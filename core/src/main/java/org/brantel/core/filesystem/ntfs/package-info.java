/**
 * NTFS: the master file table and its mirror, records in free space, folders' indexes and what is left in their slack,
 * the change journal and the log.
 *
 * <p>The on-disk layout is publicly documented by the Linux kernel's driver (fs/ntfs3/ntfs.h, cited as NTFS3) and, for
 * what programs can ask a volume for, by MS-FSCC: file attributes (section 2.6), reparse tags (2.1.2.1), change journal
 * records (2.3.62, USN_RECORD_V2). All values are little-endian; times count 100 ns from 1601-01-01 UTC.
 */
@NullMarked
package org.brantel.core.filesystem.ntfs;

import org.jspecify.annotations.NullMarked;
