/** A manager's questions about the day: what is late, what is open in money, how cases ended. */
@NullMarked
package org.brantel.server.day;

import org.jspecify.annotations.NullMarked;
