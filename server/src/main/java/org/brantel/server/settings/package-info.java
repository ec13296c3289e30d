/**
 * What a lab sets for itself: prices, clocks, letters. Public face: {@link org.brantel.server.settings.LabSettings}.
 */
@NullMarked
package org.brantel.server.settings;

import org.jspecify.annotations.NullMarked;
