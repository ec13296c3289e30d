/**
 * Media, attaching them to cases, and imaging sessions. Public face: {@link org.brantel.server.bench.Bench} and
 * {@link org.brantel.server.bench.ImagingView}.
 */
@NullMarked
package org.brantel.server.bench;

import org.jspecify.annotations.NullMarked;
