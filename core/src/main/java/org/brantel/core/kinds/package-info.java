/** All kinds of content that the engine knows: the one list of them. */
@NullMarked
package org.brantel.core.kinds;

import org.jspecify.annotations.NullMarked;
