/** Scan sessions on a case's image. Public face: {@link org.brantel.server.scan.Scans}. */
package org.brantel.server.scan;
