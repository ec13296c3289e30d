package org.brantel.core.wanted;

import java.util.Locale;

/**
 * What can be said of a finding and a wanted line. What is not known makes it <em>may fit</em>, never <em>fits</em>.
 *
 * @param why in words
 */
public record Fit(Verdict verdict, String why) {

    /** The order is from the best to the worst. */
    public enum Verdict {
        FITS,
        MAY_FIT,
        NOT;

        /** {@code fits}, {@code may-fit} or {@code not}. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    static Fit fits(String why) {
        return new Fit(Verdict.FITS, why);
    }

    static Fit mayFit(String why) {
        return new Fit(Verdict.MAY_FIT, why);
    }

    static Fit not(String why) {
        return new Fit(Verdict.NOT, why);
    }

    /** The worse of two answers; of equal ones the first. */
    Fit and(Fit other) {
        return other.verdict.compareTo(verdict) > 0 ? other : this;
    }

    public boolean isOut() {
        return verdict == Verdict.NOT;
    }
}
