/**
 * Who gets in: signing in with a password, a code or a passkey, sessions on whichever server, links for a new password,
 * how tries are slowed down. Public face: {@link org.brantel.server.entry.Throttle}.
 */
@NullMarked
package org.brantel.server.entry;

import org.jspecify.annotations.NullMarked;
