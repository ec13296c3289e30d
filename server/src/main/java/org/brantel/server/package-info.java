/** Records, sessions and hand-over; a package per feature, each with a small public face. */
@NullMarked
package org.brantel.server;

import org.jspecify.annotations.NullMarked;
