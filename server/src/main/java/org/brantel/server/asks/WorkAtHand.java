package org.brantel.server.asks;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;

/** A feature that has long work. A new one is a bean; nothing else changes. */
public interface WorkAtHand {

    /**
     * A piece of long work.
     *
     * @param what  what is going on, in a word: Reading, Scanning
     * @param share done, 0 to 1
     * @param place the part of the docket where it is seen
     * @param ends  when it will be done at its present rate; null when nobody can say
     */
    record Piece(
            String caseNumber,
            String what,
            WorkState state,
            double share,
            Place place,
            @Nullable Instant ends) {}

    /** Of all cases. */
    List<Piece> now();

    /**
     * When something ends that goes on as it did so far.
     *
     * @return null while it is too early to say
     */
    @Nullable
    static Instant ends(Instant began, Instant now, long done, long total) {
        long millis = Duration.between(began, now).toMillis();
        return done <= 0 || millis < 500 ? null : now.plusMillis(millis * (total - done) / done);
    }
}
