/**
 * Optical file systems, live: ISO 9660 by ECMA-119, with long names as its supplementary tree (Joliet) or in the system
 * use fields (IEEE P1282, cited as RRIP; IEEE P1281, cited as SUSP), and UDF by ECMA-167 and the public OSTA UDF 2.60
 * (cited as UDF).
 */
@NullMarked
package org.brantel.core.filesystem.optical;

import org.jspecify.annotations.NullMarked;
