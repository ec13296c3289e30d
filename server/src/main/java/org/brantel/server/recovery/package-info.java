/**
 * Recovery runs: writing the selection to the lab's lab store and reading it back. Public face:
 * {@link org.brantel.server.recovery.Recoveries}.
 */
@NullMarked
package org.brantel.server.recovery;

import org.jspecify.annotations.NullMarked;
