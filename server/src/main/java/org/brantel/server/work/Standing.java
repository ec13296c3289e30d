package org.brantel.server.work;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * How long work stands.
 *
 * @param asked   what a person asked of it and it has not done yet; work that was asked to pause rests until it is let
 *                go on
 * @param trouble why it paused or failed, in a sentence
 * @param who     began it
 */
public record Standing(
        WorkState state,
        @Nullable Ask asked,
        @Nullable String trouble,
        String who,
        Instant startedAt,
        @Nullable Instant endedAt) {}
