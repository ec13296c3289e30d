/**
 * Finding volumes on a medium: those that it lists (a file system on the whole medium, a master boot record, a GUID
 * table) and those that it lost, which a search finds by their heads, the copies of these, and their records.
 */
@NullMarked
package org.brantel.core.volume;

import org.jspecify.annotations.NullMarked;
