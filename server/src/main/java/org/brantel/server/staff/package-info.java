/**
 * People of the lab: accounts, roles, signing in, throttling. Public face: {@link org.brantel.server.staff.Staff},
 * {@link org.brantel.server.staff.Throttle}.
 */
package org.brantel.server.staff;
