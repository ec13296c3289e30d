/**
 * Recovery runs: writing the selection to the lab's lab store and reading it back. Public face:
 * {@link org.brantel.server.recovery.Recoveries}.
 */
package org.brantel.server.recovery;
