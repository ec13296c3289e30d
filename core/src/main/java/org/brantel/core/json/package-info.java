/** One JSON mapper for every format of the engine (RFC 8259), and one way to say that a file is malformed. */
@NullMarked
package org.brantel.core.json;

import org.jspecify.annotations.NullMarked;
