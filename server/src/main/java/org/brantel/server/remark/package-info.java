/**
 * What the lab remarks on findings: whose they are, tags, a name in place of their own, notes. Public face:
 * {@link org.brantel.server.remark.Remarks}.
 */
@NullMarked
package org.brantel.server.remark;

import org.jspecify.annotations.NullMarked;
