/**
 * Content by its own structure: recognising a kind, walking it to its true end, and checking it.
 *
 * <p>Each kind is one class. Standards: JPEG ITU-T T.81; PNG ISO/IEC 15948; PDF ISO 32000-1. {@link
 * org.brantel.core.carve.Carver} looks for starts on a whole source; {@link org.brantel.core.carve.Kinds} lists what is
 * known and checks the content of files that a file system names.
 */
package org.brantel.core.carve;
