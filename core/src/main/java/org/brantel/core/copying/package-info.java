/**
 * A straight copy: the files of a sound medium, taken file by file without an image of all of it. Only what its records
 * name is asked of the device; records and content are both checked, and the first sign of damage ends it.
 */
@NullMarked
package org.brantel.core.copying;

import org.jspecify.annotations.NullMarked;
