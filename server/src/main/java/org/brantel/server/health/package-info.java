/** Health readings of attached devices, as a series, with what they say. */
package org.brantel.server.health;
