/**
 * Why a finding is what it is said to be: from the volume over its record to its bytes, with the raw structures taken
 * apart.
 */
@NullMarked
package org.brantel.core.explain;

import org.jspecify.annotations.NullMarked;
