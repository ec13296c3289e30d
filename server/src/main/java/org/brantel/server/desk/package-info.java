/** What needs a decision now, and what is running: drawn together from the other features' public faces. */
@NullMarked
package org.brantel.server.desk;

import org.jspecify.annotations.NullMarked;
