/**
 * Bytes by themselves: ranges and sets of them, values in both byte orders, and views over the stretches of anything that
 * can be read.
 */
@NullMarked
package org.brantel.core.bytes;

import org.jspecify.annotations.NullMarked;
