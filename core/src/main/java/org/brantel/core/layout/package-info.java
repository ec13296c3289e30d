/**
 * How a delivery is laid out: which folder and name each file of a selection gets, so that the system that opens it can hold them all,
 * and what of a name had to be changed for it.
 */
@NullMarked
package org.brantel.core.layout;

import org.jspecify.annotations.NullMarked;
