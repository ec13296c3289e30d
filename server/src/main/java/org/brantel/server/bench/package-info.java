/**
 * Media, attaching them to cases, and imaging sessions. Public face: {@link org.brantel.server.bench.Bench} and
 * {@link org.brantel.server.bench.ImagingView}.
 */
package org.brantel.server.bench;
