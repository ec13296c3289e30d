/** Devices that fail as a file says, in counted time; see docs/formats.md. */
@NullMarked
package org.brantel.core.source.simulated;

import org.jspecify.annotations.NullMarked;
