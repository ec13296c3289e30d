/** What can be attached, by kind: one provider for each, and {@link org.brantel.server.media.Media} above them. */
package org.brantel.server.media;
