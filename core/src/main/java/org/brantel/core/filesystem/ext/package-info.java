/**
 * ext2, ext3 and ext4: the live tree, deleted names in the slack of folders, and the journal's older copies of inodes
 * and folders, which bring deleted files back.
 *
 * <p>The layout follows the Linux kernel's documentation of ext4's on-disk structures (Documentation/filesystems/ext4,
 * cited as EXT4), which tells of the older two as well. Values are little-endian, those of the journal big-endian;
 * times are UTC.
 */
@NullMarked
package org.brantel.core.filesystem.ext;

import org.jspecify.annotations.NullMarked;
