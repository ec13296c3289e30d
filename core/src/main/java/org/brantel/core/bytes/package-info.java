/**
 * Bytes by themselves: ranges and sets of them, values in both byte orders, and views over the stretches of anything that
 * can be read.
 */
package org.brantel.core.bytes;
