/**
 * Documents: PDF ISO 32000-1, ZIP containers (APPNOTE 6.3) told apart by what they hold, compound files MS-CFB, RTF
 * 1.9. One class a kind.
 */
@NullMarked
package org.brantel.core.kind.document;

import org.jspecify.annotations.NullMarked;
