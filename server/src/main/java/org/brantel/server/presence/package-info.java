/** Who else looks at a case just now, so that two people do not decide over each other. */
@NullMarked
package org.brantel.server.presence;

import org.jspecify.annotations.NullMarked;
