package org.brantel.core.carve;

/**
 * A start that looked like a kind but failed its check: no finding.
 *
 * @param offset of its first byte on the source
 * @param kind   the code
 * @param why    what broke, and where
 */
public record Failed(long offset, String kind, String why) {}
