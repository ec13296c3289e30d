/**
 * What a case will take: time for imaging and scanning, work, price, chance; always a range with its reasons. Starts
 * from documented defaults (defaults.json beside this package) and learns from the lab's own measured sessions.
 */
@NullMarked
package org.brantel.core.estimate;

import org.jspecify.annotations.NullMarked;
