package org.brantel.server.locks;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What others see of the locks of a case. */
public final class LockViews {

    private LockViews() {}

    public record Release(String reason, String who, Instant at) {}

    /**
     * A stop rule that holds.
     *
     * @param because the facts that it rests on, in words
     * @param forbids whether it forbids power or reading, so that a release is needed before the device is touched
     * @param release that stands; absent without one
     */
    public record Rule(
            String code,
            String say,
            List<String> because,
            boolean forbids,
            @Nullable Release release) {}

    /**
     * @param device      that it is of
     * @param untouchable why the device must not be touched now; empty when it may
     * @param look        what may be looked at: names, previews or contents
     */
    public record State(long device, List<Rule> rules, List<String> untouchable, String look) {}
}
