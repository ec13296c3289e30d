/** Work on a device at a partner's bench: sent, quoted, approved, back, and what was done there. */
@NullMarked
package org.brantel.server.partner;

import org.jspecify.annotations.NullMarked;
