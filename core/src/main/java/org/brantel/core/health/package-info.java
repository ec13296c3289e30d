/**
 * Health readings of devices: the standard binary layouts, what they say of the device's state, and what has to change
 * before somebody is told.
 */
@NullMarked
package org.brantel.core.health;

import org.jspecify.annotations.NullMarked;
