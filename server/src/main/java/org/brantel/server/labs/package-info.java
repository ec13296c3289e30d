/** A case that another lab goes on with: packed and signed here, looked at and brought in there, and back. */
@NullMarked
package org.brantel.server.labs;

import org.jspecify.annotations.NullMarked;
