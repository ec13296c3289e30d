/** The devices of a case side by side: how far each is, and what it waits for. Nothing else stands on this package. */
@NullMarked
package org.brantel.server.devices;

import org.jspecify.annotations.NullMarked;
