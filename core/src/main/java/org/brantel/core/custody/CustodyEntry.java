package org.brantel.core.custody;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.brantel.core.hash.Hashes;

/**
 * One line of a case's record.
 *
 * @param number   from 1, without holes
 * @param caseNumber whose record
 * @param at       UTC, to the millisecond
 * @param who      the person, or {@code Brantel}
 * @param what     what was done, in words
 * @param detail   the facts behind it, as text
 * @param previous hash of the entry before; {@link #START} for the first
 * @param hash     of this entry
 */
public record CustodyEntry(
        long number,
        String caseNumber,
        Instant at,
        String who,
        String what,
        String detail,
        String previous,
        String hash) {

    /** What the first entry follows. */
    public static final String START = "0".repeat(64);

    /** The entry that comes next. */
    public static CustodyEntry next(
            String caseNumber, long number, String previous, Instant at, String who, String what, String detail) {
        Instant rounded = at.truncatedTo(ChronoUnit.MILLIS);
        return new CustodyEntry(
                number,
                caseNumber,
                rounded,
                who,
                what,
                detail,
                previous,
                hash(caseNumber, number, rounded, who, what, detail, previous));
    }

    /** Whether the entry's own hash is right. */
    public boolean isUnchanged() {
        return hash(caseNumber, number, at, who, what, detail, previous).equals(hash);
    }

    /** SHA-256 over all fields, each preceded by its length, so that no two entries read the same. */
    private static String hash(
            String caseNumber, long number, Instant at, String who, String what, String detail, String previous) {
        MessageDigest digest = Hashes.sha256();
        for (String field : new String[] {
            "brantel-custody-1", caseNumber, Long.toString(number), at.toString(), who, what, detail, previous
        }) {
            byte[] bytes = field.getBytes(StandardCharsets.UTF_8);
            digest.update((bytes.length + ":").getBytes(StandardCharsets.US_ASCII));
            digest.update(bytes);
        }
        return Hashes.hex(digest.digest());
    }
}
