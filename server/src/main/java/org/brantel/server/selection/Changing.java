package org.brantel.server.selection;

import java.time.Instant;

/**
 * A change of what is chosen that is about to be made.
 *
 * @param what in words that people read: {@code “pictures from may”}
 */
public record Changing(String what, String who, Instant at) {}
