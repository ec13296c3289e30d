/**
 * Health readings of devices: the standard binary layouts, what they say of the device's state, and what has to change
 * before somebody is told.
 */
package org.brantel.core.health;
