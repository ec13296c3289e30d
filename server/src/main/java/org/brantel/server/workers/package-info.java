/**
 * Processes of their own for whatever decodes what strangers made: each has little memory and little time, knows no
 * database and no network, and may die of a file without anything else. Public face:
 * {@link org.brantel.server.workers.Workers}, {@link org.brantel.server.workers.Chore}.
 */
@NullMarked
package org.brantel.server.workers;

import org.jspecify.annotations.NullMarked;
