package org.brantel.server.closing;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What others see of how a case ends. */
final class ClosingViews {

    private ClosingViews() {}

    /**
     * @param devices as they were taken in, and what became of each
     * @param missing what keeps the case open whatever its outcome, each in a sentence
     * @param options every outcome, and what it lacks
     * @param papers  that the customer signed, newest first
     * @param closed  absent while the case is not closed, and for cases that were closed before that was kept
     */
    record State(
            List<Device> devices,
            List<String> missing,
            List<Option> options,
            List<Paper> papers,
            @Nullable Closed closed) {}

    /** @param disposed absent while it is with the lab */
    record Device(
            long id,
            int position,
            String name,
            String serial,
            @Nullable Disposed disposed) {}

    /**
     * @param words to whom, how, or why
     * @param day   on which it was
     */
    record Disposed(Disposition disposition, String words, LocalDate day, String who, Instant at) {}

    /**
     * @param lacks what must be there before a case can be closed with it, each in a sentence
     * @param asks  what must be written down with it; empty where nothing must
     */
    record Option(Outcome outcome, List<String> lacks, String asks) {}

    record Closed(Outcome outcome, String words, String who, Instant at) {}

    record Paper(long id, String name, String sha256, long bytes, String who, Instant at) {}
}
