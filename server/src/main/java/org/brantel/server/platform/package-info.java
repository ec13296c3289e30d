/** What every feature stands on: settings, refusals in one sentence, live events, the clock, the API's description. */
@NullMarked
package org.brantel.server.platform;

import org.jspecify.annotations.NullMarked;
