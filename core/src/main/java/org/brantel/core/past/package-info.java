/** What a lab's cases came to, counted from their records; where there are too few to say, that is said. */
@NullMarked
package org.brantel.core.past;

import org.jspecify.annotations.NullMarked;
