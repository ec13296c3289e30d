/**
 * People of the lab: accounts, roles, signing in, throttling. Public face: {@link org.brantel.server.staff.Staff},
 * {@link org.brantel.server.staff.Throttle}.
 */
@NullMarked
package org.brantel.server.staff;

import org.jspecify.annotations.NullMarked;
