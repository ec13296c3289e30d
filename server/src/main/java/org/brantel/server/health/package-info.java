/** Health readings of attached devices, as a series, with what they say. */
@NullMarked
package org.brantel.server.health;

import org.jspecify.annotations.NullMarked;
