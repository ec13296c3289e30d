/** What the customer hopes to get back, as lines that can be checked, and how much of it is there. */
@NullMarked
package org.brantel.core.wanted;

import org.jspecify.annotations.NullMarked;
