package org.brantel.server.bench;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.brantel.core.imaging.StopLimits;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;

/**
 * An imaging session as others see it.
 *
 * @param asked      what a person asked of it and it has not done yet: pause, enough
 * @param faults     requests that met a fault
 * @param rate       bytes a second just now
 * @param cells      the read ribbon: one character for each equal stretch, see {@link RibbonCells}
 * @param rates      MiB/s at which each stretch was read, comma-separated, empty where it was not
 * @param limits     in force
 * @param rateLimit  bytes a second that it may read; 0 for no limit
 * @param reached    the limit that it stopped at, in a word
 * @param vanished   its device went away; it goes on by itself when the same one is back
 * @param resting    why it makes no request just now, though it is at work
 * @param endedEarly somebody said that enough was read
 * @param recheck    what the last recheck of the image against its hashes said
 */
public record ImagingView(
        long id,
        String caseNumber,
        long attachmentId,
        WorkState state,
        @Nullable Ask asked,
        String profile,
        String image,
        long size,
        long readBytes,
        long failedBytes,
        long deferredBytes,
        int failedPlaces,
        long faults,
        String pass,
        long head,
        double rate,
        String cells,
        String rates,
        long hashedBytes,
        @Nullable String sha256,
        @Nullable String trouble,
        String who,
        Instant startedAt,
        @Nullable Instant endedAt,
        long runningMillis,
        StopLimits limits,
        long rateLimit,
        @Nullable String reached,
        boolean vanished,
        @Nullable String resting,
        @Nullable Instant restingSince,
        boolean restAsked,
        boolean endedEarly,
        @Nullable String recheck,
        List<ImagingSession.PassWork> passes) {}
