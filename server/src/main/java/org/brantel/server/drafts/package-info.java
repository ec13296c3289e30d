/** Intakes that are not logged yet: kept as they are typed, found again by whoever takes the next call. */
@NullMarked
package org.brantel.server.drafts;

import org.jspecify.annotations.NullMarked;
