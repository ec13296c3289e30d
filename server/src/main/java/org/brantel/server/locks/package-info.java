/**
 * What must not be done, as locks: whether a device may be touched, and what may be looked at. Every feature asks here.
 */
@NullMarked
package org.brantel.server.locks;

import org.jspecify.annotations.NullMarked;
