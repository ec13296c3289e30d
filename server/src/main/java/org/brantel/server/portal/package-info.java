/** The customer's page: one delivery behind a link and a passcode, and nothing else. */
@NullMarked
package org.brantel.server.portal;

import org.jspecify.annotations.NullMarked;
