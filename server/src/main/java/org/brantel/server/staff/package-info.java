/**
 * People of the lab: who they are, their roles and passwords. How they get in is {@code entry}'s. Public face:
 * {@link org.brantel.server.staff.Staff}.
 */
@NullMarked
package org.brantel.server.staff;

import org.jspecify.annotations.NullMarked;
