/** What is printed: labels for bag and device, the drop-off receipt, the letter of decline. */
@NullMarked
package org.brantel.server.papers;

import org.jspecify.annotations.NullMarked;
