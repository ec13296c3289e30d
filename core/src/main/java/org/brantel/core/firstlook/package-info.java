/** What a station can tell about an attached device by itself, in a few gentle reads. */
@NullMarked
package org.brantel.core.firstlook;

import org.jspecify.annotations.NullMarked;
