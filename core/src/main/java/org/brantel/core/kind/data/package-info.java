/** Data: SQLite 3, OpenType, ISO 9660 images. One class a kind. */
package org.brantel.core.kind.data;
