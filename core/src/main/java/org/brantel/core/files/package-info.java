/** Files of our own beside those of customers. */
@NullMarked
package org.brantel.core.files;

import org.jspecify.annotations.NullMarked;
