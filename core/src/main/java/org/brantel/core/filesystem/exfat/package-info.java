/**
 * exFAT, live and deleted.
 *
 * <p>The layout follows the publicly available "exFAT file system specification", revision 1.00 (cited as EXFAT). All
 * values are little-endian. Entries keep the offset of their local time from UTC.
 */
@NullMarked
package org.brantel.core.filesystem.exfat;

import org.jspecify.annotations.NullMarked;
