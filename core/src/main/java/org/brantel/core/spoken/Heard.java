package org.brantel.core.spoken;

import java.time.LocalDate;
import java.util.List;
import org.brantel.core.wanted.WantedLine;

/**
 * What a spoken line says. Places are half-open, in UTF-16 units of the line.
 *
 * @param facts    each with where it was heard
 * @param capacity bytes, or null
 * @param deadline when it is needed, or null
 * @param wanted   what the caller would like to have back
 */
public record Heard(List<Fact> facts, Capacity capacity, Deadline deadline, List<Wanted> wanted) {

    /** @param words as they stand in the line */
    public record Fact(String code, String value, int from, int to, String words) { }

    public record Capacity(long bytes, int from, int to, String words) { }

    public record Deadline(LocalDate day, int from, int to, String words) { }

    public record Wanted(WantedLine line, int from, int to) { }
}
