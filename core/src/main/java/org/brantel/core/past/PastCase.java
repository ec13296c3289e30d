package org.brantel.core.past;

import java.time.YearMonth;
import java.util.List;

/**
 * A case that ended.
 *
 * @param month    in which it did
 * @param path     that it went; empty when none was decided
 * @param media    types of its devices, each once
 * @param losses   what is on record as having happened, each once
 * @param stays    how long it stood in each stage altogether
 * @param foretold what was foretold for it and what came of that
 */
public record PastCase(
        YearMonth month,
        HowEnded how,
        String path,
        List<String> media,
        List<String> losses,
        List<Stay> stays,
        List<Foretold> foretold) {

    public record Stay(String stage, double seconds) {}

    /**
     * @param work what it is an estimate of
     * @param low  seconds that it was to take at least, {@code high} at most, {@code came} that it took
     */
    public record Foretold(String work, double low, double high, double came) {}
}
