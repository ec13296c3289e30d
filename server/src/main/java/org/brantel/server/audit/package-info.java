/**
 * The lab's own record of who was let in, who was refused, whom its staff became and what its settings were made: chained
 * like custody. Public face: {@link org.brantel.server.audit.Audit}.
 */
@NullMarked
package org.brantel.server.audit;

import org.jspecify.annotations.NullMarked;
