/**
 * FAT12, FAT16 and FAT32 with long names, live and deleted; folders that no folder leads to any more, of before a
 * format or deleted with what was above them; volumes rebuilt from their tables and folders.
 *
 * <p>Layouts follow ECMA-107 (Volume and File Structure of Disk Cartridges, FAT12 and FAT16) and the publicly
 * available "FAT32 File System Specification", version 1.03 of 6 December 2000 (FAT32, long names), cited as FAT32S.
 */
@NullMarked
package org.brantel.core.filesystem.fat;

import org.jspecify.annotations.NullMarked;
