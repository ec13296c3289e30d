/** What was said and noted about a case after it was logged; who is mentioned hears of it on the Desk. */
@NullMarked
package org.brantel.server.notes;

import org.jspecify.annotations.NullMarked;
