/** Opens a source from how it is written, whatever its kind: the one place that knows them all. */
@NullMarked
package org.brantel.core.opening;

import org.jspecify.annotations.NullMarked;
