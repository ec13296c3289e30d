/** The triage protocol that the lab works by: the one that ships, or one that a manager adopted. */
@NullMarked
package org.brantel.server.protocol;

import org.jspecify.annotations.NullMarked;
