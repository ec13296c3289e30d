package org.brantel.server.platform;

import java.util.List;

/**
 * A question that the database answers with numbers of a catalogue's lines.
 *
 * @param sql    selects them
 * @param values in place of its question marks, in order
 */
public record LineNumbers(String sql, List<Object> values) {}
