/** The append-only, hash-chained record of a case: how an entry's hash is made, and how a break is found. */
@NullMarked
package org.brantel.core.custody;

import org.jspecify.annotations.NullMarked;
