/** Scan sessions on a case's image. Public face: {@link org.brantel.server.scan.Scans}. */
@NullMarked
package org.brantel.server.scan;

import org.jspecify.annotations.NullMarked;
