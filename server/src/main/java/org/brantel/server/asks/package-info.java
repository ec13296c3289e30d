/**
 * How features ask people: the Desk draws together what every {@link org.brantel.server.asks.Asking} puts and what every
 * {@link org.brantel.server.asks.WorkAtHand} has going, and knows none of them.
 */
@NullMarked
package org.brantel.server.asks;

import org.jspecify.annotations.NullMarked;
