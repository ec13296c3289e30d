/**
 * A scan session: volumes, structure, carving, and the files it leaves (session.json and findings.ndjson, version 1,
 * docs/formats.md). One malformed file system never ends the scan of the rest.
 */
@NullMarked
package org.brantel.core.scan;

import org.jspecify.annotations.NullMarked;
