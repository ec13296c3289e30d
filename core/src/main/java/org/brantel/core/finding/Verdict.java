package org.brantel.core.finding;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How intact a finding is judged to be.
 *
 * @param score   0 to 100, how far the prognosis can be trusted to mean every byte
 * @param reasons in words, with the numbers behind them
 * @param proven  the share of its bytes, 0 to 1, of which the check of its kind would have noticed that they were
 *                overwritten; null where its content did not pass a check
 */
public record Verdict(
        Prognosis prognosis,
        int score,
        List<String> reasons,
        @Nullable Double proven) {

    public Verdict {
        reasons = List.copyOf(reasons);
        if (proven != null && !(proven >= 0 && proven <= 1)) {
            throw new IllegalArgumentException("a share of " + proven);
        }
    }

    /** Of content that passed no check. */
    public Verdict(Prognosis prognosis, int score, List<String> reasons) {
        this(prognosis, score, reasons, null);
    }

    /** The same for other reasons. */
    public Verdict because(List<String> other) {
        return new Verdict(prognosis, score, other, proven);
    }
}
