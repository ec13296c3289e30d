/** Looking for a copy that exists already: where, what was found there, and which wanted lines it covers. */
@NullMarked
package org.brantel.server.copies;

import org.jspecify.annotations.NullMarked;
