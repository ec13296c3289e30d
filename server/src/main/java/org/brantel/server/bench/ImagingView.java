package org.brantel.server.bench;

import jakarta.annotation.Nullable;
import java.time.Instant;

/**
 * An imaging session as others see it.
 *
 * @param state  waiting, running, paused, done, failed
 * @param asked  what a person asked of it and it has not done yet
 * @param rate   bytes a second just now
 * @param cells  the read ribbon: one character for each equal stretch, see {@link RibbonCells}
 * @param rates  MiB/s at which each stretch was read, comma-separated, empty where it was not
 */
public record ImagingView(long id, String caseNumber, String state, @Nullable String asked, String profile, String image,
                          long size, long readBytes, long failedBytes, long deferredBytes, int failedPlaces, String pass,
                          long head, double rate, String cells, String rates, long hashedBytes, @Nullable String sha256,
                          @Nullable String trouble, String who, Instant startedAt, @Nullable Instant endedAt,
                          long runningMillis) { }
