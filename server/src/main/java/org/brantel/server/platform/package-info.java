/** What every feature stands on: settings, refusals in one sentence, live events, the clock, the API's description. */
package org.brantel.server.platform;
