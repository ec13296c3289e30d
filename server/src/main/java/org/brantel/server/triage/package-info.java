/** Ranking a case's recovery paths and deciding on one. The ranking itself is the core's. */
@NullMarked
package org.brantel.server.triage;

import org.jspecify.annotations.NullMarked;
