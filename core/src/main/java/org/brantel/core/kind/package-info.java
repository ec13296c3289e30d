/** What a kind of content is: how it begins, how it is walked to its end, and what it says about itself. */
@NullMarked
package org.brantel.core.kind;

import org.jspecify.annotations.NullMarked;
