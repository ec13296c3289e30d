/**
 * What comes in and goes out over slow lines: bodies are taken in and files are sent without a thread for each, so that
 * nobody who trickles keeps others waiting. Public face: {@link org.brantel.server.traffic.Sending},
 * {@link org.brantel.server.traffic.Pieces}.
 */
@NullMarked
package org.brantel.server.traffic;

import org.jspecify.annotations.NullMarked;
