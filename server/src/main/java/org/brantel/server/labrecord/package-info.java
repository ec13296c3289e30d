/** The lab's own record: how its cases ended, where they waited, and whether its estimates held. */
@NullMarked
package org.brantel.server.labrecord;

import org.jspecify.annotations.NullMarked;
