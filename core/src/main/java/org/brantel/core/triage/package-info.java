/**
 * Facts in, a ranking of recovery paths out. The protocol (protocol.json beside this package) is data: evidence with
 * weights and reasons, bars, stop rules, questions. {@link org.brantel.core.triage.Triage} reads it and is pure and
 * deterministic.
 */
@NullMarked
package org.brantel.core.triage;

import org.jspecify.annotations.NullMarked;
