/**
 * What a lab sets for itself: prices, clocks, letters. Public face: {@link org.brantel.server.settings.LabSettings}.
 */
package org.brantel.server.settings;
