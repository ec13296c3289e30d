package org.brantel.core.custody;

import java.util.ArrayList;
import java.util.List;

/** Checks a record: every entry unchanged, none missing, none swapped, none cut off at the end. */
public final class CustodyChain {

    /**
     * A place where the record is torn.
     *
     * @param after number of the last sound entry before it; 0 when it is the first
     * @param words what is wrong, in one sentence
     */
    public record Tear(long after, String words) {}

    private CustodyChain() {}

    /**
     * @param entries  in order of number
     * @param lastNumber the number of the last entry ever written, kept apart from the entries
     * @param lastHash   its hash
     */
    public static List<Tear> check(List<CustodyEntry> entries, long lastNumber, String lastHash) {
        List<Tear> tears = new ArrayList<>();
        long expected = 1;
        String previous = CustodyEntry.START;
        for (CustodyEntry entry : entries) {
            if (entry.number() != expected) {
                tears.add(new Tear(
                        expected - 1,
                        entry.number() - expected == 1
                                ? "Entry " + expected + " is missing."
                                : "Entries " + expected + " to " + (entry.number() - 1) + " are missing."));
            } else if (!entry.previous().equals(previous)) {
                tears.add(new Tear(
                        expected - 1,
                        "Entry " + entry.number() + " says it follows " + shortened(entry.previous())
                                + ", but the entry before it is " + shortened(previous) + "."));
            }
            if (!entry.isUnchanged()) {
                tears.add(new Tear(
                        entry.number() - 1,
                        "Entry " + entry.number() + " was changed: its content no longer gives its hash."));
            }
            previous = entry.hash();
            expected = entry.number() + 1;
        }
        if (expected - 1 != lastNumber) {
            tears.add(new Tear(
                    expected - 1,
                    "The record ends at entry " + (expected - 1) + ", but " + lastNumber + " were written."));
        } else if (lastNumber > 0 && !previous.equals(lastHash)) {
            tears.add(new Tear(lastNumber, "The last entry is not the one that was written last."));
        }
        return tears;
    }

    private static String shortened(String hash) {
        return hash.length() < 12 ? hash : hash.substring(0, 4) + "…" + hash.substring(hash.length() - 4);
    }
}
