package org.brantel.core.finding;

import java.util.List;

/**
 * How intact a finding is judged to be.
 *
 * @param score   0 to 100, how far the prognosis can be trusted to mean every byte
 * @param reasons in words, with the numbers behind them
 */
public record Verdict(Prognosis prognosis, int score, List<String> reasons) {

    public Verdict {
        reasons = List.copyOf(reasons);
    }
}
