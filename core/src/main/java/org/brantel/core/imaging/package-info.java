/**
 * Reading a medium into an image, once and gently: the order of work, the passes, the map and the hashes.
 *
 * <p>{@link org.brantel.core.imaging.Imager} does the work, {@link org.brantel.core.imaging.Planner} decides what is
 * read next. Hashes are SHA-256 (FIPS 180-4).
 */
@NullMarked
package org.brantel.core.imaging;

import org.jspecify.annotations.NullMarked;
