/** What can be attached, by kind: one provider for each, and {@link org.brantel.server.media.Media} above them. */
@NullMarked
package org.brantel.server.media;

import org.jspecify.annotations.NullMarked;
