/** Block devices of this machine and raw image files. */
@NullMarked
package org.brantel.core.source.device;

import org.jspecify.annotations.NullMarked;
